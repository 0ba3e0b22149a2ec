import { faceNotes } from './face-edges.ts';
import { millingMovables } from './milling-movables.ts';
import { millingSwitches } from './milling-switches.ts';
import { diameterEngaged } from './engaged-edge.ts';
import { renewedMilling, startingMilling } from './starting-milling.ts';
import { setMilling } from './set-milling.ts';
import { checkMilling } from './check-milling.ts';
import { type Cutter, isMillingCutter, isUndercutter } from '../../crib/cutter.ts';
import type { Limit } from '../../judging/limit.ts';
import { operationKind } from '../operation-kind.ts';
import type { MillingOperation } from './milling-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { millingNumbers } from './milling-numbers.ts';
import { millingState, type MillingState } from './milling-state.ts';
import { holderGripLimit } from '../limits/holder-grip.ts';
import { bendingStressLimit } from './limits/bending-stress.ts';
import { blockRateLimit } from './limits/block-rate.ts';
import { chipSpaceLimit } from './limits/chip-space.ts';
import { maximumChipLimit } from './limits/maximum-chip-thickness.ts';
import { minimumChipLimit } from './limits/minimum-chip-thickness.ts';
import { cornerAccelerationLimit } from './limits/corner-acceleration.ts';
import { cornerFitLimit } from './limits/corner-fit.ts';
import { cornerEngagementLimit } from './limits/corner-engagement.ts';
import {
  entryChipsLimit,
  entryHeightLimit,
  helixFitLimit,
  leadInLimit,
  pathPossibleLimit,
  coreLeftLimit,
  rampAngleLimit,
} from './limits/entry.ts';
import {
  faceExitLimit,
  faceFlatnessLimit,
  facePlateLimit,
  faceWidthLimit,
  wiperHeightLimit,
} from './limits/face.ts';
import { plungeEntryLimit } from './limits/plunge-entry.ts';
import { finishAllowanceLimit } from './limits/finish-allowance.ts';
import { cornerStockLimit, finishStockLimit, ribLimit } from './limits/finishing.ts';
import { flutesEngagementLimit } from './limits/flutes-engagement.ts';
import { stabilityLimit } from './limits/stability-limit.ts';
import { longReachLimit } from './limits/long-reach.ts';
import { reachLimit } from './limits/reach.ts';
import {
  surfaceClearLimit,
  surfaceContactLimit,
  surfaceHollowLimit,
  surfaceTiltLimit,
} from './limits/surface.ts';
import { roughnessLimit, scallopLimit, wiperLimit } from './limits/surface-finish.ts';
import { toothPassingLimit } from './limits/tooth-passing.ts';
import { cuttingLengthLimit } from './limits/cutting-length.ts';
import { chuckedPartLimit } from './limits/chucked-part.ts';
import {
  ringFeedLimit,
  ringWidthLimit,
  undercutAngleLimit,
  undercutChipsLimit,
  undercutHeadLimit,
  undercutNeckLimit,
} from './limits/undercut.ts';
import { finishingNotes } from './finishing-sentence.ts';
import { undercutNotes } from './undercut-sentence.ts';
import { wallErrorLimit } from './limits/wall-error.ts';
import { workholdingHeatLimit } from './limits/workholding-heat.ts';
import { workholdingLiftLimit, workholdingLimit } from './limits/workholding.ts';

/** Limits of a milling cut, always in this order. */
export const MILLING_LADDER: readonly Limit<MillingState>[] = [
  ...OF_ALL.machine,
  cornerAccelerationLimit,
  blockRateLimit,
  surfaceTiltLimit,
  ...OF_ALL.cutter,
  cuttingLengthLimit,
  reachLimit,
  cornerFitLimit,
  surfaceContactLimit,
  surfaceClearLimit,
  minimumChipLimit,
  maximumChipLimit,
  chipSpaceLimit,
  flutesEngagementLimit,
  undercutChipsLimit,
  bendingStressLimit,
  holderGripLimit,
  workholdingLimit,
  workholdingLiftLimit,
  workholdingHeatLimit,
  wallErrorLimit,
  chuckedPartLimit,
  finishAllowanceLimit,
  finishStockLimit,
  ribLimit,
  surfaceHollowLimit,
  ringWidthLimit,
  scallopLimit,
  roughnessLimit,
  wiperLimit,
  wiperHeightLimit,
  faceFlatnessLimit,
  facePlateLimit,
  stabilityLimit,
  toothPassingLimit,
  longReachLimit,
  ...OF_ALL.life,
  pathPossibleLimit,
  cornerStockLimit,
  undercutHeadLimit,
  undercutNeckLimit,
  undercutAngleLimit,
  ringFeedLimit,
  faceExitLimit,
  faceWidthLimit,
  plungeEntryLimit,
  rampAngleLimit,
  helixFitLimit,
  entryChipsLimit,
  coreLeftLimit,
  cornerEngagementLimit,
  leadInLimit,
  entryHeightLimit,
  ...OF_ALL.process,
];

/** What speaks against the shape of a cutter here, in a few words; null where nothing does. */
function againstShape({ type }: Pick<Cutter, 'type'>, { feature }: MillingOperation): string | null {
  const flatFloor = feature.slopeDeg === 90 && feature.kind !== 'side' && feature.kind !== 'boss';
  if (type === 'end_mill_ball' && flatFloor) return 'a ball nose leaves no flat floor';
  if (type === 'end_mill_barrel' && feature.allowanceMm > 0) return 'a barrel cutter is made to finish walls';
  if (type === 'end_mill_lens' && feature.allowanceMm > 0) return 'a lens is made to finish floors';
  return null;
}

/** Milling of a pocket, slot, side, boss or face. */
export const millingKind = operationKind<MillingOperation, MillingState>({
  kind: 'milling',
  tool: {
    named: 'a milling cutter; a disc or dovetail cutter under a wall',
    fits: (cutter, { feature }) =>
      feature.undercut && feature.undercut.form !== 'face-ring'
        ? isUndercutter(cutter)
        : isMillingCutter(cutter),
    doubt: againstShape,
  },
  verb: ({ feature: { undercut, finishing, kind } }) =>
    finishing ? `Finish ${finishing.face.replaceAll('-', ' ')}` : `Mill ${undercut ? 'groove' : kind}`,
  notes: ({ face, feature }) => [...faceNotes(face), ...undercutNotes(feature), ...finishingNotes(feature)],
  parameters: ['n', 'vc', 'fz', 'vf', 'hex', 'ap', 'ae', 'Q'],
  shown: {
    set: ['n', 'vf', 'ap', 'ae'],
    watch: ['vc', 'fz', 'hex', 'P', 'lean', 't'],
    follows: ['vfc', 'F', 'P', 'lean', 'theta', 'Ra', 'offset', 'T', 't', 'cost'],
  },
  movables: millingMovables,
  switches: millingSwitches,
  // A plunge pushes along its axis: nobody asks for its lobes.
  turning: (op) => (op.path.strategy === 'plunge' ? null : op),
  opens: (op) => op.feature.kind === 'face',
  checks: checkMilling,
  speedDiameter: (op, { cutter }) => diameterEngaged(op, cutter),
  set: setMilling,
  start: startingMilling,
  renew: renewedMilling,
  state: millingState,
  numbers: millingNumbers,
  rests: (s) => [s.deflectionMm, s.stressMPa, s.runoutStep],
  ladder: MILLING_LADDER,
});
