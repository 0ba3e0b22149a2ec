import { requirePositive } from '../../units/input-error.ts';

export interface ChiselEdge {
  /** Length of the chisel edge after thinning, mm. */
  readonly lengthMm: number;
  readonly thrustN: number;
  readonly torqueNm: number;
}

/** Web left at the point over the core by thinning of the point: solid carbide is thinned hard, plain drills little. */
const THINNED = 0.45;
/** Half angle of the wedge the chisel edge pushes into the metal: its flanks stand about 55° off the axis. */
const WEDGE = (55 * Math.PI) / 180;
/** Slip-line pressure of a wedge over twice the shear yield: 1 + wedge angle, less what the extruded lips give back. */
const CONSTRAINT = 1.5;

/**
 * The chisel edge does not cut: it is a wedge pressed in by the feed. Pressure p = 2k·1.5 with k = Rm/√3 over the width
 * it has sunk to, f·tan 55°; torque from the metal it pushes aside. Wedge indentation after Mauch & Lauderbaugh 1990
 * and Hill 1950. A pilot wider than the chisel edge takes it out of the cut. `coreRatio` is web over diameter.
 */
export function chiselEdge(
  diameterMm: number,
  coreRatio: number,
  pilotMm: number,
  feedMm: number,
  strengthMPa: number,
): ChiselEdge {
  requirePositive('diameter', diameterMm);
  const length = THINNED * coreRatio * diameterMm;
  if (pilotMm >= length) return { lengthMm: length, thrustN: 0, torqueNm: 0 };
  const pressure = ((2 * strengthMPa) / Math.sqrt(3)) * CONSTRAINT;
  return {
    lengthMm: length,
    thrustN: pressure * length * feedMm * Math.tan(WEDGE),
    torqueNm: (pressure * feedMm * length ** 2) / 8 / 1000,
  };
}
