import type { Peck } from './peck.ts';
import type { Axis, Machine } from '../../crib/machine.ts';

/** Seconds for a rapid move of `distance` mm: up to speed and down again, or a triangle where it is too short. */
export function rapidSeconds(distance: number, axis: Axis): number {
  const rapid = axis.max_feed_mm_min / 60;
  const acceleration = axis.max_accel_m_s2 * 1000;
  const ramp = rapid ** 2 / acceleration;
  return distance >= ramp
    ? distance / rapid + rapid / acceleration
    : 2 * Math.sqrt(Math.max(0, distance) / acceleration);
}

/** Feed begins this far above the surface, mm. */
export const CLEARANCE = 2;
/** Rapid back down stops this far above the last floor, mm. Rule G-60. */
const ABOVE_FLOOR = 0.3;

export interface HoleSeconds {
  readonly cut: number;
  readonly air: number;
}

/** Way to the next hole and down to the clearance plane. */
export const approachSeconds = (betweenMm: number, { axes: { x, y, z } }: Machine): number =>
  Math.max(rapidSeconds(betweenMm, x), rapidSeconds(betweenMm, y ?? x)) + 2 * rapidSeconds(20, z);

/**
 * Seconds for one drilled hole: pecks at feed, the last stretch at a share of it, retracts and returns at rapid with
 * the axis' acceleration. `pastMm` is how far below the depth the point goes.
 */
export function peckingSeconds(
  pecks: readonly Peck[],
  feedMmMin: number,
  slow: { readonly lengthMm: number; readonly share: number },
  pastMm: number,
  betweenMm: number,
  machine: Machine,
): HoleSeconds {
  const z = machine.axes.z;
  const depth = pecks.at(-1)?.toMm ?? 0;
  const mm = 60 / feedMmMin;
  const slowMm = Math.min(slow.lengthMm, depth + pastMm);
  let cut = (CLEARANCE + depth + pastMm + slowMm * (1 / slow.share - 1)) * mm;
  let air = approachSeconds(betweenMm, machine) + rapidSeconds(depth + pastMm + CLEARANCE, z);
  for (const peck of pecks) {
    if (peck.retract === 'full')
      air += rapidSeconds(peck.toMm + CLEARANCE, z) + rapidSeconds(peck.toMm + CLEARANCE - ABOVE_FLOOR, z);
    if (peck.retract === 'chip-break') air += 2 * rapidSeconds(ABOVE_FLOOR, z);
    if (peck.retract !== 'none') cut += ABOVE_FLOOR * mm;
  }
  return { cut, air };
}
