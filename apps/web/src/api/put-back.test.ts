import { EMPTY_SETUP_PLAN } from '@burl/core';
import { operationBackSchema, type JobOperation, type Setup } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { example } from '../../test/crib.ts';
import { backOf } from './put-back.ts';

const document = example('Drill 6.8').op;
const id = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;
const operation = (n: number, more: Partial<JobOperation> = {}): JobOperation => ({
  id: id(n),
  setupId: id(9),
  name: `Step ${n}`,
  position: 10 * n,
  holeId: null,
  holeStep: null,
  selected: 'A',
  version: 4,
  variants: (['A', 'C'] as const).map((label) => ({
    id: id(7),
    operationId: id(n),
    label,
    document,
    version: 1,
    updatedAt: '',
    updatedBy: 'Ada Eder',
  })),
  ...more,
});
const setups: Setup[] = [
  {
    id: id(8),
    name: 'Setup 1',
    position: 0,
    plan: EMPTY_SETUP_PLAN,
    version: 1,
    operations: [operation(4, { setupId: id(8) })],
  },
  {
    id: id(9),
    name: 'Setup 2',
    position: 1,
    plan: EMPTY_SETUP_PLAN,
    version: 1,
    operations: [operation(1), operation(2), operation(3)],
  },
];

describe('an operation to be put back', () => {
  it('stands behind as many as stand before it now, with all its variants and nothing of its old self', () => {
    const back = backOf(operation(2, { selected: 'C' }), setups);
    expect(back).toMatchObject({ setupId: id(9), name: 'Step 2', place: 1, selected: 'C', holeId: null });
    expect(back.variants).toEqual([
      { label: 'A', document },
      { label: 'C', document },
    ]);
    expect(operationBackSchema.isValidSync(back, { strict: true })).toBe(true);
  });

  it('goes last where its setup no longer knows it, or is gone', () => {
    expect(backOf(operation(5), setups).place).toBe(3);
    expect(backOf(operation(5, { setupId: id(6) }), setups).place).toBe(0);
  });

  it('is a step of the kind of hole that took the place of its own', () => {
    const step = operation(3, { holeId: id(1), holeStep: 'tap' });
    expect(backOf(step, setups)).toMatchObject({ holeId: id(1), holeStep: 'tap' });
    expect(backOf(step, setups, id(2))).toMatchObject({ holeId: id(2), holeStep: 'tap' });
  });
});
