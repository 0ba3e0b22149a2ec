import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { Matrix, QrDecomposition, solve as solved } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { FLOAT, kernel } from './kernel.ts';
import { seededUniform } from './random.ts';

const ROOT = join(import.meta.dirname, '../../../..');
const SIZES = [2, 4, 6, 8, 10, 12, 14, 16, 22, 24, 30];

/** Numbers from −1 to 1, by columns as the kernel has them, and as rows. */
function matrixOf(rows: number, columns: number, seed: number) {
  const uniform = seededUniform(seed);
  const byColumns = Float64Array.from({ length: rows * columns }, () => 2 * uniform() - 1);
  const matrix = new Matrix(rows, columns);
  byColumns.forEach((x, k) => matrix.set(k % rows, Math.floor(k / rows), x));
  return { byColumns, matrix };
}

const column = (values: ArrayLike<number>): Matrix => Matrix.columnVector(Array.from(values));

/** Largest difference of two vectors. */
const apart = (a: ArrayLike<number>, b: ArrayLike<number>): number =>
  Math.max(...Array.from(a, (x, i) => Math.abs(x - b[i]!)));

describe('inner loops', () => {
  const k = kernel();

  it('are those of packages/core/kernel', () => {
    const done = spawnSync(process.execPath, [join(ROOT, 'scripts/kernel.mjs'), '--check'], {
      encoding: 'utf8',
    });
    expect(done.stderr).toBe('');
    expect(done.status).toBe(0);
  }, 60_000);

  it.each(SIZES)('multiply %i rows as ml-matrix does, whatever lies between the numbers', (rows) => {
    for (const columns of [1, 3, 8, 17]) {
      k.layAnew({});
      const { byColumns, matrix } = matrixOf(rows, columns, rows);
      const { byColumns: sparse } = matrixOf(3, columns, columns);
      const x = Array.from({ length: columns }, (_, i) => sparse[3 * i]!);
      const out = k.room(rows);
      k.run.multiply(k.lay(byColumns), rows, columns, k.lay(sparse), 3 * FLOAT, out);
      expect(apart(k.at(out, rows), matrix.mmul(column(x)).to1DArray())).toBeLessThan(1e-14 * columns);
    }
  });

  it.each(SIZES)('solve %i equations as ml-matrix does, rows exchanged', (n) => {
    for (let seed = 1; seed < 8; seed++) {
      k.layAnew({});
      const { byColumns, matrix } = matrixOf(n, n, 100 * seed + n);
      // A zero where the first pivot would be makes an exchange necessary.
      byColumns[0] = 0;
      matrix.set(0, 0, 0);
      const { byColumns: right } = matrixOf(n, 1, seed);
      const wanted = solved(matrix, column(right)).to1DArray();
      const [a, b, exchanged] = [k.lay(byColumns), k.lay(right), k.room(n)];
      k.run.factor(a, n, exchanged);
      k.run.solve(a, n, exchanged, b);
      const size = Math.max(...wanted.map(Math.abs));
      expect(apart(k.at(b, n), wanted)).toBeLessThan(1e-10 * size);
    }
  });

  it.each([1, 3, 4, 6, 9])('take %i vectors out of another, and say how much', (count) => {
    const size = 18;
    k.layAnew({});
    const { byColumns, matrix } = matrixOf(size, count, 7);
    // Orthonormal ones, as a basis has.
    const q = new QrDecomposition(matrix).orthogonalMatrix;
    q.to2DArray().forEach((row, r) => row.forEach((x, c) => (byColumns[c * size + r] = x)));
    const { byColumns: other } = matrixOf(size, 1, 11);
    const [basis, w, parts] = [k.lay(byColumns), k.lay(other), k.lay(new Float64Array(count))];
    expect(k.run.square(w, size)).toBeCloseTo(
      other.reduce((sum, x) => sum + x * x, 0),
      12,
    );
    k.run.orthogonalise(w, basis, count, size, parts);
    const wanted = q.transpose().mmul(column(other));
    expect(apart(k.at(parts, count), wanted.to1DArray())).toBeLessThan(1e-13);
    const rest = column(other).sub(q.mmul(wanted)).to1DArray();
    expect(apart(k.at(w, size), rest)).toBeLessThan(1e-13);
    k.run.scale(w, size, -2);
    expect(
      apart(
        k.at(w, size),
        rest.map((x) => -2 * x),
      ),
    ).toBeLessThan(1e-13);
  });

  it('keep what is laid when the memory grows', () => {
    k.layAnew({});
    const values = Float64Array.from({ length: 100 }, (_, i) => i);
    const place = k.lay(values);
    k.room(4e6);
    expect([...k.at(place, 100)]).toEqual([...values]);
  });
});
