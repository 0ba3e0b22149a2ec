// Small dense matrices by columns, two numbers at a time: as many rows as are a multiple of two. Places are those of the memory, in bytes.

/** out = A·x; the numbers of x stand `apart` bytes from one another, the columns of A one behind the other. */
export function multiply(a: usize, rows: i32, columns: i32, x: usize, apart: usize, out: usize): void {
  const column = (<usize>rows) << 3;
  const last = x + <usize>columns * apart;
  let i = 0;
  for (; i + 8 <= rows; i += 8) {
    let s0 = f64x2.splat(0);
    let s1 = s0;
    let s2 = s0;
    let s3 = s0;
    for (let p = x, at = a + ((<usize>i) << 3); p < last; p += apart, at += column) {
      const v = v128.load64_splat(p);
      s0 = f64x2.add(s0, f64x2.mul(v128.load(at), v));
      s1 = f64x2.add(s1, f64x2.mul(v128.load(at, 16), v));
      s2 = f64x2.add(s2, f64x2.mul(v128.load(at, 32), v));
      s3 = f64x2.add(s3, f64x2.mul(v128.load(at, 48), v));
    }
    const to = out + ((<usize>i) << 3);
    v128.store(to, s0);
    v128.store(to, s1, 16);
    v128.store(to, s2, 32);
    v128.store(to, s3, 48);
  }
  for (; i + 4 <= rows; i += 4) {
    let s0 = f64x2.splat(0);
    let s1 = s0;
    for (let p = x, at = a + ((<usize>i) << 3); p < last; p += apart, at += column) {
      const v = v128.load64_splat(p);
      s0 = f64x2.add(s0, f64x2.mul(v128.load(at), v));
      s1 = f64x2.add(s1, f64x2.mul(v128.load(at, 16), v));
    }
    const to = out + ((<usize>i) << 3);
    v128.store(to, s0);
    v128.store(to, s1, 16);
  }
  for (; i < rows; i += 2) {
    let s0 = f64x2.splat(0);
    for (let p = x, at = a + ((<usize>i) << 3); p < last; p += apart, at += column) {
      s0 = f64x2.add(s0, f64x2.mul(v128.load(at), v128.load64_splat(p)));
    }
    v128.store(out + ((<usize>i) << 3), s0);
  }
}

/** b −= the first `known` columns of L times what they say is known of b: unit lower triangle, n × n. */
function eliminate(a: usize, n: i32, known: i32, b: usize): void {
  const column = (<usize>n) << 3;
  const end = b + column;
  let k = 0;
  for (; k + 4 <= known; k += 4) {
    const c0 = a + <usize>k * column + ((<usize>k) << 3);
    const c1 = c0 + column;
    const c2 = c1 + column;
    const at = b + ((<usize>k) << 3);
    const x0 = load<f64>(at);
    const x1 = load<f64>(at, 8) - load<f64>(c0, 8) * x0;
    const x2 = load<f64>(at, 16) - load<f64>(c0, 16) * x0 - load<f64>(c1, 16) * x1;
    const x3 = load<f64>(at, 24) - load<f64>(c0, 24) * x0 - load<f64>(c1, 24) * x1 - load<f64>(c2, 24) * x2;
    store<f64>(at, x1, 8);
    store<f64>(at, x2, 16);
    store<f64>(at, x3, 24);
    subtractFour(
      c0 + 32,
      column,
      f64x2.splat(x0),
      f64x2.splat(x1),
      f64x2.splat(x2),
      f64x2.splat(x3),
      at + 32,
      end,
    );
  }
  for (; k < known; k++) {
    let c = a + <usize>k * column + ((<usize>k) << 3) + 8;
    let at = b + ((<usize>k) << 3) + 8;
    const x = load<f64>(at - 8);
    if (!(k & 1)) {
      store<f64>(at, load<f64>(at) - load<f64>(c) * x);
      at += 8;
      c += 8;
    }
    const v = f64x2.splat(x);
    for (; at < end; at += 16, c += 16) {
      v128.store(at, f64x2.sub(v128.load(at), f64x2.mul(v128.load(c), v)));
    }
  }
}

/** Takes four columns times a number each from b, up to `end`; the first stands at `c`. */
function subtractFour(
  c: usize,
  column: usize,
  x0: v128,
  x1: v128,
  x2: v128,
  x3: v128,
  b: usize,
  end: usize,
): void {
  let c0 = c;
  let c1 = c0 + column;
  let c2 = c1 + column;
  let c3 = c2 + column;
  for (let at = b; at < end; at += 16, c0 += 16, c1 += 16, c2 += 16, c3 += 16) {
    const one = f64x2.add(f64x2.mul(v128.load(c0), x0), f64x2.mul(v128.load(c1), x1));
    const two = f64x2.add(f64x2.mul(v128.load(c2), x2), f64x2.mul(v128.load(c3), x3));
    v128.store(at, f64x2.sub(v128.load(at), f64x2.add(one, two)));
  }
}

