import { FLOAT, kernel } from './kernel.ts';

/** An eigenvalue: its absolute value and angle, rad, 0 to π, and where it stands. Of a pair the one above the axis. */
export interface Eigenvalue {
  readonly size: number;
  readonly angle: number;
  readonly i: number;
}

/** Eigenvalues and vectors of a small real matrix, in the kernel's memory: until the next one is worked out, or something else is laid there. */
export interface SmallEigen {
  /** Largest first, a pair once. */
  readonly ranked: readonly Eigenvalue[];
  /** Real and imaginary part of a vector; the latter is null for a real eigenvalue. */
  columns(i: number): readonly [number[], number[] | null];
  /** Condition of an eigenvalue: how many times a change of the matrix may move it. Golub & Van Loan 2013, 7.2.2. */
  conditionOf(i: number): number;
}

/** Works out eigenvalues of matrices up to so many rows, one after the other, beside what is laid in the kernel's memory. */
export function smallEigen(
  most: number,
): (n: number, element: (row: number, column: number) => number) => SmallEigen {
  const k = kernel();
  const [matrix, vectors, values] = [k.room(most * most), k.room(most * most), k.room(2 * most)];
  const padded = most + (most % 2);
  const [turned, exchanged, row] = [k.room(padded * padded), k.room(padded), k.room(padded)];
  return (n, element) => {
    const laid = k.at(matrix, n * n);
    for (let c = 0; c < n; c++) for (let r = 0; r < n; r++) laid[c * n + r] = element(r, c);
    if (!k.run.eigen(matrix, n, values, vectors))
      throw new Error(`eigenvalues of ${n} rows did not converge`);
    const re = k.at(values, n);
    const im = k.at(values + FLOAT * n, n);
    const column = (c: number): number[] => [...k.at(vectors + FLOAT * n * c, n)];
    const ranked = Array.from(re, (x, i) => ({
      size: Math.hypot(x, im[i]!),
      angle: Math.abs(Math.atan2(im[i]!, x)),
      i,
    }))
      .filter(({ i }) => im[i]! >= 0)
      .sort((a, b) => b.size - a.size);
    return {
      ranked,
      columns: (i) => [column(i), im[i]! > 0 ? column(i + 1) : null],
      conditionOf: (i) => {
        // Rows of the inverse are the left vectors: of a pair one is the real part, the other the imaginary one, both twice.
        const even = n + (n % 2);
        const to = k.at(turned, even * even).fill(0);
        const from = k.at(vectors, n * n);
        for (let r = 0; r < n; r++) for (let c = 0; c < n; c++) to[r * even + c] = from[c * n + r]!;
        if (even > n) to[even * even - 1] = 1;
        k.run.factor(turned, even, exchanged);
        const left = (c: number): Float64Array => {
          const own = k.at(row, even).fill(0);
          own[c] = 1;
          k.run.solve(turned, even, exchanged, row);
          return own.slice(0, n);
        };
        const pair = im[i]! > 0;
        const size = pair ? Math.hypot(...left(i), ...left(i + 1)) / 2 : Math.hypot(...left(i));
        return size * Math.hypot(...column(i), ...(pair ? column(i + 1) : []));
      },
    };
  };
}
