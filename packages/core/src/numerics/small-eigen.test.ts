import { EigenvalueDecomposition, inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { kernel } from './kernel.ts';
import { smallEigen } from './small-eigen.ts';
import { seededUniform } from './random.ts';

/** As Arnoldi's method leaves it: nothing below the first line under the diagonal; `full` rows and columns are full. */
function arnoldi(n: number, full: number, seed: number): Matrix {
  const uniform = seededUniform(seed);
  const out = Matrix.zeros(n, n);
  for (let r = 0; r < n; r++) {
    for (let c = 0; c < n; c++) if (r <= c + 1 || (r < full && c < full)) out.set(r, c, 2 * uniform() - 1);
  }
  return out;
}

const MOST = 33;

function worked(matrix: Matrix) {
  kernel().layAnew({});
  return smallEigen(MOST)(matrix.rows, (r, c) => matrix.get(r, c));
}

const times = (matrix: Matrix, v: readonly number[]): number[] =>
  matrix.mmul(Matrix.columnVector([...v])).to1DArray();

describe('eigenvalues of small matrices', () => {
  it.each([1, 2, 3, 6, 8, 13, 20, 32, 33])(
    'of %i rows are those ml-matrix finds, with their vectors',
    (n) => {
      for (let seed = 1; seed <= 12; seed++) {
        const matrix = arnoldi(n, seed % 3 === 0 ? n : seed % 3 === 1 ? Math.min(9, n) : 0, 50 * seed + n);
        const { realEigenvalues, imaginaryEigenvalues } = new EigenvalueDecomposition(matrix);
        const sizes = realEigenvalues
          .map((x, i) => ({ size: Math.hypot(x, imaginaryEigenvalues[i]!), im: imaginaryEigenvalues[i]! }))
          .filter(({ im }) => im >= 0)
          .map(({ size }) => size)
          .sort((a, b) => b - a);
        const { ranked, columns } = worked(matrix);
        expect(ranked).toHaveLength(sizes.length);
        ranked.forEach(({ size, angle, i }, k) => {
          expect(Math.abs(size - sizes[k]!)).toBeLessThan(1e-9 * sizes[0]!);
          const [re, im] = columns(i);
          const length = Math.hypot(...re, ...(im ?? []));
          // A·(a + ib) = μ·(a + ib), with the angle of whichever of the pair the vector is of.
          const [ar, ai] = [times(matrix, re), im ? times(matrix, im) : re.map(() => 0)];
          const [c, s] = [size * Math.cos(angle), size * Math.sin(angle)];
          const off = re.flatMap((x, r) => [
            ar[r]! - (c * x - s * (im?.[r] ?? 0)),
            ai[r]! - (s * x + c * (im?.[r] ?? 0)),
          ]);
          expect(Math.hypot(...off) / length).toBeLessThan(1e-10 * sizes[0]! * n);
        });
      }
    },
  );

  it.each([6, 13, 20])('of %i rows: the condition says how far a small change moves one', (n) => {
    const matrix = arnoldi(n, 0, n);
    const { ranked, conditionOf, columns } = worked(matrix);
    const { eigenvectorMatrix } = new EigenvalueDecomposition(matrix);
    const left = inverse(eigenvectorMatrix);
    for (const { i, angle } of ranked) {
      if (columns(i)[1] || angle > 0) continue;
      const wanted = Math.hypot(...left.getRow(i)) * Math.hypot(...eigenvectorMatrix.getColumn(i));
      expect(conditionOf(i) / wanted).toBeCloseTo(1, 6);
    }
    // The worst change of its size, u·vᵀ of left and right vector, moves it by as much; none in this direction by more.
    const [{ i, size }] = ranked as [(typeof ranked)[0]];
    const condition = conditionOf(i);
    expect(condition).toBeGreaterThanOrEqual(1 - 1e-9);
    const uniform = seededUniform(1);
    for (let k = 0; k < 20; k++) {
      const change = Matrix.zeros(n, n).apply(function (this: Matrix, r, c) {
        this.set(r, c, 2 * uniform() - 1);
      });
      const little = 1e-7 / change.norm();
      const moved = Math.abs(worked(Matrix.add(matrix, change.mul(little))).ranked[0]!.size - size);
      expect(moved).toBeLessThan(1.01 * condition * 1e-7);
    }
  });

  it('of one that holds what is no number is refused, not worked on for ever', () => {
    expect(() =>
      worked(
        new Matrix([
          [NaN, 1, 2],
          [1, 2, 3],
          [0, 1, 1],
        ]),
      ),
    ).toThrow(/did not converge/);
  });
});
