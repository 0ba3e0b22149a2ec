import { normalBelow } from './normal.ts';

/** A part of a mixture of normal distributions; weights sum to one. */
export interface NormalPart {
  readonly weight: number;
  readonly mean: number;
  readonly sd: number;
}

/** Share of a mixture below x. */
export function mixtureBelow(parts: readonly NormalPart[], x: number): number {
  let sum = 0;
  for (const { weight, mean, sd } of parts) sum += weight * normalBelow((x - mean) / sd);
  return sum;
}

/** Mean and standard deviation of a mixture. */
export function momentsOf(parts: readonly NormalPart[]): { readonly mean: number; readonly sd: number } {
  let mean = 0;
  for (const p of parts) mean += p.weight * p.mean;
  let square = 0;
  for (const p of parts) square += p.weight * (p.sd ** 2 + (p.mean - mean) ** 2);
  return { mean, sd: Math.sqrt(square) };
}

const HALVINGS = 60;

/** Value below which a share p of a mixture lies, by halving. Throws RangeError outside (0, 1). */
export function mixtureQuantile(parts: readonly NormalPart[], p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`invalid probability; not in (0, 1): ${p}`);
  let low = Math.min(...parts.map((q) => q.mean - 12 * q.sd));
  let high = Math.max(...parts.map((q) => q.mean + 12 * q.sd));
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (mixtureBelow(parts, middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
