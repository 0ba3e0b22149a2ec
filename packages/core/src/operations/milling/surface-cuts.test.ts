import { describe, expect, it } from 'vitest';
import { CRIB, contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { setParameter } from '../../evaluation/set-parameter.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import { PLAIN_FINISHING } from '../../physics/path/finishing.ts';
import { type MillingOperation, usualPath } from './milling-operation.ts';

/** A slope 20 mm wide with 0.2 mm on it and ridges of 5 µm, with its own first cut. */
function surface(cutterId: string, slopeDeg: number, tiltDeg = 0, alloyId = '718-aged'): MillingOperation {
  const op: MillingOperation = {
    ...SEAL_POCKET,
    alloyId,
    tooling: { cutterId, holderId: 'shrink-12-80', stickOutMm: 40 },
    feature: {
      ...SEAL_POCKET.feature,
      kind: 'side',
      lengthMm: 80,
      widthMm: 20,
      depthMm: 0.2,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.05,
      slopeDeg,
      scallopMm: 0.005,
      finishing: {
        ...PLAIN_FINISHING,
        face: 'surface',
        floorMm: 12,
        surface: { tiltDeg, hollowMm: null },
      },
    },
    path: usualPath('side'),
  };
  return withStartingCut(op, contextOf(op)) as MillingOperation;
}
const judged = (op: MillingOperation) => evaluate(op, contextOf(op));
const number = (op: MillingOperation, key: string): number => numberOf(judged(op), key).value;

const LEANS = [
  [0, 0],
  [0, 15],
  [30, 0],
  [30, 40],
  [60, 28],
  [85, 0],
  [90, 0],
  [88, -20],
] as const;
const ROUNDED = CRIB.cutters.filter((c) => /^end_mill_(?:ball|bull|barrel|lens)/.test(c.type));

describe('a cut over a curved surface', () => {
  it.each(LEANS)(
    'slope %s°, tilt %s°: every number is one, and where it touches the first cut holds',
    (s, t) => {
      for (const { id, suits_iso_groups: groups } of ROUNDED.filter((_, i) => i % 9 === 0)) {
        const op = surface(id, s, t, groups.includes('S') ? '718-aged' : '1045');
        expect(problemsOf(op, contextOf(op))).toEqual([]);
        const { numbers, limits } = judged(op);
        expect([id, numbers.filter((n) => !Number.isFinite(n.value)).map((n) => n.key)]).toEqual([id, []]);
        if (limits.find((l) => l.id === 'surface-contact')!.state !== 'clear') continue;
        const over = limits.filter((l) => l.state === 'over' && l.id !== 'material-match').map((l) => l.id);
        expect([id, over]).toEqual([id, []]);
      }
    },
  );

  it('has its speed where it touches: a ball on a gentle slope turns faster than on a steep one', () => {
    const [gentle, steep] = [surface('ball-10-z4-var', 20), surface('ball-10-z4-var', 70)];
    const at = (op: MillingOperation) => number(op, 'vc') / op.cut.speedRpm;
    expect(at(gentle) / at(steep)).toBeCloseTo(
      Math.sin((20 * Math.PI) / 180) / Math.sin((70 * Math.PI) / 180),
      6,
    );
    // The speed that is set is that of the contact.
    const op = surface('ball-10-z4-var', 30);
    const set = setParameter(op, contextOf(op), 'vc', 60) as MillingOperation;
    expect(set.cut.speedRpm).toBeCloseTo(60_000 / (Math.PI * 5), 0);
  });

  it('removes step × stock × feed, in as many passes as the step asks', () => {
    const op = surface('ball-10-z4-var', 30);
    const { radialEngagementMm: step } = op.cut;
    expect(number(op, 'Q')).toBeCloseTo((step * 0.2 * number(op, 'vf')) / 1000, 6);
    const { cutting } = judged(op).time;
    const passes = (Math.ceil(20 / step) * (80 + 10)) / number(op, 'vf');
    expect(cutting / passes).toBeCloseTo(1, 1.7);
  });

  it('pushes with its stock: half of it takes less force, heat and chatter, and no wall moves by more', () => {
    const op = surface('ball-10-z4-var', 45);
    const half = { ...op, feature: { ...op.feature, depthMm: 0.1 }, cut: { ...op.cut, axialDepthMm: 0.1 } };
    expect(number(half, 'F')).toBeLessThan(number(op, 'F'));
    expect(number(half, 'lean')).toBeLessThan(number(op, 'lean'));
    const chatter = (o: MillingOperation) => limitOf(judged(o), 'limit-depth').share?.value ?? 0;
    expect(chatter(half)).toBeLessThanOrEqual(chatter(op));
  });

  it('a bend across the axis is felt by a wall whole, by a gentle slope in part', () => {
    const felt = (op: MillingOperation) =>
      limitOf(judged(op), 'wall-error').predicted!.value / number(op, 'lean');
    expect(felt(surface('ball-10-z4-var', 20))).toBeLessThan(felt(surface('ball-10-z4-var', 80)));
  });

  it('Ra is what the ridges leave, untorn, and the marks along them where they are deeper', () => {
    const op = surface('ball-10-z4-var', 30);
    // 5 µm of ridge: 0.2566 of it.
    expect(number(op, 'Ra')).toBeGreaterThan(1.2);
    expect(number(op, 'Ra')).toBeLessThan(1.3);
    const fed = { ...op, cut: { ...op.cut, feedPerToothMm: 0.4, radialEngagementMm: 0.1 } };
    expect(number(fed, 'Ra')).toBeGreaterThan(1.5);
  });

  it('leans past neither flank nor tip: the tilt is refused with what it may be', () => {
    const op = surface('ball-10-z4-var', 30);
    const tilted = (tiltDeg: number): MillingOperation => ({
      ...op,
      feature: {
        ...op.feature,
        finishing: { ...op.feature.finishing!, surface: { tiltDeg, hollowMm: null } },
      },
    });
    expect(problemsOf(tilted(60), contextOf(op))).toEqual([]);
    expect(problemsOf(tilted(-40), contextOf(op))[0]).toMatchObject({
      field: 'feature.finishing.surface.tiltDeg',
      value: -40,
    });
  });
});
