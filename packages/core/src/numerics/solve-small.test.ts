import { Matrix, solve as solved } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { factor, solve } from './solve-small.ts';
import { seededUniform } from './random.ts';

describe('small dense systems', () => {
  it.each([1, 2, 3, 4, 5, 7, 8, 9, 12, 16, 23])(
    'of %i unknowns agree with a general solver, rows exchanged',
    (n) => {
      const uniform = seededUniform(n);
      for (let k = 0; k < 10; k++) {
        const rows = Array.from({ length: n }, () => Array.from({ length: n }, () => 2 * uniform() - 1));
        // A zero where the first pivot would be makes an exchange necessary.
        if (n > 1) rows[0]![0] = 0;
        const right = Array.from({ length: n }, () => 2 * uniform() - 1);
        const wanted = solved(new Matrix(rows), Matrix.columnVector(right)).to1DArray();
        const a = Float64Array.from(rows.flat());
        const exchanged = new Int32Array(n);
        factor(a, n, exchanged);
        const b = Float64Array.from(right);
        solve(a, n, exchanged, b);
        const size = Math.max(...wanted.map(Math.abs));
        for (let i = 0; i < n; i++) expect(Math.abs(b[i]! - wanted[i]!)).toBeLessThan(1e-9 * size);
      }
    },
  );
});
