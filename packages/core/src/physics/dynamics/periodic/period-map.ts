import { type ChatterCut, edgeSpeed, landCoefficients, requireCut } from '../chatter-cut.ts';
import { addDelayed, DelayedCollector, type DelayedReads } from './delayed-read.ts';
import { engagementOf, factorsAt, inside, pressing } from './engaged-teeth.ts';
import { type FreeModes, freePropagator } from './free-motion.ts';
import { multiply } from '../../../numerics/multiply.ts';
import { factorSystem, motionOf, type PieceMotion } from './piece.ts';
import { pieceAnswer } from './piece-answer.ts';
import { FINE, type Resolution } from './resolution.ts';
import { solve } from '../../../numerics/solve-small.ts';
import { nodesIn, type Span, spansOf } from './span.ts';

const TURN = 2 * Math.PI;

/** A piece of the period in which some tooth cuts. */
interface Piece {
  readonly count: number;
  readonly motion: PieceMotion;
  /** Direction matrix times depth at each node, N/m, and that of the land's damping, N·s/m: [node][row][column] over the giving directions. */
  readonly cutting: Float64Array;
  readonly damping: Float64Array | null;
  /** Factors of the system whose solution the forces are. */
  readonly factors: Float64Array;
  readonly exchanged: Int32Array;
  /** Free flight before it. */
  readonly before: Float64Array | null;
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
  /** Whether that is every mode. */
  readonly followsAll: boolean;
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
  const topHz = Math.max(...modes.omega) / TURN;
  const highestHz = Math.min(topHz, resolution.upToHz ?? Infinity);
  const spans = spansOf(engagement, highestHz * perRadian, resolution);
  const flights = new Map<number, Float64Array>();
  const flight = (angle: number): Float64Array | null => {
    if (angle < 1e-9) return null;
    const key = Math.round(angle * 1e10);
    const known = flights.get(key) ?? freePropagator(modes, angle * perRadian);
    flights.set(key, known);
    return known;
  };
  const motions = new Map<number, PieceMotion>();
  const motionIn = (angle: number, count: number): PieceMotion => {
    const key = Math.round(angle * 1e10);
    const known = motions.get(key) ?? motionOf(modes, pieceAnswer(modes, count, angle * perRadian), count);
    motions.set(key, known);
    return known;
  };
  const uniform = engagement.teeth.length === 1 || engagement.perTurn > 1;
  const [tangential, radial] = [cut.tangential * 1e6 * depthM, cut.radial * 1e6 * depthM];
  const land = landCoefficients(cut, edgeSpeed(cut, rpm)).map((c) => c * depthM);
  const factors = new Float64Array(3);
  const mean = new Float64Array(3);
  const own = new Float64Array(dims * dims);
  const collected = uniform ? null : new DelayedCollector(spans, engagement.period, dims);
  // One store for all pieces: thousands of small ones would cost more than what is worked out in them.
  const each = dims * dims;
  const nodes = nodesIn(spans);
  const cuttings = new Float64Array(nodes * each);
  const dampings = cut.dampingNPerM ? new Float64Array(nodes * each) : null;
  const systems = new Float64Array(each * spans.reduce((sum, span) => sum + span.nodes.count ** 2, 0));
  const exchanges = new Int32Array(nodes * dims);
  let room = 0;
  const pieces = spans.map(({ from, to, nodes: { count, at }, first }, index): Piece => {
    const cutting = cuttings.subarray(first * each, (first + count) * each);
    const damping = dampings?.subarray(first * each, (first + count) * each) ?? null;
    for (let a = 0; a < count; a++) {
      mean.fill(0);
      const place = from + (to - from) * at[a]!;
      const theta = inside(from, to, at[a]!);
      const toward = a === 0 ? 1e-10 : a === count - 1 ? -1e-10 : 0;
      for (const tooth of engagement.teeth) {
        if (!factorsAt(cut, tooth, engagement.period, theta, factors)) continue;
        for (let i = 0; i < 3; i++) mean[i]! += factors[i]!;
        if (!collected) continue;
        pressing(tangential, radial, factors, modes.directions, own, 0);
        collected.add(place - tooth.delay, toward, own);
      }
      collected?.next();
      pressing(tangential, radial, mean, modes.directions, cutting, a * each);
      if (damping) pressing(land[0]!, land[1]!, mean, modes.directions, damping, a * each);
    }
    const motion = motionIn(to - from, count);
    const system = systems.subarray(room, room + count * count * each);
    room += system.length;
    const exchanged = exchanges.subarray(first * dims, (first + count) * dims);
    factorSystem(motion, cutting, damping, count, system, exchanged);
    const last = index === 0 ? 0 : spans[index - 1]!.to;
    return { count, motion, cutting, damping, factors: system, exchanged, before: flight(from - last) };
  });
  const after = flight(engagement.period - (spans.at(-1)?.to ?? 0));
  const state = modes.count * 2;
  return {
    size: state + nodes * dims,
    state,
    spans,
    highestHz,
    followsAll: highestHz === topHz,
    period: engagement.period * perRadian,
    perRadian,
    perTurn: engagement.perTurn,
    directions: modes.directions,
    apply: applier(modes.count, pieces, after, dims, collected?.done() ?? null),
  };
}

