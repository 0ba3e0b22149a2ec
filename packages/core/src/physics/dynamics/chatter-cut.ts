import { InputError, requirePositive, requireWithin } from '../../units/input-error.ts';

/** What the stability of a milling cut depends on, speed and depth apart. Angles in rad, measured as in `physics/cutting/engagement.ts`. */
export interface ChatterCut {
  /** Angle from each tooth to the one that cut just before it, rad; sums to one turn. */
  readonly pitch: readonly number[];
  readonly entry: number;
  readonly exit: number;
  /** Tangential and radial cutting coefficient, N/mm². */
  readonly tangential: number;
  readonly radial: number;
  readonly diameterMm: number;
  /** Helix of each tooth, rad; absent or zero is straight. */
  readonly helix?: readonly number[];
  /** Process damping Kd, N/m: radial force Kd·w·ḣ/v on every tooth in the cut; absent is none. */
  readonly dampingNPerM?: number;
  /** Friction the pressed land drags with, over what presses it: the tangential part of the damping; absent is none. */
  readonly dampingFriction?: number;
}

const TURN = 2 * Math.PI;

/** Throws InputError where the cut is impossible. */
export function requireCut(cut: ChatterCut): void {
  requirePositive('number of teeth', cut.pitch.length);
  const sum = cut.pitch.reduce((a, p) => a + p, 0);
  if (Math.abs(sum - TURN) > 1e-6 || cut.pitch.some((p) => !(p > 0))) {
    throw new InputError([
      { field: 'pitch angles', value: cut.pitch, allowed: 'above 0, together one full turn' },
    ]);
  }
  requireWithin('entry angle', cut.entry, 0, TURN / 2);
  requireWithin('exit angle', cut.exit, cut.entry + 1e-9, TURN / 2 + 1e-9);
  requirePositive('tangential coefficient', cut.tangential);
  requirePositive('diameter', cut.diameterMm);
  if (cut.helix && (cut.helix.length !== cut.pitch.length || !cut.helix.every(Number.isFinite))) {
    throw new InputError([{ field: 'helix', value: cut.helix, allowed: `${cut.pitch.length} angles` }]);
  }
}

/** Same angle from tooth to tooth, within a ten-thousandth of a degree, and the same helix. */
export const isUniform = ({ pitch, helix }: ChatterCut): boolean =>
  pitch.every((p) => Math.abs(p - pitch[0]!) < 2e-6) && (helix ?? []).every((h) => h === helix?.[0]);

/**
 * Antiderivatives over φ of the direction factors sin², sin·cos, cos², in this order.
 * The matrix of a tooth follows from them: see `directionOf`.
 */
export const directionIntegrals = (phi: number): readonly [number, number, number] => {
  const s2 = Math.sin(2 * phi) / 4;
  const s = Math.sin(phi);
  return [phi / 2 - s2, (s * s) / 2, phi / 2 + s2];
};

/**
 * Force on the tip per motion of it from a tangential and a radial coefficient and the factors sin², sin·cos, cos²: row by row
 * xx, xy, yx, yy, into `out` from `at` on. Signs as in `physics/cutting/milling-forces.ts`; Altintas & Budak 1995.
 */
export function directionInto(
  t: number,
  r: number,
  ss: number,
  sc: number,
  cc: number,
  out: { [k: number]: number },
  at: number,
): void {
  out[at] = t * sc + r * ss;
  out[at + 1] = t * cc + r * sc;
  out[at + 2] = -t * ss + r * sc;
  out[at + 3] = -t * sc + r * cc;
}

type Direction = readonly [number, number, number, number];

/** Force on the tip per metre of regenerative motion and metre of depth, N/m², row by row: F = −a·W·(r − r(t − τ)). */
export function directionOf(cut: ChatterCut, ss: number, sc: number, cc: number): Direction {
  const w: [number, number, number, number] = [0, 0, 0, 0];
  directionInto(cut.tangential * 1e6, cut.radial * 1e6, ss, sc, cc, w, 0);
  return w;
}

/** Tangential and radial coefficient of the pressed land per speed of it and depth, N·s/m², at a cutting speed, m/s. */
export function landCoefficients(cut: ChatterCut, speedMS: number): readonly [number, number] {
  const r = (cut.dampingNPerM ?? 0) / speedMS;
  return [r * (cut.dampingFriction ?? 0), r];
}

/**
 * Force on the tip per speed of it and depth at a cutting speed, N·s/m², row by row, from the same factors: the land is pressed
 * along the radius and drags along the edge's path. Friction after Sisson & Kegg 1969.
 */
export function dampingOf(cut: ChatterCut, speedMS: number, ss: number, sc: number, cc: number): Direction {
  const d: [number, number, number, number] = [0, 0, 0, 0];
  const [t, r] = landCoefficients(cut, speedMS);
  directionInto(t, r, ss, sc, cc, d, 0);
  return d;
}

/** Mean over a turn of all teeth's direction matrix, N/m². */
export function meanDirection(cut: ChatterCut): Direction {
  const [ss, sc, cc] = meanFactors(cut);
  return directionOf(cut, ss, sc, cc);
}

/** Mean over a turn of all teeth's factors sin², sin·cos, cos². */
export function meanFactors(cut: ChatterCut): readonly [number, number, number] {
  const [a, b] = [directionIntegrals(cut.entry), directionIntegrals(cut.exit)];
  const share = cut.pitch.length / TURN;
  return [share * (b[0] - a[0]), share * (b[1] - a[1]), share * (b[2] - a[2])];
}

/** Cutting speed, m/s. */
export const edgeSpeed = (cut: ChatterCut, rpm: number): number => (Math.PI * cut.diameterMm * rpm) / 60000;
