import { type Estimate, over, scale, uncertain } from '../../judging/estimate.ts';
import type { Assessment } from '../../judging/limit.ts';
import { sizeFactor } from '../../physics/structure/rupture-strength.ts';
import type { OperationContext } from '../context.ts';
import { ruptureSource } from '../sources.ts';

/** Share of rupture strength a running tool may see again and again; rule G-128 gives 0.35 to 0.5. */
const FATIGUE_SHARE = 0.4;

/** Bending stress at a diameter against what the tool's material stands again and again, MPa; with its strength at that size. */
export function bentTool(
  stressMPa: Estimate,
  diameterMm: number,
  context: OperationContext,
): {
  readonly held: Pick<Assessment, 'predicted' | 'allowed' | 'share'>;
  readonly allowedMPa: number;
  readonly strengthMPa: number;
  readonly sizeFactor: number;
} {
  const { substrate } = context;
  const size = sizeFactor(diameterMm);
  const strength = substrate.transverse_rupture_mpa[1] * size;
  const allowed = scale(uncertain(strength, ruptureSource(context)), FATIGUE_SHARE);
  return {
    held: {
      predicted: { estimate: stressMPa, unit: 'MPa' },
      allowed: {
        value: allowed.value,
        unit: 'MPa',
        from: `${FATIGUE_SHARE} of the rupture strength of ${substrate.name}`,
      },
      share: over(stressMPa, allowed),
    },
    allowedMPa: allowed.value,
    strengthMPa: strength,
    sizeFactor: size,
  };
}
