import { describe, expect, it } from 'vitest';
import { leavesOf, STARTS, valueAt } from '../../fixtures/changed-operation.ts';
import { tidyStep } from '../operations/movable.ts';
import { problemsOf } from './check-operation.ts';
import { movablesOf, parametersOf, setParameter } from './set-parameter.ts';

/** A value as far beyond an end as rounding cannot hide. */
const beyond = (end: number, sign: 1 | -1): number => end + sign * Math.max(1e-3, 0.01 * Math.abs(end));

describe.each(Object.entries(STARTS))('movable numbers of %s', (_, { op, context }) => {
  const movables = movablesOf(op, context);

  it('are read where they are written, and nothing else changes', () => {
    for (const m of movables) {
      const value = m.read(op) + m.step;
      const after = m.write(op, value);
      expect([m.key, m.read(after)]).toEqual([m.key, value]);
      const changed = leavesOf(op as never).filter(
        (path) => valueAt(op as never, path) !== valueAt(after as never, path),
      );
      expect(changed.map((path) => path.join('.'))).toEqual([m.field]);
    }
  });

  it('may be what the check lets through, and nothing beyond', () => {
    for (const m of movables) {
      const refused = (value: number) =>
        problemsOf(m.write(op, value), context).some((p) => p.field === m.field);
      expect([m.key, refused(m.read(op))]).toEqual([m.key, false]);
      if (Number.isFinite(m.most)) expect([m.key, refused(beyond(m.most, 1))]).toEqual([m.key, true]);
      expect([m.key, refused(m.above ? m.least : beyond(m.least, -1))]).toEqual([m.key, true]);
    }
  });

  it('go no further than they may, by steps a person would enter', () => {
    for (const m of movables) {
      expect(m.low, m.key).toBeGreaterThanOrEqual(m.least);
      expect(m.low, m.key).toBeLessThanOrEqual(m.high);
      expect(m.step, m.key).toBeGreaterThan(0);
      if (m.high > m.low) expect(m.step, m.key).toBeLessThan(m.high);
    }
  });

  it('that are typed too mean the same number', () => {
    for (const key of parametersOf(op)) {
      const m = movables.find((x) => x.key === key);
      if (!m) continue;
      const value = m.read(op) * 1.1;
      expect([key, m.read(setParameter(op, context, key, value))]).toEqual([key, value]);
      expect(m.heldBy, key).toContain(key);
    }
  });
});

describe('steps', () => {
  it('are one, two or five of a power of ten, never above what is wanted', () => {
    expect([0.03, 0.05, 0.049, 12 / 400, 20 / 400, 6 / 200, 1, 9.9].map(tidyStep)).toEqual([
      0.02, 0.05, 0.02, 0.02, 0.05, 0.02, 1, 5,
    ]);
  });
});
