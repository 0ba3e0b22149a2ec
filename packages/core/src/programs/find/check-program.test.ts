import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { HOLE_STEPS, SEAL } from '../../../fixtures/program-operations.ts';
import { speak } from '../../units/sentence.ts';
import { block } from '../engage/stock.ts';
import { checkProgram, type CheckSettings, checkStream } from './check-program.ts';

/** Wall of a plate, cut 12 deep and 1 wide at the released 1,060 rpm and 318 mm/min, with another line in the place of one. */
const LINES = [
  'O1 (WALL)',
  'G21 G90 G17 G40 G80 G94',
  'T4 M6',
  'G54',
  'S1060 M3',
  'G43 H4',
  'G0 X95 Y-5 Z20',
  'M8',
  'G0 Z-12',
  'G1 X-15 F318',
  'G0 Z20',
  'M30',
];
const program = (changes: Readonly<Record<number, string>> = {}): string =>
  LINES.map((line, i) => changes[i + 1] ?? line).join('\n');
const SETTINGS: CheckSettings = {
  operations: [SEAL],
  machine: SEAL.context.machine,
  stock: block([0, 0, -30], [80, 50, 0]),
  cellMm: 0.25,
  clearPlaneMm: 2,
};
const found = (text: string, settings: Partial<CheckSettings> = {}) =>
  checkProgram(text, { ...SETTINGS, ...settings }).findings;

