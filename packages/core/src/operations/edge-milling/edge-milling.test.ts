import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { KINDS } from '../../evaluation/registry.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import { setterFacts } from '../../deciding/batch/setter-facts.ts';
import { cautionsOf } from '../../evaluation/cautions.ts';
import type { LimitState } from '../../judging/result.ts';
import { expectedOf } from '../../programs/find/expected.ts';
import { speak } from '../../units/sentence.ts';
import { type EdgeMillingOperation, type PartEdge, PLAIN_EDGE } from './edge-milling-operation.ts';

const { feature: _, workholding: __, forceLaw: ___, path: ____, ...base } = SEAL_POCKET;

/** Half a millimetre off an edge of aged 718, unless stated. */
function edge(
  change: Partial<PartEdge> = {},
  cutterId = 'chamfer-90-10-z4',
  cut: Partial<EdgeMillingOperation['cut']> = {},
  stickOutMm = 32,
): EdgeMillingOperation {
  return {
    ...base,
    kind: 'edge-milling',
    machineId: 'vmc40-22kw-direct',
    tooling: { cutterId, holderId: 'collet-er32-70', stickOutMm },
    workedOutFor: { ...base.workedOutFor, cutterId },
    flankWearMm: 0.05,
    edge: { ...PLAIN_EDGE, ...change },
    cut: { speedRpm: 2500, feedPerToothMm: 0.04, offTipMm: 0.4, passes: 1, direction: 'climb', ...cut },
  };
}
const back = (change: Partial<PartEdge> = {}, cutterId = 'backchamfer-8-z4', stickOutMm = 34) =>
  edge(
    { face: 'far', sizeMm: 0.3, depthMm: 18, openingMm: 12, ...change },
    cutterId,
    { offTipMm: 0.3 },
    stickOutMm,
  );
const line = (change: Partial<PartEdge> = {}, cutterId = 'engraver-60-tip0.1-6') =>
  edge({ form: 'engraving', sizeMm: 0.4, ...change }, cutterId, { offTipMm: 0, feedPerToothMm: 0.006 }, 20);
const judged = (op: EdgeMillingOperation) => evaluate(op, contextOf(op));
const stateOf = (op: EdgeMillingOperation, id: string): LimitState => limitOf(judged(op), id).state;
const number = (op: EdgeMillingOperation, key: string): number => numberOf(judged(op), key).value;

