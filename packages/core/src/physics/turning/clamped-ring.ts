import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A ring that jaws press from outside at even distances. Lengths in mm. */
export interface ClampedRing {
  readonly outerMm: number;
  readonly boreMm: number;
  /** Along the axis, as far as it carries. */
  readonly lengthMm: number;
  readonly modulusMPa: number;
}

/**
 * How much of a round is lost between the jaws and under them, mm on the radius, by this force of each jaw (N): what is turned round in
 * the jaws springs out of round by it when they open. Thin ring, bending only: at a jaw W·R³/(2·E·I)·((θ/sin²θ + cot θ)/2 − 1/θ), between
 * two W·R³/(2·E·I)·(1/θ − (θ·cos θ/sin²θ + 1/sin θ)/2), θ half the angle from jaw to jaw. Timoshenko, Strength of Materials II.
 */
export function outOfRound(ring: ClampedRing, jaws: number, jawN: number): number {
  requirePositive('outside diameter', ring.outerMm);
  requireWithin('bore', ring.boreMm, 0, 0.999 * ring.outerMm);
  requireWithin('jaws', jaws, 2, 24);
  const wall = (ring.outerMm - ring.boreMm) / 2;
  const radius = (ring.outerMm + ring.boreMm) / 4;
  const moment = (ring.lengthMm * wall ** 3) / 12;
  const theta = Math.PI / jaws;
  const [s, c] = [Math.sin(theta), Math.cos(theta)];
  const under = (theta / s ** 2 + c / s) / 2 - 1 / theta;
  const between = 1 / theta - ((theta * c) / s ** 2 + 1 / s) / 2;
  return ((jawN * radius ** 3) / (2 * ring.modulusMPa * moment)) * (under + between);
}
