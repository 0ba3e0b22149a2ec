import type { Source } from '../../judging/estimate.ts';
import type { Cutter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';

/** Force across the edge grows with a worn flank: by this share a millimetre of land. */
export const WORN_NORMAL = 3;
/** Measured over theoretical roughness: ploughing and adhesion in tough alloys. Rule G-82. */
const ROUGHER = { tough: 1.7, hard: 1.2, other: 1.3 } as const;

/** What an alloy adds to the marks of the feed, as a factor. */
export const roughening = ({ iso513_group: group }: OperationContext['alloy']): number =>
  ROUGHER[group === 'S' || group === 'M' ? 'tough' : group === 'H' ? 'hard' : 'other'];

/** How far measured roughness lies from what the marks of the feed say. */
export const FEED_MARKS: Source = {
  id: 'feed-marks',
  label: 'measured over theoretical roughness',
  kind: 'model',
  sigma: 0.3,
  narrowBy: 'measure Ra on the first part',
};

/** f² of an Ra in µm with the nose in mm: 18·√3·RE·Ra/1000, less what a tough alloy adds. */
const RA_TO_FEED = (18 * Math.sqrt(3)) / 1000 / 2;
/** Feed whose marks stay under an Ra (µm) behind a nose, mm a turn; any where none is asked. */
export const feedForRa = (raUm: number | null, noseMm: number): number =>
  raUm === null ? Infinity : Math.sqrt(raUm * RA_TO_FEED * noseMm);

/** Share of the edge radius below which nothing is cut. Rule G-02. */
const LEAST_CHIP = 0.3;
/** Thinnest chip an edge still takes, mm. */
export const leastChip = ({ extended }: Pick<Cutter, 'extended'>): number =>
  (LEAST_CHIP * (extended.edge_radius_um?.[1] ?? 15)) / 1000;
