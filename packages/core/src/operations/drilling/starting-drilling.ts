import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import { isDifficultToClear } from '../holes/difficult-chips.ts';
import { drillWindow } from '../life-state.ts';
import { into, low, startingRpm } from '../starting.ts';
import { drillFeedWindow } from './limits/drill-feed.ts';

/** First numbers of a drill: low in its windows, pecks as planned, slower where it breaks into the open. */
export function startingDrilling(
  op: DrillingOperation,
  context: OperationContext,
  diameterMm: number,
): DrillingOperation['cut'] {
  const { hole } = op;
  const tool = outerDiameter(context.cutter) || hole.diameterMm;
  const window = drillFeedWindow(context) ?? [0.01 * tool, 0.02 * tool];
  const least = hole.crossHoles > 0 || hole.exitAngleDeg > 3 ? 0.5 : 0.6;
  const breaks = hole.through || hole.crossHoles > 0;
  const vc = op.measured.lifeSpeed30MMin ?? low(drillWindow(context), 15);
  return {
    ...op.cut,
    speedRpm: startingRpm(context, vc, diameterMm),
    feedPerRevMm: into(window, 0.35),
    peck: 'plan',
    breakthroughFeed: breaks && (isDifficultToClear(context) || least === 0.5) ? least : 1,
  };
}
