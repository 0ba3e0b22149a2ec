import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, DOWEL_HOLE, SEAL_POCKET } from '../../fixtures/crib.ts';
import type { OperationContext } from '../domain/context.ts';
import type { LimitState } from '../domain/evaluation.ts';
import type { DrillingOperation, MillingOperation, Operation } from '../domain/operation.ts';
import { evaluate, limitOf } from '../evaluation/evaluate.ts';
import { speak } from '../units/sentence.ts';
import { DRILLING_LADDER, MILLING_LADDER } from './ladder.ts';
import { stateOfShare } from './limit.ts';

type MillingChange = (op: MillingOperation) => MillingOperation;
type DrillingChange = (op: DrillingOperation) => DrillingOperation;

const cut =
  (change: Partial<MillingOperation['cut']>): MillingChange =>
  (op) => ({ ...op, cut: { ...op.cut, ...change } });
const feature =
  (change: Partial<MillingOperation['feature']>): MillingChange =>
  (op) => ({ ...op, feature: { ...op.feature, ...change } });
const tooling =
  (change: Partial<Operation['tooling']>): MillingChange =>
  (op) => ({ ...op, tooling: { ...op.tooling, ...change } });
const hole =
  (change: Partial<DrillingOperation['hole']>): DrillingChange =>
  (op) => ({ ...op, hole: { ...op.hole, ...change } });
const feed =
  (feedPerRevMm: number): DrillingChange =>
  (op) => ({ ...op, cut: { ...op.cut, feedPerRevMm } });

const stateOf = (op: Operation, id: string, context: OperationContext = contextOf(op)): LimitState =>
  limitOf(evaluate(op, context), id).state;

