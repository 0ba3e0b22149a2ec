import { at, EPS, found, get, h, n, set, v } from './small-matrix';

/** Steps after which shifts out of the ordinary are tried, where it does not converge. */
const ODD_SHIFT = 10;
const OTHER_SHIFT = 30;
/** It always has converged by then; a matrix with what is no number in it does not. */
const MOST_STEPS = 300;

let norm: f64 = 0;

/** Francis' double steps until nothing is left below the diagonal but pairs: the size of the matrix, negative where they did not get there. */
export function toSchur(): f64 {
  norm = 0;
  for (let j = 0; j < n; j++) for (let i = 0; i <= min(j + 1, n - 1); i++) norm += Math.abs(get(i, j));
  let shifted: f64 = 0;
  let steps = 0;
  let end = n - 1;
  while (end >= 0) {
    const l = beginOf(end);
    if (l === end) {
      set(end, end, get(end, end) + shifted);
      found(end, get(end, end), 0);
      end--;
      steps = 0;
      continue;
    }
    if (l === end - 1) {
      set(end, end, get(end, end) + shifted);
      set(end - 1, end - 1, get(end - 1, end - 1) + shifted);
      splitPair(end);
      end -= 2;
      steps = 0;
      continue;
    }
    let x = get(end, end);
    let y = get(end - 1, end - 1);
    let w = get(end, end - 1) * get(end - 1, end);
    if (steps === ODD_SHIFT) {
      shifted += x;
      for (let i = 0; i <= end; i++) set(i, i, get(i, i) - x);
      const s = Math.abs(get(end, end - 1)) + Math.abs(get(end - 1, end - 2));
      x = y = 0.75 * s;
      w = -0.4375 * s * s;
    }
    if (steps === OTHER_SHIFT) {
      let s = (y - x) / 2;
      s = s * s + w;
      if (s > 0) {
        s = y < x ? -Math.sqrt(s) : Math.sqrt(s);
        s = x - w / ((y - x) / 2 + s);
        for (let i = 0; i <= end; i++) set(i, i, get(i, i) - s);
        shifted += s;
        x = y = w = 0.964;
      }
    }
    if (++steps > MOST_STEPS) return -1;
    doubleStep(l, end, x, y, w);
  }
  return norm;
}

/** Row at which the block that ends at a row begins: where what stands below the diagonal is nothing. */
function beginOf(end: i32): i32 {
  let l = end;
  for (; l > 0; l--) {
    let s = Math.abs(get(l - 1, l - 1)) + Math.abs(get(l, l));
    if (s === 0) s = norm;
    if (Math.abs(get(l, l - 1)) < EPS * s) break;
  }
  return l;
}

/** The two eigenvalues of the block that ends at a row; where they are real it is made a triangle. */
function splitPair(end: i32): void {
  const w = get(end, end - 1) * get(end - 1, end);
  const p = (get(end - 1, end - 1) - get(end, end)) / 2;
  const q = p * p + w;
  const x = get(end, end);
  const root = Math.sqrt(Math.abs(q));
  if (q < 0) {
    found(end - 1, x + p, root);
    found(end, x + p, -root);
    return;
  }
  const z = p >= 0 ? p + root : p - root;
  found(end - 1, x + z, 0);
  found(end, z !== 0 ? x - w / z : x + z, 0);
  const below = get(end, end - 1);
  const length = Math.sqrt(below * below + z * z);
  const s = below / length;
  const c = z / length;
  for (let j = end - 1; j < n; j++) {
    const first = get(end - 1, j);
    const second = get(end, j);
    set(end - 1, j, c * first + s * second);
    set(end, j, c * second - s * first);
  }
  turnColumns(at(h, 0, end - 1), end + 1, c, s);
  turnColumns(at(v, 0, end - 1), n, c, s);
}

/** Turns the first rows of a column and the next. */
function turnColumns(column: usize, rows: i32, c: f64, s: f64): void {
  const next = (<usize>n) << 3;
  for (let i = 0, place = column; i < rows; i++, place += 8) {
    const first = load<f64>(place);
    const second = load<f64>(place + next);
    store<f64>(place, c * first + s * second);
    store<f64>(place + next, c * second - s * first);
  }
}

