import type { FinishedFace } from '../../physics/path/finishing.ts';
import { judge, type Limit } from '../../judging/limit.ts';
import { spindlePowerLimit } from '../limits/spindle-power.ts';
import { spindleTorqueLimit } from '../limits/spindle-torque.ts';
import type { OperationContext } from '../context.ts';
import { tidy } from '../starting.ts';
import { chipWindow } from './chip-window.ts';
import { bendingStressLimit } from './limits/bending-stress.ts';
import { chipSpaceLimit } from './limits/chip-space.ts';
import { cornerAccelerationLimit } from './limits/corner-acceleration.ts';
import { cornerEngagementLimit } from './limits/corner-engagement.ts';
import { ribLimit } from './limits/finishing.ts';
import { wallErrorLimit } from './limits/wall-error.ts';
import type { MillingCut, MillingOperation } from './milling-operation.ts';
import { millingState, type MillingState } from './milling-state.ts';

/** Rounds of easing at most: nothing is found that is further away. */
const ROUNDS = 30;
const LESS = 0.85;
/** Levels a wall is divided into at most: more leave more borders than they save bend. */
const MOST_LEVELS = 4;

/** Faces whose depth is their stock. */
const ONE_DEPTH: ReadonlySet<FinishedFace | undefined> = new Set(['floor', 'surface']);

type Ease = 'shorter' | 'thinner' | 'slower' | 'narrower';
const EASES: readonly Ease[] = ['shorter', 'thinner', 'slower', 'narrower'];
/** What leaves depth and width as they are. */
export const SAME_ENGAGEMENT: readonly Ease[] = ['thinner', 'slower'];

/** What a first cut has to hold, and what eases it there, the first that can. */
const HELD: readonly (readonly [Limit<MillingState>, readonly Ease[]])[] = [
  [wallErrorLimit, ['shorter', 'thinner']],
  [ribLimit, ['shorter', 'thinner']],
  [bendingStressLimit, ['shorter', 'thinner']],
  [chipSpaceLimit, ['thinner']],
  [cornerEngagementLimit, ['narrower']],
  [cornerAccelerationLimit, ['slower']],
  [spindlePowerLimit, ['slower']],
  [spindleTorqueLimit, ['thinner', 'slower']],
];

/** A cut eased one way; null where that is not to be had. */
function eased(state: MillingState, ease: Ease): MillingCut | null {
  const { op, context, chipMm } = state;
  const { cut, feature } = op;
  switch (ease) {
    case 'shorter': {
      // A head cuts its whole height; a floor has only its stock.
      const levels = Math.round(feature.depthMm / cut.axialDepthMm) + 1;
      return feature.undercut || ONE_DEPTH.has(feature.finishing?.face) || levels > MOST_LEVELS
        ? null
        : { ...cut, axialDepthMm: Number((feature.depthMm / levels).toFixed(2)) };
    }
    case 'thinner':
      return chipMm * LESS < chipWindow(context).edgeRadius
        ? null
        : { ...cut, feedPerToothMm: tidy(cut.feedPerToothMm * LESS) };
    case 'slower':
      return { ...cut, speedRpm: Math.max(10, Math.floor((cut.speedRpm * LESS) / 10) * 10) };
    case 'narrower':
      return { ...cut, radialEngagementMm: tidy(cut.radialEngagementMm * LESS) };
  }
}

/** A first cut brought within what its wall, its tool and its spindle hold, as far as that goes; by `eases` where not all are open. */
export function settledCut(
  op: MillingOperation,
  context: OperationContext,
  eases: readonly Ease[] = EASES,
): MillingCut {
  let here = op;
  for (let i = 0; i < ROUNDS; i++) {
    const state = millingState(here, context);
    const next = HELD.flatMap(([limit, by]) =>
      judge(limit, state)?.state === 'over'
        ? by.filter((e) => eases.includes(e)).map((e) => eased(state, e))
        : [],
    ).find((c) => c !== null);
    if (!next) break;
    here = { ...here, cut: next };
  }
  return here.cut;
}
