import type { ThreadForm } from '../holes/hole.ts';
import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** Height of the sharp triangle over the pitch: ISO 68-1, ISO 7-1 (55°). */
const sharpHeight = ({ flankDeg }: ThreadForm): number => (flankDeg === 60 ? Math.sqrt(3) / 2 : 0.960491);

/**
 * Depth of a full thread on one side over the pitch, the base of every height in per cent: 0.75 H for 60° threads,
 * 0.640 327 for the rounded 55° profile, 0.8 for the 60° pipe taper (ASME B1.20.1).
 */
function fullDepth(t: ThreadForm): number {
  if (t.flankDeg === 55) return 0.640327;
  return t.taper > 0 ? 0.8 : 0.75 * sharpHeight(t);
}

/** Basic diameters, mm. ISO 724 and ASME B1.1: D2 = D − 0.75 H, D1 = D − 1.25 H; ISO 228-1: D − h and D − 2 h. */
export interface BasicDiameters {
  readonly majorMm: number;
  readonly pitchMm: number;
  readonly minorMm: number;
  readonly sharpHeightMm: number;
}

export function basicDiameters(t: ThreadForm): BasicDiameters {
  requirePositive('major diameter', t.majorMm);
  requirePositive('pitch', t.pitchMm);
  const h = sharpHeight(t) * t.pitchMm;
  if (t.taper > 0) {
    // ASME B1.20.1: pitch diameter at the small end of the pipe, E0 = D − (0.05 D + 1.1)·p in inches, p = 1/tpi.
    const [d, p] = [t.majorMm / 25.4, t.pitchMm / 25.4];
    const e0 = (d - (0.05 * d + 1.1) * p) * 25.4;
    return {
      majorMm: t.majorMm,
      pitchMm: e0,
      minorMm: e0 - fullDepth(t) * t.pitchMm,
      sharpHeightMm: h,
    };
  }
  const [pitchOff, minorOff] =
    t.flankDeg === 60 ? [0.75 * h, 1.25 * h] : [fullDepth(t) * t.pitchMm, 2 * fullDepth(t) * t.pitchMm];
  return {
    majorMm: t.majorMm,
    pitchMm: t.majorMm - pitchOff,
    minorMm: t.majorMm - minorOff,
    sharpHeightMm: h,
  };
}

/** Hole for a cut thread of a height in per cent of the full one, mm. */
export function pilotForHeight(t: ThreadForm, percent: number): number {
  requireWithin('thread height', percent, 20, 100);
  const major = t.taper > 0 ? basicDiameters(t).minorMm + 2 * fullDepth(t) * t.pitchMm : t.majorMm;
  return major - (2 * fullDepth(t) * t.pitchMm * percent) / 100;
}

/** Height in per cent of the full one that a hole leaves for a cut thread. */
export function heightForPilot(t: ThreadForm, holeMm: number): number {
  requirePositive('hole', holeMm);
  const major = t.taper > 0 ? basicDiameters(t).minorMm + 2 * fullDepth(t) * t.pitchMm : t.majorMm;
  return (100 * (major - holeMm)) / (2 * fullDepth(t) * t.pitchMm);
}

/** Displaced metal fills the crest: a forming tap wants a larger hole, 0.68 P off for the full height (empirical). */
const FORMED = 0.68;

/** Hole for a formed thread of a height in per cent, mm. */
export function pilotForFormed(t: ThreadForm, percent: number): number {
  requireWithin('thread height', percent, 20, 100);
  return t.majorMm - (FORMED * t.pitchMm * percent) / 100;
}

/** Height in per cent a forming tap raises in a hole. */
export const heightFormed = (t: ThreadForm, holeMm: number): number =>
  (100 * (t.majorMm - holeMm)) / (FORMED * t.pitchMm);

/** Section of the groove between the hole and the major diameter, mm², and the radius of its centroid, mm. */
export function grooveOf(t: ThreadForm, holeMm: number): { areaMm2: number; centroidMm: number } {
  const depth = (t.majorMm - holeMm) / 2;
  requirePositive('depth of thread', depth);
  // A trapezoid with a flat of P/8 at the major diameter that widens with both flanks towards the hole.
  const top = t.pitchMm / 8;
  const widen = 2 * depth * Math.tan((t.flankDeg * Math.PI) / 360);
  const bottom = top + widen;
  const fromTop = (depth * (top + 2 * bottom)) / (3 * (top + bottom));
  return { areaMm2: ((top + bottom) / 2) * depth, centroidMm: t.majorMm / 2 - fromTop };
}
