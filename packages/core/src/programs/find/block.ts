import type { Engagement } from '../engage/engage.ts';
import type { Motion } from '../read/motion.ts';
import type { BlockLoad } from './cut-model.ts';
import type { Expected } from './expected.ts';

/** A motion with what it does to the material and what that does to the cutter. */
export interface Block {
  /** Place in the order they run, from 0. */
  readonly index: number;
  readonly motion: Motion;
  readonly engagement: Engagement;
  readonly load: BlockLoad;
  readonly minutes: number;
  /** What was released for this tool; null where nothing was. */
  readonly expected: Expected | null;
}

export const inContact = ({ engagement }: Block): boolean =>
  engagement.most.arc > 0 || engagement.plungeShare > 0;
export const isFeed = ({ motion }: Block): boolean => motion.kind === 'line' || motion.kind === 'arc';
