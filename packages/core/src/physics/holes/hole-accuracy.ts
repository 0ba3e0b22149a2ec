import { requirePositive } from '../../units/input-error.ts';

/** Tolerance factors of ISO 286-1 in units of i, from IT5 on. */
const FACTORS = [7, 10, 16, 25, 40, 64, 100, 160, 250, 400];

/** Width of a tolerance grade at a diameter, mm. ISO 286-1: i = 0.45·D^⅓ + 0.001·D µm at the diameter itself. */
export function gradeWidth(grade: number, diameterMm: number): number {
  requirePositive('diameter', diameterMm);
  const factor = FACTORS[Math.min(FACTORS.length - 1, Math.max(0, Math.round(grade) - 5))]!;
  return (factor * (0.45 * Math.cbrt(diameterMm) + 0.001 * diameterMm)) / 1000;
}

/** Grades a record like `IT8-IT10` names, best first; null where it names none. */
export function gradesOf(text: string | undefined): readonly [number, number] | null {
  const found = [...(text ?? '').matchAll(/IT(\d+)/g)].map((m) => Number(m[1]));
  return found.length > 0 ? [Math.min(...found), Math.max(...found)] : null;
}

/** Drift of a drill's axis on a flat face over its depth, mm/mm: stiff carbide, soft high-speed steel. */
const DRIFT = { carbide: 0.0008, highSpeedSteel: 0.0025 } as const;
/** A pilot holds the first diameters and takes this much of the drift away. */
const GUIDED = 0.4;

/**
 * How far a drilled axis runs off at the bottom, mm: drift that grows with the square of the depth in diameters once it
 * leaves the drill's own guide (three diameters), each cross hole letting go of a margin, and the lean with which the
 * point began on a slope (`startLeanMm` at the tip over the stick-out it was made with). Magnitudes are assumed.
 */
export function axisDrift(hole: {
  readonly depthMm: number;
  readonly diameterMm: number;
  readonly carbide: boolean;
  readonly guided: boolean;
  readonly crossHoles: number;
  /** Angle at which the drill starts, mm/mm. */
  readonly startDeflection: number;
}): number {
  const depthClass = hole.depthMm / hole.diameterMm;
  const base = hole.carbide ? DRIFT.carbide : DRIFT.highSpeedSteel;
  const beyond = Math.max(1, depthClass / 3);
  const guide = hole.guided ? GUIDED : 1;
  return hole.depthMm * (base * beyond * guide * (1 + 0.3 * hole.crossHoles) + hole.startDeflection * guide);
}
