// What the structure does within a piece of time in one direction. Called by piece-motion.ts of the core.
import { multiply } from './linear';

/** What is asked of a mode: see where it is laid. */
@unmanaged
class Mode {
  omega: f64 = 0;
  turning: f64 = 0;
  damping: f64 = 0;
  /** Turn and decay of a step, as a complex number. */
  stepRe: f64 = 0;
  stepIm: f64 = 0;
  /** What a force at each Gauss point leaves at the end of its step. */
  re0: f64 = 0;
  re1: f64 = 0;
  re2: f64 = 0;
  im0: f64 = 0;
  im1: f64 = 0;
  im2: f64 = 0;
}

/**
 * Motion of a direction laid on `count` nodes, an even number: from the state at the start, `flown` [state][node], with `speeds` then the
 * speed, 1/s; and from forces at the nodes, m/N, `forced` [force][node, then state at the end], and where `speeds` is not 0 the speeds of it,
 * m/(N·s), [force][node]. `basis` is each node's polynomial at the Gauss points of each of `steps` steps, `nearest` lays motion at their ends on the
 * nodes: [place][node]. `room` takes (steps + 1)·(2·count + 2) + 4·count numbers.
 */
export function pieceMotion(
  modes: usize,
  modeCount: i32,
  count: i32,
  steps: i32,
  basis: usize,
  nearest: usize,
  room: usize,
  flown: usize,
  forced: usize,
  speeds: usize,
): void {
  const places = steps + 1;
  const long = (<usize>count) << 3;
  const moved = room;
  const sped = moved + <usize>places * long;
  const re = sped + <usize>places * long;
  const im = re + long;
  const laid = im + long;
  const cosine = laid + (long << 1);
  const sine = cosine + ((<usize>places) << 3);
  const rows = count + 2 * modeCount;
  memory.fill(moved, 0, (<usize>places * long) << 1);
  for (let m = 0; m < modeCount; m++) {
    const mode = changetype<Mode>(modes + <usize>m * offsetof<Mode>());
    free(mode, places, cosine, sine);
    multiply(nearest, count, places, cosine, 8, laid);
    multiply(nearest, count, places, sine, 8, laid + long);
    layFree(mode, count, laid, flown + <usize>(2 * m) * (speeds ? long << 1 : long), speeds !== 0);
    memory.fill(re, 0, long << 1);
    force(mode, count, steps, basis, re, im, moved, sped);
    for (let b = 0; b < count; b++) {
      const at = (<usize>b) << 3;
      const to = forced + ((<usize>(b * rows + count + 2 * m)) << 3);
      const q = load<f64>(im + at);
      store<f64>(to, q);
      store<f64>(to, (mode.turning * load<f64>(re + at) - mode.damping * mode.omega * q) / mode.omega, 8);
    }
  }
  for (let b = 0; b < count; b++) {
    const at = (<usize>b) << 3;
    multiply(nearest, count, places, moved + at, long, laid);
    memory.copy(forced + ((<usize>(b * rows)) << 3), laid, long);
    if (speeds) multiply(nearest, count, places, sped + at, long, speeds + <usize>b * long);
  }
}

/** Cosine and sine of a mode that dies away, at the places. */
function free(mode: Mode, places: i32, cosine: usize, sine: usize): void {
  let c: f64 = 1;
  let s: f64 = 0;
  for (let i = 0; i < places; i++) {
    store<f64>(cosine + ((<usize>i) << 3), c);
    store<f64>(sine + ((<usize>i) << 3), s);
    const next = mode.stepRe * c - mode.stepIm * s;
    s = mode.stepRe * s + mode.stepIm * c;
    c = next;
  }
}

/** Motion at the nodes from the displacement and from the speed at the start, as a propagator has it, of cosine and sine laid on them. */
function layFree(mode: Mode, count: i32, laid: usize, flown: usize, speedsToo: bool): void {
  const long = (<usize>count) << 3;
  const column = speedsToo ? long << 1 : long;
  const root = mode.turning / mode.omega;
  for (let k: usize = 0; k < long; k += 8) {
    const c = load<f64>(laid + k);
    const s = load<f64>(laid + long + k) / root;
    store<f64>(flown + k, c + mode.damping * s);
    store<f64>(flown + column + k, s);
    if (!speedsToo) continue;
    store<f64>(flown + long + k, -mode.omega * s);
    store<f64>(flown + column + long + k, mode.omega * (c - mode.damping * s));
  }
}

/** Adds a mode's displacement and speed at the places from the force at each node: [place][node]. Each step carries on what all before it left. */
function force(
  mode: Mode,
  count: i32,
  steps: i32,
  basis: usize,
  re: usize,
  im: usize,
  moved: usize,
  sped: usize,
): void {
  const long = (<usize>count) << 3;
  const stepRe = f64x2.splat(mode.stepRe);
  const stepIm = f64x2.splat(mode.stepIm);
  const re0 = f64x2.splat(mode.re0);
  const re1 = f64x2.splat(mode.re1);
  const re2 = f64x2.splat(mode.re2);
  const im0 = f64x2.splat(mode.im0);
  const im1 = f64x2.splat(mode.im1);
  const im2 = f64x2.splat(mode.im2);
  const turning = f64x2.splat(mode.turning);
  const dying = f64x2.splat(mode.damping * mode.omega);
  for (let b: usize = 0; b < long; b += 16) {
    let r = v128.load(re + b);
    let q = v128.load(im + b);
    let at = basis + b;
    let move = moved + long + b;
    let speed = sped + long + b;
    for (let i = 0; i < steps; i++) {
      const p0 = v128.load(at);
      const p1 = v128.load(at + long);
      const p2 = v128.load(at + (long << 1));
      const bre = f64x2.add(f64x2.add(f64x2.mul(re0, p0), f64x2.mul(re1, p1)), f64x2.mul(re2, p2));
      const bim = f64x2.add(f64x2.add(f64x2.mul(im0, p0), f64x2.mul(im1, p1)), f64x2.mul(im2, p2));
      const next = f64x2.add(f64x2.sub(f64x2.mul(stepRe, r), f64x2.mul(stepIm, q)), bre);
      q = f64x2.add(f64x2.add(f64x2.mul(stepRe, q), f64x2.mul(stepIm, r)), bim);
      r = next;
      v128.store(move, f64x2.add(v128.load(move), q));
      const own = f64x2.sub(f64x2.mul(turning, r), f64x2.mul(dying, q));
      v128.store(speed, f64x2.add(v128.load(speed), own));
      at += 3 * long;
      move += long;
      speed += long;
    }
    v128.store(re + b, r);
    v128.store(im + b, q);
  }
}
