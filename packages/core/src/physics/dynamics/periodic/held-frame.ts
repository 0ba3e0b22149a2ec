import { FLOAT, kernel, type Place } from '../../../numerics/kernel.ts';
import type { PeriodFrame } from './period-frame.ts';
import type { PieceMotion } from './piece-motion.ts';

/** A frame as it lies in the kernel's memory. */
export interface HeldFrame {
  readonly frame: PeriodFrame;
  readonly place: Place;
  /** Where what is laid beside it begins. */
  readonly beside: Place;
  /** Depth its systems are factored for, m. */
  depthM: number;
}

let held: HeldFrame | null = null;

/** The frame in the kernel's memory, its systems factored for a depth, m: laid and factored if it is not so already. */
export function hold(frame: PeriodFrame, depthM: number): HeldFrame {
  const k = kernel();
  if (held?.frame !== frame || k.holder !== frame) held = laid(frame);
  if (held.depthM !== depthM) {
    k.run.prepare(held.place, depthM);
    held.depthM = depthM;
  }
  return held;
}

/** Lays a frame as `Frame` of the kernel has it. */
function laid(frame: PeriodFrame): HeldFrame {
  const k = kernel();
  k.layAnew(frame);
  const { pieces, directions, state, spans, delayed } = frame;
  const dims = directions.length;
  const each = dims * dims;
  const flights = new Map<Float64Array, Place>();
  const flight = (propagator: Float64Array | null): Place => {
    if (!propagator) return 0;
    const place = flights.get(propagator) ?? k.lay(propagator);
    flights.set(propagator, place);
    return place;
  };
  const motions = new Map<PieceMotion, readonly [Place, Place]>();
  /** The numbers of a motion, which begin with those through the piece, and where each direction finds its own. */
  const motionAt = (motion: PieceMotion): readonly [Place, Place] => {
    const known = motions.get(motion);
    if (known) return known;
    const numbers = k.lay(motion.numbers);
    const directions = motion.directions.flatMap((d) => [d.flown, d.forced, d.speeds]);
    const places = [numbers, k.layWords(directions.map((at) => numbers + FLOAT * at))] as const;
    motions.set(motion, places);
    return places;
  };
  const cutting = k.lay(frame.cutting);
  const damping = frame.damping && k.lay(frame.damping);
  const described = pieces.flatMap(({ count, motion, before }, i) => {
    const n = count * dims;
    const own = FLOAT * each * spans[i]!.first;
    return [
      count,
      flight(before),
      ...motionAt(motion),
      cutting + own,
      damping === null ? 0 : damping + own,
      k.room(n * n),
      k.room(Math.ceil(n / 2)),
    ];
  });
  const reads = delayed
    ? k.layWords([
        k.layWords(delayed.start),
        k.layWords(delayed.from),
        k.layWords(delayed.count),
        k.layWords(delayed.before),
        k.lay(delayed.shares),
        k.layWords(delayed.at),
        k.lay(delayed.pressing),
      ])
    : 0;
  const most = pieces.reduce((n, { count }) => Math.max(n, count), 0);
  const [x, y = { first: 0, count: 0 }] = frame.modes;
  const place = k.layWords([
    state / 2,
    dims,
    x!.first,
    x!.count,
    y.first,
    y.count,
    k.layWords(described),
    pieces.length,
    flight(frame.after),
    reads,
    k.room(state),
    k.room(most * dims),
    k.room(2 * most * dims),
    k.room(most + state),
  ]);
  return { frame, place, beside: k.room(0), depthM: NaN };
}
