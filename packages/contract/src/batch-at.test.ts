import { describe, expect, it } from 'vitest';
import { gripOf, EMPTY_SETUP_PLAN, usualHolding } from '@burl/core';
import { batchAt } from './batch-at.ts';

describe('what of a setup bears on a cut', () => {
  it('is nothing where nobody said how it holds', () => {
    expect(batchAt({ quantity: 3, heatLot: 'L7' }, { plan: EMPTY_SETUP_PLAN })).toEqual({
      quantity: 3,
      heatLot: 'L7',
    });
  });

  it('is nothing where the numbers are the usual ones that nobody touched', () => {
    const plan = { ...EMPTY_SETUP_PLAN, holding: usualHolding('vice') };
    expect(batchAt({ quantity: 1, heatLot: '' }, { plan }).held).toBeUndefined();
  });

  it('is the grip of its holding, the same object each time so that nothing is judged anew', () => {
    const usual = usualHolding('vacuum');
    const [first] = Object.keys(usual.values);
    const holding = { ...usual, values: { ...usual.values, [first!]: usual.values[first!]! * 1.5 } };
    const plan = { ...EMPTY_SETUP_PLAN, holding };
    const one = batchAt({ quantity: 1, heatLot: '' }, { plan });
    expect(one.held).toMatchObject({
      kind: 'vacuum',
      liftN: gripOf(holding, { lengthMm: 10, widthMm: 10, heightMm: 10 }).liftN,
    });
    expect(batchAt({ quantity: 9, heatLot: '' }, { plan }).held).toBe(one.held);
    expect(batchAt({ quantity: 9, heatLot: '' }, { plan: { ...plan } }).held).not.toBe(one.held);
  });
});
