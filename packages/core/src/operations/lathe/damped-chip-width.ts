import { dampingOfLand } from '../../physics/dynamics/process-damping.ts';
import { leastChipWidth, type TurningMode } from '../../physics/turning/least-chip-width.ts';
import { indentationOf } from '../indentation.ts';
import type { LatheState } from './lathe-state.ts';

/** Damping ratio of a part in its chuck, where nobody measured it. Estimate. */
export const PART_DAMPING = 0.03;

/** Land a fresh edge presses the wave with, mm, and the share of its wear that presses. Judgement: hones of inserts, one edge in the cut. */
const FRESH_LAND_MM = 0.06;
const OF_WEAR = 0.5;
/** Most the land is counted on to help: it damps small waves only. */
const MOST_HELP = 8;

/**
 * Chip width below which nothing chatters, mm, with what the land damps: the regenerative stiffness Kf (N/mm²) less what the land holds
 * against the wave at its frequency and this speed, Kd·ω/v. Tlusty & Poláček 1963; Wu 1989.
 */
export function dampedChipWidth(
  { op, cuttingSpeedMMin, context: { alloy } }: Pick<LatheState, 'op' | 'cuttingSpeedMMin' | 'context'>,
  mode: TurningMode,
  acrossMPa: number,
): { readonly widthMm: number; readonly hz: number } {
  const bare = leastChipWidth(mode, acrossMPa);
  const damping = dampingOfLand(indentationOf(alloy), FRESH_LAND_MM + OF_WEAR * op.flankWearMm);
  const held = (damping * 2 * Math.PI * bare.hz) / Math.max(0.01, cuttingSpeedMMin / 60) / 1e6;
  const left = Math.max(1 / MOST_HELP, 1 - held / acrossMPa);
  return { ...bare, widthMm: bare.widthMm / left };
}
