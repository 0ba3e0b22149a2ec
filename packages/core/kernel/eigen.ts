// Eigenvalues and vectors of a small real matrix by columns: reduced to Hessenberg form, then to real Schur form by Francis' double steps, then
// solved backwards. EISPACK's orthes, ortran and hqr2: Smith et al. 1976; Golub & Van Loan 2013, 7.4 to 7.6.

const EPS: f64 = 2.220446049250313e-16;
/** Steps after which shifts out of the ordinary are tried, where it does not converge. */
const ODD_SHIFT = 10;
const OTHER_SHIFT = 30;
/** It always has converged by then; a matrix with what is no number in it does not. */
const MOST_STEPS = 300;

let n: i32 = 0;
let h: usize = 0;
let v: usize = 0;
let re: usize = 0;
let im: usize = 0;
let norm: f64 = 0;

function at(a: usize, row: i32, column: i32): usize {
  return a + ((<usize>(column * n + row)) << 3);
}
function get(row: i32, column: i32): f64 {
  return load<f64>(at(h, row, column));
}
function set(row: i32, column: i32, value: f64): void {
  store<f64>(at(h, row, column), value);
}
function real(i: i32): f64 {
  return load<f64>(re + ((<usize>i) << 3));
}
function imaginary(i: i32): f64 {
  return load<f64>(im + ((<usize>i) << 3));
}
function found(i: i32, x: f64, y: f64): void {
  store<f64>(re + ((<usize>i) << 3), x);
  store<f64>(im + ((<usize>i) << 3), y);
}

/**
 * Eigenvalues of a `size` × `size` matrix, which is lost: real and imaginary parts, and vectors as columns. Of a pair the one above the
 * axis comes first, and the two columns are the real and imaginary part of its vector. False where it did not converge. `values` takes the real parts, then the
 * imaginary ones.
 */
export function eigen(matrix: usize, size: i32, values: usize, vectors: usize): bool {
  n = size;
  h = matrix;
  v = vectors;
  re = values;
  im = values + ((<usize>size) << 3);
  toHessenberg();
  if (!toSchur()) return false;
  if (norm === 0) return true;
  for (let j = n - 1; j >= 0; j--) {
    if (imaginary(j) === 0) backReal(j);
    else if (imaginary(j) < 0) backPair(j);
  }
  turnBack();
  return true;
}

/** Householder's reflections, noted in v. What is of this form already, as most of what comes here, is left alone. */
function toHessenberg(): void {
  memory.fill(v, 0, (<usize>(n * n)) << 3);
  for (let i = 0; i < n; i++) store<f64>(at(v, i, i), 1);
  for (let m = 1; m < n - 1; m++) {
    let scale: f64 = 0;
    for (let i = m + 1; i < n; i++) scale += Math.abs(get(i, m - 1));
    if (scale === 0) continue;
    scale += Math.abs(get(m, m - 1));
    // The reflection I − u·uᵀ/b; u in the column it empties.
    let b: f64 = 0;
    for (let i = m; i < n; i++) {
      set(i, m - 1, get(i, m - 1) / scale);
      b += get(i, m - 1) * get(i, m - 1);
    }
    const first = get(m, m - 1);
    const g = first > 0 ? -Math.sqrt(b) : Math.sqrt(b);
    b -= first * g;
    set(m, m - 1, first - g);
    for (let j = m; j < n; j++) {
      let f: f64 = 0;
      for (let i = m; i < n; i++) f += get(i, m - 1) * get(i, j);
      f /= b;
      for (let i = m; i < n; i++) set(i, j, get(i, j) - f * get(i, m - 1));
    }
    reflectColumns(h, m, b);
    reflectColumns(v, m, b);
    set(m, m - 1, scale * g);
    for (let i = m + 1; i < n; i++) set(i, m - 1, 0);
  }
}

/** A·(I − u·uᵀ/b), u being column m − 1 of h from row m on. */
function reflectColumns(a: usize, m: i32, b: f64): void {
  for (let i = 0; i < n; i++) {
    let f: f64 = 0;
    for (let j = m; j < n; j++) f += get(j, m - 1) * load<f64>(at(a, i, j));
    f /= b;
    for (let j = m; j < n; j++) {
      const place = at(a, i, j);
      store<f64>(place, load<f64>(place) - f * get(j, m - 1));
    }
  }
}

/** QR steps until nothing is left below the diagonal but pairs. */
function toSchur(): bool {
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
    if (++steps > MOST_STEPS) return false;
    doubleStep(l, end, x, y, w);
  }
  return true;
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
