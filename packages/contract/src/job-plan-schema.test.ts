import { EMPTY_SETUP_PLAN, usualHolding } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { setupPlanSchema } from './job-plan-schema.ts';

const fieldsOf = (plan: unknown): string[] => {
  try {
    setupPlanSchema.validateSync(plan, { strict: true, abortEarly: false });
    return [];
  } catch (error) {
    return (error as { inner: { path: string }[] }).inner.map((e) => e.path);
  }
};

describe('holding in a plan of a setup', () => {
  it('is taken as it is usual, or not stated', () => {
    expect(fieldsOf(EMPTY_SETUP_PLAN)).toEqual([]);
    expect(fieldsOf({ ...EMPTY_SETUP_PLAN, holding: usualHolding('vice') })).toEqual([]);
  });

  it.each([
    [{ kind: 'magnet', values: {} }, 'holding.kind'],
    [{ kind: 'vice' }, 'holding.values'],
    [{ kind: 'vice', values: 'tight' }, 'holding.values'],
    [{}, 'holding.kind'],
    ['vice', 'holding'],
    [
      { ...usualHolding('vice'), values: { ...usualHolding('vice').values, friction: 9 } },
      'holding.friction',
    ],
  ])('%j is told at its field', (holding, field) => {
    expect(fieldsOf({ ...EMPTY_SETUP_PLAN, holding })).toContain(field);
  });
});
