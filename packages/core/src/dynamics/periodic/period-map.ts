import { type ChatterCut, directionOf, edgeSpeed, requireCut } from '../chatter-cut.ts';
import { engagementOf, factorsAt, type Engagement } from './engaged-teeth.ts';
import { type FreeModes, freePropagator, type PieceAnswer, pieceAnswer } from './free-motion.ts';
import { type PieceNodes, pieceNodes, readBetween } from './piece-nodes.ts';
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
export const FINE: Resolution = { nodes: 10, wavesPerPiece: 1.25, turnPerPiece: 1.6 };

/** A piece of the period in which some tooth cuts. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly answer: PieceAnswer;
  /** Direction matrix times depth at each node, N/m: [node][row][column] over the giving directions. */
  readonly cutting: Float64Array;
  readonly damping: Float64Array | null;
  readonly factors: Float64Array;
  readonly exchanged: Int32Array;
  /** Free flight before it. */
  readonly before: Float64Array | null;
  /** Where delayed motion is read: nodes' places in the new or the old record, with weights. */
  readonly delayed: DelayedRead | null;
}

interface DelayedRead {
  /** Reads of node a are `start[a]` to `start[a + 1]`. */
  readonly start: Int32Array;
  /** First node of the piece read; negative values are in the record of the period before, shifted by its length. */
  readonly from: Int32Array;
  /** Weights of that piece's nodes. */
  readonly weights: Float64Array;
  /** Matrix of each read, N/m. */
  readonly matrix: Float64Array;
}

/** The motion of one period mapped to the next: a linear operator, applied without ever being written out. */
export interface PeriodMap {
  readonly size: number;
  /** Seconds of a period. */
  readonly period: number;
  /** Periods in a turn. */
  readonly perTurn: number;
  apply(from: Float64Array, to: Float64Array): void;
}

function reader(
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
  const start = new Int32Array(count + 1);
  const firsts: number[] = [];
  const weights: number[] = [];
  const matrix: number[] = [];
  const factors = new Float64Array(3);
  const w = new Float64Array(count);
  for (let a = 0; a < count; a++) {
    const theta = inside(from, to, at[a]!);
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
      let found = pieces.findIndex((p) => place + toward >= p.from && place + toward <= p.to);
      if (found < 0) {
        // Between two stretches by rounding only: the nearer end.
        found = pieces.reduce(
          (best, p, i) =>
            Math.min(Math.abs(p.from - place), Math.abs(p.to - place)) <
            Math.min(Math.abs(pieces[best]!.from - place), Math.abs(pieces[best]!.to - place))
              ? i
              : best,
          0,
        );
      }
      const source = pieces[found]!;
      readBetween(nodes, Math.min(1, Math.max(0, (place - source.from) / (source.to - source.from))), w);
      firsts.push(found * count - old * all);
      weights.push(...w);
      matrix.push(...scaled(cut, factors, depthM, directions));
    }
    start[a + 1] = firsts.length;
  }
  return {
    start,
    from: Int32Array.from(firsts),
    weights: Float64Array.from(weights),
    matrix: Float64Array.from(matrix),
  };
}

/** A turn just inside the stretch: at its ends a tooth is about to enter or leave. */
const inside = (from: number, to: number, share: number): number =>
  Math.min(to - 1e-9 * (to - from), Math.max(from + 1e-9 * (to - from), from + share * (to - from)));

function scaled(
  cut: ChatterCut,
  factors: Float64Array,
  depthM: number,
  directions: readonly number[],
): number[] {
  const w = directionOf(cut, factors[0]!, factors[1]!, factors[2]!);
  return directions.flatMap((r) => directions.map((c) => w[r * 2 + c]! * depthM));
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
  const answers = new Map<string, PieceAnswer>();
  const flights = new Map<string, Float64Array>();
  const flight = (angle: number): Float64Array | null => {
    if (angle < 1e-9) return null;
    const key = angle.toFixed(10);
    const known = flights.get(key) ?? freePropagator(modes, angle * perRadian);
    flights.set(key, known);
    return known;
  };
  const uniform = engagement.teeth.length === 1 || engagement.perTurn > 1;
  const kd = (cut.dampingNPerM ?? 0) / edgeSpeed(cut, rpm);
  const factors = new Float64Array(3);
  const mean = new Float64Array(3);
  const pieces = spans.map(({ from, to }, index): Piece => {
    const key = (to - from).toFixed(10);
    const answer = answers.get(key) ?? pieceAnswer(modes, nodes, (to - from) * perRadian);
    answers.set(key, answer);
    const cutting = new Float64Array(count * dims * dims);
    const damping = kd > 0 ? new Float64Array(count * dims * dims) : null;
    for (let a = 0; a < count; a++) {
      mean.fill(0);
      for (const tooth of engagement.teeth) {
        factorsAt(cut, tooth, engagement.period, inside(from, to, nodes.at[a]!), factors);
        for (let i = 0; i < 3; i++) mean[i]! += factors[i]!;
      }
      cutting.set(scaled(cut, mean, depthM, modes.directions), a * dims * dims);
      if (damping) {
        const d = [mean[0]!, mean[1]!, mean[1]!, mean[2]!];
        modes.directions.forEach((r, i) =>
          modes.directions.forEach((c, j) => {
            damping[(a * dims + i) * dims + j] = d[r * 2 + c]! * kd * depthM;
          }),
        );
      }
    }
    // F + (W·G + D·Ġ)·F = W·(delayed) − (W·Φ + D·Φ̇)·z, all nodes of the piece at once.
    const matrix = new Float64Array(n * n);
    for (let a = 0; a < count; a++) {
      for (let r = 0; r < dims; r++) {
        const row = (a * dims + r) * n;
        matrix[row + a * dims + r] = 1;
        for (let c = 0; c < dims; c++) {
          const w = cutting[(a * dims + r) * dims + c]!;
          const d = damping ? damping[(a * dims + r) * dims + c]! : 0;
          const g = answer.moves[c]!;
          const v = answer.speeds[c]!;
          for (let b = 0; b < count; b++) {
            matrix[row + b * dims + c]! += w * g[a * count + b]! + d * v[a * count + b]!;
          }
        }
      }
    }
    const exchanged = new Int32Array(n);
    factor(matrix, n, exchanged);
    const last = index === 0 ? 0 : spans[index - 1]!.to;
    return {
      from,
      to,
      answer,
      cutting,
      damping,
      factors: matrix,
      exchanged,
      before: flight(from - last),
      delayed: uniform ? null : reader(cut, engagement, spans, depthM, modes.directions, nodes, index),
    };
  });
  const after = flight(engagement.period - (spans.at(-1)?.to ?? 0));
  const state = modes.count * 2;
  const record = pieces.length * n;
  return {
    size: state + record,
    period: engagement.period * perRadian,
    perTurn: engagement.perTurn,
    apply: applier(modes, pieces, after, { count, dims, n, state, record }),
  };
}

