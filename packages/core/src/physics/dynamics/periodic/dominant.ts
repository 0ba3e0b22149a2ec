import { seededUniform } from '../../../numerics/random.ts';
import { factor, solve } from '../../../numerics/solve-small.ts';
import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { PeriodMap } from './period-map.ts';

/** Largest multiplier of a map. */
export interface Multiplier {
  /** Growth in one period. */
  readonly size: number;
  /** Share of it that it may be off: estimated. */
  readonly off: number;
  /** Angle it turns by in one period, rad, 0 to π. */
  readonly angle: number;
  /** What grows: real and imaginary part; the latter is 0 for a real multiplier. */
  readonly vector: { readonly re: Float64Array; readonly im: Float64Array };
  /** Sum of what grows most and what might next to it: where to begin on a map that differs little. */
  readonly leading: Float64Array;
}

export interface ArnoldiOptions {
  /** Vectors before a restart. */
  readonly vectors?: number;
  /** Part of its size a multiplier may be off. */
  readonly tolerance?: number;
  /** The tolerance far from a multiplier of 1, where it need only be told from it; absent is the same everywhere. */
  readonly far?: number;
  readonly restarts?: number;
}

const SEED = 12345;

/** A start that is the same every time and favours no node. */
function seeded(size: number): Float64Array {
  const uniform = seededUniform(SEED);
  return Float64Array.from({ length: size }, () => 2 * uniform() - 1);
}

const norm = (v: Float64Array): number => {
  let sum = 0;
  for (const x of v) sum += x * x;
  return Math.sqrt(sum);
};

/** Vectors of a basis, used again by the next one: a search makes thousands of them. */
const rooms: Float64Array[] = [];

function roomOf(place: number, size: number): Float64Array {
  let room = rooms[place];
  if (!room || room.length < size) rooms[place] = room = new Float64Array(Math.ceil(1.25 * size));
  return room.length === size ? room : room.subarray(0, size);
}

/** A vector times a number, in the room of its place in the basis. */
function scaled(v: Float64Array, by: number, place: number): Float64Array {
  const out = roomOf(place, v.length);
  for (let k = 0; k < v.length; k++) out[k] = by * v[k]!;
  return out;
}

/** So much of its distance from 1, as ln of the size, a multiplier may be off where it need only be told from it. */
const FAR_SHARE = 0.05;
/** Less where it grows: first answers come down from above. */
const FAR_SHARE_GROWING = 0.015;

/** Smaller multipliers are all as calm. */
const LEAST_SIZE = 0.02;

const farShare = ({ size }: Top): number => (size > 1 ? FAR_SHARE_GROWING : FAR_SHARE);
const apart = ({ size }: Top): number => Math.abs(Math.log(Math.max(size, 1e-9)));

/** Multipliers a start for the next map holds. */
const LEADING = 6;
/**
 * The answer may be there before the basis is full: it is looked for at so many vectors. Too soon, something that grows less may
 * stand for what grows most: with an unknown start, and where the period is so short that little of anything dies in it.
 */
const LOOKED_AT = [6, 8, 12, 16, 20, 24];
const FIRST_OF_MANY = 12;
const SHORT = 600;

/**
 * Largest multiplier by Arnoldi's method with restarts from the leading vectors, the map being applied and never written
 * out. Saad, Numerical Methods for Large Eigenvalue Problems, 2011, ch. 6. A few applications let the fast-dying part
 * of the start die first. `near` is what leads on a map that differs little.
 */
