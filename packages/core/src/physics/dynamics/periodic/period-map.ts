import type { ChatterCut } from '../chatter-cut.ts';
import { addDelayed, type DelayedReads } from './delayed-read.ts';
import type { FreeModes } from './free-motion.ts';
import { multiply } from '../../../numerics/multiply.ts';
import { factorSystem } from './piece.ts';
import { type FramePiece, type PeriodFrame, periodFrame } from './period-frame.ts';
import { FINE, type Resolution } from './resolution.ts';
import { solve } from '../../../numerics/solve-small.ts';

/** A piece of the period at a depth. */
interface Piece extends FramePiece {
  /** Direction matrix times depth at each node, N/m, and that of the land's damping, N·s/m. */
  readonly cutting: Float64Array;
  readonly damping: Float64Array | null;
  /** Factors of the system whose solution the forces are. */
  readonly factors: Float64Array;
  readonly exchanged: Int32Array;
}

/**
 * The motion of one period mapped to the next: a linear operator, applied without ever being written out. A vector is the
 * modes' state at the start of the period, and then the tip's motion at the nodes of each piece, direction by direction.
 */
export interface PeriodMap extends Pick<
  PeriodFrame,
  'state' | 'spans' | 'highestHz' | 'followsAll' | 'period' | 'perRadian' | 'perTurn' | 'directions'
> {
  readonly size: number;
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
export const periodMap = (
  cut: ChatterCut,
  modes: FreeModes,
  rpm: number,
  depthMm: number,
  resolution: Resolution = FINE,
): PeriodMap => mapAt(periodFrame(cut, modes, rpm, depthMm, resolution), depthMm);

/** The map of a frame at a depth, mm: the one it was made for, or any where the cut does not feel it. */
export function mapAt(frame: PeriodFrame, depthMm: number): PeriodMap {
  const { spans, nodes, state, highestHz, followsAll, period, perRadian, perTurn, directions } = frame;
  const dims = directions.length;
  const each = dims * dims;
  const depthM = depthMm / 1000;
  const deep = (perMetre: Float64Array): Float64Array => {
    const out = new Float64Array(perMetre.length);
    for (let i = 0; i < out.length; i++) out[i] = perMetre[i]! * depthM;
    return out;
  };
  const cuttings = deep(frame.cutting);
  const dampings = frame.damping && deep(frame.damping);
  const delayed = frame.delayed && { ...frame.delayed, pressing: deep(frame.delayed.pressing) };
  // One store for all pieces: thousands of small ones would cost more than what is worked out in them.
  const systems = new Float64Array(each * spans.reduce((sum, span) => sum + span.nodes.count ** 2, 0));
  const exchanges = new Int32Array(nodes * dims);
  let room = 0;
  const pieces = frame.pieces.map((piece, index): Piece => {
    const { count, motion } = piece;
    const { first } = spans[index]!;
    const cutting = cuttings.subarray(first * each, (first + count) * each);
    const damping = dampings?.subarray(first * each, (first + count) * each) ?? null;
    const factors = systems.subarray(room, room + count * count * each);
    room += factors.length;
    const exchanged = exchanges.subarray(first * dims, (first + count) * dims);
    factorSystem(motion, cutting, damping, count, factors, exchanged);
    return { ...piece, cutting, damping, factors, exchanged };
  });
  return {
    size: state + nodes * dims,
    state,
    spans,
    highestHz,
    followsAll,
    period,
    perRadian,
    perTurn,
    directions,
    apply: applier(state / 2, pieces, frame.after, dims, delayed),
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
