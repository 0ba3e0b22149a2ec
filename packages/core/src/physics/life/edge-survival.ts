import { mixtureBelow, type NormalPart } from '../../numerics/normal-mixture.ts';
import { requirePositive } from '../../units/input-error.ts';

/** Chance that an edge is still good after k features: k from 0. Life in minutes of cutting as a mixture of lognormals. */
export function survivalByFeature(
  lnLife: readonly NormalPart[],
  minutesPerFeature: number,
  most: number,
): Float64Array {
  requirePositive('cutting minutes per feature', minutesPerFeature);
  const alive = new Float64Array(most + 1);
  alive[0] = 1;
  for (let k = 1; k <= most; k++) alive[k] = 1 - mixtureBelow(lnLife, Math.log(k * minutesPerFeature));
  return alive;
}
