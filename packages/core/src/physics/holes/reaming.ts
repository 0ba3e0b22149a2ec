import { requirePositive } from '../../units/input-error.ts';

export interface ReamerCut {
  readonly kc11: number;
  readonly mc: number;
  readonly diameterMm: number;
  /** On the diameter, mm. */
  readonly allowanceMm: number;
  readonly teeth: number;
  /** Lead of the chamfer that cuts, degrees. */
  readonly leadDeg: number;
  readonly feedMm: number;
}

/** Torque of the margins over that of the cut, in a hole without much allowance. */
const MARGIN_TORQUE = 0.6;

/** Kienzle on a ring: each tooth takes a chip of f/z·sin κ over half the allowance. Torque in N·m with the margins' friction. */
export function reamerForces(c: ReamerCut): {
  readonly chipMm: number;
  readonly torqueNm: number;
  /** Part of the torque that is friction of the margins. */
  readonly marginShare: number;
} {
  requirePositive('allowance', c.allowanceMm);
  requirePositive('feed per revolution', c.feedMm);
  const chip = (c.feedMm / c.teeth) * Math.sin((c.leadDeg * Math.PI) / 180);
  const section = (c.allowanceMm / 2) * (c.feedMm / c.teeth);
  const force = c.kc11 * chip ** -c.mc * section;
  const arm = (c.diameterMm - c.allowanceMm / 2) / 2;
  const cutting = (c.teeth * force * arm) / 1000;
  return {
    chipMm: chip,
    torqueNm: cutting * (1 + MARGIN_TORQUE),
    marginShare: MARGIN_TORQUE / (1 + MARGIN_TORQUE),
  };
}

/**
 * Allowance on the diameter a reamer wants, mm: least, usual, most. From the tool's record where it says so, else by
 * diameter; work-hardening alloys keep to the upper half, since less than the hardened skin only rubs. Rule G-66.
 */
export function reamAllowance(
  diameterMm: number,
  record: readonly [number, number, number] | undefined,
  hardening: string,
): readonly [number, number, number] {
  const size = Math.cbrt(Math.max(1, diameterMm) / 10);
  const [low, usual, high] = record ?? [0.1 * size, 0.17 * size, 0.25 * size];
  return hardening === 'severe' || hardening === 'high'
    ? [(low + usual) / 2, (usual + high) / 2, high]
    : [low, usual, high];
}

export interface ReamedSize {
  /** What the hole becomes beyond the reamer's diameter, mm; below 0 it shrinks. */
  readonly changeMm: number;
  readonly springBackMm: number;
  readonly runoutMm: number;
  readonly buildUpMm: number;
  /** From hole to hole, mm. */
  readonly scatterMm: number;
}

/**
 * Size of a reamed hole against the reamer. The wall springs back behind the margins by about 0.15·Re/E of the
 * diameter (most in titanium); runout widens by about half of itself; a built-up edge at speed adds a few micrometres.
 * Magnitudes are assumed, signs are what shops see.
 */
export function reamedSize(c: {
  readonly diameterMm: number;
  /** Yield strength, MPa, and modulus, GPa, of the work. */
  readonly strengthMPa: number;
  readonly modulusGPa: number;
  readonly runoutUm: number;
  readonly speedMMin: number;
  /** Tendency to build up on the edge, 0 to 3. */
  readonly sticky: number;
}): ReamedSize {
  const springBack = 0.15 * (c.strengthMPa / (c.modulusGPa * 1000)) * c.diameterMm;
  const runout = (0.5 * c.runoutUm) / 1000;
  const buildUp = (c.sticky * Math.min(1, c.speedMMin / 20) * 2) / 1000;
  return {
    changeMm: runout + buildUp - springBack,
    springBackMm: springBack,
    runoutMm: runout,
    buildUpMm: buildUp,
    scatterMm: 0.002 + 0.25 * (runout + buildUp),
  };
}
