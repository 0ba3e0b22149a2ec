import { type Estimate, exact, scale, sensitiveTo } from '../../judging/estimate.ts';
import type { CutState } from '../cut-state.ts';
import type { OperationContext } from '../context.ts';
import type { LifeState } from '../life-state.ts';
import { driveEfficiency } from '../sources.ts';

/** Bursts of this many minutes are held against the drive's short rating. */
const SHORT_MINUTES = 4;

/** What a lathe cut asks of its spindle, from its torque at a speed, and how long it takes. */
export function latheLoads(
  context: OperationContext,
  torqueNm: Estimate,
  speedRpm: number,
  minutes: { readonly cutting: number; readonly air: number },
  featuresPerPart: number,
): Pick<CutState, 'powerKw' | 'torqueNm' | 'peakTorqueNm' | 'rating' | 'pullOutN' | 'time'> {
  const drive = driveEfficiency(context);
  const { cutting, air } = minutes;
  return {
    powerKw: sensitiveTo(scale(torqueNm, (2 * Math.PI * speedRpm) / 60_000 / drive.value), drive.source, -1),
    torqueNm,
    peakTorqueNm: torqueNm,
    rating: cutting > SHORT_MINUTES ? 's1' : 's6_40',
    pullOutN: exact(0),
    time: { cutting, linking: air, perPart: (cutting + air) * featuresPerPart },
  };
}

/** How long an edge lasts, where it is run at a share of the speed its life is known at. */
export const latheLife = (
  life: LifeState | null,
  share = 1,
): Pick<CutState, 'lifeMin' | 'speedLimitMMin' | 'lifeNotes' | 'libraryLife'> => ({
  lifeMin: life?.lifeMin ?? null,
  speedLimitMMin: life?.speedLimitMMin ? scale(life.speedLimitMMin, share) : null,
  lifeNotes: life?.notes ?? ['no turning window for this alloy and insert'],
  libraryLife: life?.library ?? null,
});
