// The small matrix whose eigenvalues are worked out, by columns: h of n rows, which becomes a triangle, and v, which gathers what was done to it.

export const EPS: f64 = 2.220446049250313e-16;

export let n: i32 = 0;
export let h: usize = 0;
export let v: usize = 0;
let re: usize = 0;
let im: usize = 0;

export function at(a: usize, row: i32, column: i32): usize {
  return a + ((<usize>(column * n + row)) << 3);
}
export function get(row: i32, column: i32): f64 {
  return load<f64>(at(h, row, column));
}
export function set(row: i32, column: i32, value: f64): void {
  store<f64>(at(h, row, column), value);
}
export function real(i: i32): f64 {
  return load<f64>(re + ((<usize>i) << 3));
}
export function imaginary(i: i32): f64 {
  return load<f64>(im + ((<usize>i) << 3));
}
export function found(i: i32, x: f64, y: f64): void {
  store<f64>(re + ((<usize>i) << 3), x);
  store<f64>(im + ((<usize>i) << 3), y);
}

/** Takes a matrix and the places for its eigenvalues and vectors. */
export function take(matrix: usize, size: i32, values: usize, vectors: usize): void {
  n = size;
  h = matrix;
  v = vectors;
  re = values;
  im = values + ((<usize>size) << 3);
}