function applier(
  modes: FreeModes,
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
  const z = new Float64Array(state);
  const force = new Float64Array(n);
  const fly = (propagator: Float64Array | null): void => {
    if (!propagator) return;
    for (let m = 0; m < modes.count; m++) {
      const q = z[2 * m]!;
      const v = z[2 * m + 1]!;
      const p = m * 4;
      z[2 * m] = propagator[p]! * q + propagator[p + 1]! * v;
      z[2 * m + 1] = propagator[p + 2]! * q + propagator[p + 3]! * v;
    }
  };
  const free = new Float64Array(n);
  const freeSpeed = new Float64Array(n);
  return (from, to) => {
    z.set(from.subarray(0, state));
    for (let k = 0; k < pieces.length; k++) {
      const piece = pieces[k]!;
      fly(piece.before);
      const { answer, cutting, damping } = piece;
      free.fill(0);
      if (damping) freeSpeed.fill(0);
      for (let a = 0; a < count; a++) {
        const phi = answer.free[a]!;
        for (let m = 0; m < modes.count; m++) {
          const at = a * dims + modes.of[m]!;
          const q = z[2 * m]!;
          const v = z[2 * m + 1]!;
          free[at]! += phi[m * 4]! * q + phi[m * 4 + 1]! * v;
          if (damping) freeSpeed[at]! += modes.omega[m]! * (phi[m * 4 + 2]! * q + phi[m * 4 + 3]! * v);
        }
      }
      const base = state + k * n;
      for (let a = 0; a < count; a++) {
        for (let r = 0; r < dims; r++) {
          let sum = 0;
          for (let c = 0; c < dims; c++) {
            const w = cutting[(a * dims + r) * dims + c]!;
            const u = piece.delayed ? 0 : from[base + a * dims + c]!;
            sum += w * (u - free[a * dims + c]!);
            if (damping) sum -= damping[(a * dims + r) * dims + c]! * freeSpeed[a * dims + c]!;
          }
          force[a * dims + r] = sum;
        }
      }
      if (piece.delayed) addDelayed(piece.delayed, force, from, to, { count, dims, state, record });
      solve(piece.factors, n, piece.exchanged, force);
      for (let a = 0; a < count; a++) {
        for (let c = 0; c < dims; c++) {
          let sum = free[a * dims + c]!;
          const g = answer.moves[c]!;
          for (let b = 0; b < count; b++) sum += g[a * count + b]! * force[b * dims + c]!;
          to[base + a * dims + c] = sum;
        }
      }
      fly(answer.free[count - 1]!);
      for (let m = 0; m < modes.count; m++) {
        let q = 0;
        let v = 0;
        for (let b = 0; b < count; b++) {
          const f = force[b * dims + modes.of[m]!]!;
          q += answer.end[m * 2 * count + b]! * f;
          v += answer.end[(m * 2 + 1) * count + b]! * f;
        }
        z[2 * m]! += q;
        z[2 * m + 1]! += v;
      }
    }
    fly(after);
    to.set(z, 0);
  };
}

/** Adds what the delayed motion presses with, read from this period's record so far or from the one before. */
function addDelayed(
  { start, from: firsts, weights, matrix }: DelayedRead,
  force: Float64Array,
  from: Float64Array,
  to: Float64Array,
  { count, dims, state, record }: { count: number; dims: number; state: number; record: number },
): void {
  for (let a = 0; a < count; a++) {
    for (let i = start[a]!; i < start[a + 1]!; i++) {
      let first = firsts[i]! * dims;
      let source = to;
      if (first < 0) {
        first += record;
        source = from;
      }
      for (let c = 0; c < dims; c++) {
        let u = 0;
        for (let b = 0; b < count; b++) u += weights[i * count + b]! * source[state + first + b * dims + c]!;
        for (let r = 0; r < dims; r++) force[a * dims + r]! += matrix[(i * dims + r) * dims + c]! * u;
      }
    }
  }
}
