import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { PeriodMap } from './period-map.ts';

/** Largest multiplier of a map. */
export interface Multiplier {
  /** Growth in one period. */
  readonly size: number;
  /** Angle it turns by in one period, rad, 0 to π. */
  readonly angle: number;
  /** What grows: real and imaginary part; the latter is 0 for a real multiplier. */
  readonly vector: { readonly re: Float64Array; readonly im: Float64Array };
}

export interface ArnoldiOptions {
  /** Vectors before a restart. */
  readonly vectors?: number;
  /** Part of the size the answer may be off. */
  readonly tolerance?: number;
  readonly restarts?: number;
}

/** A start that is the same every time and favours no node. */
function seeded(size: number): Float64Array {
  let s = 12345;
  return Float64Array.from({ length: size }, () => {
    s = (Math.imul(1103515245, s) + 12345) & 0x7fffffff;
    return s / 0x40000000 - 1;
  });
}

const norm = (v: Float64Array): number => {
  let sum = 0;
  for (const x of v) sum += x * x;
  return Math.sqrt(sum);
};

/**
 * Largest multiplier by Arnoldi's method with restarts from the wanted vector, the map being applied and never written
 * out. Saad, Numerical Methods for Large Eigenvalue Problems, 2011, ch. 6. A few applications let the fast-dying part
 * of the start die first. `near` is the answer for a map that differs little, if it has the same size.
 */
export function dominantMultiplier(
  map: PeriodMap,
  { vectors = 18, tolerance = 2e-4, restarts = 5 }: ArnoldiOptions = {},
  near?: Multiplier,
): Multiplier {
  const { size } = map;
  const m = Math.min(vectors, size);
  let start: Float64Array;
  if (near?.vector.re.length === size) start = near.vector.re.map((x, i) => x + near.vector.im[i]!);
  else {
    start = seeded(size);
    const held = new Float64Array(size);
    for (let i = 0; i < 2; i++) {
      map.apply(start, held);
      const scale = 1 / (norm(held) || 1);
      start = held.map((x) => x * scale);
    }
  }
  const zero = new Float64Array(size);
  let answer: Multiplier = { size: 0, angle: 0, vector: { re: start, im: zero } };
  for (let round = 0; round < restarts; round++) {
    const basis: Float64Array[] = [];
    const h = new Float64Array((m + 1) * m);
    const scale = 1 / (norm(start) || 1);
    basis.push(start.map((x) => x * scale));
    let used = m;
    let rest = 0;
    for (let j = 0; j < m; j++) {
      const w = new Float64Array(size);
      map.apply(basis[j]!, w);
      const before = norm(w);
      orthogonalise(w, basis, j, h, m);
      rest = norm(w);
      // Once is enough unless most of the vector was taken away (Daniel, Gragg, Kaufman & Stewart 1976).
      if (rest < 0.3 * before) {
        orthogonalise(w, basis, j, h, m);
        rest = norm(w);
      }
      if (rest < 1e-13) {
        used = j + 1;
        break;
      }
      if (j + 1 < m) h[(j + 1) * m + j] = rest;
      basis.push(w.map((x) => x / rest));
    }
    const small = new Matrix(used, used);
    for (let i = 0; i < used; i++) for (let j = 0; j < used; j++) small.set(i, j, h[i * m + j]!);
    const eigen = new EigenvalueDecomposition(small);
    const re = eigen.realEigenvalues;
    const im = eigen.imaginaryEigenvalues;
    let top = 0;
    for (let i = 1; i < used; i++) if (Math.hypot(re[i]!, im[i]!) > Math.hypot(re[top]!, im[top]!)) top = i;
    const found = Math.hypot(re[top]!, im[top]!);
    // Of a complex pair the two columns are the real and imaginary part.
    const pair = im[top]! !== 0;
    const first = pair ? (im[top]! > 0 ? top : top - 1) : top;
    const v = eigen.eigenvectorMatrix;
    let sizeOf = 0;
    let last = 0;
    for (let i = 0; i < used; i++) {
      const [a, b] = [v.get(i, first), pair ? v.get(i, first + 1) : 0];
      sizeOf += a * a + b * b;
      if (i === used - 1) last = Math.hypot(a, b);
    }
    const vector = { re: new Float64Array(size), im: pair ? new Float64Array(size) : zero };
    for (let i = 0; i < used; i++) {
      const [a, c] = [v.get(i, first), pair ? v.get(i, first + 1) : 0];
      const b = basis[i]!;
      for (let k = 0; k < size; k++) vector.re[k]! += a * b[k]!;
      if (pair) for (let k = 0; k < size; k++) vector.im[k]! += c * b[k]!;
    }
    answer = { size: found, angle: Math.abs(Math.atan2(im[top]!, re[top]!)), vector };
    if (used < m || (rest * last) / Math.sqrt(sizeOf) <= tolerance * Math.max(found, 0.02)) return answer;
    start = vector.re.map((x, k) => x + vector.im[k]!);
  }
  return answer;
}

/** Takes the first j + 1 basis vectors out of w, and notes how much of each. */
function orthogonalise(
  w: Float64Array,
  basis: readonly Float64Array[],
  j: number,
  h: Float64Array,
  m: number,
): void {
  const { length } = w;
  for (let i = 0; i <= j; i++) {
    const v = basis[i]!;
    let dot = 0;
    for (let k = 0; k < length; k++) dot += v[k]! * w[k]!;
    h[i * m + j]! += dot;
    for (let k = 0; k < length; k++) w[k]! -= dot * v[k]!;
  }
}
