import type { CutState } from '../evaluation/cut-state.ts';
import type { DrillingState } from '../evaluation/drilling-state.ts';
import type { MillingState } from '../evaluation/milling-state.ts';
import { axisFeedLimit } from './axis-feed.ts';
import { bendingStressLimit } from './bending-stress.ts';
import { blockRateLimit } from './block-rate.ts';
import { chipSpaceLimit } from './chip-space.ts';
import { chipThickLimit } from './chip-thick.ts';
import { chipThinLimit } from './chip-thin.ts';
import { chipsOutLimit } from './chips-out.ts';
import { coolantMatchLimit } from './coolant-match.ts';
import { cornerAccelerationLimit } from './corner-acceleration.ts';
import { cornerFitLimit } from './corner-fit.ts';
import { cornerSpikeLimit } from './corner-spike.ts';
import { cuttingSpeedLimit } from './cutting-speed.ts';
import { drillBucklingLimit } from './drill-buckling.ts';
import { drillFeedHighLimit, drillFeedLowLimit } from './drill-feed.ts';
import { drillReachLimit } from './drill-reach.ts';
import { drillTorsionLimit } from './drill-torsion.ts';
import { edgeLifeLimit } from './edge-life.ts';
import { edgesOnShelfLimit } from './edges-on-shelf.ts';
import {
  entryHeightLimit,
  helixFitLimit,
  leadInLimit,
  pathPossibleLimit,
  postLeftLimit,
  rampAngleLimit,
} from './entry.ts';
import { finishAllowanceLimit } from './finish-allowance.ts';
import { flutesEngagementLimit } from './flutes-engagement.ts';
import { holderFitLimit } from './holder-fit.ts';
import { holderGripLimit } from './holder-grip.ts';
import { holeSizeLimit } from './hole-size.ts';
import { inheritedNumbersLimit } from './inherited-numbers.ts';
import type { Limit } from './limit.ts';
import { limitDepthLimit } from './limit-depth.ts';
import { longReachLimit } from './long-reach.ts';
import { materialMatchLimit } from './material-match.ts';
import { pilotNeededLimit } from './pilot-needed.ts';
import { ratedSpeedLimit } from './rated-speed.ts';
import { reachLimit } from './reach.ts';
import { spindlePowerLimit } from './spindle-power.ts';
import { spindleSpeedLimit } from './spindle-speed.ts';
import { spindleTorqueLimit } from './spindle-torque.ts';
import { roughnessLimit, scallopLimit, wiperLimit } from './surface-finish.ts';
import { toothPassingLimit } from './tooth-passing.ts';
import { usableLengthLimit } from './usable-length.ts';
import { wallErrorLimit } from './wall-error.ts';
import { workholdingLiftLimit, workholdingLimit } from './workholding.ts';
import { workholdingHeatLimit } from './workholding-heat.ts';

const common = {
  machine: [spindleSpeedLimit, spindlePowerLimit, spindleTorqueLimit, axisFeedLimit],
  cutter: [ratedSpeedLimit, holderFitLimit, materialMatchLimit],
  life: [cuttingSpeedLimit, edgeLifeLimit, edgesOnShelfLimit, coolantMatchLimit],
  process: [inheritedNumbersLimit],
} as const satisfies Record<string, readonly Limit<CutState>[]>;

/** Limits of a milling cut, always in this order. */
export const MILLING_LADDER: readonly Limit<MillingState>[] = [
  ...common.machine,
  cornerAccelerationLimit,
  blockRateLimit,
  ...common.cutter,
  usableLengthLimit,
  reachLimit,
  cornerFitLimit,
  chipThinLimit,
  chipThickLimit,
  chipSpaceLimit,
  flutesEngagementLimit,
  bendingStressLimit,
  holderGripLimit,
  workholdingLimit,
  workholdingLiftLimit,
  workholdingHeatLimit,
  wallErrorLimit,
  finishAllowanceLimit,
  scallopLimit,
  roughnessLimit,
  wiperLimit,
  limitDepthLimit,
  toothPassingLimit,
  longReachLimit,
  ...common.life,
  pathPossibleLimit,
  rampAngleLimit,
  helixFitLimit,
  postLeftLimit,
  cornerSpikeLimit,
  leadInLimit,
  entryHeightLimit,
  ...common.process,
];

/** Limits of a drilled hole, always in this order. */
export const DRILLING_LADDER: readonly Limit<DrillingState>[] = [
  ...common.machine,
  ...common.cutter,
  holeSizeLimit,
  drillReachLimit,
  drillFeedLowLimit,
  drillFeedHighLimit,
  chipsOutLimit,
  drillTorsionLimit,
  drillBucklingLimit,
  holderGripLimit,
  pilotNeededLimit,
  ...common.life,
  ...common.process,
];
