import { heldBasis, type HeldBasis } from './held-basis.ts';
import type { PeriodMap } from './period-map.ts';
import { seededUniform } from '../../../numerics/random.ts';
import type { SmallEigen } from '../../../numerics/small-eigen.ts';

/** Largest multiplier of a map. */
export interface Multiplier {
  /** Growth in one period. */
  readonly size: number;
  /** Share of it that it may be off: estimated. */
  readonly off: number;
  /** Angle it turns by in one period, rad, 0 to π. */
  readonly angle: number;
  /** Times the map was applied to find it. */
  readonly applications: number;
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
 * The answer may be there before the basis is full: it is looked for when so many vectors are there. Too soon, something that grows less, or
 * does not grow at all, may stand for what grows most.
 */
const FIRST_LOOK = 12;
/** Nepers a vector more brings the answer nearer, as a rule; and the most vectors between two looks. */
const PER_VECTOR = 0.6;
const MOST_APART = 8;

/** Vectors after which to look again, an even number, where a multiplier is off so many times what is wanted. */
const nextLook = (excess: number): number =>
  Math.min(MOST_APART, 2 * Math.max(1, Math.ceil(Math.log(excess) / PER_VECTOR / 2)));

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
  const m = Math.min(vectors, map.size);
  let [lookAt, step] = [FIRST_LOOK, MOST_APART];
  const basis = heldBasis(map, m + 1, 2 * KEPT);
  basis.begin(near ?? seeded(map.size));
  for (let i = 0; !near && i < 2; i++) basis.beginWithImage();
  // Column by column what the map makes of a basis vector, in the basis; row m is what sticks out of it.
  let h = new Float64Array((m + 1) * m);
  let j = 0;
  let eigen: SmallEigen | null = null;
  for (let round = 0; ; round++) {
    for (; ; j++) {
      const { parts, rest } = basis.image(j);
      for (let i = 0; i <= j; i++) h[i * m + j] = parts[i]!;
      const spanned = rest < 1e-13;
      const used = j + 1;
      if (spanned || used === m || used >= lookAt) {
        eigen = basis.eigenOf(used, (r, c) => h[r * m + c]!);
        const top = topOf(eigen, used);
        const wanted = far ? Math.max(tolerance, Math.min(far, farShare(top) * apart(top))) : tolerance;
        const off = spanned ? 0 : (top.condition * rest * top.last) / Math.max(top.size, LEAST_SIZE);
        const close = off <= wanted;
        if (close || (used === m && (round + 1 >= restarts || m === map.size))) {
          return {
            size: top.size,
            off,
            angle: top.angle,
            applications: basis.applications,
            vector: { re: basis.sum(top.re), im: top.im ? basis.sum(top.im) : new Float64Array(map.size) },
            leading: basis.sum(top.leading),
          };
        }
        step = nextLook(off / wanted);
        lookAt = used + step;
      }
      h[used * m + j] = rest;
      basis.take(used, 1 / rest);
      if (used === m) break;
    }
    [j, h] = compressed(basis, eigen!, h, m);
    lookAt = j + step;
  }
}

/** Multipliers kept at a restart. */
const KEPT = 8;

/**
 * The leading multipliers' vectors as the beginning of a new basis, with the vector that comes next and what is known of
 * them: the decomposition stays one, so that nothing is applied again. Krylov–Schur after Stewart 2002. How many they are, and the new
 * matrix.
 */
function compressed(
  basis: HeldBasis,
  { ranked, columns }: SmallEigen,
  h: Float64Array,
  m: number,
): [number, Float64Array<ArrayBuffer>] {
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
  basis.become(kept, m);
  return [kept.length, next];
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

const lengthOf = ([a, b]: readonly [number[], number[] | null]): number => Math.hypot(...a, ...(b ?? []));

function topOf({ ranked, columns, conditionOf }: SmallEigen, used: number): Top {
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
