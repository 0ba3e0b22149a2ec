import { type ChatterCut, dampingOf, edgeSpeed, requireCut } from '../chatter-cut.ts';
import { addDelayed, type DelayedRead, delayedRead } from './delayed-read.ts';
import { engagementOf, factorsAt, inside, pressing } from './engaged-teeth.ts';
import { type FreeModes, freePropagator, type PieceAnswer, pieceAnswer } from './free-motion.ts';
import { type PieceNodes, pieceNodes } from './piece-nodes.ts';
import { multiply } from './multiply.ts';
import { factor, solve } from './solve-small.ts';

const TURN = 2 * Math.PI;

/** How finely the cut is resolved. */
export interface Resolution {
  /** Nodes of a piece. */
  readonly nodes: number;
  /** Waves of the highest mode a piece may hold. */
  readonly wavesPerPiece: number;
  /** Turn of the tool a piece may take, rad: the direction of the force changes with it. */
  readonly turnPerPiece: number;
}

/** Multipliers within 0.05 % of the converged ones on the worked cases. */
export const FINE: Resolution = { nodes: 12, wavesPerPiece: 1.25, turnPerPiece: 1.2 };

/** What a length of time does, whatever is cut in it: shared by all pieces as long. */
interface PieceMotion {
  /** Displacement at the nodes from forces at the nodes and the state at the start: [node, direction][forces, state]. */
  readonly moves: Float64Array;
  /** State at the end from forces at the nodes: [state][forces]. */
  readonly end: Float64Array;
  /** State at the end from that at the start: 2 × 2 for each mode. */
  readonly free: Float64Array;
  readonly answer: PieceAnswer;
}

/** A piece of the period in which some tooth cuts. */
interface Piece {
  readonly motion: PieceMotion;
  /** What the state at the start presses with at the nodes, N/m: [force][state]. */
  readonly pressed: Float64Array;
  /** Factors of the system whose solution the forces are. */
  readonly factors: Float64Array;
  readonly exchanged: Int32Array;
  /** Direction matrix times depth at each node, N/m: [node][row][column] over the giving directions. */
  readonly cutting: Float64Array;
  /** Free flight before it. */
  readonly before: Float64Array | null;
  /** Where delayed motion is read; null where it is the same node a period ago. */
  readonly delayed: DelayedRead | null;
}

/** The motion of one period mapped to the next: a linear operator, applied without ever being written out. */
export interface PeriodMap {
  readonly size: number;
  /** Seconds of a period. */
  readonly period: number;
  /** Periods in a turn. */
  readonly perTurn: number;
  /** Directions that give way: 0 is x, 1 is y. */
  readonly directions: readonly number[];
  /** Times of the nodes, s, and their share in an integral over the period, s. */
  readonly forceNodes: { readonly at: Float64Array; readonly weights: Float64Array };
  /** `forces` takes the cutting forces at the nodes, N, where somebody asks for them. */
  apply(from: Float64Array, to: Float64Array, forces?: Float64Array): void;
}

/**
 * The map of a cut over one period at a speed and a depth.
 *
 * The tip's motion is known at Chebyshev nodes of the pieces in which a tooth cuts; between them it flies free, exactly.
 * In a piece the force is a polynomial through its nodes and the structure's answer to it exact, so a piece may hold
 * more than a wave. Pieces end where a tooth enters or leaves. Delay equation as in Insperger & Stépán 2004; spectral
 * segments after Bayly et al. 2003 and Totis et al. 2014. Throws on an impossible cut.
 */