const CASES: readonly (readonly [string, LimitState, string, EdgeMillingOperation])[] = [
  ['edge-tool', 'clear', 'a 90° mill for 45°', edge()],
  ['edge-tool', 'over', 'a 60° mill for 45°', edge({}, 'chamfer-60-10-z4')],
  ['edge-tool', 'over', 'a cone on its tip for the back', back({}, 'chamfer-90-6-z4', 20)],
  ['edge-tool', 'over', 'R 2 for R 1', edge({ form: 'round', sizeMm: 1 }, 'cornerround-r2-z4')],
  ['edge-width', 'clear', 'half a millimetre on a 10 mm cone', edge()],
  ['edge-width', 'over', 'wider than the cone', edge({ sizeMm: 4.5 })],
  ['edge-width', 'over', 'up to the neck of a lollipop', back({ sizeMm: 1.6 }, 'lollipop-8-z4', 30)],
  ['edge-tip', 'clear', 'the tip clear of the break', edge()],
  ['edge-tip', 'over', 'the tip in the break', edge({}, undefined, { offTipMm: 0 })],
  ['edge-room', 'clear', 'a wall higher than the tip goes', edge({ depthMm: 5 })],
  ['edge-room', 'over', 'a floor right below', edge({ depthMm: 0.8 })],
  ['edge-corner', 'clear', 'corners wider than the tip', edge({ insideRadiusMm: 3 })],
  ['edge-corner', 'over', 'corners sharper than the tip', edge({ insideRadiusMm: 0.8 })],
  ['edge-opening', 'clear', 'a hole wider than the head', back()],
  ['edge-opening', 'over', 'a hole the head does not pass', back({ openingMm: 8.1 })],
  ['edge-reach', 'clear', 'a wall its neck goes through', back()],
  ['edge-reach', 'over', 'a wall thicker than its neck is long', back({ depthMm: 40 })],
  ['edge-feed', 'clear', 'inside its window', edge()],
  ['edge-feed', 'over', 'twice its window', edge({}, undefined, { feedPerToothMm: 0.15 })],
  ['edge-chip', 'clear', 'a chip thicker than half the edge radius', edge()],
  ['edge-chip', 'over', 'a chip that only rubs', edge({ sizeMm: 0.1 }, undefined, { feedPerToothMm: 0.005 })],
  ['edge-pass', 'clear', 'a small break in one pass', edge()],
  ['edge-pass', 'over', 'three millimetres of 718 in one pass', edge({ sizeMm: 3 })],
  ['edge-pass', 'clear', 'shared among eight', edge({ sizeMm: 2.5 }, undefined, { passes: 8 })],
  ['edge-stress', 'clear', 'a neck under a small chip', back()],
  [
    'edge-stress',
    'over',
    'the thinnest neck far out under a wide one',
    {
      ...back({ sizeMm: 0.35, openingMm: 4, depthMm: 2 }, 'backchamfer-2-z4', 30),
      cut: { speedRpm: 4000, feedPerToothMm: 0.2, offTipMm: 0, passes: 1, direction: 'climb' },
    },
  ],
  ['edge-state', 'clear', 'well inside what is asked', edge({ leastMm: 0.2, mostMm: 0.8 })],
  ['edge-state', 'over', 'larger than what is asked', edge({ leastMm: 0.1, mostMm: 0.3 })],
  ['edge-state', 'over', 'a raw edge that wanders', edge({ leastMm: 0.4, mostMm: 0.6, wanderMm: 0.3 })],
  ['line-width', 'clear', 'a line on a milled face', line()],
  ['line-width', 'over', 'finer than its tip', line({ sizeMm: 0.09 })],
  ['line-width', 'over', 'on a face that goes up and down', line({ wanderMm: 0.4 })],
  ['edge-burr', 'clear', 'a sharp cone', edge({ leastMm: 0.2, mostMm: 0.8 })],
  ['edge-burr', 'tight', 'a blunt one', { ...edge({ leastMm: 0.2, mostMm: 0.8 }), flankWearMm: 0.4 }],
];