/**
 * Takes from the forces at the nodes what displacements press, W·u, or speeds by the land's damping. Those of the second direction
 * stand `apart` numbers after those of the first, from `at` on.
 */
function press(
  by: Float64Array,
  count: number,
  dims: number,
  moved: Float64Array,
  at: number,
  apart: number,
  force: Float64Array,
): void {
  if (dims === 1) {
    for (let a = 0; a < count; a++) force[a]! -= by[a]! * moved[at + a]!;
    return;
  }
  for (let a = 0, k = 0; a < count; a++, k += 4) {
    const x = moved[at + a]!;
    const y = moved[at + apart + a]!;
    force[a]! -= by[k]! * x + by[k + 1]! * y;
    force[count + a]! -= by[k + 2]! * x + by[k + 3]! * y;
  }
}

function applier(
  modeCount: number,
  pieces: readonly Piece[],
  after: Float64Array | null,
  dims: number,
  delayed: DelayedReads | null,
): PeriodMap['apply'] {
  const state = 2 * modeCount;
  const most = Math.max(0, ...pieces.map((p) => p.count));
  const z = new Float64Array(state);
  const force = new Float64Array(most * dims);
  /** Displacements and speeds of free flight, direction by direction. */
  const flight = new Float64Array(2 * most * dims);
  /** Displacements, then the state at the end, of one direction. */
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
    for (const { count, motion, cutting, damping, factors, exchanged, before } of pieces) {
      fly(before);
      const { directions, through } = motion;
      const n = count * dims;
      const apart = damping ? 2 * count : count;
      for (let d = 0; d < dims; d++) {
        const { firstMode, modes, flown } = directions[d]!;
        multiply(flown, apart, 2 * modes, z, 2 * firstMode, flight, d * apart);
        for (let a = 0; a < count; a++) to[base + d * count + a] = flight[d * apart + a]!;
      }
      for (let i = 0; i < n; i++) force[i] = 0;
      if (damping) press(damping, count, dims, flight, count, apart, force);
      // Where every tooth passes alike, what was left is the same node a period ago.
      for (let d = 0; d < dims && !delayed; d++) {
        for (let a = 0; a < count; a++) flight[d * apart + a]! -= from[base + d * count + a]!;
      }
      press(cutting, count, dims, flight, 0, apart, force);
      if (delayed) addDelayed(delayed, (base - state) / dims, force, from, to, { nodes: count, dims, state });
      solve(factors, n, exchanged, force);
      if (forces) for (let i = 0; i < n; i++) forces[base - state + i] = force[i]!;
      fly(through);
      for (let d = 0; d < dims; d++) {
        const { firstMode, modes, forced } = directions[d]!;
        multiply(forced, count + 2 * modes, count, force, d * count, come, 0);
        for (let a = 0; a < count; a++) to[base + d * count + a]! += come[a]!;
        for (let i = 0; i < 2 * modes; i++) z[2 * firstMode + i]! += come[count + i]!;
      }
      base += n;
    }
    fly(after);
    for (let i = 0; i < state; i++) to[i] = z[i]!;
  };
}
