import type { FreeModes } from './free-motion.ts';
import type { PieceAnswer } from './piece-answer.ts';
import { factor } from '../../../numerics/solve-small.ts';

/** What a length of time does in one direction, whatever is cut in it: shared by all pieces as long. */
export interface DirectionMotion {
  /** Modes of the direction: the first of them, and how many. */
  readonly firstMode: number;
  readonly modes: number;
  /** Displacement at the nodes from forces at the nodes and the modes' state at the start: [node][forces, state]. */
  readonly moves: Float64Array;
  /** State at the end from forces at the nodes: [state][forces]. */
  readonly end: Float64Array;
}

export interface PieceMotion {
  readonly directions: readonly DirectionMotion[];
  /** State at the end from that at the start: 2 × 2 for each mode. */
  readonly free: Float64Array;
  readonly answer: PieceAnswer;
}

export function motionOf(modes: FreeModes, answer: PieceAnswer, count: number): PieceMotion {
  const directions = modes.directions.map((_, d): DirectionMotion => {
    const firstMode = modes.of.indexOf(d);
    const own = modes.of.reduce((sum, of) => sum + (of === d ? 1 : 0), 0);
    const state = 2 * own;
    const wide = count + state;
    const moves = new Float64Array(count * wide);
    for (let a = 0; a < count; a++) {
      for (let b = 0; b < count; b++) moves[a * wide + b] = answer.moves[d]![a * count + b]!;
      for (let m = 0; m < own; m++) {
        const p = (firstMode + m) * 4;
        moves[a * wide + count + 2 * m] = answer.free[a]![p]!;
        moves[a * wide + count + 2 * m + 1] = answer.free[a]![p + 1]!;
      }
    }
    const end = answer.end.subarray(2 * firstMode * count, 2 * (firstMode + own) * count);
    return { firstMode, modes: own, moves, end };
  });
  return { directions, free: answer.through, answer };
}

/** The forces of a piece as the solution of a small linear system. Vectors go direction by direction, node by node. */
export interface PieceSystem {
  /** What the state at the start presses with at the nodes, N/m: [force][state]. */
  readonly pressed: Float64Array;
  /** Factors of the system whose solution the forces are. */
  readonly factors: Float64Array;
  readonly exchanged: Int32Array;
}

/**
 * The system F + (W·G + D·Ġ)·F = W·(delayed) − (W·Φ + D·Φ̇)·z for all nodes of a piece at once, from the direction matrix
 * times depth at each node W, N/m, and that of the damping D, N·s/m: [node][row][column].
 */
export function systemOf(
  modes: FreeModes,
  answer: PieceAnswer,
  cutting: Float64Array,
  damping: Float64Array | null,
  count: number,
): PieceSystem {
  const dims = modes.directions.length;
  const n = count * dims;
  const state = modes.count * 2;
  const matrix = new Float64Array(n * n);
  const pressed = new Float64Array(n * state);
  for (let a = 0; a < count; a++) {
    const phi = answer.free[a]!;
    for (let r = 0; r < dims; r++) {
      const at = r * count + a;
      const row = at * n;
      for (let c = 0; c < dims; c++) {
        const w = cutting[(a * dims + r) * dims + c]!;
        const d = damping ? damping[(a * dims + r) * dims + c]! : 0;
        const g = answer.moves[c]!;
        const v = answer.speeds[c]!;
        for (let b = 0; b < count; b++) {
          matrix[row + c * count + b] = w * g[a * count + b]! + d * v[a * count + b]!;
        }
      }
      matrix[row + at]! += 1;
      for (let m = 0; m < modes.count; m++) {
        const k = (a * dims + r) * dims + modes.of[m]!;
        const w = cutting[k]!;
        const d = damping ? damping[k]! * modes.omega[m]! : 0;
        pressed[at * state + 2 * m] = -(w * phi[m * 4]! + d * phi[m * 4 + 2]!);
        pressed[at * state + 2 * m + 1] = -(w * phi[m * 4 + 1]! + d * phi[m * 4 + 3]!);
      }
    }
  }
  const exchanged = new Int32Array(n);
  factor(matrix, n, exchanged);
  return { pressed, factors: matrix, exchanged };
}
