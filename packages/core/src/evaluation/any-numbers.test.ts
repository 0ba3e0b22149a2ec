import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changedFrom, leavesOf, STARTS, valueAt, WILD, withValue } from '../../fixtures/changed-operation.ts';
import type { OperationContext } from '../operations/context.ts';
import type { LimitState } from '../judging/result.ts';
import { InputError } from '../units/input-error.ts';
import type { Operation } from '../operations/operation.ts';
import { speak } from '../units/sentence.ts';
import { problemsOf } from './check-operation.ts';
import { evaluate } from './evaluate.ts';
import { parametersOf, setParameter } from './set-parameter.ts';

const STATES: readonly LimitState[] = ['clear', 'tight', 'over', 'unproven'];

/** Everything a judgement shows is a number, a state and a sentence. */
function expectWhole(op: Operation, context: OperationContext): void {
  const e = evaluate(op, context);
  for (const q of e.numbers) expect([q.key, Number.isFinite(q.value)]).toEqual([q.key, true]);
  for (const l of e.limits) {
    expect(STATES, l.id).toContain(l.state);
    const said = speak(l.why, 'metric');
    expect([l.id, /NaN|Infinity|undefined|null/.test(said) ? said : '']).toEqual([l.id, '']);
    for (const part of [l.predicted, l.share, l.allowed])
      expect([l.id, Number.isNaN(part?.value)]).toEqual([l.id, false]);
  }
  expect(Number.isFinite(e.time.perPart) && e.time.perPart >= 0).toBe(true);
  for (const chance of [e.risk?.lot ?? 0, e.risk?.each ?? 0]) {
    expect(chance).toBeGreaterThanOrEqual(0);
    expect(chance).toBeLessThanOrEqual(1);
  }
}

describe.each(Object.entries(STARTS))('%s with any numbers', (_, { op, context }) => {
  it('is whole as it stands', () => {
    expect(problemsOf(op, context)).toEqual([]);
    expectWhole(op, context);
  });

  it('a speed, feed or size at the ends of belief is refused or judged, never thrown at', () => {
    for (const value of [1e-9, 0.9, 1, 2, 1e6, 1e12]) {
      for (const path of leavesOf(op as never).filter((p) => typeof valueAt(op as never, p) === 'number')) {
        const changed = withValue(op as never, path, value) as never as Operation;
        if (problemsOf(changed, context).length === 0) expectWhole(changed, context);
        else expect(() => evaluate(changed, context)).toThrow(InputError);
      }
    }
  });

  it('is either judged whole, or refused by field, value and range; nothing else is thrown', () => {
    fc.assert(
      fc.property(changedFrom(op), (changed) => {
        const problems = problemsOf(changed, context);
        if (problems.length === 0) {
          expectWhole(changed, context);
          return;
        }
        for (const p of problems) {
          expect(p.field).toMatch(/^[a-zA-Z_]+(\.[a-zA-Z0-9_]+)*$/);
          expect(p.allowed).not.toMatch(/NaN|undefined/);
        }
        expect(() => evaluate(changed, context)).toThrow(InputError);
      }),
      { numRuns: 400, seed: 11 },
    );
  });

  it('each of its parameters set to any number gives an operation that is judged, or is refused', () => {
    const keys = parametersOf(op);
    fc.assert(
      fc.property(
        fc.constantFrom(...keys),
        fc.oneof(fc.constantFrom(...WILD), fc.double({ min: 1e-4, max: 1e5, noNaN: true })),
        (key, value) => {
          let next: Operation;
          try {
            next = setParameter(op, context, key, value);
          } catch (error) {
            expect(error).toBeInstanceOf(InputError);
            return;
          }
          if (problemsOf(next, context).length === 0) expectWhole(next, context);
        },
      ),
      { numRuns: 120, seed: 12 },
    );
  });
});