/** One step with two shifts, whose sum is x + y and product x·y − w, on the block from row l to row `end`. */
function doubleStep(l: i32, end: i32, x: f64, y: f64, w: f64): void {
  let p: f64 = 0;
  let q: f64 = 0;
  let r: f64 = 0;
  let m = end - 2;
  for (; m >= l; m--) {
    const z = get(m, m);
    const s = (x - z) * (y - z) - w;
    p = s / get(m + 1, m) + get(m, m + 1);
    q = get(m + 1, m + 1) - z - (x - z) - (y - z);
    r = get(m + 2, m + 1);
    const size = Math.abs(p) + Math.abs(q) + Math.abs(r);
    p /= size;
    q /= size;
    r /= size;
    if (m === l) break;
    const near = Math.abs(get(m - 1, m - 1)) + Math.abs(z) + Math.abs(get(m + 1, m + 1));
    if (Math.abs(get(m, m - 1)) * (Math.abs(q) + Math.abs(r)) < EPS * Math.abs(p) * near) break;
  }
  for (let i = m + 2; i <= end; i++) {
    set(i, i - 2, 0);
    if (i > m + 2) set(i, i - 3, 0);
  }
  for (let k = m; k < end; k++) {
    const three = k !== end - 1;
    let size: f64 = 1;
    if (k !== m) {
      p = get(k, k - 1);
      q = get(k + 1, k - 1);
      r = three ? get(k + 2, k - 1) : 0;
      size = Math.abs(p) + Math.abs(q) + Math.abs(r);
      if (size === 0) continue;
      p /= size;
      q /= size;
      r /= size;
    }
    const s = p < 0 ? -Math.sqrt(p * p + q * q + r * r) : Math.sqrt(p * p + q * q + r * r);
    if (s === 0) continue;
    if (k !== m) set(k, k - 1, -s * size);
    else if (l !== m) set(k, k - 1, -get(k, k - 1));
    p += s;
    const a = p / s;
    const b = q / s;
    const c = r / s;
    q /= p;
    r /= p;
    reflectThreeRows(k, three, a, b, c, q, r);
    reflectThree(at(h, 0, k), min(end, k + 3) + 1, three, a, b, c, q, r);
    reflectThree(at(v, 0, k), n, three, a, b, c, q, r);
  }
}

/** Rows k to k + 2 less (1, q, r) times (a, b, c) of them; two rows only where `three` is false. */
function reflectThreeRows(k: i32, three: bool, a: f64, b: f64, c: f64, q: f64, r: f64): void {
  const next = (<usize>n) << 3;
  for (let j = k, place = at(h, k, k); j < n; j++, place += next) {
    let p = load<f64>(place) + q * load<f64>(place, 8);
    if (three) {
      p += r * load<f64>(place, 16);
      store<f64>(place, load<f64>(place, 16) - p * c, 16);
    }
    store<f64>(place, load<f64>(place) - p * a);
    store<f64>(place, load<f64>(place, 8) - p * b, 8);
  }
}

/** The first rows of a column and the next two less (a, b, c) times (1, q, r) of them. */
function reflectThree(column: usize, rows: i32, three: bool, a: f64, b: f64, c: f64, q: f64, r: f64): void {
  const next = (<usize>n) << 3;
  const last = column + ((<usize>rows) << 3);
  if (three) {
    for (let i0 = column, i1 = column + next, i2 = i1 + next; i0 < last; i0 += 8, i1 += 8, i2 += 8) {
      const p = a * load<f64>(i0) + b * load<f64>(i1) + c * load<f64>(i2);
      store<f64>(i0, load<f64>(i0) - p);
      store<f64>(i1, load<f64>(i1) - p * q);
      store<f64>(i2, load<f64>(i2) - p * r);
    }
    return;
  }
  for (let i0 = column, i1 = column + next; i0 < last; i0 += 8, i1 += 8) {
    const p = a * load<f64>(i0) + b * load<f64>(i1);
    store<f64>(i0, load<f64>(i0) - p);
    store<f64>(i1, load<f64>(i1) - p * q);
  }
}
