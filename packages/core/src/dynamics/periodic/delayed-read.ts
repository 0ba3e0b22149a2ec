import type { ChatterCut } from '../chatter-cut.ts';
import { type Engagement, factorsAt, inside, pressing } from './engaged-teeth.ts';
import { type PieceNodes, readBetween } from './piece-nodes.ts';

/** Where a piece reads the motion of teeth that passed before, and what it presses with. */
export interface DelayedRead {
  /** Reads of node a are `start[a]` to `start[a + 1]`. */
  readonly start: Int32Array;
  /** First node of the piece read; negative values are in the record of the period before, shifted by its length. */
  readonly from: Int32Array;
  /** Matrix of each node of that piece, N/m: [read][node][row][column]. Teeth and discs that read one piece are added up. */
  readonly matrix: Float64Array;
}

/** The reads of one piece of the period: at each node every tooth in the cut, in the piece its delay leads back to. */
export function delayedRead(
  cut: ChatterCut,
  engagement: Engagement,
  pieces: readonly { from: number; to: number }[],
  depthM: number,
  directions: readonly number[],
  nodes: PieceNodes,
  index: number,
): DelayedRead {
  const { from, to } = pieces[index]!;
  const { count, at } = nodes;
  const all = pieces.length * count;
  const size = count * directions.length * directions.length;
  const start = new Int32Array(count + 1);
  const firsts: number[] = [];
  const blocks: Float64Array[] = [];
  const factors = new Float64Array(3);
  const w = new Float64Array(count);
  const m = new Float64Array(directions.length * directions.length);
  for (let a = 0; a < count; a++) {
    const theta = inside(from, to, at[a]!);
    const first = firsts.length;
    for (const tooth of engagement.teeth) {
      if (!factorsAt(cut, tooth, engagement.period, theta, factors)) continue;
      let place = from + (to - from) * at[a]! - tooth.delay;
      let old = 0;
      while (place < -1e-12) {
        place += engagement.period;
        old++;
      }
      // Of two pieces that meet there the one on the side of the node's own piece.
      const toward = a === 0 ? 1e-10 : a === count - 1 ? -1e-10 : 0;
      const found = pieceAt(pieces, place + toward);
      const source = pieces[found]!;
      readBetween(nodes, Math.min(1, Math.max(0, (place - source.from) / (source.to - source.from))), w);
      const firstNode = found * count - old * all;
      let read = firsts.indexOf(firstNode, first);
      if (read < 0) {
        read = firsts.length;
        firsts.push(firstNode);
        blocks.push(new Float64Array(size));
      }
      pressing(cut, factors, depthM, directions, m);
      const block = blocks[read]!;
      for (let b = 0; b < count; b++) {
        for (let k = 0; k < m.length; k++) block[b * m.length + k]! += w[b]! * m[k]!;
      }
    }
    start[a + 1] = firsts.length;
  }
  const matrix = new Float64Array(blocks.length * size);
  blocks.forEach((block, i) => matrix.set(block, i * size));
  return { start, from: Int32Array.from(firsts), matrix };
}

/** The piece a turn lies in; between two of them by rounding only, the nearer one. */
function pieceAt(pieces: readonly { from: number; to: number }[], place: number): number {
  let [low, high] = [0, pieces.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (pieces[middle]!.from <= place) low = middle;
    else high = middle - 1;
  }
  const next = pieces[low + 1];
  return next && place > pieces[low]!.to && next.from - place < place - pieces[low]!.to ? low + 1 : low;
}

/** Adds what the delayed motion presses with, read from this period's record so far or from the one before. */
export function addDelayed(
  { start, from: firsts, matrix }: DelayedRead,
  force: Float64Array,
  from: Float64Array,
  to: Float64Array,
  { count, dims, state, record }: { count: number; dims: number; state: number; record: number },
): void {
  const n = count * dims;
  for (let a = 0; a < count; a++) {
    let [f0, f1] = [0, 0];
    for (let i = start[a]!; i < start[a + 1]!; i++) {
      let first = firsts[i]! * dims;
      let source = to;
      if (first < 0) {
        first += record;
        source = from;
      }
      let u = state + first;
      let m = i * n * dims;
      if (dims === 2) {
        for (let b = 0; b < count; b++, u += 2, m += 4) {
          const ux = source[u]!;
          const uy = source[u + 1]!;
          f0 += matrix[m]! * ux + matrix[m + 1]! * uy;
          f1 += matrix[m + 2]! * ux + matrix[m + 3]! * uy;
        }
      } else {
        for (let b = 0; b < count; b++) f0 += matrix[m + b]! * source[u + b]!;
      }
    }
    force[a * dims]! += f0;
    if (dims === 2) force[a * dims + 1]! += f1;
  }
}
