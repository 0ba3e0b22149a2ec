import { requirePositive, requireWithin } from '../../units/input-error.ts';
import { cornerMarks } from './feed-marks.ts';

/** What of a face mill makes its surface; lengths in mm. */
export interface FaceEdges {
  readonly feedPerToothMm: number;
  readonly teeth: number;
  /** Nose of the insert; 0 is sharp. */
  readonly noseMm: number;
  /** Flat of those inserts that wipe; 0 where none does. */
  readonly flatMm: number;
  /** Inserts that wipe; all, or a few that stand over the others. */
  readonly wipers: number;
  /** How far those stand over the others; not asked where all wipe. */
  readonly overMm: number;
  /** Highest to lowest insert along the axis, without wipers. */
  readonly runoutMm: number;
}

/** Which edges make a face. */
export type FaceMaker = 'wiper' | 'narrow wiper' | 'hidden wiper' | 'one insert' | 'all inserts';

export interface FaceMarks {
  readonly rzMm: number;
  readonly by: FaceMaker;
  /** Feed between two marks, mm. */
  readonly markMm: number;
}

/** Lean of a wiper's flat against the face that its seat allows, as a slope: 0.02°. Rule G-85 asks for 0.05° at the most. */
const FLAT_LEANS = Math.tan((0.02 * Math.PI) / 180);

/**
 * Height of the marks a face mill leaves, mm. A flat wider than the feed of a turn wipes it, and leaves its own lean; a narrower one
 * leaves ridges between its tracks. Without a wiper the highest insert marks once a turn, and the others cut those ridges down to their
 * own runout: the lower of both. Throws an InputError on impossible edges.
 */
export function faceMarks(e: FaceEdges): FaceMarks {
  requirePositive('feed per tooth', e.feedPerToothMm);
  requireWithin('teeth', e.teeth, 1, 200);
  requireWithin('wipers', e.wipers, 0, e.teeth);
  const turn = e.feedPerToothMm * e.teeth;
  const ridge = (feed: number): number =>
    // A sharp corner leaves what its secondary edge does; as a nose of a tenth.
    cornerMarks(feed, Math.max(0.1, e.noseMm)).rzMm;
  const wiping = e.flatMm > 0 && e.wipers > 0;
  const hidden = wiping && e.wipers < e.teeth && e.overMm <= e.runoutMm;
  if (wiping && !hidden) {
    const lean = Math.min(turn, e.flatMm) * FLAT_LEANS;
    if (e.flatMm >= turn) return { rzMm: lean, by: 'wiper', markMm: turn };
    return { rzMm: lean + ridge(turn - e.flatMm), by: 'narrow wiper', markMm: turn };
  }
  const [one, all] = [ridge(turn), ridge(e.feedPerToothMm) + e.runoutMm];
  const by = hidden ? 'hidden wiper' : one <= all ? 'one insert' : 'all inserts';
  return { rzMm: Math.min(one, all), by, markMm: one <= all ? turn : e.feedPerToothMm };
}

/** How hollow a leaning spindle mills a face, mm: the tip's circle is seen as an ellipse. Lean along the feed as a slope, width of a pass in mm. */
export function hollowOf(diameterMm: number, widthMm: number, lean: number): number {
  requirePositive('diameter', diameterMm);
  const chord = Math.min(1, Math.max(0, widthMm / diameterMm));
  return (diameterMm / 2) * (1 - Math.sqrt(1 - chord ** 2)) * Math.abs(lean);
}

/** Step between two passes of a spindle that leans across the feed, mm: its slope over the distance of the passes. */
export const stepOf = (passMm: number, lean: number): number => passMm * Math.abs(lean);

/** Does the back of the cutter cut again? A spindle that leans less than the part springs back leaves crossed marks. */
export const crossedMarks = (diameterMm: number, lean: number): boolean =>
  diameterMm * Math.abs(lean) < 0.005;
