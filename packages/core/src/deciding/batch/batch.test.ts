import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, LOCK_POCKET, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import type { Operation } from '../../operations/operation.ts';
import { speak } from '../../units/sentence.ts';
import { aliveAfter, edgePlan, oneIn } from './edge-plan.ts';
import { exposureOf } from './exposure.ts';
import { failEarlier, lastsWords, setterFacts } from './setter-facts.ts';

const DRILL: Operation = { ...DOWEL_HOLE, featuresPerPart: 8, featuresPerEdge: 40 };
const planOf = (op: Operation, quantity = 12) => {
  const context = contextOf(op, quantity);
  return edgePlan(op, context, evaluate(op, context))!;
};

describe('change point', () => {
  it('comes earlier with nobody there, with a dearer part, and never beyond where half the edges fail', () => {
    for (const op of [DRILL, LOCK_POCKET, SEAL_POCKET]) {
      const plan = planOf(op);
      expect(plan.unattended.features).toBeLessThanOrEqual(plan.attended.features);
      expect(plan.attended.failsEarlier).toBeLessThanOrEqual(0.5 + (plan.attended.features === 1 ? 0.5 : 0));
      const dear = { ...op, economics: { ...op.economics, partWorth: 20_000 } };
      expect(planOf(dear).attended.features).toBeLessThanOrEqual(plan.attended.features);
    }
    expect(
      planOf({ ...DRILL, economics: { ...DRILL.economics, partWorth: 20_000 } }).attended.features,
    ).toBeLessThan(planOf(DRILL).attended.features);
  });

  it('is the cheapest of its curve, and what the operation states is judged by the same curve', () => {
    const plan = planOf(DRILL);
    const cheapest = plan.points
      .filter((p) => p.failsEarlier <= 0.5)
      .sort((a, b) => a.costPerFeature - b.costPerFeature)[0]!;
    expect(plan.attended.features).toBe(cheapest.features);
    expect(plan.stated.costPerFeature).toBeCloseTo(plan.points[39]!.costPerFeature, 9);
  });

  it('says on which part the shelf runs out, and that it does not where there is enough', () => {
    const scarce = planOf({ ...DRILL, edgesOnShelf: 1 }, 400);
    expect(scarce.shelfEndsOnPart).toBeGreaterThan(1);
    expect(scarce.shelfEndsOnPart).toBeLessThan(400);
    expect(planOf({ ...DRILL, edgesOnShelf: 1000 }, 12).shelfEndsOnPart).toBeNull();
    expect(planOf(DRILL, 12).shelfEndsOnPart).toBeNull();
  });

  it('speaks of chances as a shop does', () => {
    expect(oneIn(0.05)).toBe('1 in 20');
    expect(oneIn(0.031)).toBe('1 in 30');
    expect(oneIn(0.5)).toBe('5 in 10');
    expect(oneIn(0)).toBe('fewer than 1 in 1,000');
    expect(failEarlier(0.05)).toBe('1 in 20 fails earlier');
    expect(failEarlier(0.6)).toBe('6 in 10 fail earlier');
  });

  it('says how many an edge lasts, to two figures', () => {
    const evaluation = evaluate(DRILL, contextOf(DRILL));
    const words = (value: number, low: number) =>
      lastsWords(DRILL, { ...evaluation, featuresPerEdge: { value, low, high: 2 * value, basis: [] } });
    expect(words(1437.2, 883.9)).toBe('about 1,400 holes, 1 in 10 fewer than 880');
    expect(words(1.9, 0.7)).toBe('about 1 hole, 1 in 10 none');
    expect(words(0.8, 0.5)).toBe('less than one hole');
    expect(lastsWords(DRILL, { ...evaluation, featuresPerEdge: null })).toBeNull();
  });

  it('half the edges are good after the features they last', () => {
    const lasts = { value: 20, low: 12, high: 33, basis: [] };
    expect(aliveAfter(20, lasts)).toBeCloseTo(0.5, 6);
    expect(aliveAfter(33, lasts)).toBeCloseTo(0.1, 3);
    expect(aliveAfter(0, lasts)).toBe(1);
  });
});

describe('exposure', () => {
  it('a longer stretch risks more, each change named lowers it, the best first', () => {
    const context = contextOf(DRILL);
    const of = (featuresPerEdge: number) => {
      const op = { ...DRILL, featuresPerEdge };
      return exposureOf(op, context, evaluate(op, context));
    };
    const [short, long] = [of(6), of(60)];
    expect(long.expectedLoss).toBeGreaterThan(short.expectedLoss);
    expect(long.minutes).toBeCloseTo(10 * short.minutes, 6);
    const losses = long.changes.map((c) => c.expectedLoss);
    expect([...losses].sort((a, b) => a - b)).toEqual(losses);
    for (const loss of losses) expect(loss).toBeLessThan(long.expectedLoss);
    expect(long.changes.map((c) => c.what).join()).toMatch(/Change the edge after \d+ holes/);
  });

  it('fines starve the jet: coolant counts more where chips are thin', () => {
    const fine: Operation = {
      ...LOCK_POCKET,
      featuresPerEdge: 3,
      cut: { ...LOCK_POCKET.cut, feedPerToothMm: 0.03, radialEngagementMm: 0.3 },
    };
    const thick: Operation = { ...fine, cut: { ...LOCK_POCKET.cut, radialEngagementMm: 4 } };
    const chance = (op: Operation): number => {
      const context = contextOf(op);
      const found = exposureOf(op, context, evaluate(op, context));
      return found.hazards.find((h) => h.id === 'coolant')!.chance / found.minutes;
    };
    expect(chance(fine)).toBeGreaterThan(3 * chance(thick));
  });
});

describe('what the sheet says beside numbers', () => {
  const factsOf = (op: Operation): Map<string, string> => {
    const context = contextOf(op);
    return new Map(
      setterFacts(op, context, evaluate(op, context)).map((f) => [f.name, speak(f.text, 'metric')]),
    );
  };

  it('a pocket: size, levels, way in with its feed, holding, load, sound, rating, change point', () => {
    const facts = factsOf(SEAL_POCKET);
    expect(facts.get('Feature')).toMatch(
      /^1 × pocket 90\smm × 60\smm × 24\smm deep, corners R8\smm; 0.3\smm left on the wall; climb$/,
    );
    expect(facts.get('Levels')).toMatch(/^2 levels of 12\smm$/);
    expect(facts.get('Entry')).toMatch(/^helix making a [\d.]+\smm hole, ramp [\d.]+°, at [\d.]+\smm\/min$/);
    expect(facts.get('Holding')).toMatch(/^vice, 9,000\sN$/);
    expect(facts.get('Load meter')).toMatch(/%.*stop above/);
    expect(facts.get('Sound')).toMatch(/^even hum at 88\sHz/);
    expect(facts.get('Never above')).toMatch(/rpm$/);
    expect(facts.get('Change the edge')).toMatch(/^after 1 feature, never inside one; .* fails? earlier$/);
  });

  it('a load too small for the meter is said to be, a readable one has its band', () => {
    expect(
      factsOf({ ...LOCK_POCKET, cut: { ...LOCK_POCKET.cut, radialEngagementMm: 0.2 } }).get('Load meter'),
    ).toMatch(/too little for the meter/);
    expect(
      factsOf({ ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, radialEngagementMm: 6 } }).get('Load meter'),
    ).toMatch(/^\d+% to \d+% expected/);
  });
});
