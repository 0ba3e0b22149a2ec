import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { setterFacts } from '../../deciding/batch/setter-facts.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { heldBy, usualHolding } from '../../physics/holding/holdings.ts';
import { speak } from '../../units/sentence.ts';
import { heldOf } from './held-of.ts';

const BOND = heldBy(usualHolding('adhesive'));
const unsaid = {
  ...SEAL_POCKET,
  workholding: { ...SEAL_POCKET.workholding, capacityN: null, liftCapacityN: null, releaseC: null },
};
const inSetup = (held: typeof BOND) => ({ ...contextOf(unsaid), held });

describe('what holds the part of a cut', () => {
  it('is what the operation declares, whatever its setup says', () => {
    const op = { ...unsaid, workholding: { ...unsaid.workholding, capacityN: 5000 } };
    expect(heldOf(op, { held: BOND })).toMatchObject({ kind: 'vice', capacityN: 5000, bySetup: false });
  });

  it('is what the setup holds with where the operation says nothing', () => {
    expect(heldOf(unsaid, { held: BOND })).toEqual({
      kind: 'adhesive',
      capacityN: BOND.slideN,
      liftCapacityN: BOND.liftN,
      releaseC: 80,
      bySetup: true,
    });
    const lift = { ...unsaid, workholding: { ...unsaid.workholding, liftCapacityN: 700 } };
    expect(heldOf(lift, { held: BOND }).liftCapacityN).toBe(700);
    expect(heldOf(unsaid, {})).toMatchObject({ capacityN: null, bySetup: false });
  });

  it('decides the limit: unproven without either, judged with the setup, over when that is weak', () => {
    const stateIn = (context: Parameters<typeof evaluate>[1]) =>
      limitOf(evaluate(unsaid, context), 'workholding').state;
    expect(stateIn(contextOf(unsaid))).toBe('unproven');
    expect(stateIn(inSetup(heldBy(usualHolding('vice'))))).not.toBe('unproven');
    expect(stateIn(inSetup({ ...BOND, slideN: 20 }))).toBe('over');
  });

  it('is told to the setter, with where it comes from', () => {
    const context = inSetup(BOND);
    const fact = setterFacts(unsaid, context, evaluate(unsaid, context)).find((f) => f.name === 'Holding')!;
    expect(speak(fact.text, 'metric')).toMatch(/^adhesive, [\d,]+\sN cold, by the setup$/);
  });
});
