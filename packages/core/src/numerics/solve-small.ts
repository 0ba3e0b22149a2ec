/** Small dense systems, factored once and solved many times; in place, without allocation: the inner loop of the map. */

/** LU factors with row exchanges of an n × n matrix stored by rows. Golub & Van Loan 2013, 3.4. */
export function factor(a: Float64Array, n: number, exchanged: Int32Array): void {
  for (let k = 0; k < n; k++) {
    let most = Math.abs(a[k * n + k]!);
    let row = k;
    for (let i = k + 1; i < n; i++) {
      const size = Math.abs(a[i * n + k]!);
      if (size > most) [most, row] = [size, i];
    }
    exchanged[k] = row;
    if (row !== k) {
      for (let j = 0; j < n; j++) {
        const held = a[k * n + j]!;
        a[k * n + j] = a[row * n + j]!;
        a[row * n + j] = held;
      }
    }
    const pivot = 1 / a[k * n + k]!;
    for (let i = k + 1; i < n; i++) {
      const times = (a[i * n + k]! *= pivot);
      if (times === 0) continue;
      for (let j = k + 1; j < n; j++) a[i * n + j]! -= times * a[k * n + j]!;
    }
  }
}

/**
 * Solves with the factors of `factor`; `b` becomes the answer. Four rows at a time: each number known so far is read once for them, and
 * their sums do not wait for one another.
 */
export function solve(a: Float64Array, n: number, exchanged: Int32Array, b: Float64Array): void {
  for (let k = 0; k < n; k++) {
    const row = exchanged[k]!;
    if (row !== k) {
      const held = b[k]!;
      b[k] = b[row]!;
      b[row] = held;
    }
  }
  const whole = n - (n % 4);
  forward(a, n, b, whole);
  back(a, n, b, whole);
}

/** b becomes L⁻¹·b; rows from `whole` on go one by one. */
function forward(a: Float64Array, n: number, b: Float64Array, whole: number): void {
  for (let i = 0; i < whole; i += 4) {
    let r0 = i * n;
    let r1 = r0 + n;
    let r2 = r1 + n;
    let r3 = r2 + n;
    let s0 = b[i]!;
    let s1 = b[i + 1]!;
    let s2 = b[i + 2]!;
    let s3 = b[i + 3]!;
    for (let j = 0; j < i; j++) {
      const x = b[j]!;
      s0 -= a[r0++]! * x;
      s1 -= a[r1++]! * x;
      s2 -= a[r2++]! * x;
      s3 -= a[r3++]! * x;
    }
    s1 -= a[r1]! * s0;
    s2 -= a[r2]! * s0 + a[r2 + 1]! * s1;
    s3 -= a[r3]! * s0 + a[r3 + 1]! * s1 + a[r3 + 2]! * s2;
    b[i] = s0;
    b[i + 1] = s1;
    b[i + 2] = s2;
    b[i + 3] = s3;
  }
  for (let i = whole; i < n; i++) {
    let sum = b[i]!;
    for (let j = 0, at = i * n; j < i; j++, at++) sum -= a[at]! * b[j]!;
    b[i] = sum;
  }
}

/** b becomes U⁻¹·b. */
function back(a: Float64Array, n: number, b: Float64Array, whole: number): void {
  for (let i = n - 1; i >= whole; i--) {
    let sum = b[i]!;
    for (let j = i + 1, at = i * n + j; j < n; j++, at++) sum -= a[at]! * b[j]!;
    b[i] = sum / a[i * n + i]!;
  }
  for (let i = whole - 4; i >= 0; i -= 4) {
    const d0 = i * n + i;
    const d1 = d0 + n;
    const d2 = d1 + n;
    const d3 = d2 + n;
    let r0 = d0 + 4;
    let r1 = d1 + 4;
    let r2 = d2 + 4;
    let r3 = d3 + 4;
    let s0 = b[i]!;
    let s1 = b[i + 1]!;
    let s2 = b[i + 2]!;
    let s3 = b[i + 3]!;
    for (let j = i + 4; j < n; j++) {
      const x = b[j]!;
      s0 -= a[r0++]! * x;
      s1 -= a[r1++]! * x;
      s2 -= a[r2++]! * x;
      s3 -= a[r3++]! * x;
    }
    s3 /= a[d3 + 3]!;
    s2 = (s2 - a[d2 + 3]! * s3) / a[d2 + 2]!;
    s1 = (s1 - a[d1 + 2]! * s2 - a[d1 + 3]! * s3) / a[d1 + 1]!;
    s0 = (s0 - a[d0 + 1]! * s1 - a[d0 + 2]! * s2 - a[d0 + 3]! * s3) / a[d0]!;
    b[i] = s0;
    b[i + 1] = s1;
    b[i + 2] = s2;
    b[i + 3] = s3;
  }
}
