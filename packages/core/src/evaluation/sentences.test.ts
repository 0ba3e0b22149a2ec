import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changedFrom, PRACTICE, STARTS } from '../../fixtures/changed-operation.ts';
import type { Band, LimitResult } from '../judging/result.ts';
import { speak } from '../units/sentence.ts';
import { problemsOf } from './check-operation.ts';
import { evaluate } from './evaluate.ts';

/** Operations of every kind, as they stand and with up to four of their numbers changed. */
const judged = Object.entries({ ...STARTS, ...PRACTICE }).flatMap(([name, { op, context }]) =>
  [op, ...fc.sample(changedFrom(op), { numRuns: name in STARTS ? 120 : 25, seed: 5 })]
    .filter((changed) => problemsOf(changed, context).length === 0)
    .map((changed) => ({ name, evaluation: evaluate(changed, context) })),
);
const told = judged.flatMap(({ name, evaluation }) =>
  evaluation.limits.map((limit) => ({ name, limit, said: speak(limit.why, 'metric') })),
);
type Told = (typeof told)[number];
/** What breaks a rule, as a person would read it. */
const against = (rule: (limit: LimitResult, said: string) => boolean): string[] => [
  ...new Set(
    told
      .filter(({ limit, said }: Told) => !rule(limit, said))
      .map(({ name, limit, said }) => `${name}, ${limit.id} ${limit.state} ${limit.share?.value}: ${said}`),
  ),
];

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-6 * Math.max(Math.abs(a), Math.abs(b));
const holds = ({ low, value, high }: Pick<Band, 'low' | 'value' | 'high'>): boolean =>
  low <= value + 1e-9 * Math.abs(value) && high >= value - 1e-9 * Math.abs(value);
const names = (limit: LimitResult, value: number): boolean =>
  limit.why.measures.some((m) => near(m.value, value));

/** Share is no quotient of the two numbers shown: distance from a mode in half-widths, rise over the room for it. */
const OTHER_SHARE: ReadonlySet<string> = new Set(['tooth-passing', 'workholding-heat']);
/** Predicted is said in other words: as a chance, or as whole edges. */
const OTHER_WORDS: ReadonlySet<string> = new Set(['limit-depth', 'edges-on-shelf']);
/** Allowed is a share of what the sentence names. */
const SHARE_SAID: ReadonlySet<string> = new Set(['entry-height']);

describe('what a judgement says', () => {
  it('is of thousands of operations of every kind', () => {
    expect(told.length).toBeGreaterThan(20_000);
    expect(new Set(judged.map((j) => j.evaluation.kind)).size).toBe(9);
  });

  it('every band contains its value', () => {
    const numbers = judged.flatMap(({ evaluation }) => evaluation.numbers);
    expect(numbers.filter((q) => !holds(q)).map((q) => [q.key, q.low, q.value, q.high])).toEqual([]);
    expect(
      against((l) => (l.predicted === null || holds(l.predicted)) && (l.share === null || holds(l.share))),
    ).toEqual([]);
  });

  it('share and state agree', () => {
    expect(
      against(
        ({ share, state }) =>
          share === null || state === 'unproven' || (state === 'over') === share.value > 1,
      ),
    ).toEqual([]);
  });

  it('the share is what is predicted over what is allowed, or the other way round', () => {
    expect(
      against(({ id, predicted, allowed, share }) => {
        if (!predicted || !allowed || !share || predicted.unit !== allowed.unit) return true;
        if (OTHER_SHARE.has(id) || allowed.value <= 0 || share.value === 0) return true;
        const ratio = predicted.value / allowed.value;
        return [ratio, 1 / ratio].some((r) => Math.abs(Math.log(r / share.value)) < 0.02);
      }),
    ).toEqual([]);
  });

  it('what is over names both numbers', () => {
    expect(
      against((limit) => {
        const { id, state, predicted, allowed, share } = limit;
        if (state !== 'over' || !predicted || !allowed || !share) return true;
        if (predicted.unit !== allowed.unit) return true;
        return (
          (OTHER_WORDS.has(id) || names(limit, predicted.value)) &&
          (SHARE_SAID.has(id) || allowed.value === 0 || names(limit, allowed.value))
        );
      }),
    ).toEqual([]);
  });

  it('a range begins with its smaller end, a chance is none of nought, and no number has six digits or a sign', () => {
    expect(
      against(({ why }) => {
        const range = /between \{(\d+)\} and \{(\d+)\}/.exec(why.text);
        return !range || why.measures[Number(range[1])]!.value <= why.measures[Number(range[2])]!.value;
      }),
    ).toEqual([]);
    const odd = /(^|[ (])[-−]\d|\d{6,}|\d\.\d{6,}|[Cc]hance [^;.]*\b0 ?%|grows by 0 ?%/;
    expect(against((_, said) => !odd.test(said))).toEqual([]);
  });
});
