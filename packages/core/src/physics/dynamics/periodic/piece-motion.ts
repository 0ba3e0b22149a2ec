import { FLOAT, kernel } from '../../../numerics/kernel.ts';
import { type EvenSamples, evenSamples } from './even-samples.ts';
import { type FreeModes, freePropagator } from './free-motion.ts';

/** Where the numbers of one direction begin. */
export interface DirectionMotion {
  /** Displacement at the nodes from the modes' state at the start, and where something damps then the speed, 1/s: [state][node]. */
  readonly flown: number;
  /** Displacement at the nodes from forces at the nodes, m/N, then the state at the end: [force][node, state]. */
  readonly forced: number;
  /** Speed at the nodes from forces at the nodes, m/(N·s), where something damps: [force][node]. */
  readonly speeds: number;
}

/** What a length of time does to the structure, whatever is cut in it: shared by all pieces as long. */
export interface PieceMotion {
  /** The state at the end from that at the start, 2 × 2 for each mode, and then what each direction has. */
  readonly numbers: Float64Array;
  readonly directions: readonly DirectionMotion[];
}

/** Places a node gets, and a wave of the highest mode, at the least. */
const PER_NODE = 2.5;
const PER_WAVE = 5;

/**
 * The structure's answer to its state at the start of a piece that lasts `length` seconds, and to a force that is a polynomial through the
 * nodes of it, an even number.
 *
 * Every mode's motion is exact (Duhamel's integral). What the edge meets of it is the polynomial that comes nearest to it over
 * the piece (Galerkin's method in time): a few times nearer to the truth than its values at the nodes, and a mode that is too quick for
 * the nodes still gives way to the force as it does, while its own ringing is not mistaken for something slower.
 */
export function pieceMotion(
  modes: FreeModes,
  count: number,
  length: number,
  speedsToo: boolean,
): PieceMotion {
  const waves = (Math.max(...modes.omega) * length) / (2 * Math.PI);
  const samples = evenSamples(count, Math.max(PER_NODE * count, PER_WAVE * waves));
  const { steps } = samples;
  const k = kernel();
  k.layAnew(samples);
  const basis = k.lay(samples.basis);
  const nearest = k.lay(samples.nearest);
  const room = k.room((steps + 1) * (2 * count + 2) + 4 * count);
  const laid = k.lay(stepsOf(modes, length, samples));
  let numbers = 4 * modes.count;
  const taken = (more: number): number => {
    numbers += more;
    return numbers - more;
  };
  const directions = modes.ofDirection.map((own): DirectionMotion => {
    const state = 2 * own.count;
    return {
      flown: taken(state * count * (speedsToo ? 2 : 1)),
      forced: taken(count * (count + state)),
      speeds: taken(speedsToo ? count * count : 0),
    };
  });
  const to = k.room(numbers);
  freePropagator(modes, length, k.at(to, 4 * modes.count));
  directions.forEach(({ flown, forced, speeds }, d) => {
    const own = modes.ofDirection[d]!;
    k.run.pieceMotion(
      laid + FLOAT * PER_MODE * own.first,
      own.count,
      count,
      steps,
      basis,
      nearest,
      room,
      to + FLOAT * flown,
      to + FLOAT * forced,
      speedsToo ? to + FLOAT * speeds : 0,
    );
  });
  return { numbers: k.at(to, numbers).slice(), directions };
}

/** Numbers of a `Mode` of the kernel. */
const PER_MODE = 11;

/** Each mode as `Mode` of the kernel has it: how it turns in a step, and what a force within one leaves at its end. */
function stepsOf(modes: FreeModes, length: number, { steps, within, weights }: EvenSamples): Float64Array {
  const step = length / steps;
  const out = new Float64Array(PER_MODE * modes.count);
  for (let m = 0, to = 0; m < modes.count; m++, to += PER_MODE) {
    const w = modes.omega[m]!;
    const z = modes.damping[m]!;
    const turning = Math.sqrt(1 - z * z) * w;
    const perForce = 1 / (modes.mass[m]! * turning);
    const decay = Math.exp(-z * w * step);
    out[to] = w;
    out[to + 1] = turning;
    out[to + 2] = z;
    out[to + 3] = decay * Math.cos(turning * step);
    out[to + 4] = decay * Math.sin(turning * step);
    for (let g = 0; g < within.length; g++) {
      const left = step * (1 - within[g]!);
      const size = Math.exp(-z * w * left) * weights[g]! * step * perForce;
      out[to + 5 + g] = size * Math.cos(turning * left);
      out[to + 8 + g] = size * Math.sin(turning * left);
    }
  }
  return out;
}
