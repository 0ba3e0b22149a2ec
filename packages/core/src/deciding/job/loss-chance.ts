import { Z90 } from '../../judging/estimate.ts';
import type { LimitResult } from '../../judging/result.ts';
import { normalBelow } from '../../numerics/normal.ts';
import { chanceLost } from '../../operations/holes/hole-risk.ts';
import type { JudgedOperation } from './judged-job.ts';
import { plannedEdge } from './planned-edge.ts';

/** A way a part is lost in an operation, and its chance in one part. */
export interface LossChance {
  readonly id: 'edge' | 'chatter' | 'breakage' | 'size' | 'hole' | 'holding' | 'distortion';
  readonly name: string;
  /** In one part of the batch. */
  readonly chance: number;
  /** In the first piece: what the model is wrong about shows there. */
  readonly first: number;
}

/** Share of such events that cost the part with somebody there. Judgement, as a shop would put it. */
const TAKES_PART = {
  edge: 0.15,
  chatter: 0.05,
  breakage: 0.3,
  size: 0.2,
  holding: 0.5,
  distortion: 0.3,
} as const;

/** Of what the model may be wrong about, the share that is still there after the first piece showed it. Judgement. */
const LEFT_AFTER_FIRST = 0.15;

/** Chance that a limit is exceeded, by its band; nobody's cut is safer than one in a thousand. */
export function chanceOver({ share, state }: Pick<LimitResult, 'share' | 'state'>): number {
  if (!share || !(share.value > 0)) return state === 'over' ? 0.5 : 0;
  if (!Number.isFinite(share.value)) return 1;
  const sigma = Math.max(0.02, Math.log(Math.max(share.high, share.value * 1.0001) / share.value) / Z90);
  return normalBelow(Math.log(share.value) / sigma);
}

const any = (chances: readonly number[]): number => 1 - chances.reduce((kept, c) => kept * (1 - c), 1);

/** Ways a part is lost in one operation, likeliest first; `holdingChance` is that of the setup's holding giving way, `warpChance` of a bow too large. */
export function lossChances(o: JudgedOperation, holdingChance = 0, warpChance = 0): LossChance[] {
  const { document: op, evaluation } = o;
  const over = (...ids: string[]): number =>
    any(evaluation.limits.filter((l) => ids.includes(l.id)).map(chanceOver));
  const found: LossChance[] = [];
  const put = (id: LossChance['id'], name: string, first: number, left = LEFT_AFTER_FIRST): void => {
    if (first >= 1e-5) found.push({ id, name, chance: Math.min(1, first * left), first: Math.min(1, first) });
  };
  if (evaluation.risk) put('hole', 'a mishap in a hole', chanceLost(evaluation.risk, op.featuresPerPart), 1);
  if (evaluation.featuresPerEdge) {
    const { failsEarlier, perPart } = plannedEdge(o);
    put('edge', 'an edge fails in the cut', TAKES_PART.edge * (1 - (1 - failsEarlier) ** perPart), 1);
  }
  if (op.kind === 'milling') {
    put('chatter', 'chatter', TAKES_PART.chatter * over('limit-depth'));
    put('breakage', 'the tool breaks', TAKES_PART.breakage * over('bending-stress'));
    // Only the cut that makes the size can spoil it.
    if (op.feature.allowanceMm === 0) put('size', 'out of size', TAKES_PART.size * over('wall-error'));
  }
  put(
    'holding',
    'the part moves',
    TAKES_PART.holding * Math.max(holdingChance, over('workholding', 'workholding-lift')),
  );
  put('distortion', 'it has bowed', TAKES_PART.distortion * warpChance);
  return found.sort((a, b) => b.chance - a.chance);
}

export const lossOf = (chances: readonly LossChance[]): number => any(chances.map((c) => c.chance));
export const firstLossOf = (chances: readonly LossChance[]): number => any(chances.map((c) => c.first));
