import type { Cutter, Substrate } from '../../../crib/cutter.ts';
import { InputError, requirePositive } from '../../../units/input-error.ts';
import { sectionOf } from '../coupling/beam.ts';

/** How a slender drill may vibrate. */
export interface DrillVibration {
  /** Bending, point free as at the start and held by the hole as later, Hz. */
  readonly bendingFreeHz: number;
  readonly bendingHeldHz: number;
  /** Twist, which lengthens and shortens the drill and so regenerates on the bottom, Hz. */
  readonly torsionHz: number;
  /** Speeds at which a whirl of three or five lobes meets the free bending: the start of an out-of-round hole, rpm. */
  readonly whirlRpm: readonly { readonly lobes: number; readonly rpm: number }[];
  /** Waves left on the bottom between two lips by the twisting motion: more than a few, and slowing down does not help. */
  readonly torsionWaves: number;
}

const RAD_SHARE = 2 * Math.PI;
/** Share of a full round bar's torsion stiffness a fluted section keeps against its share of inertia; Bayly 2001. */
const FLUTED_TORSION = 0.55;

/**
 * Frequencies of a drill standing out of its holder: bending as a clamped beam with free and with held point, torsion as a
 * clamped bar with fluted section. Bayly, Lamar & Calvert 2002 for whirl: lobed holes come with an odd number of lobes,
 * the point whirling backward at lobes minus one over lips; Bayly et al. 2001 for torsional–axial chatter.
 * Throws InputError without a diameter or a length.
 */
export function drillVibration(
  drill: Cutter,
  substrate: Substrate,
  stickOutMm: number,
  rpm: number,
): DrillVibration {
  const diameter = drill.properties.DC;
  if (!diameter)
    throw new InputError([{ field: 'drill', value: drill.id, allowed: 'a cutter with a diameter' }]);
  requirePositive('stick-out', stickOutMm);
  requirePositive('spindle speed', rpm);
  const s = sectionOf({
    lengthMm: stickOutMm,
    diameterMm: 0.7 * diameter,
    modulusGPa: substrate.E_gpa,
    densityKgM3: substrate.density_kg_m3,
    poisson: substrate.poisson,
  });
  const bending = (root: number): number =>
    ((root * root) / RAD_SHARE / s.length ** 2) * Math.sqrt(s.bending / s.mass);
  const shearModulus = (substrate.E_gpa * 1e9) / (2 * (1 + substrate.poisson));
  const torsionHz = Math.sqrt((FLUTED_TORSION * shearModulus) / substrate.density_kg_m3) / (4 * s.length);
  const lips = drill.properties.ZEFP ?? drill.properties.NOF ?? 2;
  const bendingFreeHz = bending(1.8751);
  return {
    bendingFreeHz,
    bendingHeldHz: bending(3.9266),
    torsionHz,
    whirlRpm: [3, 5].map((lobes) => ({ lobes, rpm: (60 * bendingFreeHz) / (lobes - 1) })),
    torsionWaves: (torsionHz * 60) / (rpm * lips),
  };
}
