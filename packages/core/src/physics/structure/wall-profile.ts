import { requirePositive } from '../../units/input-error.ts';
import type { EdgeBand } from '../cutting/edge-profile.ts';
import type { EdgeForce, ForceLaw } from '../cutting/force-law.ts';
import type { BeamSegment } from './stepped-beam.ts';

/** A tool on its springs, as far as the wall is concerned. */
export interface LeaningTool {
  /** Root first. */
  readonly segments: readonly BeamSegment[];
  /** Give of everything behind the tool under a side force acting `lever` mm in front of the nose, mm/N. */
  readonly support: (leverMm: number) => number;
}

export interface WallCut {
  readonly bands: readonly EdgeBand[];
  /** Angle from each tooth to the one before it, rad. */
  readonly pitch: readonly number[];
  readonly helix: number;
  readonly feedPerToothMm: number;
  readonly axialDepthMm: number;
  readonly direction: 'climb' | 'conventional';
}

export interface WallProfile {
  /** Height above the tip, mm. */
  readonly heightMm: readonly number[];
  /** What is left on the wall (+) or cut too deep (−) there, mm. */
  readonly errorMm: readonly number[];
  readonly largestMm: number;
  readonly smallestMm: number;
  readonly meanMm: number;
}

const TURN = 2 * Math.PI;

/** Deflection of a stepped cantilever at `at` under a unit force at `load`, both from the root, mm/N. Unit-load integral. */
function beamGive(segments: readonly BeamSegment[], at: number, load: number): number {
  const reach = Math.min(at, load);
  let give = 0;
  let x = 0;
  for (const s of segments) {
    const end = Math.min(x + s.lengthMm, reach);
    if (end > x) {
      const stiffness = (s.modulusGPa * 1000 * Math.PI * s.diameterMm ** 4) / 64;
      // ∫ (at − x)(load − x) dx, the integrand being a parabola: Simpson's rule is exact.
      const f = (u: number): number => (at - u) * (load - u);
      give += (((end - x) / 6) * (f(x) + 4 * f((x + end) / 2) + f(end))) / stiffness;
    }
    x += s.lengthMm;
  }
  return give;
}

/**
 * Matrix of what height i gives under a unit force at height j, mm/N. Support springs act as a lever: a force at j turns
 * the nose, and i follows it; taken as the geometric mean of both levers, exact where translation or rotation governs.
 */
function giveMatrix(tool: LeaningTool, heights: readonly number[]): Float64Array {
  const length = tool.segments.reduce((sum, s) => sum + s.lengthMm, 0);
  const n = heights.length;
  const m = new Float64Array(n * n);
  const support = heights.map((h) => tool.support(length - h));
  for (let i = 0; i < n; i++) {
    for (let j = i; j < n; j++) {
      const give =
        beamGive(tool.segments, length - heights[i]!, length - heights[j]!) +
        Math.sqrt(support[i]! * support[j]!);
      m[i * n + j] = give;
      m[j * n + i] = give;
    }
  }
  return m;
}

/** Force across the feed of every slice at tip angle θ, N; positive points away from a wall made by climb milling. */
function sliceForces(cut: WallCut, law: ForceLaw, heights: readonly number[], theta: number): Float64Array {
  const n = heights.length;
  const dz = cut.axialDepthMm / n;
  const widest = cut.bands.reduce((w, b) => Math.max(w, b.radiusMm), 1e-9);
  const force: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  const out = new Float64Array(n);
  const perRadian = (cut.feedPerToothMm * cut.pitch.length) / TURN;
  for (let i = 0; i < n; i++) {
    const z = heights[i]!;
    const band = cut.bands.find((b) => z >= b.fromMm - 1e-9 && z <= b.toMm + 1e-9);
    if (!band) continue;
    const sinK = Math.sin(band.kapr);
    let offset = 0;
    for (let j = 0; j < cut.pitch.length; j++) {
      if (j > 0) offset += cut.pitch[j]!;
      const behind = theta - offset - (z * Math.tan(cut.helix)) / widest;
      const phi = behind - TURN * Math.floor((behind - band.arc.entry + 1e-9) / TURN);
      if (phi > band.arc.exit + 1e-9) continue;
      const h = perRadian * cut.pitch[j]! * Math.sin(phi) * sinK;
      if (h <= 1e-9) continue;
      law.at(h, force);
      out[i]! += ((force.tangential / sinK) * Math.sin(phi) - force.radial * Math.cos(phi)) * dz;
    }
  }
  return out;
}

/**
 * Error left along the height of the wall.
 *
 * A point of the wall is made the moment a tooth passes it (surface generation point): where the tooth leaves the work in
 * climb, where it enters in conventional milling. With a helix that moment, and the force of it, differs from height to
 * height, which is why a wall comes out bellied. At each height the slices' forces of its own moment bend the tool.
 * Kline, DeVor & Shareef 1982; Budak & Altintas 1994. Throws when nothing is in the cut.
 */
export function wallProfile(cut: WallCut, law: ForceLaw, tool: LeaningTool, points = 24): WallProfile {
  requirePositive('axial depth', cut.axialDepthMm);
  requirePositive('feed per tooth', cut.feedPerToothMm);
  requirePositive('edge bands in the cut', cut.bands.length);
  const heights = Array.from({ length: points }, (_, i) => ((i + 0.5) * cut.axialDepthMm) / points);
  const give = giveMatrix(tool, heights);
  const widest = cut.bands.reduce((w, b) => Math.max(w, b.radiusMm), 1e-9);
  const wall = cut.direction === 'climb' ? Math.PI : 0;
  // The same force points away from a climb wall and into a conventional one.
  const sign = cut.direction === 'climb' ? 1 : -1;
  const error = heights.map((z, i) => {
    let offset = 0;
    let worst = 0;
    for (let j = 0; j < cut.pitch.length; j++) {
      if (j > 0) offset += cut.pitch[j]!;
      const theta = wall + offset + (z * Math.tan(cut.helix)) / widest;
      const forces = sliceForces(cut, law, heights, theta);
      let lean = 0;
      for (let k = 0; k < points; k++) lean += sign * give[i * points + k]! * forces[k]!;
      if (Math.abs(lean) > Math.abs(worst)) worst = lean;
    }
    return worst;
  });
  return {
    heightMm: heights,
    errorMm: error,
    largestMm: Math.max(...error),
    smallestMm: Math.min(...error),
    meanMm: error.reduce((s, e) => s + e, 0) / points,
  };
}
