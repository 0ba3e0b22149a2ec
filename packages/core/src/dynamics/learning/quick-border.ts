import { type ChatterCut, edgeSpeed, meanDirection, meanFactors } from '../chatter-cut.ts';
import type { TipStructure } from '../tip-structure.ts';

/** A structure's response on an even grid of frequencies, for many borders of one structure. */
export interface ResponseGrid {
  readonly fromHz: number;
  readonly stepHz: number;
  readonly lines: number;
  /** xx re, xx im, yy re, yy im of each line. */
  readonly values: Float64Array;
}

/** Response of modes scaled by factors, on a grid. */
export function responseGrid(
  structure: TipStructure,
  fromHz: number,
  toHz: number,
  stepHz: number,
): ResponseGrid {
  const lines = Math.max(2, Math.ceil((toHz - fromHz) / stepHz) + 1);
  const values = new Float64Array(lines * 4);
  [structure.x, structure.y].forEach((modes, axis) => {
    for (const m of modes) {
      for (let i = 0; i < lines; i++) {
        const r = (fromHz + i * stepHz) / m.hz;
        const a = 1 - r * r;
        const b = 2 * m.damping * r;
        const size = m.stiffness * (a * a + b * b);
        values[i * 4 + axis * 2]! += a / size;
        values[i * 4 + axis * 2 + 1]! -= b / size;
      }
    }
  });
  return { fromHz, stepHz, lines, values };
}

/** Border depth at the tip, mm, and its frequency. */
export interface QuickBorder {
  readonly depthMm: number;
  readonly hz: number;
}

/**
 * The averaged cut's border at one speed on a grid made before: as `limitAtSpeed`, but read between lines and without a
 * sine a line, since an even grid turns every delay's phase by one fixed step. For clouds of structures.
 */
export function quickBorder(cut: ChatterCut, grid: ResponseGrid, rpm: number): QuickBorder {
  const w = meanDirection(cut);
  const [ss, sc, cc] = meanFactors(cut);
  const kd = (cut.dampingNPerM ?? 0) / edgeSpeed(cut, rpm);
  const [d0, d1, d3] = [kd * ss, kd * sc, kd * cc];
  const teeth = cut.pitch.length;
  const turnRe = new Float64Array(teeth);
  const turnIm = new Float64Array(teeth);
  const stepRe = new Float64Array(teeth);
  const stepIm = new Float64Array(teeth);
  for (let j = 0; j < teeth; j++) {
    const tau = cut.pitch[j]! * (60 / rpm);
    turnRe[j] = Math.cos(grid.fromHz * tau);
    turnIm[j] = -Math.sin(grid.fromHz * tau);
    stepRe[j] = Math.cos(grid.stepHz * tau);
    stepIm[j] = -Math.sin(grid.stepHz * tau);
  }
  let best = Infinity;
  let bestHz = 0;
  let [lastRe0, lastIm0, lastRe1, lastIm1] = [0, 0, 0, 0];
  const { values, lines } = grid;
  const equal = cut.pitch.every((p) => Math.abs(p - cut.pitch[0]!) < 1e-9);
  const distinct = equal ? 1 : teeth;
  for (let i = 0; i < lines; i++) {
    let [sre, sim] = [1, 0];
    for (let j = 0; j < distinct; j++) {
      sre -= turnRe[j]! / distinct;
      sim -= turnIm[j]! / distinct;
      const re = turnRe[j]! * stepRe[j]! - turnIm[j]! * stepIm[j]!;
      turnIm[j] = turnRe[j]! * stepIm[j]! + turnIm[j]! * stepRe[j]!;
      turnRe[j] = re;
    }
    const omega = 2 * Math.PI * (grid.fromHz + i * grid.stepHz);
    const xr = values[i * 4]!;
    const xi = values[i * 4 + 1]!;
    const yr = values[i * 4 + 2]!;
    const yi = values[i * 4 + 3]!;
    const m0i = sim * w[0] + omega * d0;
    const m1i = sim * w[1] + omega * d1;
    const m2i = sim * w[2] + omega * d1;
    const m3i = sim * w[3] + omega * d3;
    const p00r = xr * sre * w[0] - xi * m0i;
    const p00i = xr * m0i + xi * sre * w[0];
    const p01r = xr * sre * w[1] - xi * m1i;
    const p01i = xr * m1i + xi * sre * w[1];
    const p10r = yr * sre * w[2] - yi * m2i;
    const p10i = yr * m2i + yi * sre * w[2];
    const p11r = yr * sre * w[3] - yi * m3i;
    const p11i = yr * m3i + yi * sre * w[3];
    const tr = (p00r + p11r) / 2;
    const ti = (p00i + p11i) / 2;
    const dr = p00r * p11r - p00i * p11i - (p01r * p10r - p01i * p10i);
    const di = p00r * p11i + p00i * p11r - (p01r * p10i + p01i * p10r);
    const qr = tr * tr - ti * ti - dr;
    const qi = 2 * tr * ti - di;
    const size = Math.sqrt(qr * qr + qi * qi);
    const rr = Math.sqrt(Math.max(0, (size + qr) / 2));
    const ri = (qi < 0 ? -1 : 1) * Math.sqrt(Math.max(0, (size - qr) / 2));
    let [re0, im0, re1, im1] = [-tr + rr, -ti + ri, -tr - rr, -ti - ri];
    if (i > 0) {
      // Keep the branches apart: the nearer eigenvalue goes on.
      const straight = Math.abs(re0 - lastRe0) + Math.abs(im0 - lastIm0);
      const swapped = Math.abs(re1 - lastRe0) + Math.abs(im1 - lastIm0);
      if (swapped < straight) [re0, im0, re1, im1] = [re1, im1, re0, im0];
      if (im0 * lastIm0 <= 0 && im0 !== lastIm0) {
        const t = lastIm0 / (lastIm0 - im0);
        const real = lastRe0 + t * (re0 - lastRe0);
        if (real > 0 && 1000 / real < best) {
          best = 1000 / real;
          bestHz = grid.fromHz + (i - 1 + t) * grid.stepHz;
        }
      }
      if (im1 * lastIm1 <= 0 && im1 !== lastIm1) {
        const t = lastIm1 / (lastIm1 - im1);
        const real = lastRe1 + t * (re1 - lastRe1);
        if (real > 0 && 1000 / real < best) {
          best = 1000 / real;
          bestHz = grid.fromHz + (i - 1 + t) * grid.stepHz;
        }
      }
    }
    [lastRe0, lastIm0, lastRe1, lastIm1] = [re0, im0, re1, im1];
  }
  return { depthMm: best, hz: bestHz };
}

/** Of the range chatter may have, the part in which the lowest border is found. */
const TOP = 0.88;

/** A grid fine enough for a tooth's delay at the slowest speed asked. */
export function gridFor(
  cut: ChatterCut,
  range: { readonly fromHz: number; readonly toHz: number },
  slowestRpm: number,
  perTurnOfPhase = 10,
): { fromHz: number; toHz: number; stepHz: number } {
  const longest = (Math.max(...cut.pitch) / (2 * Math.PI)) * (60 / slowestRpm);
  return {
    fromHz: range.fromHz,
    toHz: TOP * range.toHz,
    stepHz: Math.min(0.0085 * range.fromHz, 1 / (longest * perTurnOfPhase)),
  };
}
