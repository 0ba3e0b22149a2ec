import type { Assessment } from '../../judging/limit.ts';
import type { MillingState } from '../../operations/milling/milling-state.ts';
import { MILLING_LADDER } from '../../operations/milling/milling-kind.ts';
import { sigmaOf } from '../../judging/estimate.ts';

/** One limit at a wanted confidence. */
export interface ShareAt {
  readonly id: string;
  readonly name: string;
  /** Share of the allowed value used at that confidence; null for a matter of yes or no. */
  readonly share: number | null;
  /** Above its share, or a plain no. What wants care or is not known forbids nothing. */
  readonly forbids: boolean;
}

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

/** How far off a plain no counts to be: there is no slope to follow. */
const FAR_OFF = Math.log(4);
/** And where its share has not crossed 1 yet. */
const JUST_OFF = 1e-4;

const breachOfOne = ({ share, forbids }: ShareAt): number =>
  !forbids ? 0 : share === null ? FAR_OFF : Math.max(JUST_OFF, Math.log(share));

/** Sum of the logarithms of shares above 1; 0 when every limit holds. */
export const breachOf = (shares: readonly ShareAt[]): number =>
  shares.reduce((sum, s) => sum + breachOfOne(s), 0);

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
  tell: (limit: number, share: number | null, forbids: boolean) => void,
): void {
  for (let i = 0; i < CUT.length; i++) {
    const limit = CUT[i]!;
    if (tipIsGuessed && limit.needsTip) continue;
    const a = limit.assess(state);
    if (a) told(a, z, (share, forbids) => tell(i, share, forbids));
  }
}

/** Tells what an assessment comes to with the band's end at `z`: a verdict of its own has the last word. */
function told(a: Assessment, z: number, tell: (share: number | null, forbids: boolean) => void): void {
  if (a.verdict) {
    tell(a.share?.value ?? null, a.verdict === 'over');
    return;
  }
  const share = a.share ? a.share.value * Math.exp(z * sigmaOf(a.share)) : null;
  tell(share, share !== null && share > 1);
}

function climb(ladder: typeof MILLING_LADDER, state: MillingState, z: number): ShareAt[] {
  const list: ShareAt[] = [];
  const tipIsGuessed = ladder.some((l) => l.needsTip) && guessed(state);
  for (const limit of ladder) {
    if (tipIsGuessed && limit.needsTip) continue;
    const a = limit.assess(state);
    if (a) told(a, z, (share, forbids) => list.push({ id: limit.id, name: limit.name, share, forbids }));
  }
  return list;
}
