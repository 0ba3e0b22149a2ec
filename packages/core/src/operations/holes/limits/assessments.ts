import type { LimitState } from '../../../judging/result.ts';
import { type Estimate, exact, over } from '../../../judging/estimate.ts';
import { measure, say, type Sentence } from '../../../units/sentence.ts';
import type { Unit } from '../../../units/unit.ts';
import { type Assessment, type Limit, used } from '../../../judging/limit.ts';

type Words = Pick<Assessment, 'formula' | 'source'> & {
  readonly why: () => Sentence;
  readonly inputs?: Assessment['inputs'];
};

/** A number held under what is allowed; `allowed` may be uncertain itself. */
export function held(
  asked: Estimate | number,
  allowed: Estimate | number,
  unit: Unit,
  from: string,
  words: Words,
): Assessment {
  const estimate = typeof asked === 'number' ? exact(asked) : asked;
  const value = typeof allowed === 'number' ? allowed : allowed.value;
  return {
    predicted: { estimate, unit },
    allowed: { value, unit, from },
    ...(typeof allowed === 'number' ? used(estimate, allowed) : { share: over(estimate, allowed) }),
    inputs: () => [],
    ...words,
  };
}

/** A number that must not fall under what is needed. */
export function atLeast(
  given: Estimate | number,
  needed: number,
  unit: Unit,
  from: string,
  words: Words,
): Assessment {
  const estimate = typeof given === 'number' ? exact(given) : given;
  return {
    ...held(estimate, needed, unit, from, words),
    share: over(exact(needed), { ...estimate, value: Math.max(1e-9, estimate.value) }),
  };
}

/** A yes-or-no matter. */
export const verdict = (state: LimitState, words: Words): Assessment => ({
  predicted: null,
  allowed: null,
  share: null,
  verdict: state,
  inputs: () => [],
  ...words,
});

/** A limit of one kind of state asked of a part of another. */
export const within = <S, P>({ assess, ...rest }: Limit<P>, part: (state: S) => P): Limit<S> => ({
  ...rest,
  assess: (state) => assess(part(state)),
});

/** A feed within the window its tool takes; closeness to the nearer end counts. */
export function inWindow(
  feed: number,
  window: readonly [number, number] | undefined | null,
  unit: Unit,
  tool: string,
  source: string,
): Assessment | null {
  if (!window) return null;
  const low = feed < Math.sqrt(window[0] * window[1]);
  return {
    ...held(feed, low ? window[0] : window[1], unit, `window of the ${tool}`, {
      why: () =>
        say(
          `Feed {0}; {1} to {2} allowed (${tool}).`,
          measure(feed, unit),
          measure(window[0], unit),
          measure(window[1], unit),
        ),
      formula: `feed within the window of the ${tool}`,
      source,
    }),
    share: exact(low ? window[0] / feed : feed / window[1]),
  };
}