export function periodMap(
  cut: ChatterCut,
  modes: FreeModes,
  rpm: number,
  depthMm: number,
  resolution: Resolution = FINE,
): PeriodMap {
  requireCut(cut);
  const depthM = depthMm / 1000;
  const engagement = engagementOf(cut, depthMm);
  const perRadian = 60 / rpm / TURN;
  const nodes = pieceNodes(resolution.nodes);
  const { count } = nodes;
  const dims = modes.directions.length;
  const n = count * dims;
  const highest = Math.max(...modes.omega) / TURN;
  const longest = Math.min(resolution.turnPerPiece, resolution.wavesPerPiece / (highest * perRadian));
  const spans = engagement.stretches.flatMap(([a, b]) => {
    const parts = Math.max(1, Math.ceil((b - a) / longest));
    return Array.from({ length: parts }, (_, i) => ({
      from: a + ((b - a) * i) / parts,
      to: a + ((b - a) * (i + 1)) / parts,
    }));
  });
  const state = modes.count * 2;
  const motions = new Map<string, PieceMotion>();
  const flights = new Map<string, Float64Array>();
  const flight = (angle: number): Float64Array | null => {
    if (angle < 1e-9) return null;
    const key = angle.toFixed(10);
    const known = flights.get(key) ?? freePropagator(modes, angle * perRadian);
    flights.set(key, known);
    return known;
  };
  const uniform = engagement.teeth.length === 1 || engagement.perTurn > 1;
  const speed = edgeSpeed(cut, rpm);
  const factors = new Float64Array(3);
  const mean = new Float64Array(3);
  const pieces = spans.map(({ from, to }, index): Piece => {
    const key = (to - from).toFixed(10);
    const motion = motions.get(key) ?? motionOf(modes, nodes, (to - from) * perRadian);
    motions.set(key, motion);
    const { answer } = motion;
    const cutting = new Float64Array(count * dims * dims);
    const damping = cut.dampingNPerM ? new Float64Array(count * dims * dims) : null;
    for (let a = 0; a < count; a++) {
      mean.fill(0);
      for (const tooth of engagement.teeth) {
        factorsAt(cut, tooth, engagement.period, inside(from, to, nodes.at[a]!), factors);
        for (let i = 0; i < 3; i++) mean[i]! += factors[i]!;
      }
      pressing(cut, mean, depthM, modes.directions, cutting.subarray(a * dims * dims, (a + 1) * dims * dims));
      if (damping) {
        const d = dampingOf(cut, speed, mean[0]!, mean[1]!, mean[2]!);
        modes.directions.forEach((r, i) =>
          modes.directions.forEach((c, j) => {
            damping[(a * dims + i) * dims + j] = d[r * 2 + c]! * depthM;
          }),
        );
      }
    }
    const last = index === 0 ? 0 : spans[index - 1]!.to;
    return {
      motion,
      ...systemOf(modes, answer, cutting, damping, count),
      cutting,
      before: flight(from - last),
      delayed: uniform ? null : delayedRead(cut, engagement, spans, depthM, modes.directions, nodes, index),
    };
  });
  const after = flight(engagement.period - (spans.at(-1)?.to ?? 0));
  const record = pieces.length * n;
  return {
    size: state + record,
    period: engagement.period * perRadian,
    perTurn: engagement.perTurn,
    directions: modes.directions,
    forceNodes: {
      at: Float64Array.from(
        spans.flatMap(({ from, to }) => Array.from(nodes.at, (x) => (from + (to - from) * x) * perRadian)),
      ),
      weights: Float64Array.from(
        spans.flatMap(({ from, to }) => Array.from(nodes.integral, (w) => w * (to - from) * perRadian)),
      ),
    },
    apply: applier(modes.count, pieces, after, { count, dims, n, state, record }),
  };
}

function motionOf(modes: FreeModes, nodes: PieceNodes, length: number): PieceMotion {
  const answer = pieceAnswer(modes, nodes, length);
  const { count } = nodes;
  const dims = modes.directions.length;
  const n = count * dims;
  const state = modes.count * 2;
  const wide = n + state;
  const moves = new Float64Array(n * wide);
  for (let a = 0; a < count; a++) {
    for (let c = 0; c < dims; c++) {
      const row = (a * dims + c) * wide;
      for (let b = 0; b < count; b++) moves[row + b * dims + c] = answer.moves[c]![a * count + b]!;
    }
    for (let m = 0; m < modes.count; m++) {
      const row = (a * dims + modes.of[m]!) * wide + n;
      moves[row + 2 * m] = answer.free[a]![m * 4]!;
      moves[row + 2 * m + 1] = answer.free[a]![m * 4 + 1]!;
    }
  }
  const end = new Float64Array(state * n);
  for (let i = 0; i < state; i++) {
    for (let b = 0; b < count; b++) end[i * n + b * dims + modes.of[i >> 1]!] = answer.end[i * count + b]!;
  }
  return { moves, end, free: answer.free[count - 1]!, answer };
}

