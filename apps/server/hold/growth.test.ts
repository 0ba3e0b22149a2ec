import { describe, expect, it } from 'vitest';
import { simulate } from './growth.ts';

/** Every request takes the same. */
const all = (ms: number) => ({ desk: [ms], job: [ms], save: [ms] });

describe('the simulation of a crowd', () => {
  it('answers at once where nobody waits for anybody', () => {
    expect(simulate(all(10), 1, 1)).toEqual({ desk: 10, job: 10, save: 10 });
  });

  it('agrees with what a queue must do: beyond what a server can, the wait grows to the people over its rate', () => {
    // Fifty people, one request each in (thinking + waiting); the server does ten a second: 50 / 10 s − 2 s of thinking.
    const { save } = simulate(all(100), 50, 1);
    expect(save).toBeGreaterThan(2700);
    expect(save).toBeLessThan(3900);
  });

  it('is spared the wait by more servers', () => {
    const [one, four] = [1, 4].map((n) => simulate(all(30), 60, n).desk);
    expect(four).toBeLessThan(one! / 3);
    expect(four).toBeGreaterThanOrEqual(30);
  });
});
