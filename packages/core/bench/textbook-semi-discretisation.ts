import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { exponential } from '../golden/matrix-exponential.ts';

/** One mode along the feed and two equal straight flutes: the published benchmark's kind of cut. */
export interface TextbookCut {
  readonly hz: number;
  readonly damping: number;
  readonly massKg: number;
  /** Direction factor over an angle of the tool, N/m² of depth and displacement. */
  readonly factor: (angle: number) => number;
  readonly teeth: number;
}

/**
 * The textbook way, kept beside the benchmark to be compared with: first-order semi-discretisation with a dense
 * exponential each step, full matrix products over the period, and a dense eigenvalue solution. Insperger & Stépán 2004.
 */
export function textbookMultiplier(cut: TextbookCut, rpm: number, depthMm: number, steps: number): number {
  const period = 60 / rpm / cut.teeth;
  const dt = period / steps;
  const w = 2 * Math.PI * cut.hz;
  const size = steps + 2;
  let whole = Matrix.eye(size);
  for (let i = 0; i < steps; i++) {
    // Coefficient averaged over the step.
    let h = 0;
    for (let k = 0; k < 8; k++) h += cut.factor(((i + (k + 0.5) / 8) * 2 * Math.PI) / cut.teeth / steps) / 8;
    const g = (h * depthMm) / 1000 / cut.massKg;
    // ẋ = A·x + B·u, u linear over the step between two delayed samples.
    const m = Matrix.zeros(4, 4);
    m.set(0, 1, dt);
    m.set(1, 0, (-w * w - g) * dt);
    m.set(1, 1, -2 * cut.damping * w * dt);
    m.set(1, 2, g * dt);
    m.set(2, 3, 1);
    const e = exponential(m);
    const step = Matrix.zeros(size, size);
    step.set(0, 0, e.get(0, 0));
    step.set(0, 1, e.get(0, 1));
    step.set(1, 0, e.get(1, 0));
    step.set(1, 1, e.get(1, 1));
    // The column of the constant part and of the slope, for the two oldest samples.
    const [r0, r1] = [e.get(0, 2), e.get(1, 2)];
    const [s0, s1] = [e.get(0, 3), e.get(1, 3)];
    step.set(0, size - 1, step.get(0, size - 1) + r0 - s0);
    step.set(1, size - 1, step.get(1, size - 1) + r1 - s1);
    step.set(0, size - 2, step.get(0, size - 2) + s0);
    step.set(1, size - 2, step.get(1, size - 2) + s1);
    step.set(2, 0, step.get(2, 0) + 1);
    for (let k = 3; k < size; k++) step.set(k, k - 1, 1);
    whole = step.mmul(whole);
  }
  const { realEigenvalues: re, imaginaryEigenvalues: im } = new EigenvalueDecomposition(whole);
  return Math.max(...re.map((v, i) => Math.hypot(v, im[i]!)));
}
