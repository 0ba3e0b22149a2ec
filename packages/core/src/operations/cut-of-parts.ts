import { cuttingSpeed } from '../physics/cutting/spindle-speed.ts';
import { type Estimate, exact, scale, sensitiveTo } from '../judging/estimate.ts';
import type { OperationContext } from './context.ts';
import type { CutState } from './cut-state.ts';
import type { LifeState } from './life-state.ts';
import type { Operation } from './operation.ts';
import { driveEfficiency } from './sources.ts';

/** What a small tool's own model works out. */
export interface CutParts {
  readonly diameterMm: number;
  readonly feedRateMmMin: number;
  readonly removalCm3Min: number;
  /** Highest torque, N·m. */
  readonly torqueNm: Estimate;
  readonly seconds: { readonly cut: number; readonly air: number };
  readonly life: LifeState | null;
  readonly noLife: string;
  readonly pullOutN?: Estimate;
}

/** What every limit looks at, from the parts: a short cut held against the ten-minute rating. */
export function cutOfParts<O extends Operation>(op: O, context: OperationContext, p: CutParts): CutState<O> {
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
  };
}
