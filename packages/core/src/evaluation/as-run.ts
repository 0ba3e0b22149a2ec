import { lifeFromWear } from '../learning/wear-curve.ts';
import { edgeFamilyOf } from '../learning/learnt.ts';
import type { EdgeTrial } from '../learning/fit-edge-life.ts';
import { hasEnded, type Seen } from '../learning/trial.ts';
import { bandOf } from '../judging/estimate.ts';
import type { Band } from '../judging/result.ts';
import type { OperationContext } from '../operations/context.ts';
import { isHole } from '../operations/hole-operation.ts';
import type { Operation } from '../operations/operation.ts';
import { requirePossible } from './check-operation.ts';
import { fullScaleKw, loadAtPower } from './expected-load.ts';
import { kindOf } from './registry.ts';
import { driveEfficiency } from '../operations/sources.ts';

/**
 * The cut as it was really run: the control's overrides on speed and on table feed, so the feed per tooth or revolution moves
 * with their quotient. A rigid tap keeps its feed per revolution.
 */
export function asRun(op: Operation, seen: Pick<Seen, 'speedOverride' | 'feedOverride'>): Operation {
  const speed = seen.speedOverride / 100;
  const feed = seen.feedOverride / 100 / speed;
  const { cut } = op;
  const speedRpm = cut.speedRpm * speed;
  if ('feedPerToothMm' in cut)
    return { ...op, cut: { ...cut, speedRpm, feedPerToothMm: cut.feedPerToothMm * feed } } as Operation;
  if ('feedPerRevMm' in cut)
    return { ...op, cut: { ...cut, speedRpm, feedPerRevMm: cut.feedPerRevMm * feed } } as Operation;
  return { ...op, cut: { ...cut, speedRpm } } as Operation;
}

/** What a trial is held against, as the library alone has it; what was learnt since leaves it as it is. */
export interface TrialBasis {
  readonly edgeFamily: string;
  readonly speedRpm: number;
  readonly cuttingSpeedMMin: number;
  readonly feedPerEdgeMm: number;
  /** Axial depth of a mill, depth of a hole, mm. */
  readonly depthMm: number;
  /** Radial depth of a mill, mm; null in holes. */
  readonly widthMm: number | null;
  readonly cuttingMinPerFeature: number;
  /** Cutting speed over the library's thirty-minute speed of this cut; null without a life model. */
  readonly speedRatio: number | null;
  readonly taylorN: number | null;
  readonly speedSd: number | null;
  /** Life expected, minutes of cutting. */
  readonly expectedLife: Band | null;
  /** Load meter expected, %. */
  readonly expectedLoad: Band;
  /** Roughness expected, Ra in µm; null where the cut leaves no surface that is judged. */
  readonly expectedRaUm: number | null;
  readonly edgeKw: number;
  readonly fullKw: number;
}

const feedOf = ({ cut }: Operation, context: OperationContext): number =>
  'feedPerToothMm' in cut
    ? cut.feedPerToothMm
    : 'feedPerRevMm' in cut
      ? cut.feedPerRevMm
      : ((context.cutter.properties.TP ?? 0) as number);

/** Works out what a cut as run is held against. Throws an InputError when the cut is impossible. */
export function trialBasis(op: Operation, context: OperationContext): TrialBasis {
  const { learnt: _, ...library } = context;
  const plain = { ...op, measured: { ...op.measured, lifeSpeed30MMin: null, kc11NMm2: null } };
  requirePossible(plain, library);
  const { state, numbers } = kindOf(plain).workOut(plain, library);
  const life = state.libraryLife;
  return {
    edgeFamily: edgeFamilyOf(context.cutter),
    speedRpm: state.speedRpm,
    cuttingSpeedMMin: state.cuttingSpeedMMin,
    feedPerEdgeMm: feedOf(op, context),
    depthMm: 'axialDepthMm' in op.cut ? op.cut.axialDepthMm : isHole(op) ? op.hole.depthMm : 0,
    widthMm: 'radialEngagementMm' in op.cut ? op.cut.radialEngagementMm : null,
    cuttingMinPerFeature: state.time.cutting,
    speedRatio: life ? state.cuttingSpeedMMin / life.speed30MMin : null,
    taylorN: life?.taylorN ?? null,
    speedSd: life?.sigma ?? null,
    expectedLife: state.lifeMin ? bandOf(state.lifeMin) : null,
    expectedLoad: loadAtPower(bandOf(state.powerKw), library, state.speedRpm),
    expectedRaUm: numbers().find((n) => n.key === 'Ra')?.value ?? null,
    edgeKw: state.powerKw.value * driveEfficiency(library).value,
    fullKw: fullScaleKw(library, state.speedRpm),
  };
}

/** A logged trial as far as life is read from it. */
export interface LoggedEdge extends Pick<Seen, 'ending' | 'wearMm'> {
  readonly id: string;
  readonly heatLot: string;
  readonly machineId: string;
  readonly speedRatio: number;
  readonly minutes: number;
  /** Flank wear at which the library calls an edge worn, mm. */
  readonly criterionMm: number;
}

/** What a fit looks at of a logged edge: its end where it was seen, its wear where that says more than minutes run. */
export function edgeTrialOf(t: LoggedEdge): EdgeTrial {
  const plain = {
    id: t.id,
    heatLot: t.heatLot,
    machineId: t.machineId,
    speedRatio: t.speedRatio,
    minutes: t.minutes,
    ended: hasEnded(t.ending),
    readingSd: 0,
  };
  if (plain.ended || t.wearMm === null) return plain;
  const read = lifeFromWear(t.wearMm, t.minutes, t.criterionMm);
  return read ? { ...plain, minutes: read.minutes, ended: true, readingSd: read.sd } : plain;
}

/** Flank wear the life model counts to, mm. */
export const wearCriterionMm = ({ alloy }: Pick<OperationContext, 'alloy'>): number =>
  alloy.taylor_milling_coated_carbide?.reference.vb_mean_mm ?? 0.3;
