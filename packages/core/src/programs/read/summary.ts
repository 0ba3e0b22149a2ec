import { boxOfArc } from './arc.ts';
import type { CycleHole, Sink } from './control.ts';
import type { Motion, Point } from './motion.ts';

export type Box = readonly [least: Point, most: Point];

/** Lengths, minutes and bounds of a program, with no acceleration: length over feed. Lengths in mm. */
export interface ProgramSummary {
  readonly feedMm: number;
  readonly feedMinutes: number;
  readonly rapidMm: number;
  readonly rapidMinutes: number;
  readonly dwellMinutes: number;
  /** Of the feed moves, from where they start; null without any. */
  readonly box: Box | null;
  readonly leastArcRadiusMm: number | null;
  /** Steepest helix, degrees; null without one. */
  readonly rampDeg: number | null;
  readonly holes: number;
  readonly deepestMm: number | null;
}

/** Rapid of the axes where no machine says it, mm/min. */
export const USUAL_RAPID = 20_000;

/** Adds up a program as its motions come. */
export function makeSummary(rapidMmMin = USUAL_RAPID): Sink & { result(): ProgramSummary } {
  let [feedMm, feedMinutes, rapidMm, seconds, holes] = [0, 0, 0, 0, 0];
  let least = Infinity;
  let ramp = 0;
  let deepest = Infinity;
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  const include = (point: Point): void => {
    for (let axis = 0; axis < 3; axis++) {
      low[axis] = Math.min(low[axis]!, point[axis]!);
      high[axis] = Math.max(high[axis]!, point[axis]!);
    }
  };
  const helix = ({ arc, from, to }: Motion): number =>
    arc?.plane === 17
      ? (Math.atan2(Math.abs(to[2] - from[2]), arc.radiusMm * Math.abs(arc.sweep)) * 180) / Math.PI
      : 0;
  return {
    motion(m) {
      seconds += m.seconds;
      if (m.kind === 'rapid') rapidMm += m.lengthMm;
      if (m.kind !== 'line' && m.kind !== 'arc') return;
      feedMm += m.lengthMm;
      if (m.feedMmMin) feedMinutes += m.lengthMm / m.feedMmMin;
      if (m.arc) {
        least = Math.min(least, m.arc.radiusMm);
        ramp = Math.max(ramp, helix(m));
        for (const p of boxOfArc(m.arc, m.from, m.to)) include(p);
      } else {
        include(m.from);
        include(m.to);
      }
    },
    hole(hole: CycleHole) {
      holes++;
      deepest = Math.min(deepest, hole.bottom);
    },
    result: () => ({
      feedMm,
      feedMinutes,
      rapidMm,
      rapidMinutes: rapidMm / rapidMmMin,
      dwellMinutes: seconds / 60,
      box: low[0] <= high[0] ? [[...low], [...high]] : null,
      leastArcRadiusMm: Number.isFinite(least) ? least : null,
      rampDeg: ramp > 1e-9 ? ramp : null,
      holes,
      deepestMm: Number.isFinite(deepest) ? -deepest : null,
    }),
  };
}
