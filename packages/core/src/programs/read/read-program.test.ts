import { describe, expect, it } from 'vitest';
import { seeded } from '../../../fixtures/mutate-program.ts';
import type { Motion } from './motion.ts';
import { PLAIN_SETTINGS, type ProgramSettings, readProgram, readStream } from './read-program.ts';
import { makeSummary } from './summary.ts';

/** Motions and result of a program. */
function read(text: string, settings: Partial<ProgramSettings> = {}) {
  const motions: Motion[] = [];
  const summary = makeSummary(20_000);
  const result = readProgram(
    text,
    { ...PLAIN_SETTINGS, ...settings },
    { motion: (m) => (motions.push(m), summary.motion(m)), hole: (h) => summary.hole!(h) },
  );
  return { motions, result, summary: summary.result() };
}
const notesOf = (text: string) => read(text).result.notes.map((n) => `${n.lines[0]} ${n.kind}: ${n.what}`);

describe('a control that reads a program', () => {
  it('keeps what was said until it is said anew: feed, speed, plane, tool', () => {
    const { motions } = read('T3 M6\nS1200 M3\nG43 H3\nM8\nG1 X10 F200\nY10\nG0 X0\nG1 X5');
    expect(motions.map((m) => m.feedMmMin)).toEqual([200, 200, null, 200]);
    expect(motions[1]).toMatchObject({
      speedRpm: 1200,
      setting: { tool: 3, lengthOffset: 3, spindle: 'clockwise', coolant: true },
    });
  });

  it('a new tool stops the spindle and drops the length of the old one', () => {
    const { motions } = read('T1 M6\nS900 M3\nG43 H1\nG1 X1 F10\nT2 M6\nX2');
    expect(motions[1]!.setting).toMatchObject({ tool: 2, lengthOffset: null, spindle: 'stopped' });
  });

  it('reads arcs in every plane, as offsets, absolute centres and radii, the same', () => {
    const quarter = (text: string) => read(text).summary.feedMm;
    const length = (Math.PI / 2) * 10;
    expect(quarter('F100\nG17 G2 X10 Y-10 I0 J-10')).toBeCloseTo(length, 9);
    expect(quarter('F100\nG90.1 G2 X10 Y-10 I0 J-10')).toBeCloseTo(length, 9);
    expect(quarter('F100\nG2 X10 Y-10 R10')).toBeCloseTo(length, 9);
    expect(quarter('F100\nG18 G3 X10 Z10 I10 K0')).toBeCloseTo(length, 9);
    expect(quarter('F100\nG19 G2 Y10 Z10 J10')).toBeCloseTo(length, 9);
    expect(quarter('F100\nG2 X10 Y-10 R-10')).toBeCloseTo(3 * length, 9);
  });

  it('goes round as often as P says, and rises as it does', () => {
    const { motions } = read('F100\nG0 X5\nG3 X5 I-5 Z3 P3');
    expect(motions[1]!.arc!.sweep).toBeCloseTo(6 * Math.PI, 9);
    expect(motions[1]!.lengthMm).toBeCloseTo(Math.hypot(30 * Math.PI, 3), 9);
  });

  it('says why an arc is none, and goes straight', () => {
    const { motions, result } = read('F100\nG1 X0\nG2 X30 R10');
    expect(motions.at(-1)!.kind).toBe('line');
    expect(result.notes[0]).toMatchObject({ kind: 'error', what: 'G2', lines: [3] });
    expect(result.notes[0]!.means).toContain('less than half the way');
  });

  it('works out variables and expressions, and says where one has no value', () => {
    const { motions } = read(
      '#1=2.5\n#2=[#1*4-SQRT[16]]+1 (OFFSET)\nG1 X[#1+#2] Y-#1 Z[ATAN[1]/[1]] F[100/2]',
    );
    expect(motions[0]!.to).toEqual([9.5, -2.5, 45]);
    expect(motions[0]!.feedMmMin).toBe(50);
    expect(notesOf('G1 X1 F10\nX#9')).toEqual(['2 error: “X#9”: #9 has no value here']);
  });

  it('names jumps and loops by their line and reads on', () => {
    const { motions, result } = read('G1 X1 F9\nIF [#1 GT 2] GOTO 10\nX2\nWHILE [#1 LT 3] DO1');
    expect(motions).toHaveLength(2);
    expect(result.notes.map((n) => [n.what, n.lines])).toEqual([
      ['IF', [2]],
      ['WHILE', [4]],
    ]);
  });

  it('what it does not follow is never skipped without a word', () => {
    expect(notesOf('G68 X0 Y0 R30\nG41 D1 X5\nG123 X1\nM77\nB90')).toEqual([
      '1 not followed: G68',
      '2 not followed: G41',
      '2 error: X Y Z',
      '3 not followed: G123',
      '4 not followed: M77',
      '5 not followed: B',
    ]);
  });

  it('calls subprograms by number with a count, by the digits of P, and from other files', () => {
    const sub = 'O2000\nG91 G1 X1 F50\nG90\nM99';
    expect(read(`O1\nM98 P2000 L6\nM30\n${sub}`).summary.feedMm).toBe(6);
    expect(read(`O1\nM98 P62000\nM30\n${sub}`).summary.feedMm).toBe(6);
    expect(
      read('O1\nM98 (RIB.NC)\nM30', { files: new Map([['rib.nc', 'G1 Y4 F9\nM99']]) }).summary.feedMm,
    ).toBe(4);
    expect(
      read('O1\nM98 P2000\nM30', { files: new Map([['O2000.nc', 'G1 Y4 F9\nM99']]) }).summary.feedMm,
    ).toBe(4);
  });

  it('takes a colon for O', () => {
    const { result, summary } = read(':1\nM98 P7\nM30\n:7\nG1 Y4 F9\nM99');
    expect([result.name, summary.feedMm, result.notes]).toEqual(['1', 4, []]);
  });

  it('a subprogram above the main program is found as well, and the main one runs', () => {
    expect(read('O2000\nG91 G1 X1 F50\nG90\nM99\nO1\nM98 P2000 L3\nM30').summary.feedMm).toBe(3);
  });

  it('says which programs of a file nothing runs', () => {
    expect(notesOf('G77\n%\nO1\nG1 X1 F9\nM30\nO5\nG1 X2\nM99')).toEqual([
      '1 not followed: Lines before the program',
      '6 not followed: O5',
    ]);
  });

  it('a call of itself ends, with its line', () => {
    const { result } = read('O1\nM98 P7\nM30\nO7\nM98 P7\nM99');
    expect(result.notes[0]).toMatchObject({ kind: 'error', what: 'M98 7', lines: [5] });
    expect(result.notes[0]!.means).toContain('calls itself');
  });

  it('a loop without end ends, and so do calls through each other', () => {
    expect(notesOf('O1\nM98 P7 L2147483647\nM30\nO7\nM99')[0]).toMatch(/error: M98$/);
    expect(notesOf('O1\nM98 P7\nM30\nO7\nM98 P8 L9\nM99\nO8\nM98 P7 L9\nM99')[0]).toContain('M98 7');
  });

  it('drills by cycles: counted by L when incremental, from the initial height or R', () => {
    const { motions, result, summary } = read('G0 X0 Y0 Z10\nG91 G99 G81 X10 Y0 Z-12 R-8 L3 F80\nG80');
    expect(summary.holes).toBe(3);
    expect(motions.filter((m) => m.kind === 'line').map((m) => [m.from[2], m.to[2], m.to[0]])).toEqual([
      [2, -10, 10],
      [2, -10, 20],
      [2, -10, 30],
    ]);
    expect(motions.at(-1)!.to[2]).toBe(2);
    expect(result.notes).toEqual([]);
  });

  it('taps feed out, drills draw out in rapid, boring cycles feed out', () => {
    const out = (code: number) =>
      read(`G0 Z5\nG98 G${code} X1 Y1 Z-8 R1 F90\nG80`).motions.find((m) => m.from[2] === -8)!.kind;
    expect([81, 84, 85, 89, 74].map(out)).toEqual(['rapid', 'line', 'line', 'line', 'line']);
  });

  it('keeps the surface speed of a lathe under its cap, X being a diameter', () => {
    const { motions, result } = read(
      'G18 G50 S2000\nG96 S150 M3\nG95 G0 X100 Z2\nG1 X40 F0.2\nG1 X0\nG71 U2 R1',
    );
    expect(motions[0]!.to[0]).toBe(50);
    expect(motions[1]!.speedRpm).toBeCloseTo(150_000 / (Math.PI * 40), 6);
    expect(motions[2]!.speedRpm).toBe(2000);
    expect(result.notes.map((n) => n.what)).toContain('G71');
  });

  it('shifts the zero, and keeps a dwell in seconds however it is written', () => {
    const { motions } = read('G52 X100\nG0 X1\nG52 X0\nG4 P500\nG4 P0.5\nG4 X0.5');
    expect(motions[0]!.to[0]).toBe(101);
    expect(motions.slice(1).map((m) => m.seconds)).toEqual([0.5, 0.5, 0.5]);
  });

  it('inch and metric agree, and a program twice as large is twice as long', () => {
    const program = (scale: number, unit: string) =>
      `${unit}\nG0 X0 Y0\nG1 X${12 * scale} Y${5 * scale} F100\nG2 X${14 * scale} Y${3 * scale} I0 J${-2 * scale}\nG0 Z${4 * scale}`;
    const [mm, inch, twice] = [
      read(program(1, 'G21')),
      read(program(1 / 25.4, 'G20')),
      read(program(2, 'G21')),
    ];
    expect(inch.summary.feedMm).toBeCloseTo(mm.summary.feedMm, 9);
    expect(inch.summary.rapidMm).toBeCloseTo(mm.summary.rapidMm, 9);
    expect(twice.summary.feedMm).toBeCloseTo(2 * mm.summary.feedMm, 9);
  });

  it('refuses a place no machine reaches, by its line', () => {
    const { motions, result } = read('G1 X1 F9\nX99999999\nX2');
    expect(motions.map((m) => m.to[0])).toEqual([1, 2]);
    expect(result.notes[0]).toMatchObject({ kind: 'error', lines: [2] });
  });

  it('by the piece, whatever the piece, it reads what it reads whole', async () => {
    const text = 'O1\r\nG1 X1 F9\r\nM98 P7 L2\r\nM30\r\nO7\r\nG91 Y2\r\nG90\r\nM99\r\n';
    const whole = read(text);
    for (const size of [1, 2, 7, 1000]) {
      const motions: Motion[] = [];
      const chunks = () => text.match(new RegExp(`[\\s\\S]{1,${size}}`, 'g'))!;
      const result = await readStream(chunks, PLAIN_SETTINGS, { motion: (m) => motions.push(m) });
      expect(motions).toEqual(whole.motions);
      expect(result).toEqual(whole.result);
    }
  });
});

describe('programs with mistakes in them', () => {
  it('never break the reader, never hold it, and each refusal names a line of the file', () => {
    const next = seeded(17);
    for (let k = 0; k < 2_000; k++) {
      const text = next();
      const lines = text.split(/\r\n|\n|\r/).length;
      const { motions, result } = read(text);
      for (const note of result.notes) {
        expect(note.lines.length).toBeGreaterThan(0);
        for (const line of note.lines) expect(line >= 1 && line <= lines).toBe(true);
      }
      for (const m of motions) expect(m.to.every(Number.isFinite) && Number.isFinite(m.lengthMm)).toBe(true);
    }
  });
});
