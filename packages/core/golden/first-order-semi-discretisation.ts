import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { type ChatterCut, directionOf, requireCut } from '../src/physics/dynamics/chatter-cut.ts';
import { engagementOf } from '../src/physics/dynamics/periodic/engaged-teeth.ts';
import type { TipStructure } from '../src/physics/dynamics/tip-structure.ts';
import { exponential } from './matrix-exponential.ts';
import { toothFactors } from './tooth-factors.ts';

/** Points a step's coefficient is averaged at. */
const AVERAGED_AT = 400;

/**
 * Multiplier of first-order semi-discretisation with so many steps a tooth, for equal teeth: the method the worked cases
 * state beside the converged answer, with its own error. Insperger & Stépán 2004.
 */
export function firstOrderMultiplier(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
  depthMm: number,
  steps: number,
): number {
  requireCut(cut);
  const modes = [...structure.x.map((m) => ({ ...m, d: 0 })), ...structure.y.map((m) => ({ ...m, d: 1 }))];
  const directions = [0, 1].filter((d) => modes.some((m) => m.d === d));
  const [n, u] = [2 * modes.length, directions.length];
  const engagement = engagementOf(cut, depthMm);
  const dt = (engagement.period * 60) / rpm / (2 * Math.PI) / steps;
  const size = n + u * (steps + 1);
  let whole = Matrix.eye(size);
  for (let i = 0; i < steps; i++) {
    const mean = new Float64Array(3);
    for (let k = 0; k < AVERAGED_AT; k++) {
      const theta = ((i + (k + 0.5) / AVERAGED_AT) * engagement.period) / steps;
      for (const tooth of engagement.teeth) {
        const factors = toothFactors(cut, tooth, engagement.period, theta);
        factors?.forEach((f, j) => (mean[j]! += f / AVERAGED_AT));
      }
    }
    const w = directionOf(cut, mean[0]!, mean[1]!, mean[2]!).map((v) => (v * depthMm) / 1000);
    // z' = A·z + B·u, u linear over the step: one exponential holds its constant part and its slope.
    const m = Matrix.zeros(n + 2 * u, n + 2 * u);
    modes.forEach((mode, a) => {
      const omega = 2 * Math.PI * mode.hz;
      const mass = mode.stiffness / omega ** 2;
      m.set(2 * a, 2 * a + 1, dt);
      m.set(2 * a + 1, 2 * a, -omega * omega * dt);
      m.set(2 * a + 1, 2 * a + 1, -2 * mode.damping * omega * dt);
      modes.forEach((other, b) => {
        const g = (w[mode.d * 2 + other.d]! / mass) * dt;
        m.set(2 * a + 1, 2 * b, m.get(2 * a + 1, 2 * b) - g);
      });
      directions.forEach((d, j) => m.set(2 * a + 1, n + j, (w[mode.d * 2 + d]! / mass) * dt));
    });
    for (let j = 0; j < u; j++) m.set(n + j, n + u + j, 1);
    const e = exponential(m);
    const step = Matrix.zeros(size, size);
    for (let r = 0; r < n; r++) {
      for (let c = 0; c < n; c++) step.set(r, c, e.get(r, c));
      for (let j = 0; j < u; j++) {
        const [constant, slope] = [e.get(r, n + j), e.get(r, n + u + j)];
        // The record holds u now, one step ago, …: the oldest is a period ago, the one after it a step later.
        step.set(r, n + steps * u + j, constant - slope);
        step.set(r, n + (steps - 1) * u + j, slope);
      }
    }
    // The newest entry of the record is the motion at the end of the step.
    for (let j = 0; j < u; j++) {
      const row = n + j;
      modes.forEach((mode, a) => {
        if (mode.d !== directions[j]) return;
        for (let c = 0; c < size; c++) step.set(row, c, step.get(row, c) + step.get(2 * a, c));
      });
    }
    for (let k = u; k < u * (steps + 1); k++) step.set(n + k, n + k - u, 1);
    whole = step.mmul(whole);
  }
  const { realEigenvalues: re, imaginaryEigenvalues: im } = new EigenvalueDecomposition(whole);
  return Math.max(...re.map((v, i) => Math.hypot(v, im[i]!)));
}