/** Two numbers change places. */
function exchange(a: usize, b: usize): void {
  const held = load<f64>(a);
  store<f64>(a, load<f64>(b));
  store<f64>(b, held);
}

/**
 * LU factors with row exchanges of an n × n matrix, in its place, column by column; the diagonal of U is left inverted. `exchanged` takes
 * n whole numbers. Golub & Van Loan 2013, 3.2.9 and 3.4.
 */
export function factor(a: usize, n: i32, exchanged: usize): void {
  const column = (<usize>n) << 3;
  for (let j = 0; j < n; j++) {
    const own = a + <usize>j * column;
    for (let k = 0; k < j; k++) {
      const row = load<i32>(exchanged + ((<usize>k) << 2));
      if (row !== k) exchange(own + ((<usize>k) << 3), own + ((<usize>row) << 3));
    }
    eliminate(a, n, j, own);
    const from = own + ((<usize>j) << 3);
    const end = own + column;
    let most = Math.abs(load<f64>(from));
    let pivot = from;
    for (let at = from + 8; at < end; at += 8) {
      const size = Math.abs(load<f64>(at));
      if (size > most) {
        most = size;
        pivot = at;
      }
    }
    const row = <i32>((pivot - own) >> 3);
    store<i32>(exchanged + ((<usize>j) << 2), row);
    if (row !== j) {
      for (let at = a + ((<usize>j) << 3), to = a + ((<usize>row) << 3), k = 0; k <= j; k++) {
        exchange(at, to);
        at += column;
        to += column;
      }
    }
    const inverse = 1 / load<f64>(from);
    store<f64>(from, inverse);
    for (let at = from + 8; at < end; at += 8) store<f64>(at, load<f64>(at) * inverse);
  }
}

/** Solves with the factors of `factor`, n even; b becomes the answer. */
export function solve(a: usize, n: i32, exchanged: usize, b: usize): void {
  for (let k = 0; k < n; k++) {
    const row = load<i32>(exchanged + ((<usize>k) << 2));
    if (row !== k) exchange(b + ((<usize>k) << 3), b + ((<usize>row) << 3));
  }
  eliminate(a, n, n, b);
  const column = (<usize>n) << 3;
  let k = n;
  if (k & 2) {
    k -= 2;
    const top0 = a + <usize>k * column;
    const top1 = top0 + column;
    const down = (<usize>k) << 3;
    const at = b + down;
    const x1 = load<f64>(at, 8) * load<f64>(top1 + down, 8);
    const x0 = (load<f64>(at) - load<f64>(top1 + down) * x1) * load<f64>(top0 + down);
    store<f64>(at, x0);
    store<f64>(at, x1, 8);
    const v0 = f64x2.splat(x0);
    const v1 = f64x2.splat(x1);
    for (let i: usize = 0; i < down; i += 16) {
      const both = f64x2.add(f64x2.mul(v128.load(top0 + i), v0), f64x2.mul(v128.load(top1 + i), v1));
      v128.store(b + i, f64x2.sub(v128.load(b + i), both));
    }
  }
  while (k > 0) {
    k -= 4;
    const top0 = a + <usize>k * column;
    const down = (<usize>k) << 3;
    const c0 = top0 + down;
    const c1 = c0 + column;
    const c2 = c1 + column;
    const c3 = c2 + column;
    const at = b + down;
    const x3 = load<f64>(at, 24) * load<f64>(c3, 24);
    const x2 = (load<f64>(at, 16) - load<f64>(c3, 16) * x3) * load<f64>(c2, 16);
    const x1 = (load<f64>(at, 8) - load<f64>(c3, 8) * x3 - load<f64>(c2, 8) * x2) * load<f64>(c1, 8);
    const x0 = (load<f64>(at) - load<f64>(c3) * x3 - load<f64>(c2) * x2 - load<f64>(c1) * x1) * load<f64>(c0);
    store<f64>(at, x0);
    store<f64>(at, x1, 8);
    store<f64>(at, x2, 16);
    store<f64>(at, x3, 24);
    subtractFour(top0, column, f64x2.splat(x0), f64x2.splat(x1), f64x2.splat(x2), f64x2.splat(x3), b, at);
  }
}