/** A cut on each side of every border, as an engineer would meet it. */
const MILLING_CASES: readonly (readonly [string, LimitState, string, MillingChange])[] = [
  ['spindle-speed', 'clear', 'inside the machine’s speeds', cut({ speedRpm: 9000 })],
  ['spindle-speed', 'over', 'faster than the spindle turns', cut({ speedRpm: 10500 })],
  ['spindle-power', 'clear', 'a light cut', cut({})],
  [
    'spindle-power',
    'over',
    'full width at depth',
    cut({ radialEngagementMm: 12, axialDepthMm: 20, speedRpm: 3000 }),
  ],
  ['spindle-torque', 'clear', 'a light cut', cut({})],
  [
    'spindle-torque',
    'over',
    'a large cutter slotting slowly',
    (op) => ({
      ...op,
      tooling: { cutterId: 'em-bull-20-z6-re3', holderId: 'milling-chuck-20-90', stickOutMm: 60 },
      cut: { ...op.cut, axialDepthMm: 40, radialEngagementMm: 20, feedPerToothMm: 0.2, speedRpm: 300 },
    }),
  ],
  ['axis-feed', 'over', 'more feed than the axis has', cut({ speedRpm: 9900, feedPerToothMm: 0.7 })],
  [
    'corner-acceleration',
    'over',
    'fast round a tiny path radius',
    (op) => cut({ speedRpm: 9000, feedPerToothMm: 0.2 })(feature({ cornerRadiusMm: 6.1 })(op)),
  ],
  [
    'rated-speed',
    'over',
    'above the rating of the arbor',
    (op) => ({
      ...op,
      machineId: 'axis5-24k',
      tooling: { cutterId: 'shoulder90-40-z4', holderId: 'turn-block-25', stickOutMm: 40 },
      cut: { ...op.cut, axialDepthMm: 2, speedRpm: 16000 },
    }),
  ],
  ['holder-fit', 'clear', 'shrink holder on BT40', cut({})],
  ['holder-fit', 'over', 'a shank too thick for the collet', tooling({ holderId: 'collet-er16-slim-100' })],
  ['holder-fit', 'over', 'a taper of another machine', tooling({ holderId: 'reduction-polygon-63-110' })],
  [
    'material-match',
    'over',
    'a polymer cutter in nickel',
    (op) => ({
      ...op,
      tooling: { cutterId: 'em-flat-6-z1-polymer', holderId: 'shrink-12-80', stickOutMm: 30 },
      cut: { ...op.cut, radialEngagementMm: 0.5 },
    }),
  ],
  ['usable-length', 'clear', 'inside the edge', cut({ axialDepthMm: 26 })],
  ['reach', 'over', 'a floor below the relieved length', feature({ depthMm: 37 })],
  [
    'reach',
    'over',
    'a floor the stick-out does not reach',
    (op) => feature({ depthMm: 36 })(tooling({ stickOutMm: 36.5 })(op)),
  ],
  ['corner-fit', 'clear', 'three quarters of the corner', feature({ cornerRadiusMm: 8 })],
  ['corner-fit', 'tight', 'nearly the corner', feature({ cornerRadiusMm: 6.5 })],
  ['corner-fit', 'over', 'larger than the corner', feature({ cornerRadiusMm: 5 })],
  ['chip-thin', 'clear', 'a proper chip', cut({ feedPerToothMm: 0.08 })],
  ['chip-thin', 'over', 'dust', cut({ feedPerToothMm: 0.01 })],
  ['chip-thick', 'clear', 'a proper chip', cut({ feedPerToothMm: 0.08 })],
  ['chip-thick', 'over', 'a chunk', cut({ feedPerToothMm: 0.25 })],
  ['chip-space', 'clear', 'narrow', cut({})],
  ['chip-space', 'over', 'a slot with five flutes', cut({ radialEngagementMm: 12, feedPerToothMm: 0.12 })],
  ['bending-stress', 'clear', 'short and light', cut({ axialDepthMm: 6 })],
  [
    'bending-stress',
    'over',
    'full width at depth',
    cut({ axialDepthMm: 24, radialEngagementMm: 12, feedPerToothMm: 0.12 }),
  ],
  ['holder-grip', 'clear', 'shrink', cut({})],
  [
    'holder-grip',
    'over',
    'a collet under a heavy slot',
    (op) =>
      cut({ axialDepthMm: 24, radialEngagementMm: 12, feedPerToothMm: 0.12 })(
        tooling({ holderId: 'collet-er32-70' })(op),
      ),
  ],
  [
    'workholding',
    'over',
    'weak vacuum',
    (op) => ({ ...op, workholding: { kind: 'vacuum', capacityN: 500 } }),
  ],
  [
    'workholding',
    'unproven',
    'nothing declared',
    (op) => ({ ...op, workholding: { kind: 'clamps', capacityN: null } }),
  ],
  ['wall-error', 'clear', 'shallow', cut({ axialDepthMm: 1.5 })],
  ['wall-error', 'over', 'deep', cut({ axialDepthMm: 24 })],
  ['long-reach', 'clear', '3 diameters', tooling({ stickOutMm: 38 })],
  ['long-reach', 'tight', '5 diameters', tooling({ stickOutMm: 60 })],
  ['long-reach', 'over', 'more than 6 diameters', tooling({ stickOutMm: 74 })],
  ['cutting-speed', 'clear', 'slow', cut({ speedRpm: 800 })],
  ['cutting-speed', 'over', 'steel speed in nickel', cut({ speedRpm: 4000 })],
  ['edge-life', 'over', 'a hundred pockets an edge', (op) => ({ ...op, featuresPerEdge: 100 })],
  ['edges-on-shelf', 'over', 'none left', (op) => ({ ...op, edgesOnShelf: 0 })],
  ['edges-on-shelf', 'clear', 'a drawer full', (op) => ({ ...op, edgesOnShelf: 60 })],
  ['coolant-match', 'clear', 'flood', (op) => ({ ...op, coolant: 'flood' })],
  ['coolant-match', 'over', 'dry nickel', (op) => ({ ...op, coolant: 'dry' })],
  ['coolant-match', 'over', 'through a tool without channels', (op) => ({ ...op, coolant: 'through-tool' })],
  ['coolant-match', 'over', 'mist the machine does not have', (op) => ({ ...op, coolant: 'mist' })],
  [
    'coolant-match',
    'tight',
    'flood on hardened steel',
    (op) => ({ ...op, alloyId: 'd2-60hrc', coolant: 'flood' }),
  ],
  ['inherited-numbers', 'clear', 'its own', cut({})],
  [
    'inherited-numbers',
    'over',
    'of another cutter',
    (op) => ({ ...op, workedOutFor: { ...op.workedOutFor, cutterId: 'em-flat-6-z4' } }),
  ],
  [
    'inherited-numbers',
    'over',
    'of a softer lot',
    (op) => ({ ...op, measured: { ...op.measured, hardness: 46 } }),
  ],
  [
    'inherited-numbers',
    'clear',
    'of nearly the same lot',
    (op) => ({ ...op, measured: { ...op.measured, hardness: 43 } }),
  ],
];

