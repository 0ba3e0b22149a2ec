import type { HoleOperation } from '../domain/hole-operation.ts';
import type { CutState } from '../evaluation/cut-state.ts';
import type { DrillingState } from '../evaluation/drilling-state.ts';
import type { HoleMillingState } from '../evaluation/holes/hole-milling-state.ts';
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
import { within } from './holes/assessments.ts';
import { barRatioLimit, boreDepthLimit, boreFeedLimit, boreRoughnessLimit } from './holes/boring.ts';
import { breakthroughLimit } from './holes/breakthrough.ts';
import { chamferFeedLimit, chamferFitsLimit } from './holes/chamfering.ts';
import { coolantPressureLimit } from './holes/coolant-pressure.ts';
import { boreHelixFitsLimit, borePostLimit, boreRampLimit, pastFloorLimit } from './holes/hole-milling.ts';
import { holeReachLimit } from './holes/hole-reach.ts';
import { holeStraightnessLimit } from './holes/hole-straightness.ts';
import { holeToleranceLimit } from './holes/hole-tolerance.ts';
import {
  reamAllowanceHighLimit,
  reamAllowanceLowLimit,
  reamChipsLimit,
  reamFeedLimit,
  reamOutLimit,
} from './holes/reaming.ts';
import { spotAngleLimit } from './holes/spot-angle.ts';
import {
  tapAlloyLimit,
  tapBreakingLimit,
  tapChipsLimit,
  tapRunOutLimit,
  tapSynchronousLimit,
  threadHeightLimit,
} from './holes/tapping.ts';
import {
  threadMillBendingLimit,
  threadMillFeedLimit,
  threadMillFitsLimit,
  threadTaperLimit,
} from './holes/thread-milling.ts';

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
  spotAngleLimit,
  coolantPressureLimit,
  chipsOutLimit,
  drillTorsionLimit,
  drillBucklingLimit,
  breakthroughLimit,
  holderGripLimit,
  pilotNeededLimit,
  holeToleranceLimit,
  holeStraightnessLimit,
  ...common.life,
  ...common.process,
];

const inMilling = (limit: Limit<MillingState>): Limit<never> =>
  within(limit as never, (s: HoleMillingState) => s.heaviest);

/** Limits of every other step of a hole, by its kind and always in this order. */
export const HOLE_LADDERS: {
  readonly [K in Exclude<HoleOperation['kind'], 'drilling'>]: readonly Limit<never>[];
} = {
  reaming: [
    ...common.machine,
    ...common.cutter,
    holeReachLimit,
    reamAllowanceLowLimit,
    reamAllowanceHighLimit,
    reamFeedLimit,
    reamChipsLimit,
    holderGripLimit,
    holeToleranceLimit,
    reamOutLimit,
    ...common.life,
    ...common.process,
  ],
  boring: [
    ...common.machine,
    ...common.cutter,
    holeReachLimit,
    boreFeedLimit,
    boreDepthLimit,
    holeToleranceLimit,
    boreRoughnessLimit,
    barRatioLimit,
    ...common.life,
    ...common.process,
  ],
  'hole-milling': [
    ...common.machine,
    ...common.cutter,
    holeReachLimit,
    inMilling(chipThinLimit),
    inMilling(chipThickLimit),
    inMilling(chipSpaceLimit),
    inMilling(bendingStressLimit),
    holderGripLimit,
    holeToleranceLimit,
    inMilling(limitDepthLimit),
    ...common.life,
    boreHelixFitsLimit,
    boreRampLimit,
    borePostLimit,
    pastFloorLimit,
    ...common.process,
  ],
  chamfering: [
    ...common.machine,
    ...common.cutter,
    chamferFeedLimit,
    ...common.life,
    chamferFitsLimit,
    ...common.process,
  ],
  tapping: [
    ...common.machine,
    tapSynchronousLimit,
    ...common.cutter,
    holeReachLimit,
    tapAlloyLimit,
    tapChipsLimit,
    tapBreakingLimit,
    holderGripLimit,
    threadHeightLimit,
    ...common.life,
    tapRunOutLimit,
    ...common.process,
  ],
  'thread-milling': [
    ...common.machine,
    ...common.cutter,
    holeReachLimit,
    threadMillFeedLimit,
    threadMillBendingLimit,
    threadTaperLimit,
    ...common.life,
    threadMillFitsLimit,
    ...common.process,
  ],
};
