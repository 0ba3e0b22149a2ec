import { memoryOf } from '../../../numerics/memory.ts';
/**
 * Nodes of a piece of time for the unit interval: Chebyshev–Lobatto nodes with barycentric weights. Trefethen, Approximation
 * Theory and Approximation Practice, 2013.
 */
export interface PieceNodes {
  readonly count: number;
  /** Nodes in [0, 1], rising; both ends are nodes. */
  readonly at: Float64Array;
  readonly weights: Float64Array;
}

/** Polynomials of the nodes at a place of the unit interval, written to `out` from `offset` on. */
export function readBetween(
  { at, weights, count }: PieceNodes,
  place: number,
  out: Float64Array,
  offset = 0,
): void {
  let sum = 0;
  for (let k = 0; k < count; k++) {
    const gap = place - at[k]!;
    if (Math.abs(gap) < 1e-13) {
      out.fill(0, offset, offset + count);
      out[offset + k] = 1;
      return;
    }
    const term = weights[k]! / gap;
    out[offset + k] = term;
    sum += term;
  }
  for (let k = 0; k < count; k++) out[offset + k]! /= sum;
}

const made = memoryOf<PieceNodes>(64);

/** Nodes of a piece; made once for each count. */
export const pieceNodes = (count: number): PieceNodes => made.recall(String(count), () => makeNodes(count));

function makeNodes(count: number): PieceNodes {
  const at = Float64Array.from({ length: count }, (_, k) => (1 - Math.cos((Math.PI * k) / (count - 1))) / 2);
  const weights = Float64Array.from(
    { length: count },
    (_, k) => (k % 2 ? -1 : 1) * (k === 0 || k === count - 1 ? 0.5 : 1),
  );
  return { count, at, weights };
}