describe('edges broken along their contour', () => {
  it.each(CASES)('%s is %s: %s', (id, state, _what, op) => {
    expect(stateOf(op, id)).toBe(state);
  });

  it('every limit of its own has a case on each side', () => {
    const own = KINDS['edge-milling'].ladder
      .map((l) => l.id)
      .filter((id) => /^(edge-(?!life)|line)/.test(id));
    expect(
      own.filter(
        (id) =>
          id !== 'edges-on-shelf' && new Set(CASES.filter(([c]) => c === id).map(([, s]) => s)).size < 2,
      ),
    ).toEqual([]);
  });

  it('says every verdict in a sentence that can be read', () => {
    for (const [id, , , op] of CASES) {
      const said = speak(limitOf(judged(op), id).why, 'metric');
      expect([id, /\{\d\}|NaN|undefined|Infinity/.test(said), said.endsWith('.')]).toEqual([id, false, true]);
    }
  });

  it('puts the tip below the break and the axis off the wall by triangle geometry', () => {
    // 1.67 mm tip, 0.4 mm clear of a 0.5 mm chamfer at 45°.
    expect(number(edge(), 'tipZ')).toBeCloseTo(-0.9, 9);
    expect(number(edge(), 'offWall')).toBeCloseTo(1.67 / 2 + 0.4, 9);
    // A 60° cone: 0.5 wide is 0.5/tan 30° high.
    expect(number(edge({ angleDeg: 30 }, 'chamfer-60-10-z4'), 'tipZ')).toBeCloseTo(
      -(0.4 + 0.5 / Math.tan(Math.PI / 6)),
      9,
    );
    // From behind: cone 1.6 mm high above a band of 0.8, its widest circle 0.3 mm clear of the break.
    expect(number(back(), 'tipZ')).toBeCloseTo(-(18 + 4 - 1.6 + 0.3), 9);
    expect(number(back(), 'offWall')).toBeCloseTo(4 - 0.3 - 0.3, 9);
  });

  it('an engraved line is as deep as its width and angle ask', () => {
    expect(number(line(), 'tipZ')).toBeCloseTo(-(0.4 - 0.1) / 2 / Math.tan(Math.PI / 6), 9);
    expect(number(line({ sizeMm: 0.8 }), 'tipZ')).toBeLessThan(number(line(), 'tipZ'));
  });

  it('power is the specific force of the chip times metal a minute', () => {
    const op = edge();
    const { powerKw, removalCm3Min } = KINDS['edge-milling'].workOut(op, contextOf(op)).state;
    // 0.5·0.5² mm² at 400 mm/min.
    expect(removalCm3Min).toBeCloseTo((0.125 * 2500 * 4 * 0.04) / 1000, 9);
    const kc = (powerKw.value * 0.8 * 60_000) / removalCm3Min;
    // Aged 718 at chips of a hundredth: some 5 to 9 GPa.
    expect(kc).toBeGreaterThan(4000);
    expect(kc).toBeLessThan(10_000);
  });

  it('a first cut stands clear of its tip, shares a wide break, and runs at the speed of the widest contact', () => {
    const op = edge({ sizeMm: 2 }, 'chamfer-90-12-z4');
    const begun = withStartingCut(op, contextOf(op)) as EdgeMillingOperation;
    expect(begun.cut.passes).toBeGreaterThan(1);
    expect(begun.cut.offTipMm).toBeGreaterThanOrEqual(0.3);
    expect(stateOf(begun, 'edge-pass')).toBe('clear');
    const vc = number(begun, 'vc');
    expect(vc).toBeGreaterThan(15);
    expect(vc).toBeLessThan(45);
  });

  it('takes longer by its passes and its length', () => {
    const t = (op: EdgeMillingOperation): number => judged(op).time.cutting;
    expect(t(edge({ lengthMm: 400 })) / t(edge({ lengthMm: 200 }))).toBeCloseTo(408 / 208, 6);
    expect(t(edge({}, undefined, { passes: 3 })) / t(edge())).toBeCloseTo(3, 6);
  });

  it('refuses what is impossible, by field', () => {
    const fields = (op: EdgeMillingOperation): string[] => problemsOf(op, contextOf(op)).map((p) => p.field);
    expect(fields(edge({ sizeMm: 0 }))).toEqual(['edge.sizeMm']);
    expect(fields(edge({ leastMm: 0.5, mostMm: 0.2 }))).toEqual(['edge.mostMm']);
    expect(fields(back({ depthMm: null }))).toContain('edge.depthMm');
    expect(fields(edge({}, 'em-flat-6-z4'))).toEqual(['tooling.cutterId']);
    expect(fields(edge({}, undefined, { passes: 0 }))).toEqual(['cut.passes']);
  });

  it('tells the setter state of the edge, how the head goes in and out, and what a loose burr is', () => {
    const op = back({ leastMm: 0.15, mostMm: 0.45 });
    const said = setterFacts(op, contextOf(op), judged(op)).map(
      (f) => `${f.name}: ${speak(f.text, 'metric')}`,
    );
    expect(said[0]).toMatch(/^Edge: Chamfer 0\.3.mm × 45°, 200.mm of contour, at the back$/);
    expect(said.join('\n')).toMatch(/−0\.15.mm to −0\.45.mm \(ISO 13715\)/);
    expect(said.join('\n')).toMatch(/middle of the opening/);
    expect(cautionsOf(op, contextOf(op)).join(' ')).toMatch(/foreign objects/);
  });
});

describe('an edge in a program', () => {
  it('is held to where the cone touches, fed at it, and may go straight down', () => {
    const document = edge({ sizeMm: 1 }, 'chamfer-90-12-z4');
    const context = contextOf(document);
    const expected = expectedOf({
      id: 'e',
      name: 'Break edges',
      document,
      context,
      evaluation: evaluate(document, context),
      tool: 7,
      workOffset: 'G54',
    });
    // 2 mm tip, 0.4 mm clear, a millimetre wide.
    expect(expected.edgeMm).toBeCloseTo(1 + 0.4 + 1, 9);
    expect([expected.steepestDeg, expected.perTurn, expected.teeth]).toEqual([90, false, 4]);
    const { released } = expected.model;
    expect(released.powerKw).toBeCloseTo(number(document, 'P'), 9);
    expect(released.forceN).toBeGreaterThan(0);
  });
});
