import type { LimitState } from '../../judging/result.ts';
import type { MillingState } from '../../operations/milling/milling-state.ts';
import { MILLING_LADDER } from '../../operations/milling/milling-kind.ts';
import { sigmaOf } from '../../judging/estimate.ts';

/** One limit at a wanted confidence. */
export interface ShareAt {
  readonly id: string;
  readonly name: string;
  /** Share of the allowed value used at that confidence; above 1 the limit does not hold. */
  readonly share: number;
}

/** A yes-or-no verdict as a share: only `over` is forbidden, a matter of care or of missing input is not. */
const SHARE_OF_VERDICT: Readonly<Record<LimitState, number>> = {
  clear: 0,
  tight: 0.99,
  unproven: 0.99,
  over: 4,
};

/** Whether all that is known of the tip is the library's class values. */
export const guessed = ({ stability }: MillingState): boolean =>
  stability.knowledge.trust === 'generic' && stability.testCuts === 0;

const SEARCHED = MILLING_LADDER.filter((l) => !l.unsearched);
/** Limits in the order of what they cost. */
const STAGES = [
  SEARCHED.filter((l) => !l.asks),
  SEARCHED.filter((l) => l.asks === 'forces'),
  SEARCHED.filter((l) => l.asks === 'borders'),
] as const;

/** Shares of all limits that apply, with the band's end at `z` standard deviations. */
export function sharesAt(state: MillingState, z: number): ShareAt[] {
  return climb(SEARCHED, state, z);
}

/** Breach beyond which a cut is called hopeless before the dearer ones are judged; e^0.7 is twice the allowed value. */
const HOPELESS = 0.7;

/** Sum of the logarithms of shares above 1; 0 when every limit holds. */
export const breachOf = (shares: readonly ShareAt[]): number =>
  shares.reduce((sum, s) => (s.share > 1 ? sum + Math.log(s.share) : sum), 0);

/** Shares known so far, of limits judged cheapest first. */
export interface Judged {
  readonly shares: ShareAt[];
  breach: number;
  /** Stages judged; `done` after the last, or where the rest cannot matter any more. */
  stage: number;
  done: boolean;
}

export const unjudged = (): Judged => ({ shares: [], breach: 0, stage: 0, done: false });

/** Judges the next stage of limits. A cut that is hopeless by what is known is spared the dearer ones. */
export function judgeNext(judged: Judged, state: MillingState, z: number): void {
  judged.shares.push(...climb(STAGES[judged.stage]!, state, z));
  judged.breach = breachOf(judged.shares);
  judged.done = judged.stage === STAGES.length - 1 || judged.breach > HOPELESS;
  judged.stage++;
}

const SETUP = SEARCHED.filter((l) => l.reads === 'setup');
const CUT = SEARCHED.filter((l) => l.reads !== 'setup');

/** Shares of the limits that read the set-up only. */
export const setupShares = (state: MillingState, z: number): ShareAt[] => climb(SETUP, state, z);

/** Limits that read the cut, in the order `eachCutShare` tells them. */
export const CUT_LIMITS: readonly { readonly id: string; readonly name: string }[] = CUT;

/**
 * Tells the share of each limit that reads the cut and applies, by its place in `CUT_LIMITS`. `tipIsGuessed` is asked of the
 * caller, who knows it for many points of one set-up: asking each of them anew costs a tenth of the work.
 */
export function eachCutShare(
  state: MillingState,
  z: number,
  tipIsGuessed: boolean,
  tell: (limit: number, share: number) => void,
): void {
  for (let i = 0; i < CUT.length; i++) {
    const share = shareOf(CUT[i]!, state, z, tipIsGuessed);
    if (share !== null) tell(i, share);
  }
}

function shareOf(
  limit: (typeof MILLING_LADDER)[number],
  state: MillingState,
  z: number,
  tipIsGuessed: boolean,
): number | null {
  if (tipIsGuessed && limit.needsTip) return null;
  const a = limit.assess(state);
  if (!a) return null;
  if (a.verdict) {
    // A slope to follow where there is one; the verdict has the last word.
    return a.verdict === 'over' && a.share ? Math.max(1.0001, a.share.value) : SHARE_OF_VERDICT[a.verdict];
  }
  return a.share ? a.share.value * Math.exp(z * sigmaOf(a.share)) : SHARE_OF_VERDICT.unproven;
}

function climb(ladder: typeof MILLING_LADDER, state: MillingState, z: number): ShareAt[] {
  const list: ShareAt[] = [];
  const tipIsGuessed = ladder.some((l) => l.needsTip) && guessed(state);
  for (const limit of ladder) {
    const share = shareOf(limit, state, z, tipIsGuessed);
    if (share !== null) list.push({ id: limit.id, name: limit.name, share });
  }
  return list;
}
