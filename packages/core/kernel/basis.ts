// Vectors of a Krylov basis, `size` numbers each, one behind the other.

/** Sum of the squares of a vector; `size` is even. */
export function square(v: usize, size: i32): f64 {
  let s0 = f64x2.splat(0);
  let s1 = s0;
  const end = v + ((<usize>size) << 3);
  let at = v;
  for (; at + 32 <= end; at += 32) {
    const a = v128.load(at);
    const b = v128.load(at, 16);
    s0 = f64x2.add(s0, f64x2.mul(a, a));
    s1 = f64x2.add(s1, f64x2.mul(b, b));
  }
  for (; at < end; at += 16) {
    const a = v128.load(at);
    s0 = f64x2.add(s0, f64x2.mul(a, a));
  }
  return both(f64x2.add(s0, s1));
}

/** Vector times a number, in its place. */
export function scale(v: usize, size: i32, by: f64): void {
  const times = f64x2.splat(by);
  const end = v + ((<usize>size) << 3);
  for (let at = v; at < end; at += 16) v128.store(at, f64x2.mul(v128.load(at), times));
}

function both(v: v128): f64 {
  return f64x2.extract_lane(v, 0) + f64x2.extract_lane(v, 1);
}

/** Takes the first `count` vectors of a basis out of w, four at a time, and adds how much of each to `parts`. */
export function orthogonalise(w: usize, basis: usize, count: i32, size: i32, parts: usize): void {
  const long = (<usize>size) << 3;
  let i = 0;
  for (; i + 4 <= count; i += 4) {
    const b0 = basis + <usize>i * long;
    const b1 = b0 + long;
    const b2 = b1 + long;
    const b3 = b2 + long;
    let s0 = f64x2.splat(0);
    let s1 = s0;
    let s2 = s0;
    let s3 = s0;
    for (let k: usize = 0; k < long; k += 16) {
      const x = v128.load(w + k);
      s0 = f64x2.add(s0, f64x2.mul(v128.load(b0 + k), x));
      s1 = f64x2.add(s1, f64x2.mul(v128.load(b1 + k), x));
      s2 = f64x2.add(s2, f64x2.mul(v128.load(b2 + k), x));
      s3 = f64x2.add(s3, f64x2.mul(v128.load(b3 + k), x));
    }
    const at = parts + ((<usize>i) << 3);
    const d0 = noted(at, both(s0));
    const d1 = noted(at + 8, both(s1));
    const d2 = noted(at + 16, both(s2));
    const d3 = noted(at + 24, both(s3));
    for (let k: usize = 0; k < long; k += 16) {
      const one = f64x2.add(f64x2.mul(v128.load(b0 + k), d0), f64x2.mul(v128.load(b1 + k), d1));
      const two = f64x2.add(f64x2.mul(v128.load(b2 + k), d2), f64x2.mul(v128.load(b3 + k), d3));
      v128.store(w + k, f64x2.sub(v128.load(w + k), f64x2.add(one, two)));
    }
  }
  for (; i < count; i++) {
    const b = basis + <usize>i * long;
    let s = f64x2.splat(0);
    for (let k: usize = 0; k < long; k += 16) s = f64x2.add(s, f64x2.mul(v128.load(b + k), v128.load(w + k)));
    const d = noted(parts + ((<usize>i) << 3), both(s));
    for (let k: usize = 0; k < long; k += 16) {
      v128.store(w + k, f64x2.sub(v128.load(w + k), f64x2.mul(v128.load(b + k), d)));
    }
  }
}

/** Adds a part to what is noted of it; the part, twice. */
function noted(at: usize, part: f64): v128 {
  store<f64>(at, load<f64>(at) + part);
  return f64x2.splat(part);
}
