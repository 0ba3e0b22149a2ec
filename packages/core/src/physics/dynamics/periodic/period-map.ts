import { type ChatterCut, edgeSpeed, requireCut } from '../chatter-cut.ts';
import { addDelayed, type DelayedRead, DelayedReads } from './delayed-read.ts';
import { damping as dampingAt, engagementOf, factorsAt, inside, pressing } from './engaged-teeth.ts';
import { type FreeModes, freePropagator } from './free-motion.ts';
import { multiply } from '../../../numerics/multiply.ts';
import { motionOf, type PieceMotion, type PieceSystem, systemOf } from './piece.ts';
import { pieceAnswer } from './piece-answer.ts';
import { FINE, type Resolution } from './resolution.ts';
import { solve } from '../../../numerics/solve-small.ts';
import { nodesIn, type Span, spansOf } from './span.ts';

const TURN = 2 * Math.PI;

/** A piece of the period in which some tooth cuts. */
interface Piece extends PieceSystem {
  readonly count: number;
  readonly motion: PieceMotion;
  /** Direction matrix times depth at each node, N/m: [node][row][column] over the giving directions. */
  readonly cutting: Float64Array;
  /** Free flight before it. */
  readonly before: Float64Array | null;
  /** Where delayed motion is read; null where it is the same node a period ago. */
  readonly delayed: DelayedRead | null;
}

/**
 * The motion of one period mapped to the next: a linear operator, applied without ever being written out. A vector is the
 * modes' state at the start of the period, and then the tip's motion at the nodes of each piece, direction by direction.
 */
export interface PeriodMap {
  readonly size: number;
  /** Numbers of the state, two a mode. */
  readonly state: number;
  readonly spans: readonly Span[];
  /** Highest frequency the nodes follow, Hz. */
  readonly highestHz: number;
  /** Seconds of a period. */
  readonly period: number;
  /** Seconds the tool takes for a radian. */
  readonly perRadian: number;
  /** Periods in a turn. */
  readonly perTurn: number;
  /** Directions that give way: 0 is x, 1 is y. */
  readonly directions: readonly number[];
  /** `forces` takes the cutting forces at the nodes, N, in the order of the motion, where somebody asks for them. */
  apply(from: Float64Array, to: Float64Array, forces?: Float64Array): void;
}

/**
 * The map of a cut over one period at a speed and a depth.
 *
 * The tip's motion is known at Chebyshev nodes of the pieces in which a tooth cuts; between them it flies free, exactly.
 * In a piece the force is a polynomial through its nodes and the structure's answer to it exact, so a piece may hold
 * more than a wave, and modes quicker than the nodes can follow need no pieces of their own. Pieces end where a tooth enters or leaves. Delay equation as in Insperger & Stépán 2004; spectral
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
  const dims = modes.directions.length;
  const highestHz = Math.min(Math.max(...modes.omega) / TURN, resolution.upToHz ?? Infinity);
  const spans = spansOf(engagement, highestHz * perRadian, resolution);
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
  const own = new Float64Array(dims * dims);
  const reads = uniform ? null : new DelayedReads(spans, engagement.period, dims);
  const pieces = spans.map(({ from, to, nodes }, index): Piece => {
    const { count, at } = nodes;
    const key = (to - from).toFixed(10);
    const motion =
      motions.get(key) ?? motionOf(modes, pieceAnswer(modes, count, (to - from) * perRadian), count);
    motions.set(key, motion);
    const cutting = new Float64Array(count * dims * dims);
    const damping = cut.dampingNPerM ? new Float64Array(count * dims * dims) : null;
    for (let a = 0; a < count; a++) {
      mean.fill(0);
      const place = from + (to - from) * at[a]!;
      const theta = inside(from, to, at[a]!);
      const toward = a === 0 ? 1e-10 : a === count - 1 ? -1e-10 : 0;
      for (const tooth of engagement.teeth) {
        if (!factorsAt(cut, tooth, engagement.period, theta, factors)) continue;
        for (let i = 0; i < 3; i++) mean[i]! += factors[i]!;
        if (!reads) continue;
        pressing(cut, factors, depthM, modes.directions, own, 0);
        reads.add(place - tooth.delay, toward, own);
      }
      reads?.next();
      pressing(cut, mean, depthM, modes.directions, cutting, a * dims * dims);
      if (damping) dampingAt(cut, speed, mean, depthM, modes.directions, damping, a * dims * dims);
    }
    const last = index === 0 ? 0 : spans[index - 1]!.to;
    return {
      count,
      motion,
      ...systemOf(modes, motion.answer, cutting, damping, count),
      cutting,
      before: flight(from - last),
      delayed: reads?.done() ?? null,
    };
  });
  const after = flight(engagement.period - (spans.at(-1)?.to ?? 0));
  const state = modes.count * 2;
  return {
    size: state + nodesIn(spans) * dims,
    state,
    spans,
    highestHz,
    period: engagement.period * perRadian,
    perRadian,
    perTurn: engagement.perTurn,
    directions: modes.directions,
    apply: applier(modes.count, pieces, after, dims),
  };
}

function applier(
  modeCount: number,
  pieces: readonly Piece[],
  after: Float64Array | null,
  dims: number,
): PeriodMap['apply'] {
  const state = 2 * modeCount;
  const most = Math.max(0, ...pieces.map((p) => p.count));
  const z = new Float64Array(state);
  const force = new Float64Array(most * dims);
  const held = new Float64Array(Math.max(most * dims, state));
  /** Forces at the nodes, then the modes' state, of one direction. */
  const come = new Float64Array(most + state);
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
    let base = state;
    for (const { count, before, delayed, cutting, pressed, factors, exchanged, motion } of pieces) {
      fly(before);
      const n = count * dims;
      multiply(pressed, n, state, z, force, 0);
      if (delayed) addDelayed(delayed, force, from, to, { nodes: count, dims, state });
      else if (dims === 2) {
        for (let a = 0; a < count; a++) {
          const ux = from[base + a]!;
          const uy = from[base + count + a]!;
          force[a]! += cutting[4 * a]! * ux + cutting[4 * a + 1]! * uy;
          force[count + a]! += cutting[4 * a + 2]! * ux + cutting[4 * a + 3]! * uy;
        }
      } else for (let a = 0; a < count; a++) force[a]! += cutting[a]! * from[base + a]!;
      solve(factors, n, exchanged, force);
      if (forces) for (let i = 0; i < n; i++) forces[base - state + i] = force[i]!;
      const { directions, free } = motion;
      for (let d = 0; d < dims; d++) {
        const { firstMode, modes, moves, end } = directions[d]!;
        for (let a = 0; a < count; a++) come[a] = force[d * count + a]!;
        for (let i = 0; i < 2 * modes; i++) come[count + i] = z[2 * firstMode + i]!;
        multiply(moves, count, count + 2 * modes, come, to, base + d * count);
        multiply(end, 2 * modes, count, come, held, 2 * firstMode);
      }
      fly(free);
      for (let i = 0; i < state; i++) z[i]! += held[i]!;
      base += n;
    }
    fly(after);
    for (let i = 0; i < state; i++) to[i] = z[i]!;
  };
}
