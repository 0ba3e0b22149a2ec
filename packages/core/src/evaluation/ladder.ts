import type { HoleOperation } from '../operations/hole-operation.ts';
import type { CutState } from '../operations/cut-state.ts';
import type { DrillingState } from '../operations/drilling/drilling-state.ts';
import type { HoleMillingState } from '../operations/hole-milling/hole-milling-state.ts';
import type { MillingState } from '../operations/milling/milling-state.ts';
import { axisFeedLimit } from '../operations/limits/axis-feed.ts';
import { bendingStressLimit } from '../operations/milling/limits/bending-stress.ts';
import { blockRateLimit } from '../operations/milling/limits/block-rate.ts';
import { chipSpaceLimit } from '../operations/milling/limits/chip-space.ts';
import { chipThickLimit } from '../operations/milling/limits/chip-thick.ts';
import { chipThinLimit } from '../operations/milling/limits/chip-thin.ts';
import { chipsOutLimit } from '../operations/drilling/limits/chips-out.ts';
import { coolantMatchLimit } from '../operations/limits/coolant-match.ts';
import { cornerAccelerationLimit } from '../operations/milling/limits/corner-acceleration.ts';
import { cornerFitLimit } from '../operations/milling/limits/corner-fit.ts';
import { cornerSpikeLimit } from '../operations/milling/limits/corner-spike.ts';
import { cuttingSpeedLimit } from '../operations/limits/cutting-speed.ts';
import { drillBucklingLimit } from '../operations/drilling/limits/drill-buckling.ts';
import { drillFeedHighLimit, drillFeedLowLimit } from '../operations/drilling/limits/drill-feed.ts';
import { drillReachLimit } from '../operations/drilling/limits/drill-reach.ts';
import { drillTorsionLimit } from '../operations/drilling/limits/drill-torsion.ts';
import { edgeLifeLimit } from '../operations/limits/edge-life.ts';
import { edgesOnShelfLimit } from '../operations/limits/edges-on-shelf.ts';
import {
  entryHeightLimit,
  helixFitLimit,
  leadInLimit,
  pathPossibleLimit,
  postLeftLimit,
  rampAngleLimit,
} from '../operations/milling/limits/entry.ts';
import { finishAllowanceLimit } from '../operations/milling/limits/finish-allowance.ts';
import { flutesEngagementLimit } from '../operations/milling/limits/flutes-engagement.ts';
import { holderFitLimit } from '../operations/limits/holder-fit.ts';
import { holderGripLimit } from '../operations/limits/holder-grip.ts';
import { holeSizeLimit } from '../operations/drilling/limits/hole-size.ts';
import { inheritedNumbersLimit } from '../operations/limits/inherited-numbers.ts';
import type { Limit } from '../judging/limit.ts';
import { limitDepthLimit } from '../operations/milling/limits/limit-depth.ts';
import { longReachLimit } from '../operations/milling/limits/long-reach.ts';
import { materialMatchLimit } from '../operations/limits/material-match.ts';
import { pilotNeededLimit } from '../operations/drilling/limits/pilot-needed.ts';
import { ratedSpeedLimit } from '../operations/limits/rated-speed.ts';
import { reachLimit } from '../operations/milling/limits/reach.ts';
import { spindlePowerLimit } from '../operations/limits/spindle-power.ts';
import { spindleSpeedLimit } from '../operations/limits/spindle-speed.ts';
import { spindleTorqueLimit } from '../operations/limits/spindle-torque.ts';
import { roughnessLimit, scallopLimit, wiperLimit } from '../operations/milling/limits/surface-finish.ts';
import { toothPassingLimit } from '../operations/milling/limits/tooth-passing.ts';
import { usableLengthLimit } from '../operations/milling/limits/usable-length.ts';
import { wallErrorLimit } from '../operations/milling/limits/wall-error.ts';
import { workholdingLiftLimit, workholdingLimit } from '../operations/milling/limits/workholding.ts';
import { workholdingHeatLimit } from '../operations/milling/limits/workholding-heat.ts';
import { within } from '../operations/holes/limits/assessments.ts';
import {
  barRatioLimit,
  boreDepthLimit,
  boreFeedLimit,
  boreRoughnessLimit,
} from '../operations/boring/limits/boring.ts';
import { breakthroughLimit } from '../operations/drilling/limits/breakthrough.ts';
import { chamferFeedLimit, chamferFitsLimit } from '../operations/chamfering/limits/chamfering.ts';
import { coolantPressureLimit } from '../operations/drilling/limits/coolant-pressure.ts';
import {
  boreHelixFitsLimit,
  borePostLimit,
  boreRampLimit,
  pastFloorLimit,
} from '../operations/hole-milling/limits/hole-milling.ts';
import { holeReachLimit } from '../operations/holes/limits/hole-reach.ts';
import { holeStraightnessLimit } from '../operations/drilling/limits/hole-straightness.ts';
import { holeToleranceLimit } from '../operations/holes/limits/hole-tolerance.ts';
import {
  reamAllowanceHighLimit,
  reamAllowanceLowLimit,
  reamChipsLimit,
  reamFeedLimit,
  reamOutLimit,
} from '../operations/reaming/limits/reaming.ts';
import { spotAngleLimit } from '../operations/drilling/limits/spot-angle.ts';
import {
  tapAlloyLimit,
  tapBreakingLimit,
  tapChipsLimit,
  tapRunOutLimit,
  tapSynchronousLimit,
  threadHeightLimit,
} from '../operations/tapping/limits/tapping.ts';
import {
  threadMillBendingLimit,
  threadMillFeedLimit,
  threadMillFitsLimit,
  threadTaperLimit,
} from '../operations/thread-milling/limits/thread-milling.ts';

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
