import type { ThreadForm } from '../holes/hole.ts';
import { requirePositive } from '../../units/input-error.ts';
import { centreFeed } from '../cutting/arc-feed.ts';

/** Room between the mill and the hole so that it gets in and its chips get out, mm on the diameter. */
const ROOM = 0.2;

/** Smallest hole this mill enters, mm. */
export const smallestHole = (cutterMm: number): number => cutterMm + ROOM;

/** Shares of the depth each radial pass takes: 65/35 for two, evener for more. Rule G-65. */
export function passShares(passes: number): number[] {
  requirePositive('passes', passes);
  if (passes === 1) return [1];
  if (passes === 2) return [0.65, 0.35];
  // Equal sections of a triangle: depths follow the square root.
  const at = (i: number): number => Math.sqrt(i / passes);
  return Array.from({ length: passes }, (_, i) => at(i + 1) - at(i));
}

export interface ThreadMillPath {
  /** Feed of the centre, mm/min, for the wanted feed at the major diameter. */
  readonly centreFeedMmMin: number;
  /** Turns of the helix in one pass. */
  readonly turns: number;
  /** Path of the centre in one pass with its arcs in and out, mm. */
  readonly pathMm: number;
  /** Pitches the mill cuts at once. */
  readonly rows: number;
}

/**
 * Path of a thread mill: one turn of climb from the bottom up for every length of its teeth, with a quarter arc in and
 * out. Internal, `edgeFeedMmMin` where the edge cuts the major diameter.
 */
export function threadMillPath(
  t: ThreadForm,
  cutterMm: number,
  toothLengthMm: number,
  depthMm: number,
  edgeFeedMmMin: number,
): ThreadMillPath {
  requirePositive('path diameter', t.majorMm - cutterMm);
  const rows = Math.max(1, Math.floor(toothLengthMm / t.pitchMm + 1e-6));
  // A mill with all its rows in the hole needs one turn; a short one climbs pitch by pitch.
  const turns = Math.max(1, Math.ceil(depthMm / t.pitchMm + 1 - rows + 1e-9) + 1 - (rows > 1 ? 1 : 0));
  const circle = Math.PI * (t.majorMm - cutterMm);
  return {
    centreFeedMmMin: centreFeed(edgeFeedMmMin, {
      finishedMm: t.majorMm,
      toolMm: cutterMm,
      internal: true,
    }),
    turns,
    pathMm: turns * Math.hypot(circle, t.pitchMm) + circle / 2,
    rows,
  };
}

/** Width of the groove's flanks a pass cuts, mm²: section between two depths of the groove, both sides of the profile. */
export function passArea(t: ThreadForm, holeMm: number, fromShare: number, toShare: number): number {
  const depth = (t.majorMm - holeMm) / 2;
  const top = t.pitchMm / 8;
  const slope = 2 * Math.tan((t.flankDeg * Math.PI) / 360);
  // At a radial depth x the groove is as wide at the hole as its flat plus what the flanks opened.
  const section = (x: number): number => x * top + (slope * x * x) / 2;
  return section(depth * toShare) - section(depth * fromShare);
}