export function dominantMultiplier(
  map: PeriodMap,
  { vectors = 32, tolerance = 2e-4, restarts = 5, far }: ArnoldiOptions = {},
  near?: Float64Array,
): Multiplier {
  const { size } = map;
  const m = Math.min(vectors, size);
  const least = near && size > SHORT ? 0 : FIRST_OF_MANY;
  let start = near ?? seeded(size);
  for (let i = 0; !near && i < 2; i++) {
    const held = roomOf(1, size);
    map.apply(start, held);
    start = scaled(held, 1 / (norm(held) || 1), 0);
  }
  let basis: Float64Array[] = [scaled(start, 1 / (norm(start) || 1), 0)];
  // Column by column what the map makes of a basis vector, in the basis; row m is what sticks out of it.
  let h = new Float64Array((m + 1) * m);
  let j = 0;
  for (let round = 0; ; round++) {
    for (; ; j++) {
      const w = roomOf(j + 1, size);
      map.apply(basis[j]!, w);
      const before = norm(w);
      orthogonalise(w, basis, j, h, m);
      let rest = norm(w);
      // Once is enough unless most of the vector was taken away (Daniel, Gragg, Kaufman & Stewart 1976).
      if (rest < 0.3 * before) {
        orthogonalise(w, basis, j, h, m);
        rest = norm(w);
      }
      const spanned = rest < 1e-13;
      const used = j + 1;
      if (spanned || used === m || (used >= least && LOOKED_AT.includes(used))) {
        const top = topOf(h, used, m);
        const wanted = far ? Math.max(tolerance, Math.min(far, farShare(top) * apart(top))) : tolerance;
        const off = spanned ? 0 : (top.condition * rest * top.last) / Math.max(top.size, LEAST_SIZE);
        const close = off <= wanted;
        if (close || (used === m && (round + 1 >= restarts || m === size))) {
          return {
            size: top.size,
            off,
            angle: top.angle,
            vector: { re: summed(basis, top.re, size), im: summed(basis, top.im ?? [], size) },
            leading: summed(basis, top.leading, size),
          };
        }
      }
      h[used * m + j] = rest;
      const by = 1 / rest;
      for (let k = 0; k < size; k++) w[k]! *= by;
      basis.push(w);
      if (used === m) break;
    }
    [basis, h] = compressed(basis, h, m, size);
    j = basis.length - 1;
  }
}

/** Multipliers kept at a restart. */
const KEPT = 8;

/**
 * The leading multipliers' vectors as the beginning of a new basis, with the vector that comes next and what is known of
 * them: the decomposition stays one, so that nothing is applied again. Krylov–Schur after Stewart 2002.
 */
function compressed(
  basis: readonly Float64Array[],
  h: Float64Array,
  m: number,
  size: number,
): [Float64Array[], Float64Array<ArrayBuffer>] {
  const { ranked, columns } = eigenOf(h, m, m);
  const kept: number[][] = [];
  for (const { i } of ranked.slice(0, KEPT)) {
    for (const column of columns(i)) {
      if (!column || kept.length >= m - 2) continue;
      const own = [...column];
      for (let pass = 0; pass < 2; pass++) {
        for (const k of kept) {
          const dot = k.reduce((sum, x, r) => sum + x * own[r]!, 0);
          for (let r = 0; r < m; r++) own[r]! -= dot * k[r]!;
        }
      }
      const length = Math.hypot(...own);
      if (length > 1e-10 * Math.hypot(...column)) kept.push(own.map((x) => x / length));
    }
  }
  const next = new Float64Array((m + 1) * m);
  kept.forEach((y, c) => {
    const image = Array.from({ length: m }, (_, r) => {
      let sum = 0;
      for (let k = 0; k < m; k++) sum += h[r * m + k]! * y[k]!;
      return sum;
    });
    kept.forEach((x, r) => (next[r * m + c] = x.reduce((sum, v, k) => sum + v * image[k]!, 0)));
    next[kept.length * m + c] = h[m * m + m - 1]! * y[m - 1]!;
  });
  const vectors = [...kept.map((y) => summed(basis, y, size)), basis[m]!];
  return [vectors.map((v, place) => scaled(v, 1, place)), next];
}

interface Top {
  readonly size: number;
  readonly angle: number;
  /** Its vector in the basis; `im` is null for a real multiplier. */
  readonly re: readonly number[];
  readonly im: readonly number[] | null;
  /** Sum of the vectors of the largest few. */
  readonly leading: readonly number[];
  /** Share the last basis vector has. */
  readonly last: number;
  /** Condition of the multiplier: so many times what is left over it may be off. Golub & Van Loan 2013, 7.2.2. */
  readonly condition: number;
}

