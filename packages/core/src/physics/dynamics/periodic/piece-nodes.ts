import { memoryOf } from '../../../numerics/memory.ts';
/**
 * Nodes of a piece of time and what reading between them takes, for the unit interval.
 *
 * Chebyshev–Lobatto nodes with barycentric weights (Trefethen, Approximation Theory and Approximation Practice, 2013);
 * Gauss–Legendre points for the integrals of the structure's answer up to each node.
 */
export interface PieceNodes {
  readonly count: number;
  /** Nodes in [0, 1], rising; both ends are nodes. */
  readonly at: Float64Array;
  readonly weights: Float64Array;
  /** Share of each node in an integral over the interval (Clenshaw & Curtis 1960, by the Gauss points). */
  readonly integral: Float64Array;
  /** Points an integral up to a node has. */
  readonly points: number;
  /** Gauss points in [0, 1] and their weights. */
  readonly gauss: Float64Array;
  readonly gaussWeights: Float64Array;
  /** Value of each node's polynomial at the Gauss points of the integral up to node a: [a][point][node]. */
  readonly basis: Float64Array;
}

/** Gauss–Legendre on [0, 1] by Newton's method on the polynomial. Abramowitz & Stegun 25.4.29. */
function gaussLegendre(n: number): { x: Float64Array; w: Float64Array } {
  const x = new Float64Array(n);
  const w = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let z = Math.cos((Math.PI * (i + 0.75)) / (n + 0.5));
    let slope = 1;
    for (let round = 0; round < 60; round++) {
      let [p0, p1] = [1, z];
      for (let k = 2; k <= n; k++) [p0, p1] = [p1, ((2 * k - 1) * z * p1 - (k - 1) * p0) / k];
      slope = (n * (z * p1 - p0)) / (z * z - 1);
      const step = p1 / slope;
      z -= step;
      if (Math.abs(step) < 1e-15) break;
    }
    x[n - 1 - i] = (1 + z) / 2;
    w[n - 1 - i] = 1 / ((1 - z * z) * slope * slope);
  }
  return { x, w };
}

/** Polynomials of the nodes at a place of the unit interval, written to `out` from `offset` on. */
export function readBetween(
  { at, weights, count }: Pick<PieceNodes, 'at' | 'weights' | 'count'>,
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
  const points = count + 4;
  const { x, w } = gaussLegendre(points);
  const basis = new Float64Array(count * points * count);
  for (let a = 1; a < count; a++) {
    for (let i = 0; i < points; i++) {
      readBetween({ at, weights, count }, at[a]! * x[i]!, basis, (a * points + i) * count);
    }
  }
  const last = (count - 1) * points * count;
  const integral = Float64Array.from({ length: count }, (_, b) => {
    let sum = 0;
    for (let i = 0; i < points; i++) sum += w[i]! * basis[last + i * count + b]!;
    return sum;
  });
  return { count, at, weights, integral, points, gauss: x, gaussWeights: w, basis };
}
