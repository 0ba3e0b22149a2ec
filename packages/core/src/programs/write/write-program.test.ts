import { describe, expect, it } from 'vitest';
import { HOLE_STEPS, programOperation, SEAL } from '../../../fixtures/program-operations.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { checkProgram } from '../find/check-program.ts';
import { PLAIN_SETTINGS, readProgram } from '../read/read-program.ts';
import { makeSummary } from '../read/summary.ts';
import { type Dialect, numberText, PLAIN_DIALECT } from './dialect.ts';
import { loopStep } from './pocket.ts';
import { ladderSpeeds } from './write-milling.ts';
import { writeProgram, writtenFor } from './write-program.ts';

const seal = SEAL.document as MillingOperation;
const SLOT = programOperation({
  ...seal,
  feature: { ...seal.feature, kind: 'slot', widthMm: 18, lengthMm: 30, depthMm: 12 },
  path: { ...seal.path, strategy: 'trochoidal' },
});
/** A pocket small enough to be cut in a moment, two levels of it. */
const POCKET = programOperation({
  ...seal,
  feature: { ...seal.feature, widthMm: 34, depthMm: 14 },
});
const ALL = [POCKET, SLOT, ...HOLE_STEPS()].flatMap((operation) =>
  writtenFor(operation).map((what) => ({ operation, what })),
);
const write = ({ operation, what }: (typeof ALL)[number], dialect: Partial<Dialect> = {}) =>
  writeProgram(operation, {
    what,
    dialect: { ...PLAIN_DIALECT, ...dialect },
    places:
      what === 'holes'
        ? [
            { x: 0, y: 0 },
            { x: 60, y: 15 },
          ]
        : [{ x: 0, y: 0 }],
    title: operation.name,
    number: 7,
    speeds: [],
  });
const summaryOf = (text: string) => {
  const summary = makeSummary(20_000);
  const result = readProgram(text, PLAIN_SETTINGS, {
    motion: (m) => summary.motion(m),
    hole: (h) => summary.hole!(h),
  });
  return { ...summary.result(), notes: result.notes, tools: result.tools };
};

describe('a written program', () => {
  it.each(ALL.map((a) => [`${a.operation.document.kind} ${a.what}`, a] as const))(
    '%s comes back from the reader without a finding',
    (_, a) => {
      const { text, stock } = write(a);
      const { findings } = checkProgram(text, {
        operations: [a.operation],
        machine: a.operation.context.machine,
        stock,
        cellMm: 0.25,
        clearPlaneMm: 0.5,
        ...(a.what === 'speed-ladder' && { speedsOnPurpose: ladderSpeeds(a.operation) }),
      });
      expect(findings.map((f) => `${f.rule} ${f.line}`)).toEqual([]);
    },
    60_000,
  );

  it.each(ALL.map((a) => [`${a.operation.document.kind} ${a.what}`, a] as const))(
    '%s says the same path in every dialect',
    (_, a) => {
      const plain = summaryOf(write(a).text);
      for (const dialect of [
        { cycles: 'long hand', arcs: 'radius' },
        { units: 'inch', pointAlways: true, lineNumbers: true },
      ] as const) {
        const other = summaryOf(write(a, dialect).text);
        expect(other.notes).toEqual([]);
        expect(other.feedMm / plain.feedMm).toBeCloseTo(1, 2);
        expect(other.box!.flat().map((v) => Math.round(v * 20))).toEqual(
          plain.box!.flat().map((v) => Math.round(v * 20)),
        );
      }
    },
  );

  it('is as long in inch as in metric, and by radii as by centres', () => {
    const a = ALL.find((x) => x.what === 'round-pocket')!;
    const [plain, inch, radius] = [{}, { units: 'inch' }, { arcs: 'radius' }].map(
      (d) => summaryOf(write(a, d as Partial<Dialect>).text).feedMm,
    );
    expect(inch! / plain!).toBeCloseTo(1, 3);
    expect(radius! / plain!).toBeCloseTo(1, 4);
  });

  it('a thread climbs from below, one pitch a turn, at the feed its edge was released for', () => {
    const a = ALL.find((x) => x.operation.document.kind === 'thread-milling')!;
    const { document } = a.operation;
    if (document.kind !== 'thread-milling') throw new Error('not a thread');
    const arcs: { rise: number; feed: number; radius: number; sweep: number }[] = [];
    readProgram(write(a).text, PLAIN_SETTINGS, {
      motion: (m) =>
        m.arc &&
        arcs.push({
          rise: m.to[2] - m.from[2],
          feed: m.feedMmMin!,
          radius: m.arc.radiusMm,
          sweep: m.arc.sweep,
        }),
    });
    const turn = arcs.filter((t) => Math.abs(t.sweep) > 6).at(-1)!;
    expect(turn.rise).toBeCloseTo(document.thread.pitchMm, 3);
    const edge =
      document.cut.speedRpm *
      (a.operation.context.cutter.properties.ZEFP ?? a.operation.context.cutter.properties.NOF ?? 1) *
      document.cut.feedPerToothMm;
    expect(turn.feed / ((edge * 2 * turn.radius) / document.thread.majorMm)).toBeCloseTo(1, 1.5);
    expect(2 * turn.radius + a.operation.context.cutter.properties.DC!).toBeCloseTo(
      document.thread.majorMm,
      2,
    );
  });

  it('drills the planned pecks, as a cycle where one can say them', () => {
    const a = ALL.find((x) => x.operation.document.kind === 'drilling')!;
    const strokes = (dialect: Partial<Dialect>): number => {
      let down = 0;
      readProgram(write(a, dialect).text, PLAIN_SETTINGS, {
        motion: (m) => {
          if (m.kind === 'line' && m.to[2] < m.from[2]) down++;
        },
      });
      return down;
    };
    expect(strokes({ cycles: 'long hand' })).toBe(2 * Math.max(1, a.operation.evaluation.pecks.length));
  });

  it('refuses what the operation has no program of, by name', () => {
    expect(() => write({ operation: SEAL, what: 'holes' })).toThrow(/what.*holes/s);
    expect(() =>
      writeProgram(SEAL, {
        what: 'helix',
        dialect: PLAIN_DIALECT,
        places: [],
        title: '',
        number: 1,
        speeds: [],
      }),
    ).toThrow(/places/);
  });
});

describe('numbers as a control reads them', () => {
  it.each([
    [{}, 12, '12'],
    [{}, -0.0001, '0'],
    [{}, 1.25, '1.25'],
    [{ pointAlways: true }, 12, '12.'],
    [{ pointAlways: true }, 0, '0.'],
    [{ units: 'inch' as const }, 25.4, '1'],
    [{ units: 'inch' as const }, 1, '0.0394'],
  ])('%o: %f is %s', (dialect, value, text) =>
    expect(numberText({ ...PLAIN_DIALECT, ...dialect }, value)).toBe(text),
  );

  it('a loop steps less than the stepover of a straight cut with its contact', () => {
    expect(loopStep(3, 12, 1)).toBeCloseTo(0.367, 3);
    expect(loopStep(1e6, 12, 1)).toBeCloseTo(1, 3);
  });
});
