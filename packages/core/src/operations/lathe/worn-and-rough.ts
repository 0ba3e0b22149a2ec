import type { OperationContext } from '../context.ts';

/** Force across the edge grows with a worn flank: by this share a millimetre of land. */
export const WORN_NORMAL = 3;
/** Measured over theoretical roughness: ploughing and adhesion in tough alloys. Rule G-82. */
const ROUGHER = { tough: 1.7, hard: 1.2, other: 1.3 } as const;

/** What an alloy adds to the marks of the feed, as a factor. */
export const roughening = ({ iso513_group: group }: OperationContext['alloy']): number =>
  ROUGHER[group === 'S' || group === 'M' ? 'tough' : group === 'H' ? 'hard' : 'other'];
