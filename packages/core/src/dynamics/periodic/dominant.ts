import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import type { PeriodMap } from './period-map.ts';

/** Largest multiplier of a map. */
export interface Multiplier {
  /** Growth in one period. */
  readonly size: number;
  /** Angle it turns by in one period, rad, 0 to π. */
  readonly angle: number;
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
 * of the start die first.
 */
export function dominantMultiplier(
  map: PeriodMap,
  { vectors = 18, tolerance = 2e-4, restarts = 5 }: ArnoldiOptions = {},
): Multiplier {
  const { size } = map;
  const m = Math.min(vectors, size);
  let start = seeded(size);
  const held = new Float64Array(size);
  for (let i = 0; i < 2; i++) {
    map.apply(start, held);
    const scale = 1 / (norm(held) || 1);
    start = held.map((x) => x * scale);
  }
  let answer: Multiplier = { size: 0, angle: 0 };
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
      for (let pass = 0; pass < 2; pass++) {
        for (let i = 0; i <= j; i++) {
          const v = basis[i]!;
          let dot = 0;
          for (let k = 0; k < size; k++) dot += v[k]! * w[k]!;
          h[i * m + j]! += dot;
          for (let k = 0; k < size; k++) w[k]! -= dot * v[k]!;
        }
      }
      rest = norm(w);
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
    answer = { size: found, angle: Math.abs(Math.atan2(im[top]!, re[top]!)) };
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
    if (used < m || (rest * last) / Math.sqrt(sizeOf) <= tolerance * Math.max(found, 0.02)) return answer;
    const next = new Float64Array(size);
    for (let i = 0; i < used; i++) {
      const weight = v.get(i, first) + (pair ? v.get(i, first + 1) : 0);
      const b = basis[i]!;
      for (let k = 0; k < size; k++) next[k]! += weight * b[k]!;
    }
    start = next;
  }
  return answer;
}
