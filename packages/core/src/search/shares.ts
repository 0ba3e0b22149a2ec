import type { LimitState } from '../domain/evaluation.ts';
import type { MillingState } from '../evaluation/milling-state.ts';
import { MILLING_LADDER } from '../limits/ladder.ts';
import { sigmaOf } from '../uncertainty/estimate.ts';

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

/** Limits nobody can mend by moving speed, feed, depth or width, and that a finished search writes anew. */
const NOT_SEARCHED = new Set(['inherited-numbers']);

/** Limits that bind only where somebody has measured: the library's guess is unproven and must not choose the cut. */
const NEEDS_A_TIP = new Set(['limit-depth', 'tooth-passing']);

/** Whether all that is known of the tip is the library's class values. */
export const guessed = ({ stability }: MillingState): boolean =>
  stability.knowledge.trust === 'generic' && stability.testCuts === 0;

/** Limits that need the forces of a turn, nearly all the work of judging a cut. */
const NEEDS_FORCES = new Set([
  'spindle-power',
  'spindle-torque',
  'bending-stress',
  'holder-grip',
  'workholding',
  'workholding-lift',
  'workholding-heat',
  'wall-error',
]);
const SEARCHED = MILLING_LADDER.filter((l) => !NOT_SEARCHED.has(l.id));
const CHEAP = SEARCHED.filter((l) => !NEEDS_FORCES.has(l.id));
const DEAR = SEARCHED.filter((l) => NEEDS_FORCES.has(l.id));

/** Shares of all limits that apply, with the band's end at `z` standard deviations. */
export function sharesAt(state: MillingState, z: number): ShareAt[] {
  return climb(SEARCHED, state, z);
}

/** Breach beyond which a cut is called hopeless before its forces are known; e^0.7 is twice the allowed value. */
const HOPELESS = 0.7;

/** Sum of the logarithms of shares above 1; 0 when every limit holds. */
export const breachOf = (shares: readonly ShareAt[]): number =>
  shares.reduce((sum, s) => (s.share > 1 ? sum + Math.log(s.share) : sum), 0);

/** The same, but a cut that is hopeless already without its forces is not given any: `whole` is false then. */
export function sharesUnlessHopeless(state: MillingState, z: number): { shares: ShareAt[]; whole: boolean } {
  const shares = climb(CHEAP, state, z);
  if (breachOf(shares) > HOPELESS) return { shares, whole: false };
  return { shares: [...shares, ...climb(DEAR, state, z)], whole: true };
}

const SETUP = SEARCHED.filter((l) => l.reads === 'setup');
const CUT = SEARCHED.filter((l) => l.reads !== 'setup');

/** Shares of the limits that read the set-up only. */
export const setupShares = (state: MillingState, z: number): ShareAt[] => climb(SETUP, state, z);

/**
 * Shares of the limits that read the cut. `tipIsGuessed` where the caller knows it for many points of one set-up: asking each
 * of them anew costs a tenth of the work.
 */
export const cutShares = (state: MillingState, z: number, tipIsGuessed?: boolean): ShareAt[] =>
  climb(CUT, state, z, tipIsGuessed);

function climb(
  ladder: typeof MILLING_LADDER,
  state: MillingState,
  z: number,
  tipIsGuessed?: boolean,
): ShareAt[] {
  const list: ShareAt[] = [];
  for (const limit of ladder) {
    if (NEEDS_A_TIP.has(limit.id) && (tipIsGuessed ?? guessed(state))) continue;
    const a = limit.assess(state);
    if (!a) continue;
    const share = a.verdict
      ? // A slope to follow where there is one; the verdict has the last word.
        a.verdict === 'over' && a.share
        ? Math.max(1.0001, a.share.value)
        : SHARE_OF_VERDICT[a.verdict]
      : a.share
        ? a.share.value * Math.exp(z * sigmaOf(a.share))
        : SHARE_OF_VERDICT.unproven;
    list.push({ id: limit.id, name: limit.name, share });
  }
  return list;
}
