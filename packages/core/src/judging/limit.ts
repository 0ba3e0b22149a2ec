import type { Explanation, LimitGroup, LimitResult, LimitState } from './result.ts';
import type { Sentence } from '../units/sentence.ts';
import type { Unit } from '../units/unit.ts';
import { bandOf, type Estimate, scale } from './estimate.ts';

/** What a limit finds in a cut. Its words are made only when somebody reads them: a map asks ten thousand times for the share. */
export interface Assessment extends Omit<Explanation, 'inputs'> {
  readonly predicted: { readonly estimate: Estimate; readonly unit: Unit } | null;
  readonly allowed: { readonly value: number; readonly unit: Unit; readonly from: string } | null;
  /** Predicted over allowed, or allowed over predicted where less is worse; null for a yes-or-no matter. */
  readonly share: Estimate | null;
  /** For a yes-or-no matter, or where nothing can be said. */
  readonly verdict?: LimitState;
  readonly why: () => Sentence;
  readonly inputs: () => Explanation['inputs'];
}

/** One limit: a file that exports one of these, and a line in the ladder. Returns null where it does not apply. */
export interface Limit<S> {
  readonly id: string;
  readonly group: LimitGroup;
  readonly name: string;
  /** Reads the set-up only, not speed, feed, depth, width or stick-out: a map asks it once. */
  readonly reads?: 'setup';
  /** What it needs that is dear: the forces of a turn, or borders of stability, ten times as dear again. A search asks it later. */
  readonly asks?: 'forces' | 'borders';
  /** Binds only where somebody has measured the tip: class values prove nothing and must not choose the cut. */
  readonly needsTip?: true;
  /** Nobody mends it by moving speed, feed, depth or width: a search leaves it alone. */
  readonly unsearched?: true;
  /** Its allowed depth rises and falls with the speed: other speeds and other cutters are looked for besides. */
  readonly lobed?: true;
  /** Tells against a cutter as such, whatever speed and feed. */
  readonly ofCutter?: true;
  assess(state: S): Assessment | null;
}

/** States as people read them. */
export const STATE_WORDS: Readonly<Record<LimitState, string>> = {
  clear: 'Clear',
  tight: 'Tight',
  over: 'Over limit',
  unproven: 'Unproven',
};

/** A band wider than this (high over low) that straddles the border says nothing. */
const TELLS_NOTHING = 9;

/**
 * State by band and not by a single number (see the physics page). A middle inside its limit is never worse than tight,
 * however wide its band.
 */
export function stateOfShare({ value, low, high }: { value: number; low: number; high: number }): LimitState {
  if (high <= 1) return 'clear';
  if (value <= 1) return 'tight';
  return low <= 1 && high / low > TELLS_NOTHING ? 'unproven' : 'over';
}

/** Runs a limit and turns what it finds into a result. */
export function judge<S>(limit: Limit<S>, state: S): LimitResult | null {
  const a = limit.assess(state);
  if (!a) return null;
  const band = a.share ? bandOf(a.share) : null;
  const verdict = a.verdict ?? (band ? stateOfShare(band) : 'unproven');
  // A verdict of its own may see more than the share: then there is none to show, rather than "tight, 200%".
  const agrees =
    band === null || (verdict === 'over' ? band.value > 1 : band.value <= 1 || verdict === 'unproven');
  const share = agrees ? band : null;
  return {
    id: limit.id,
    group: limit.group,
    name: limit.name,
    state: verdict,
    predicted: a.predicted ? { ...bandOf(a.predicted.estimate), unit: a.predicted.unit } : null,
    allowed: a.allowed,
    share: share && { value: share.value, low: share.low, high: share.high },
    why: a.why(),
    formula: a.formula,
    inputs: a.inputs(),
    source: a.source,
  };
}

/** How much of an exactly known allowed value is used; where nothing is allowed, a plain yes or no. */
export const used = (predicted: Estimate, allowed: number): Pick<Assessment, 'share' | 'verdict'> =>
  allowed > 0
    ? { share: scale(predicted, 1 / allowed) }
    : { share: null, verdict: predicted.value > 0 ? 'over' : 'clear' };

/** An explanation's input. */
export const input = (
  symbol: string,
  name: string,
  value: number,
  unit: Unit,
): Explanation['inputs'][number] => ({ symbol, name, value, unit });
