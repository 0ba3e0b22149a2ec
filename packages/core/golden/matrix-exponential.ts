import { Matrix } from 'ml-matrix';

/** Matrix exponential by scaling, a Taylor series and squaring. */
export function exponential(a: Matrix): Matrix {
  const squarings = Math.max(0, Math.ceil(Math.log2(a.norm('frobenius') + 1e-300)) + 4);
  const b = Matrix.mul(a, 2 ** -squarings);
  let sum = Matrix.eye(a.rows);
  let term = Matrix.eye(a.rows);
  for (let k = 1; k <= 12; k++) {
    term = term.mmul(b).div(k);
    sum = Matrix.add(sum, term);
  }
  for (let i = 0; i < squarings; i++) sum = sum.mmul(sum);
  return sum;
}
