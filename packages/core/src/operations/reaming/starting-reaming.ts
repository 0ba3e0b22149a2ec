import type { OperationContext } from '../context.ts';
import type { ReamingOperation } from './reaming-operation.ts';
import { drillFeedWindow } from '../drilling/limits/drill-feed.ts';
import { drillWindow, REAMING_SHARE } from '../life-state.ts';
import { into, low, startingRpm } from '../starting.ts';

/** First numbers of a reamer: a share of a drill's speed, low in its window of feeds. */
export function startingReaming(
  op: ReamingOperation,
  context: OperationContext,
  diameterMm: number,
): ReamingOperation['cut'] {
  const vc = op.measured.lifeSpeed30MMin ?? REAMING_SHARE * low(drillWindow(context), 15);
  return {
    ...op.cut,
    speedRpm: startingRpm(context, vc, diameterMm),
    feedPerRevMm: into(drillFeedWindow(context) ?? [0.2, 0.6], 0.3),
    outFeed: 1.5,
  };
}
