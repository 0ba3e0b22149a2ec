// The motion of one period mapped to the next. What each thing is stands beside what lays it here: held-frame.ts of the core.
import { factor, multiply, solve } from './linear';

@unmanaged
class DirectionMotion {
  flown: usize = 0;
  forced: usize = 0;
  speeds: usize = 0;
}

@unmanaged
class Piece {
  count: i32 = 0;
  /** Places of the propagator of free flight before it, 0 where there is none, and of that from its start to its end. */
  before: usize = 0;
  through: usize = 0;
  /** Place of the first DirectionMotion; the second stands behind it. */
  motion: usize = 0;
  /** Direction matrix a metre, N/m: [row][column][node], and the land's; 0 where it damps nothing. */
  cutting: usize = 0;
  damping: usize = 0;
  factors: usize = 0;
  exchanged: usize = 0;
}
const PIECE: usize = offsetof<Piece>();

@unmanaged
class DelayedReads {
  start: usize = 0;
  from: usize = 0;
  count: usize = 0;
  before: usize = 0;
  shares: usize = 0;
  at: usize = 0;
  pressing: usize = 0;
}

@unmanaged
class Frame {
  modes: i32 = 0;
  dims: i32 = 0;
  /** First mode and modes of each direction. */
  first0: i32 = 0;
  modes0: i32 = 0;
  first1: i32 = 0;
  modes1: i32 = 0;
  pieces: usize = 0;
  pieceCount: i32 = 0;
  after: usize = 0;
  /** 0 where every tooth passes alike. */
  delayed: usize = 0;
  /** Room for the modes' state, forces, free flight and what comes of forces. */
  z: usize = 0;
  force: usize = 0;
  flight: usize = 0;
  come: usize = 0;
}

/** Factors of F + (W·G + D·Ġ)·F = … for all nodes of each piece at once, at a depth in metres. */
export function prepare(frame: usize, depth: f64): void {
  const f = changetype<Frame>(frame);
  const dims = f.dims;
  const deep = f64x2.splat(depth);
  for (let i = 0; i < f.pieceCount; i++) {
    const p = changetype<Piece>(f.pieces + <usize>i * PIECE);
    const count = p.count;
    const long = (<usize>count) << 3;
    let to = p.factors;
    for (let c = 0; c < dims; c++) {
      const motion = changetype<DirectionMotion>(p.motion + <usize>c * offsetof<DirectionMotion>());
      const rows = count + 2 * (c ? f.modes1 : f.modes0);
      for (let b = 0; b < count; b++) {
        const moved = motion.forced + ((<usize>(b * rows)) << 3);
        const sped = motion.speeds + <usize>b * long;
        const diagonal = to + ((<usize>(c * count + b)) << 3);
        for (let r = 0; r < dims; r++) {
          const plane = <usize>(r * dims + c) * long;
          const w = p.cutting + plane;
          const d = p.damping + plane;
          if (p.damping) {
            for (let k: usize = 0; k < long; k += 16) {
              const both = f64x2.add(
                f64x2.mul(v128.load(w + k), v128.load(moved + k)),
                f64x2.mul(v128.load(d + k), v128.load(sped + k)),
              );
              v128.store(to + k, f64x2.mul(both, deep));
            }
          } else {
            for (let k: usize = 0; k < long; k += 16) {
              v128.store(to + k, f64x2.mul(f64x2.mul(v128.load(w + k), v128.load(moved + k)), deep));
            }
          }
          to += long;
        }
        store<f64>(diagonal, load<f64>(diagonal) + 1);
      }
    }
    factor(p.factors, count * dims, p.exchanged);
  }
}

function fly(z: usize, modes: i32, propagator: usize): void {
  if (!propagator) return;
  for (let at = z, p = propagator, end = z + ((<usize>modes) << 4); at < end; at += 16, p += 32) {
    const q = load<f64>(at);
    const v = load<f64>(at, 8);
    store<f64>(at, load<f64>(p) * q + load<f64>(p, 8) * v);
    store<f64>(at, load<f64>(p, 16) * q + load<f64>(p, 24) * v, 8);
  }
}

/** Takes from the forces what displacements press, W·u, or speeds by the land's damping; directions of motion stand `apart` bytes apart. */
function press(by: usize, count: i32, dims: i32, moved: usize, apart: usize, force: usize): void {
  const long = (<usize>count) << 3;
  for (let r = 0; r < dims; r++) {
    for (let c = 0; c < dims; c++) {
      const w = by + <usize>(r * dims + c) * long;
      const u = moved + <usize>c * apart;
      const to = force + <usize>r * long;
      for (let k: usize = 0; k < long; k += 16) {
        v128.store(to + k, f64x2.sub(v128.load(to + k), f64x2.mul(v128.load(w + k), v128.load(u + k))));
      }
    }
  }
}

