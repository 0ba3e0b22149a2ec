import type { OperationContext } from '../context.ts';
import type { Alloy } from '../../crib/alloy.ts';
import type { HoleOperation } from '../hole-operation.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import type { HoleSeconds } from '../../physics/holes/cycle-time.ts';
import { type Estimate, exact, scale, sensitiveTo, type Source } from '../../judging/estimate.ts';
import type { CutState } from '../cut-state.ts';
import type { LifeState } from '../life-state.ts';
import { driveEfficiency } from '../sources.ts';

/** What every step of a hole is judged by besides the cut itself. */
export interface HoleState<O extends HoleOperation = HoleOperation> extends CutState<O> {
  /** What twists or bends the tool over what breaks it; null where nothing of the kind is known. */
  readonly breaking: Estimate | null;
  /** How far the made diameter may be off, mm on the diameter; null where this step does not make the size. */
  readonly sizeErrorMm: Estimate | null;
  /** Allowed deviation of that kind, mm; null where nobody asks. */
  readonly sizeAllowedMm: number | null;
}

/** What a step's own model works out. */
export interface HoleParts {
  readonly diameterMm: number;
  readonly feedRateMmMin: number;
  readonly removalCm3Min: number;
  /** Highest torque, N·m. */
  readonly torqueNm: Estimate;
  readonly seconds: HoleSeconds;
  readonly life: LifeState | null;
  readonly noLife: string;
  readonly pullOutN?: Estimate;
  readonly breaking: Estimate | null;
  readonly sizeErrorMm: Estimate | null;
  readonly sizeAllowedMm?: number | null;
}

/** Assembles what all steps of a hole share. */
export function holeState<O extends HoleOperation>(
  op: O,
  context: OperationContext,
  p: HoleParts,
): HoleState<O> {
  const { speedRpm } = op.cut;
  const drive = driveEfficiency(context);
  return {
    op,
    context,
    speedRpm,
    cuttingSpeedMMin: cuttingSpeed(speedRpm, p.diameterMm),
    diameterInCutMm: p.diameterMm,
    feedRateMmMin: p.feedRateMmMin,
    removalCm3Min: p.removalCm3Min,
    powerKw: sensitiveTo(scale(p.torqueNm, (2 * Math.PI * speedRpm) / 60000 / drive.value), drive.source, -1),
    torqueNm: p.torqueNm,
    peakTorqueNm: p.torqueNm,
    rating: 's6_40',
    pullOutN: p.pullOutN ?? exact(0),
    time: {
      cutting: p.seconds.cut / 60,
      linking: p.seconds.air / 60,
      perPart: ((p.seconds.cut + p.seconds.air) / 60) * op.featuresPerPart,
    },
    lifeMin: p.life?.lifeMin ?? null,
    speedLimitMMin: p.life?.speedLimitMMin ?? null,
    lifeNotes: p.life?.notes ?? [p.noLife],
    libraryLife: p.life?.library ?? null,
    breaking: p.breaking,
    sizeErrorMm: p.sizeErrorMm,
    sizeAllowedMm:
      p.sizeAllowedMm !== undefined
        ? p.sizeAllowedMm
        : op.hole.toleranceMm === null
          ? null
          : op.hole.toleranceMm / 2,
  };
}

/** How well a hole's size is foretold. */
export const SIZE_MODEL: Source = {
  id: 'size-model',
  label: 'size of the finished hole',
  kind: 'assumed',
  sigma: 0.3,
  narrowBy: 'measure the first holes with a plug or a probe',
};

/** Part of a lean that stock and wear move about; the rest is set out at the first hole. */
export const VARIES = 0.3;

/** Tensile strength, MPa; a third of Brinell in tens where the crib states none. */
export const strengthOf = (alloy: Alloy): number =>
  alloy.tensile_strength_mpa?.typical ??
  (alloy.hardness.scale === 'HB' ? 3.4 * alloy.hardness.typical : 33 * alloy.hardness.typical);

/** Shear a tool is twisted off at, over its transverse rupture strength. */
export const TWIST_OFF = 0.45;