const DRILLING_CASES: readonly (readonly [string, LimitState, string, DrillingChange])[] = [
  ['hole-size', 'clear', 'its own size', hole({})],
  ['hole-size', 'over', 'another size', hole({ diameterMm: 7 })],
  ['drill-reach', 'clear', '5 diameters', hole({ depthMm: 34 })],
  ['drill-reach', 'over', '7 diameters', hole({ depthMm: 47 })],
  ['drill-reach', 'over', 'through, where the point has to come out', hole({ depthMm: 39, through: true })],
  ['drill-feed-low', 'clear', 'in the window', feed(0.1)],
  ['drill-feed-low', 'over', 'rubbing', feed(0.02)],
  ['drill-feed-high', 'over', 'too much for the lips', feed(0.3)],
  ['chips-out', 'clear', 'pecks as planned', hole({})],
  [
    'chips-out',
    'over',
    'one stroke with coolant from outside',
    (op) => ({ ...op, coolant: 'flood', cut: { ...op.cut, peck: 'none' } }),
  ],
  [
    'chips-out',
    'clear',
    'short even pecks',
    (op) => ({ ...op, coolant: 'flood', cut: { ...op.cut, peck: 5 } }),
  ],
  ['drill-torsion', 'clear', 'a usual feed', feed(0.09)],
  ['drill-buckling', 'clear', 'a usual feed', feed(0.09)],
  ['drill-buckling', 'over', 'pushed hard', feed(0.6)],
  ['pilot-needed', 'clear', 'flat and 5 diameters', hole({})],
  ['pilot-needed', 'tight', 'a slope of 5 degrees', hole({ entryAngleDeg: 5 })],
  ['pilot-needed', 'over', 'a slope of 12 degrees', hole({ entryAngleDeg: 12 })],
  ['pilot-needed', 'clear', 'a slope, but piloted', hole({ entryAngleDeg: 12, piloted: true })],
  ['coolant-match', 'clear', 'through the tool', hole({})],
  [
    'holder-fit',
    'over',
    'in a shell arbor',
    (op) => ({ ...op, tooling: { ...op.tooling, holderId: 'shell-arbor-22-50' } }),
  ],
];

describe('limits of a milling cut', () => {
  it.each(MILLING_CASES)('%s is %s: %s', (id, state, _what, change) => {
    expect(stateOf(change(SEAL_POCKET), id)).toBe(state);
  });

  it('every limit of the ladder has a case', () => {
    expect(MILLING_LADDER.map((l) => l.id).filter((id) => !MILLING_CASES.some(([c]) => c === id))).toEqual(
      [],
    );
  });
});

describe('limits of a hole', () => {
  it.each(DRILLING_CASES)('%s is %s: %s', (id, state, _what, change) => {
    expect(stateOf(change(DOWEL_HOLE), id)).toBe(state);
  });

  it('every limit that is only a hole’s has a case', () => {
    const own = DRILLING_LADDER.filter((l) => !MILLING_LADDER.some((m) => m.id === l.id));
    expect(own.map((l) => l.id).filter((id) => !DRILLING_CASES.some(([c]) => c === id))).toEqual([]);
  });

  it('judges an indexable drill with one edge that takes the whole feed', () => {
    const cutter = CRIB.cutters.find((c) => c.id === 'drill-6.8-5xd')!;
    const op = DOWEL_HOLE;
    const indexable = { ...contextOf(op), cutter: { ...cutter, type: 'drill_indexable' } };
    const torque = (context: OperationContext): number =>
      limitOf(evaluate(op, context), 'spindle-torque').predicted!.value;
    // One edge takes twice the chip; by the size effect the torque falls a little, never rises.
    expect(torque(indexable)).toBeLessThan(torque(contextOf(op)));
    expect(torque(indexable)).toBeGreaterThan(0.8 * torque(contextOf(op)));
  });
});

describe('explanations', () => {
  it('every limit says why in a sentence, with formula and source, in both systems', () => {
    for (const op of [SEAL_POCKET, DOWEL_HOLE]) {
      for (const l of evaluate(op, contextOf(op)).limits) {
        for (const system of ['metric', 'inch'] as const) {
          const said = speak(l.why, system);
          expect([l.id, /\{\d\}|NaN|undefined|–/.test(said), /[.]$/.test(said)]).toEqual([l.id, false, true]);
        }
        expect([l.id, l.formula.length > 4, l.source.length > 4]).toEqual([l.id, true, true]);
        expect([l.id, l.inputs.every((i) => Number.isFinite(i.value))]).toEqual([l.id, true]);
      }
    }
  });

  it('ids are unique in a ladder', () => {
    for (const ladder of [MILLING_LADDER, DRILLING_LADDER]) {
      expect(new Set(ladder.map((l) => l.id)).size).toBe(ladder.length);
    }
  });
});

describe('state by band', () => {
  it.each([
    [{ low: 0.5, value: 0.7, high: 0.9 }, 'clear'],
    [{ low: 0.5, value: 0.9, high: 1.2 }, 'tight'],
    [{ low: 0.9, value: 1.1, high: 1.3 }, 'over'],
    [{ low: 1.2, value: 2, high: 40 }, 'over'],
    [{ low: 0.1, value: 0.4, high: 1.6 }, 'unproven'],
    [{ low: 0.01, value: 0.1, high: 0.99 }, 'clear'],
  ] as const)('%o is %s', (share, state) => {
    expect(stateOfShare(share)).toBe(state);
  });
});