/** The system F + (W·G + D·Ġ)·F = W·(delayed) − (W·Φ + D·Φ̇)·z for all nodes of a piece at once. */
function systemOf(
  modes: FreeModes,
  answer: PieceAnswer,
  cutting: Float64Array,
  damping: Float64Array | null,
  count: number,
): Pick<Piece, 'pressed' | 'factors' | 'exchanged'> {
  const dims = modes.directions.length;
  const n = count * dims;
  const state = modes.count * 2;
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n * state);
  for (let a = 0; a < count; a++) {
    const phi = answer.free[a]!;
    for (let r = 0; r < dims; r++) {
      const at = a * dims + r;
      const row = at * n;
      matrix[row + at] = 1;
      for (let c = 0; c < dims; c++) {
        const w = cutting[at * dims + c]!;
        const d = damping ? damping[at * dims + c]! : 0;
        const g = answer.moves[c]!;
        const v = answer.speeds[c]!;
        for (let b = 0; b < count; b++) {
          matrix[row + b * dims + c]! += w * g[a * count + b]! + d * v[a * count + b]!;
        }
      }
      for (let m = 0; m < modes.count; m++) {
        const k = at * dims + modes.of[m]!;
        const w = cutting[k]!;
        const d = damping ? damping[k]! * modes.omega[m]! : 0;
        right[at * state + 2 * m] = -(w * phi[m * 4]! + d * phi[m * 4 + 2]!);
        right[at * state + 2 * m + 1] = -(w * phi[m * 4 + 1]! + d * phi[m * 4 + 3]!);
      }
    }
  }
  const exchanged = new Int32Array(n);
  factor(matrix, n, exchanged);
  return { pressed: right, factors: matrix, exchanged };
}

function applier(
  modeCount: number,
  pieces: readonly Piece[],
  after: Float64Array | null,
  {
    count,
    dims,
    n,
    state,
    record,
  }: { count: number; dims: number; n: number; state: number; record: number },
): PeriodMap['apply'] {
  const wide = n + state;
  // The forces at the nodes, then the state.
  const come = new Float64Array(wide);
  const force = come.subarray(0, n);
  const z = come.subarray(n);
  const held = new Float64Array(Math.max(n, state));
  const fly = (propagator: Float64Array | null): void => {
    if (!propagator) return;
    for (let m = 0, i = 0; m < modeCount; m++, i += 2) {
      const q = z[i]!;
      const v = z[i + 1]!;
      const p = m * 4;
      z[i] = propagator[p]! * q + propagator[p + 1]! * v;
      z[i + 1] = propagator[p + 2]! * q + propagator[p + 3]! * v;
    }
  };
  return (from, to, forces) => {
    for (let i = 0; i < state; i++) z[i] = from[i]!;
    for (let k = 0; k < pieces.length; k++) {
      const { before, delayed, cutting, pressed, factors, exchanged, motion } = pieces[k]!;
      fly(before);
      const base = state + k * n;
      multiply(pressed, n, state, z, held, 0);
      if (delayed) {
        for (let i = 0; i < n; i++) force[i] = held[i]!;
        addDelayed(delayed, force, from, to, { count, dims, state, record });
      } else if (dims === 2) {
        for (let i = 0; i < n; i += 2) {
          const ux = from[base + i]!;
          const uy = from[base + i + 1]!;
          force[i] = held[i]! + cutting[2 * i]! * ux + cutting[2 * i + 1]! * uy;
          force[i + 1] = held[i + 1]! + cutting[2 * i + 2]! * ux + cutting[2 * i + 3]! * uy;
        }
      } else for (let i = 0; i < n; i++) force[i] = held[i]! + cutting[i]! * from[base + i]!;
      solve(factors, n, exchanged, force);
      if (forces) forces.set(force, k * n);
      const { moves, end, free } = motion;
      multiply(moves, n, wide, come, to, base);
      fly(free);
      multiply(end, state, n, force, held, 0);
      for (let i = 0; i < state; i++) z[i]! += held[i]!;
    }
    fly(after);
    for (let i = 0; i < state; i++) to[i] = z[i]!;
  };
}
