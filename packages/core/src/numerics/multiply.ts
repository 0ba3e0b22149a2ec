/**
 * out = A·x for a matrix stored by rows; `x` is read from `from` on and `out` written from `to` on. Four rows at a time: each number
 * of x is read once for them, and their sums do not wait for one another. The inner loop of the periodic solution.
 */
export function multiply(
  a: Float64Array,
  rows: number,
  columns: number,
  x: Float64Array,
  from: number,
  out: Float64Array,
  to: number,
): void {
  const end = from + columns;
  let i = 0;
  for (; i + 3 < rows; i += 4) {
    let r0 = i * columns;
    let r1 = r0 + columns;
    let r2 = r1 + columns;
    let r3 = r2 + columns;
    let s0 = 0;
    let s1 = 0;
    let s2 = 0;
    let s3 = 0;
    for (let j = from; j < end; j++) {
      const v = x[j]!;
      s0 += a[r0++]! * v;
      s1 += a[r1++]! * v;
      s2 += a[r2++]! * v;
      s3 += a[r3++]! * v;
    }
    out[to + i] = s0;
    out[to + i + 1] = s1;
    out[to + i + 2] = s2;
    out[to + i + 3] = s3;
  }
  for (; i < rows; i++) {
    let sum = 0;
    for (let j = from, at = i * columns; j < end; j++, at++) sum += a[at]! * x[j]!;
    out[to + i] = sum;
  }
}
