import { describe, expect, it } from 'vitest';
import { PRACTICE, STARTS } from '../../fixtures/changed-operation.ts';
import { speak } from '../units/sentence.ts';
import { problemsOf } from './check-operation.ts';
import { evaluate, limitOf } from './evaluate.ts';
import { remediesFor } from '../deciding/remedies/remedies.ts';

/** Everything offered for every limit of the practice cuts and of one operation of each kind. */
const offers = Object.entries({ ...STARTS, ...PRACTICE }).flatMap(([name, { op, context }]) =>
  problemsOf(op, context).length > 0
    ? []
    : evaluate(op, context)
        .limits.filter((l) => l.state !== 'clear')
        .flatMap((limit) =>
          remediesFor(op, context, limit.id).map((remedy) => ({
            name,
            op,
            context,
            limit,
            remedy,
            said: speak(remedy.title, 'metric'),
          })),
        ),
);
type Offer = (typeof offers)[number];
const against = (rule: (offer: Offer) => boolean): string[] =>
  offers.filter((o) => !rule(o)).map(({ name, limit, said }) => `${name}, ${limit.id}: ${said}`);

describe('advice for limits that are not clear', () => {
  it('is there for dozens of them', () => {
    expect(offers.length).toBeGreaterThan(150);
    expect(new Set(offers.map((o) => o.limit.id)).size).toBeGreaterThan(15);
  });

  it('clears its limit, and spoils no more than one other', () => {
    expect(
      against(({ remedy, context, limit }) => {
        // Other holders and cutters come with a context of their own.
        if (/^(holder|cutter)-/.test(remedy.id)) return true;
        return limitOf(evaluate(remedy.operation, context), limit.id).state === 'clear';
      }),
    ).toEqual([]);
    expect(against(({ remedy }) => remedy.pushesOver.length <= 1)).toEqual([]);
  });

  it('moves no number of the cut to less than a sixth or more than six times of what it was', () => {
    expect(
      against(({ op, remedy }) => {
        const now = op.cut as unknown as Record<string, unknown>;
        const after = remedy.operation.cut as unknown as Record<string, unknown>;
        if (remedy.id === 'rework') return true;
        return Object.entries(now).every(([key, value]) => {
          const next = after[key];
          if (typeof value !== 'number' || typeof next !== 'number' || value <= 0 || next <= 0) return true;
          return Math.abs(Math.log(next / value)) <= Math.log(6) + 0.05;
        });
      }),
    ).toEqual([]);
  });

  it('pushes no cutter further into its holder than its shank begins', () => {
    expect(
      against(({ op, context, remedy }) => {
        const least = Math.min(op.tooling.stickOutMm, context.cutter.properties.LPR ?? op.tooling.stickOutMm);
        return remedy.operation.tooling.stickOutMm >= least - 1e-9;
      }),
    ).toEqual([]);
  });

  it('names two numbers that differ as they are read', () => {
    expect(
      against(({ said }) => {
        const moved = /(\S+)[^→]* → (\S+)/.exec(said);
        return !moved || moved[1] !== moved[2];
      }),
    ).toEqual([]);
  });
});
