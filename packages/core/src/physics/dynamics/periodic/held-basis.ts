import { hold } from './held-frame.ts';
import { FLOAT, kernel } from '../../../numerics/kernel.ts';
import type { PeriodMap } from './period-map.ts';
import { smallEigen } from '../../../numerics/small-eigen.ts';

/** Vectors of a map and what it makes of them, in the kernel's memory; until something else is laid there. */
export interface HeldBasis {
  readonly applications: number;
  /** Eigenvalues of a matrix of the first vectors. */
  readonly eigenOf: ReturnType<typeof smallEigen>;
  /** Makes a vector the first of the basis, of length 1. */
  begin(vector: Float64Array): void;
  /** Makes what the map makes of the first vector the first of the basis. */
  beginWithImage(): void;
  /** What the map makes of vector j, less what it has of vectors 0 to j: so much of each, and the length of the rest, which is laid behind them. */
  image(j: number): { readonly parts: Float64Array; readonly rest: number };
  /** Makes the rest, times a number, vector j. */
  take(j: number, by: number): void;
  /** Sum of shares of the vectors. */
  sum(shares: readonly number[]): Float64Array;
  /** Makes sums of shares of the vectors the first ones of the basis, and vector `next` the one after them. */
  become(sums: readonly (readonly number[])[], next: number): void;
}

/** Once is enough unless most of the vector was taken away (Daniel, Gragg, Kaufman & Stewart 1976). */
const MOST_TAKEN = 0.3;

/** Room for a basis of so many vectors, and for `besides` more while they are added up. */
export function heldBasis({ frame, depthM, size }: PeriodMap, vectors: number, besides: number): HeldBasis {
  const k = kernel();
  const { run } = k;
  const { place, beside } = hold(frame, depthM);
  k.backTo(beside);
  const basis = k.room((vectors + besides) * size);
  const noted = k.room(vectors);
  const eigenOf = smallEigen(vectors);
  const at = (j: number): number => basis + FLOAT * size * j;
  const length = (j: number): number => Math.sqrt(run.square(at(j), size));
  const add = (shares: readonly number[], to: number): void => {
    k.at(noted, shares.length).set(shares);
    run.multiply(basis, size, shares.length, noted, FLOAT, to);
  };
  const apply = (j: number): void => {
    run.apply(place, depthM, at(j), at(j + 1), 0);
    applications++;
  };
  let applications = 0;
  const one = (j: number): void => run.scale(at(j), size, 1 / (length(j) || 1));
  return {
    get applications() {
      return applications;
    },
    eigenOf,
    begin(vector) {
      k.at(basis, size).set(vector);
      one(0);
    },
    beginWithImage() {
      apply(0);
      k.at(basis, size).set(k.at(at(1), size));
      one(0);
    },
    image(j) {
      apply(j);
      const parts = k.at(noted, j + 1).fill(0);
      const before = length(j + 1);
      run.orthogonalise(at(j + 1), basis, j + 1, size, noted);
      let rest = length(j + 1);
      if (rest < MOST_TAKEN * before) {
        run.orthogonalise(at(j + 1), basis, j + 1, size, noted);
        rest = length(j + 1);
      }
      return { parts, rest };
    },
    take: (j, by) => run.scale(at(j), size, by),
    sum(shares) {
      add(shares, at(vectors));
      return k.at(at(vectors), size).slice();
    },
    become(sums, next) {
      sums.forEach((shares, i) => add(shares, at(vectors + i)));
      k.at(basis, sums.length * size).set(k.at(at(vectors), sums.length * size));
      k.at(at(sums.length), size).set(k.at(at(next), size));
    },
  };
}