/** Eigenvalues of the leading `used` rows and columns of a matrix stored by rows of `m`: largest first, a pair once. */
function eigenOf(
  h: Float64Array,
  used: number,
  m: number,
): {
  readonly ranked: readonly { readonly size: number; readonly angle: number; readonly i: number }[];
  /** Real and imaginary part of a vector; the latter is null for a real eigenvalue. */
  readonly columns: (i: number) => readonly [number[], number[] | null];
  /** Condition of an eigenvalue. */
  readonly conditionOf: (i: number) => number;
} {
  const small = new Matrix(used, used);
  for (let r = 0; r < used; r++) for (let c = 0; c < used; c++) small.set(r, c, h[r * m + c]!);
  const eigen = new EigenvalueDecomposition(small);
  const re = eigen.realEigenvalues;
  const im = eigen.imaginaryEigenvalues;
  const v = eigen.eigenvectorMatrix;
  const column = (c: number): number[] => Array.from({ length: used }, (_, k) => v.get(k, c));
  return {
    // Of a pair the two columns are the real and imaginary part of the first one's vector.
    ranked: re
      .map((x, i) => ({ size: Math.hypot(x, im[i]!), angle: Math.abs(Math.atan2(im[i]!, x)), i }))
      .filter(({ i }) => im[i]! >= 0)
      .sort((p, q) => q.size - p.size),
    columns: (i) => [column(i), im[i]! > 0 ? column(i + 1) : null],
    conditionOf: (i) => {
      // Rows of the inverse are the left vectors: of a pair one is the real part, the other the imaginary one, both twice.
      const turned = Float64Array.from({ length: used * used }, (_, k) =>
        v.get(k % used, Math.floor(k / used)),
      );
      const exchanged = new Int32Array(used);
      factor(turned, used, exchanged);
      const left = (c: number): Float64Array => {
        const row = Float64Array.from({ length: used }, (_, k) => (k === c ? 1 : 0));
        solve(turned, used, exchanged, row);
        return row;
      };
      const pair = im[i]! > 0;
      const size = pair ? Math.hypot(...left(i), ...left(i + 1)) / 2 : Math.hypot(...left(i));
      return size * Math.hypot(...column(i), ...(pair ? column(i + 1) : []));
    },
  };
}

const lengthOf = ([a, b]: readonly [number[], number[] | null]): number => Math.hypot(...a, ...(b ?? []));

function topOf(h: Float64Array, used: number, m: number): Top {
  const { ranked, columns, conditionOf } = eigenOf(h, used, m);
  const leading = new Array<number>(used).fill(0);
  for (const { i } of ranked.slice(0, LEADING)) {
    const pair = columns(i);
    const scale = 1 / (lengthOf(pair) || 1);
    for (let k = 0; k < used; k++) leading[k]! += scale * (pair[0][k]! + (pair[1]?.[k] ?? 0));
  }
  const [{ size, angle, i }] = ranked as [(typeof ranked)[0]];
  const pair = columns(i);
  return {
    size,
    angle,
    re: pair[0],
    im: pair[1],
    leading,
    last: Math.hypot(pair[0][used - 1]!, pair[1]?.[used - 1] ?? 0) / lengthOf(pair),
    condition: conditionOf(i),
  };
}

function summed(basis: readonly Float64Array[], shares: readonly number[], size: number): Float64Array {
  const out = new Float64Array(size);
  shares.forEach((share, i) => {
    const b = basis[i]!;
    for (let k = 0; k < size; k++) out[k]! += share * b[k]!;
  });
  return out;
}

/** Takes the first j + 1 basis vectors out of w, two at a time, and notes how much of each. */
function orthogonalise(
  w: Float64Array,
  basis: readonly Float64Array[],
  j: number,
  h: Float64Array,
  m: number,
): void {
  const { length } = w;
  for (let i = 0; i <= j; i += 2) {
    const u = basis[i]!;
    // An odd one out goes with itself, and is taken once.
    const v = basis[i < j ? i + 1 : i]!;
    let du = 0;
    let dv = 0;
    for (let k = 0; k < length; k++) {
      const x = w[k]!;
      du += u[k]! * x;
      dv += v[k]! * x;
    }
    if (i === j) dv = 0;
    else h[(i + 1) * m + j]! += dv;
    h[i * m + j]! += du;
    for (let k = 0; k < length; k++) w[k]! -= du * u[k]! + dv * v[k]!;
  }
}
