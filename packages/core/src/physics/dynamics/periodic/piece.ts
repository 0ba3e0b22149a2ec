import type { FreeModes } from './free-motion.ts';
import type { PieceAnswer } from './piece-answer.ts';
import { factor } from '../../../numerics/solve-small.ts';

/** What a length of time does in one direction, whatever is cut in it: shared by all pieces as long. */
export interface DirectionMotion {
  /** Modes of the direction: the first of them, and how many. */
  readonly firstMode: number;
  readonly modes: number;
  /** Displacement at the nodes from the modes' state at the start, then speed, 1/s: [nodes, nodes][state]. */
  readonly flown: Float64Array;
  /** Displacement at the nodes from forces at the nodes, m/N, then the state at the end: [nodes, state][force]. */
  readonly forced: Float64Array;
  /** Speed at the nodes from forces at the nodes, m/(N·s): [node][force]. */
  readonly speeds: Float64Array;
}

export interface PieceMotion {
  readonly directions: readonly DirectionMotion[];
  /** State at the end from that at the start: 2 × 2 for each mode. */
  readonly through: Float64Array;
}

export function motionOf(modes: FreeModes, answer: PieceAnswer, count: number): PieceMotion {
  const directions = modes.directions.map((_, d): DirectionMotion => {
    const firstMode = modes.of.indexOf(d);
    const own = modes.of.reduce((sum, of) => sum + (of === d ? 1 : 0), 0);
    const state = 2 * own;
    const flown = new Float64Array(2 * count * state);
    for (let a = 0; a < count; a++) {
      const free = answer.free[a]!;
      for (let m = 0; m < own; m++) {
        const p = (firstMode + m) * 4;
        const omega = modes.omega[firstMode + m]!;
        const moved = a * state + 2 * m;
        const sped = (count + a) * state + 2 * m;
        flown[moved] = free[p]!;
        flown[moved + 1] = free[p + 1]!;
        flown[sped] = omega * free[p + 2]!;
        flown[sped + 1] = omega * free[p + 3]!;
      }
    }
    const forced = new Float64Array((count + state) * count);
    forced.set(answer.moves[d]!);
    forced.set(answer.end.subarray(2 * firstMode * count, 2 * (firstMode + own) * count), count * count);
    return { firstMode, modes: own, flown, forced, speeds: answer.speeds[d]! };
  });
  return { directions, through: answer.through };
}

/**
 * Factors of the system F + (W·G + D·Ġ)·F = W·(delayed) − (W·Φ + D·Φ̇)·z for all nodes of a piece at once, from the direction
 * matrix times depth at each node W, N/m, and that of the damping D, N·s/m: [node][row][column]. `matrix` takes them, n × n by
 * rows, and `exchanged` the rows they are of. Vectors go direction by direction, node by node.
 */
export function factorSystem(
  { directions }: PieceMotion,
  cutting: Float64Array,
  damping: Float64Array | null,
  count: number,
  matrix: Float64Array,
  exchanged: Int32Array,
): void {
  const dims = directions.length;
  const n = count * dims;
  for (let a = 0; a < count; a++) {
    for (let r = 0; r < dims; r++) {
      const at = r * count + a;
      for (let c = 0; c < dims; c++) {
        const { forced, speeds } = directions[c]!;
        const w = cutting[(a * dims + r) * dims + c]!;
        const d = damping ? damping[(a * dims + r) * dims + c]! : 0;
        let to = at * n + c * count;
        for (let b = a * count; b < (a + 1) * count; b++) matrix[to++] = w * forced[b]! + d * speeds[b]!;
      }
      matrix[at * n + at]! += 1;
    }
  }
  factor(matrix, n, exchanged);
}
