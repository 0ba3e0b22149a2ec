import { at, EPS, get, imaginary, n, real, set, v } from './small-matrix';

let norm: f64 = 0;

/** Vectors of a triangle with pairs on its diagonal, of a size, solved backwards: columns of v, times what was done to make it one. */
export function toVectors(size: f64): void {
  norm = size;
  for (let j = n - 1; j >= 0; j--) {
    if (imaginary(j) === 0) backReal(j);
    else if (imaginary(j) < 0) backPair(j);
  }
  turnBack();
}

let quotientRe: f64 = 0;
let quotientIm: f64 = 0;
/** (x + iy) / (p + iq). */
function divide(x: f64, y: f64, p: f64, q: f64): void {
  if (Math.abs(p) > Math.abs(q)) {
    const r = q / p;
    const d = p + r * q;
    quotientRe = (x + r * y) / d;
    quotientIm = (y - r * x) / d;
  } else {
    const r = p / q;
    const d = q + r * p;
    quotientRe = (r * x + y) / d;
    quotientIm = (r * y - x) / d;
  }
}

/** Vector of a real eigenvalue, above the diagonal of its column. */
function backReal(column: i32): void {
  const p = real(column);
  let l = column;
  let z: f64 = 0;
  let s: f64 = 0;
  set(column, column, 1);
  for (let i = column - 1; i >= 0; i--) {
    const w = get(i, i) - p;
    let r: f64 = 0;
    for (let j = l; j <= column; j++) r += get(i, j) * get(j, column);
    if (imaginary(i) < 0) {
      z = w;
      s = r;
      continue;
    }
    l = i;
    if (imaginary(i) === 0) {
      set(i, column, -r / (w !== 0 ? w : EPS * norm));
    } else {
      const x = get(i, i + 1);
      const y = get(i + 1, i);
      const q = (real(i) - p) * (real(i) - p) + imaginary(i) * imaginary(i);
      const t = (x * s - z * r) / q;
      set(i, column, t);
      set(i + 1, column, Math.abs(x) > Math.abs(z) ? (-r - w * t) / x : (-s - y * t) / z);
    }
    const t = Math.abs(get(i, column));
    if (EPS * t * t > 1) for (let j = i; j <= column; j++) set(j, column, get(j, column) / t);
  }
}

/** Vector of the pair whose second eigenvalue is of this column: real part in the one before, imaginary part in this one. */
function backPair(column: i32): void {
  const p = real(column);
  const q = imaginary(column);
  const one = column - 1;
  let l = one;
  let z: f64 = 0;
  let r: f64 = 0;
  let s: f64 = 0;
  if (Math.abs(get(column, one)) > Math.abs(get(one, column))) {
    set(one, one, q / get(column, one));
    set(one, column, -(get(column, column) - p) / get(column, one));
  } else {
    divide(0, -get(one, column), get(one, one) - p, q);
    set(one, one, quotientRe);
    set(one, column, quotientIm);
  }
  set(column, one, 0);
  set(column, column, 1);
  for (let i = column - 2; i >= 0; i--) {
    let ra: f64 = 0;
    let sa: f64 = 0;
    for (let j = l; j <= column; j++) {
      ra += get(i, j) * get(j, one);
      sa += get(i, j) * get(j, column);
    }
    const w = get(i, i) - p;
    if (imaginary(i) < 0) {
      z = w;
      r = ra;
      s = sa;
      continue;
    }
    l = i;
    if (imaginary(i) === 0) {
      divide(-ra, -sa, w, q);
      set(i, one, quotientRe);
      set(i, column, quotientIm);
    } else {
      const x = get(i, i + 1);
      const y = get(i + 1, i);
      let vr = (real(i) - p) * (real(i) - p) + imaginary(i) * imaginary(i) - q * q;
      const vi = (real(i) - p) * 2 * q;
      if (vr === 0 && vi === 0) {
        vr = EPS * norm * (Math.abs(w) + Math.abs(q) + Math.abs(x) + Math.abs(y) + Math.abs(z));
      }
      divide(x * r - z * ra + q * sa, x * s - z * sa - q * ra, vr, vi);
      const t = quotientRe;
      const u = quotientIm;
      set(i, one, t);
      set(i, column, u);
      if (Math.abs(x) > Math.abs(z) + Math.abs(q)) {
        set(i + 1, one, (-ra - w * t + q * u) / x);
        set(i + 1, column, (-sa - w * u - q * t) / x);
      } else {
        divide(-r - y * t, -s - y * u, z, q);
        set(i + 1, one, quotientRe);
        set(i + 1, column, quotientIm);
      }
    }
    const t = Math.max(Math.abs(get(i, one)), Math.abs(get(i, column)));
    if (EPS * t * t <= 1) continue;
    for (let j = i; j <= column; j++) {
      set(j, one, get(j, one) / t);
      set(j, column, get(j, column) / t);
    }
  }
}

/** Vectors of the triangle become those of the matrix: v·h, column by column from the last. */
function turnBack(): void {
  for (let j = n - 1; j >= 0; j--) {
    const to = at(v, 0, j);
    // Column j of v is needed for itself once only: it is taken times its own share first.
    const own = get(j, j);
    for (let i = 0; i < n; i++) {
      const place = to + ((<usize>i) << 3);
      store<f64>(place, load<f64>(place) * own);
    }
    for (let k = 0; k < j; k++) {
      const share = get(k, j);
      const from = at(v, 0, k);
      for (let i: usize = 0; i < (<usize>n) << 3; i += 8) {
        store<f64>(to + i, load<f64>(to + i) + share * load<f64>(from + i));
      }
    }
  }
}
