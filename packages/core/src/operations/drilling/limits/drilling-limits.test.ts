import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, DOWEL_HOLE } from '../../../../fixtures/crib.ts';
import type { OperationContext } from '../../context.ts';
import type { LimitState } from '../../../judging/result.ts';
import type { DrillingOperation } from '../drilling-operation.ts';
import { evaluate, limitOf } from '../../../evaluation/evaluate.ts';
import { KINDS } from '../../../evaluation/registry.ts';

type DrillingChange = (op: DrillingOperation) => DrillingOperation;

const hole =
  (change: Partial<DrillingOperation['hole']>): DrillingChange =>
  (op) => ({ ...op, hole: { ...op.hole, ...change } });
const feed =
  (feedPerRevMm: number): DrillingChange =>
  (op) => ({ ...op, cut: { ...op.cut, feedPerRevMm } });

/** A hole on each side of every border, as an engineer would meet it. */
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
  ['pilot-needed', 'tight', 'a curved face', hole({ entrySurface: 'curved' })],
  ['hole-tolerance', 'over', 'a grade no drill holds', hole({ toleranceMm: 0.01 })],
  ['hole-tolerance', 'clear', 'a wide one', hole({ toleranceMm: 0.2 })],
  ['hole-straightness', 'over', 'an axis nobody drills so straight', hole({ straightnessMm: 0.005 })],
  ['hole-straightness', 'clear', 'half a millimetre', hole({ straightnessMm: 0.5 })],
  ['breakthrough', 'over', 'full feed through the cap', hole({ through: true, depthMm: 20 })],
  [
    'breakthrough',
    'clear',
    'six tenths of it',
    (op) => ({ ...op, hole: { ...op.hole, through: true }, cut: { ...op.cut, breakthroughFeed: 0.6 } }),
  ],
  [
    'spot-angle',
    'over',
    'a pilot sharper than what follows',
    (op) => ({ ...op, role: 'pilot', followedByDeg: 150 }),
  ],
  ['spot-angle', 'clear', 'a pilot as flat', (op) => ({ ...op, role: 'pilot', followedByDeg: 140 })],
  ['coolant-pressure', 'tight', '20 bar where channels of 6.8 mm need 40', hole({})],
  ['coolant-match', 'clear', 'through the tool', hole({})],
  [
    'holder-fit',
    'over',
    'in a shell arbor',
    (op) => ({ ...op, tooling: { ...op.tooling, holderId: 'shell-arbor-22-50' } }),
  ],
];

describe('limits of a hole', () => {
  it.each(DRILLING_CASES)('%s is %s: %s', (id, state, _what, change) => {
    const op = change(DOWEL_HOLE);
    expect(limitOf(evaluate(op, contextOf(op)), id).state).toBe(state);
  });

  it('every limit that is only a hole’s has a case', () => {
    const own = KINDS.drilling.ladder.filter((l) => !KINDS.milling.ladder.some((m) => m.id === l.id));
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
