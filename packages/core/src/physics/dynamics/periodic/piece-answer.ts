import { type EvenSamples, evenSamples } from './even-samples.ts';
import { type FreeModes, freePropagator } from './free-motion.ts';

/** What the structure answers within one piece of time of a given length. */
export interface PieceAnswer {
  /** Motion at each node from the state at the start: [node][mode][4], as a propagator. */
  readonly free: readonly Float64Array[];
  /** Propagator from the start of the piece to its end: [mode][4]. */
  readonly through: Float64Array;
  /** Displacement at node a from the force at node b, m/N, by direction: [direction][a][b]. */
  readonly moves: readonly Float64Array[];
  /** The same for the speed, m/(N·s). */
  readonly speeds: readonly Float64Array[];
  /** State at the end of the piece from the force at node b: [mode][2][b]. */
  readonly end: Float64Array;
}

/** Places a node gets, and a wave of the highest mode, at the least. */
const PER_NODE = 2.5;
const PER_WAVE = 5;

/**
 * The structure's answer to a force that is a polynomial through the nodes of a piece that lasts `length` seconds.
 *
 * Every mode's motion is exact (Duhamel's integral). What the edge meets of it is the polynomial that comes nearest to it over
 * the piece (Galerkin's method in time): a few times nearer to the truth than its values at the nodes, and a mode that is too quick for
 * the nodes still gives way to the force as it does, while its own ringing is not mistaken for something slower.
 */
export function pieceAnswer(modes: FreeModes, count: number, length: number): PieceAnswer {
  const waves = (Math.max(...modes.omega) * length) / (2 * Math.PI);
  const samples = evenSamples(count, Math.ceil(Math.max(PER_NODE * count, PER_WAVE * waves)));
  const { steps, nearest } = samples;
  const places = steps + 1;
  const { moved, sped, end } = forcedMotion(modes, count, length, samples);
  const free = freeMotion(modes, count, length, samples);
  const laid = (motion: Float64Array): Float64Array => {
    const out = new Float64Array(count * count);
    for (let a = 0; a < count; a++) {
      for (let i = 1; i < places; i++) {
        const share = nearest[a * places + i]!;
        for (let b = 0; b < count; b++) out[a * count + b]! += share * motion[i * count + b]!;
      }
    }
    return out;
  };
  return {
    free,
    through: freePropagator(modes, length),
    moves: moved.map(laid),
    speeds: sped.map(laid),
    end,
  };
}

/** Motion laid on the nodes, from the state at the start: [node][mode][4]. Each step turns and shrinks what the last one had. */
function freeMotion(
  modes: FreeModes,
  count: number,
  length: number,
  { steps, nearest }: EvenSamples,
): readonly Float64Array[] {
  const step = length / steps;
  const places = steps + 1;
  const free = Array.from({ length: count }, () => new Float64Array(modes.count * 4));
  const cosine = new Float64Array(places);
  const sine = new Float64Array(places);
  for (let m = 0; m < modes.count; m++) {
    const w = modes.omega[m]!;
    const z = modes.damping[m]!;
    const root = Math.sqrt(1 - z * z);
    const decay = Math.exp(-z * w * step);
    const re = decay * Math.cos(root * w * step);
    const im = decay * Math.sin(root * w * step);
    cosine[0] = 1;
    for (let i = 1; i < places; i++) {
      cosine[i] = re * cosine[i - 1]! - im * sine[i - 1]!;
      sine[i] = re * sine[i - 1]! + im * cosine[i - 1]!;
    }
    for (let a = 0; a < count; a++) {
      let c = 0;
      let s = 0;
      for (let i = 0, at = a * places; i < places; i++, at++) {
        c += nearest[at]! * cosine[i]!;
        s += nearest[at]! * sine[i]!;
      }
      s /= root;
      const own = free[a]!;
      own[m * 4] = c + z * s;
      own[m * 4 + 1] = s;
      own[m * 4 + 2] = -s;
      own[m * 4 + 3] = c - z * s;
    }
  }
  return free;
}

/**
 * Displacement and speed at the even places from the force at each node, [direction][place][node], and the state at the end.
 * Each step carries on what all before it have left, as one complex number a node: its imaginary part is the displacement.
 */
function forcedMotion(
  modes: FreeModes,
  count: number,
  length: number,
  { steps, within, weights, basis }: EvenSamples,
): { moved: Float64Array[]; sped: Float64Array[]; end: Float64Array } {
  const step = length / steps;
  const points = within.length;
  const moved = modes.directions.map(() => new Float64Array((steps + 1) * count));
  const sped = modes.directions.map(() => new Float64Array((steps + 1) * count));
  const end = new Float64Array(modes.count * 2 * count);
  const re = new Float64Array(count);
  const im = new Float64Array(count);
  const pointRe = new Float64Array(points);
  const pointIm = new Float64Array(points);
  for (let m = 0; m < modes.count; m++) {
    const w = modes.omega[m]!;
    const z = modes.damping[m]!;
    const turning = Math.sqrt(1 - z * z) * w;
    const perForce = 1 / (modes.mass[m]! * turning);
    for (let g = 0; g < points; g++) {
      const left = step * (1 - within[g]!);
      const size = Math.exp(-z * w * left) * weights[g]! * step * perForce;
      pointRe[g] = size * Math.cos(turning * left);
      pointIm[g] = size * Math.sin(turning * left);
    }
    const decay = Math.exp(-z * w * step);
    const stepRe = decay * Math.cos(turning * step);
    const stepIm = decay * Math.sin(turning * step);
    const move = moved[modes.of[m]!]!;
    const speed = sped[modes.of[m]!]!;
    re.fill(0);
    im.fill(0);
    for (let i = 0; i < steps; i++) {
      const first = i * points * count;
      const to = (i + 1) * count;
      for (let b = 0; b < count; b++) {
        let r = stepRe * re[b]! - stepIm * im[b]!;
        let q = stepRe * im[b]! + stepIm * re[b]!;
        for (let g = 0, at = first + b; g < points; g++, at += count) {
          r += pointRe[g]! * basis[at]!;
          q += pointIm[g]! * basis[at]!;
        }
        re[b] = r;
        im[b] = q;
        move[to + b]! += q;
        speed[to + b]! += turning * r - z * w * q;
      }
    }
    for (let b = 0; b < count; b++) {
      end[m * 2 * count + b] = im[b]!;
      end[(m * 2 + 1) * count + b] = (turning * re[b]! - z * w * im[b]!) / w;
    }
  }
  return { moved, sped, end };
}
