import type { Block } from './block.ts';

/** A path this many times the cutter's radius or more hardly differs from a straight one. */
const WIDE = 12;

/**
 * Feed at the wall over that of the centre on an arc: (r + R)/r where the material lies outside the path, (r − R)/r where it lies
 * inside. Null on a straight piece, on a wide arc, and where contact stands on neither side.
 */
export function arcFeedFactor({
  motion,
  engagement,
  expected,
}: Pick<Block, 'motion' | 'engagement' | 'expected'>): number | null {
  const { arc } = motion;
  const radius = expected?.edgeMm ?? 0;
  if (!arc || arc.plane !== 17 || radius === 0 || engagement.most.arc === 0) return null;
  if (arc.radiusMm > WIDE * radius) return null;
  const { entry, exit } = engagement.most;
  const left = Math.PI / 2 - entry;
  const right = exit - Math.PI / 2;
  // Going anticlockwise the centre of the arc lies to the left. A slot cuts on both sides: its outer wall is the faster one.
  const outer = arc.sweep > 0 ? right : left;
  const inner = arc.sweep > 0 ? left : right;
  if (outer >= inner - 1e-6) return (arc.radiusMm + radius) / arc.radiusMm;
  return arc.radiusMm > radius ? (arc.radiusMm - radius) / arc.radiusMm : null;
}