/** Adds what the motion of teeth that passed before presses with, from this period's record so far or the one before. */
function addDelayed(
  d: DelayedReads,
  first: i32,
  count: i32,
  dims: i32,
  force: usize,
  from: usize,
  to: usize,
): void {
  for (let a = 0; a < count; a++) {
    const node = d.start + ((<usize>(first + a)) << 2);
    let f0: f64 = 0;
    let f1: f64 = 0;
    for (let i = load<i32>(node), end = load<i32>(node, 4); i < end; i++) {
      const word = (<usize>i) << 2;
      const source = load<i32>(d.before + word) > 0 ? from : to;
      const long = (<usize>load<i32>(d.count + word)) << 3;
      const u = source + ((<usize>load<i32>(d.from + word)) << 3);
      const shares = d.shares + ((<usize>load<i32>(d.at + word)) << 3);
      let x = f64x2.splat(0);
      let y = x;
      if (dims === 2) {
        for (let k: usize = 0; k < long; k += 16) {
          const share = v128.load(shares + k);
          x = f64x2.add(x, f64x2.mul(share, v128.load(u + k)));
          y = f64x2.add(y, f64x2.mul(share, v128.load(u + long + k)));
        }
        const ux = f64x2.extract_lane(x, 0) + f64x2.extract_lane(x, 1);
        const uy = f64x2.extract_lane(y, 0) + f64x2.extract_lane(y, 1);
        const w = d.pressing + ((<usize>i) << 5);
        f0 += load<f64>(w) * ux + load<f64>(w, 8) * uy;
        f1 += load<f64>(w, 16) * ux + load<f64>(w, 24) * uy;
      } else {
        for (let k: usize = 0; k < long; k += 16) {
          x = f64x2.add(x, f64x2.mul(v128.load(shares + k), v128.load(u + k)));
        }
        const ux = f64x2.extract_lane(x, 0) + f64x2.extract_lane(x, 1);
        f0 += load<f64>(d.pressing + ((<usize>i) << 3)) * ux;
      }
    }
    const at = force + ((<usize>a) << 3);
    store<f64>(at, load<f64>(at) + f0);
    if (dims === 2) {
      const other = at + ((<usize>count) << 3);
      store<f64>(other, load<f64>(other) + f1);
    }
  }
}

/**
 * Maps the vector at `from` to that at `to`: the modes' state at the start of the period, then the tip's motion at the nodes of each
 * piece, direction by direction. `forces`, N, takes those at the nodes where it is not 0.
 */
export function apply(frame: usize, depth: f64, from: usize, to: usize, forces: usize): void {
  const f = changetype<Frame>(frame);
  const dims = f.dims;
  const state = (<usize>f.modes) << 4;
  const z = f.z;
  const force = f.force;
  const flight = f.flight;
  const come = f.come;
  const deep = f64x2.splat(depth);
  memory.copy(z, from, state);
  const record = to + state;
  const recordBefore = from + state;
  let base: usize = 0;
  for (let i = 0; i < f.pieceCount; i++) {
    const p = changetype<Piece>(f.pieces + <usize>i * PIECE);
    const count = p.count;
    const long = (<usize>count) << 3;
    const all = long * <usize>dims;
    const sped = p.damping !== 0;
    const apart = sped ? long << 1 : long;
    fly(z, f.modes, p.before);
    for (let d = 0; d < dims; d++) {
      const motion = changetype<DirectionMotion>(p.motion + <usize>d * offsetof<DirectionMotion>());
      const own = z + ((<usize>(d ? f.first1 : f.first0)) << 4);
      const flown = flight + <usize>d * apart;
      multiply(motion.flown, sped ? 2 * count : count, 2 * (d ? f.modes1 : f.modes0), own, 8, flown);
      memory.copy(record + base + <usize>d * long, flown, long);
    }
    memory.fill(force, 0, all);
    if (sped) press(p.damping, count, dims, flight + long, apart, force);
    if (!f.delayed) {
      // Where every tooth passes alike, what was left is the same node a period ago.
      for (let d = 0; d < dims; d++) {
        const u = flight + <usize>d * apart;
        const left = recordBefore + base + <usize>d * long;
        for (let k: usize = 0; k < long; k += 16) {
          v128.store(u + k, f64x2.sub(v128.load(u + k), v128.load(left + k)));
        }
      }
    }
    press(p.cutting, count, dims, flight, apart, force);
    if (f.delayed) {
      const first = <i32>(base / ((<usize>dims) << 3));
      addDelayed(changetype<DelayedReads>(f.delayed), first, count, dims, force, recordBefore, record);
    }
    for (let k: usize = 0; k < all; k += 16) v128.store(force + k, f64x2.mul(v128.load(force + k), deep));
    solve(p.factors, count * dims, p.exchanged, force);
    if (forces) memory.copy(forces + base, force, all);
    fly(z, f.modes, p.through);
    for (let d = 0; d < dims; d++) {
      const motion = changetype<DirectionMotion>(p.motion + <usize>d * offsetof<DirectionMotion>());
      const ownState = 2 * (d ? f.modes1 : f.modes0);
      multiply(motion.forced, count + ownState, count, force + <usize>d * long, 8, come);
      add(come, record + base + <usize>d * long, long);
      add(come + long, z + ((<usize>(d ? f.first1 : f.first0)) << 4), (<usize>ownState) << 3);
    }
    base += all;
  }
  fly(z, f.modes, f.after);
  memory.copy(to, z, state);
}

/** Adds so many bytes of numbers to others. */
function add(what: usize, to: usize, long: usize): void {
  for (let k: usize = 0; k < long; k += 16)
    v128.store(to + k, f64x2.add(v128.load(to + k), v128.load(what + k)));
}
