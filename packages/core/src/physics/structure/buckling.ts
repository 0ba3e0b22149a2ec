import { requirePositive } from '../../units/input-error.ts';

export type EndCondition = 'fixed-free' | 'fixed-pinned' | 'fixed-fixed';

/** Effective length factors; 0.69916 solves tan x = x. */
const FACTOR: Readonly<Record<EndCondition, number>> = {
  'fixed-free': 2,
  'fixed-pinned': 0.69916,
  'fixed-fixed': 0.5,
};

/** Euler's critical load of a round column, N; modulus in GPa, lengths in mm. Euler 1757; Timoshenko & Gere 1961. */
export function bucklingLoad(
  modulusGPa: number,
  diameterMm: number,
  lengthMm: number,
  ends: EndCondition,
): number {
  requirePositive('length', lengthMm);
  requirePositive('diameter', diameterMm);
  const inertia = (Math.PI * diameterMm ** 4) / 64;
  return (Math.PI ** 2 * modulusGPa * 1000 * inertia) / (FACTOR[ends] * lengthMm) ** 2;
}
