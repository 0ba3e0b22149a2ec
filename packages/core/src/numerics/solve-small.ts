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
 * Solves with the factors of `factor`; `b` becomes the answer. Column by column, so that no sum waits for the one before it.
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
  for (let j = 0; j < n; j++) {
    const x = b[j]!;
    for (let i = j + 1, at = i * n + j; i < n; i++, at += n) b[i]! -= a[at]! * x;
  }
  for (let j = n - 1; j >= 0; j--) {
    const x = (b[j]! /= a[j * n + j]!);
    for (let i = 0, at = j; i < j; i++, at += n) b[i]! -= a[at]! * x;
  }
}