describe('a program held against its release', () => {
  it('has nothing to say of one that runs what was released', () => {
    expect(found(program())).toEqual([]);
  });

  it.each([
    ['a speed of another alloy', { 5: 'S2100 M3', 10: 'G1 X-15 F630' }, 'release-spindle-speed', 10],
    ['half as much feed again', { 10: 'G1 X-15 F480' }, 'release-feed', 10],
    ['twice the depth', { 9: 'G0 Z-24' }, 'release-axial-depth', 10],
    ['twice the stepover', { 7: 'G0 X95 Y-4 Z20' }, 'release-radial-depth', 10],
    ['a rapid through the plate', { 10: 'G0 X-15' }, 'rapid-into-stock', 10],
    [
      'a rapid across it below the clear plane',
      { 11: 'G0 Z0.5\nG0 X95 Y20\nG0 Z20' },
      'below-clear-plane',
      12,
    ],
    ['a spindle nobody started', { 5: '' }, 'spindle-stopped', 10],
    ['a spindle turned the other way', { 5: 'S1060 M4' }, 'spindle-wrong-way', 10],
    ['a speed above the rating', { 5: 'S90000 M3' }, 'over-rating', 7],
    ['no coolant', { 8: '' }, 'coolant-off', 10],
    ['a rest in the cut', { 10: 'G1 X40 F318\nG4 P800\nG1 X-15' }, 'dwell', 11],
    ['another tool', { 3: 'T9 M6' }, 'unknown-tool', 10],
    ['the length of another tool', { 6: 'G43 H5' }, 'length-offset', 10],
    ['another work offset', { 4: 'G55' }, 'work-offset', 10],
    ['a plunge into the plate', { 7: 'G0 X40 Y25 Z20', 9: 'G1 Z-12 F318' }, 'steep', 9],
    ['a way in that begins in the air', { 7: 'G0 X95 Y-5 Z200', 9: 'G1 Z-12 F318' }, 'never', 0],
    ['an arc no axis holds', { 9: 'G0 Z20\nG3 I-0.5 F9000\nG0 Z-12' }, 'arc-too-fast', 10],
    ['a line that cannot be read', { 11: 'G0 Z20\nX[1' }, 'unread', 12],
    ['a code that is not followed', { 2: 'G21 G90 G68 R30' }, 'not-followed', 2],
  ])('finds %s', (_, changes, rule, line) => {
    const all = found(program(changes as Record<number, string>));
    if (rule === 'never') expect(all.map((f) => f.rule)).not.toContain('steep');
    else expect(all.find((f) => f.rule === rule)).toMatchObject({ line });
  });

  it('says in numbers what differs, and what to do', () => {
    const [finding] = found(program({ 5: 'S2100 M3', 10: 'G1 X-15 F630' })).filter(
      (f) => f.rule === 'release-spindle-speed',
    );
    expect(speak(finding!.what, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'Tool 4 runs 2,100 rpm; 1,060 rpm was released for “Seal pocket, roughing” (+98%).',
    );
    expect(speak(finding!.remedy, 'metric')).toMatch(/^Bring the spindle speed to/);
  });

  it('names the alloy whose numbers it carries', () => {
    const [finding] = found(program({ 5: 'S2600 M3', 10: 'G1 X-15 F780' }), {
      inheritance: { alloys: CRIB.alloys },
    }).filter((f) => f.rule === 'inherited');
    expect(speak(finding!.what, 'metric')).toContain('4340');
  });

  it('tells a spike by its force, and leaves one that is slowed for as a note', () => {
    // Round a pocket that was roughed to a millimetre of its walls, turning on the spot in the corners.
    const stock = {
      ...block([-60, -45, -30], [60, 45, 0]),
      pockets: [{ low: [-44, -29], high: [44, 29], cornerMm: 7, floor: null } as const],
    };
    const ring = (feed: string): string =>
      program({
        7: 'G0 X0 Y0 Z20',
        9: 'G0 Z-12',
        10: `G1 X30 F318\nG1 X39 Y20\nX39 Y24 ${feed}\nX30 F318\nG0 X0 Y0`,
      });
    const spike = (feed: string) => found(ring(feed), { stock }).find((f) => f.rule === 'spike');
    expect(spike('F318')).toMatchObject({ gravity: 'fault' });
    expect(spike('F95')?.gravity ?? 'note').toBe('note');
  });

  it('tells the bore fed as if its edge were its centre, by how many times', () => {
    const bore = HOLE_STEPS().find((h) => h.document.kind === 'hole-milling')!;
    const { cutter } = bore.context;
    const r = (30 - cutter.properties.DC!) / 2;
    const edge = bore.document.cut.speedRpm * cutter.properties.ZEFP! * 0.0442;
    const text = program({
      5: `S${bore.document.cut.speedRpm} M3`,
      7: `G0 X${r} Y0 Z20`,
      9: 'G0 Z-5',
      10: `G3 X${r} I${-r} F${edge.toFixed(0)}`,
    });
    const stock = block([-30, -30, -20], [30, 30, 0], [{ x: 0, y: 0, diameterMm: 29.4, floor: null }]);
    const finding = found(text, { operations: [bore], stock }).find((f) => f.rule === 'arc-feed-inside');
    expect(finding).toMatchObject({ line: 10, gravity: 'fault' });
    // The edge at 30 mm is 30/18 as fast as the centre.
    expect(speak(finding!.what, 'metric')).toContain('1.7 times as fast');
  });

  it('sees short lines the control cannot read fast enough', () => {
    const short = Array.from({ length: 60 }, (_, i) => `X${(90 - i * 0.01).toFixed(2)}`).join('\n');
    const straight = found(program({ 10: `G1 F4000\n${short}\nG0 Z20` })).find(
      (f) => f.rule === 'short-blocks',
    );
    expect(speak(straight!.what, 'metric')).toMatch(/0\.010\smm would save next to nothing/);
  });

  it('says how many lines the curve in short lines would be as arcs', () => {
    // A quarter turn of 20 mm in 150 lines.
    const at = (i: number): string => {
      const angle = (i / 150) * (Math.PI / 2);
      return `X${(90 - 20 * Math.sin(angle)).toFixed(4)} Y${(20 * (1 - Math.cos(angle))).toFixed(4)}`;
    };
    const curve = Array.from({ length: 150 }, (_, i) => at(i + 1)).join('\n');
    const finding = found(program({ 10: `G1 X90 Y0 F9000\n${curve}\nG0 Z20` })).find(
      (f) => f.rule === 'short-blocks',
    );
    const [, before, after] = /, (\d+) of the lines there would be (\d+)\./.exec(
      speak(finding!.what, 'metric'),
    )!;
    expect(Number(before)).toBeGreaterThanOrEqual(150);
    expect(Number(after)).toBeLessThanOrEqual(5);
  });

  it('the worst comes first', () => {
    const all = found(program({ 5: 'S2100', 8: '', 10: 'G1 X-15 F630' }));
    expect(all[0]!.gravity).toBe('stop');
    expect(all.map((f) => ['stop', 'fault', 'look', 'note'].indexOf(f.gravity))).toEqual(
      all.map((f) => ['stop', 'fault', 'look', 'note'].indexOf(f.gravity)).sort(),
    );
  });

  it('without material it still holds numbers that need none', () => {
    const result = checkProgram(program({ 5: 'S90000 M3' }), { ...SETTINGS, stock: null });
    expect(result.findings.map((f) => f.rule)).toEqual(['over-rating']);
    expect(result.gridBytes).toBe(0);
  });

  it('by the piece it finds what it finds whole', async () => {
    const text = program({ 5: 'S2100 M3', 9: 'G0 Z-24' });
    const whole = checkProgram(text, SETTINGS);
    const seen: number[] = [];
    const pieces = await checkStream(
      () => text.match(/[\s\S]{1,50}/g)!,
      SETTINGS,
      undefined,
      (line) => void seen.push(line),
    );
    expect(pieces).toEqual(whole);
    expect(seen.at(-1)).toBeGreaterThan(5);
  });
});

describe('loads of a block', () => {
  it('at the released contact they are those of the release', () => {
    const blocks: { forceN: number; powerKw: number; chipMm: number; bend: number | null }[] = [];
    checkProgram(program(), SETTINGS, (b) => {
      if (b.motion.line === 10) blocks.push({ ...b.load, bend: b.load.bendMm });
    });
    const { released } = SEAL.evaluation.numbers.reduce(
      (all, n) => ({ released: { ...all.released, [n.key]: n.value } }),
      { released: {} as Record<string, number> },
    );
    expect(blocks[0]!.chipMm / released['hex']!).toBeCloseTo(1, 2);
    expect(blocks[0]!.forceN / released['F']!).toBeCloseTo(1, 2);
    expect(blocks[0]!.powerKw / released['P']!).toBeCloseTo(1, 2);
    expect(blocks[0]!.bend! / released['lean']!).toBeCloseTo(1, 2);
  });
});
