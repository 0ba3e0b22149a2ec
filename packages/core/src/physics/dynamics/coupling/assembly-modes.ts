import { evened, lowerRoot } from '../../../numerics/lower-root.ts';
import { EigenvalueDecomposition, inverse, Matrix } from 'ml-matrix';
import { requirePositive } from '../../../units/input-error.ts';
import type { TipMode } from '../tip-structure.ts';
import { type BeamPiece, sectionOf, type Section } from './beam.ts';
import type { NoseMode } from './couple.ts';

/** A joint: springs in displacement, N/m, and rotation, N·m/rad, with a damping ratio. */
export interface Joint {
  readonly translation: number;
  readonly rotation: number;
  readonly damping: number;
}

/** Spindle, holder body and tool, one after the other, root first. */
export interface Assembly {
  /** Modes at the nose of the spindle with a short holder; empty is a rigid wall. */
  readonly spindle: readonly NoseMode[];
  /** What else gives way there. */
  readonly nose: Joint;
  readonly body: readonly BeamPiece[];
  readonly clamp: Joint;
  readonly tool: readonly BeamPiece[];
  /** Damping ratio of body and tool material. */
  readonly toolDamping: number;
  /** Modes above it are taken together as one, Hz; 20 kHz unless stated. */
  readonly highestHz?: number;
  /** Longest finite element, of the diameters of its piece. */
  readonly element?: number;
}

export interface AssemblyModes {
  /** Modes at the tip, lowest first, those that move it. */
  readonly modes: readonly TipMode[];
  /** Displacement of the tip by a force on it, m/N. */
  readonly staticCompliance: number;
}

/** Longest finite element unless stated: frequencies of slender tools within 0.3%. */
const ELEMENT = 0.6;
/** Modes with less than this share of the static compliance are left out. */
const LEAST_SHARE = 2e-4;
const HIGHEST_HZ = 20_000;
/** Rounding of the mesh and not a mode, Hz. */
const UNHEARD_HZ = 500_000;

/** Stiffness and mass of a Timoshenko element with consistent inertia. Friedman & Kosmatka 1993. */
function element(s: Section, length: number): { k: number[][]; m: number[][] } {
  const l = length;
  const phi = (12 * s.bending) / (s.shear * l * l);
  const f = s.bending / (l ** 3 * (1 + phi));
  const k = [
    [12, 6 * l, -12, 6 * l],
    [6 * l, (4 + phi) * l * l, -6 * l, (2 - phi) * l * l],
    [-12, -6 * l, 12, -6 * l],
    [6 * l, (2 - phi) * l * l, -6 * l, (4 + phi) * l * l],
  ].map((row) => row.map((v) => v * f));
  const a = (s.mass * l) / (840 * (1 + phi) ** 2);
  const p2 = phi * phi;
  const t1 = 312 + 588 * phi + 280 * p2;
  const t2 = (44 + 77 * phi + 35 * p2) * l;
  const t3 = 108 + 252 * phi + 140 * p2;
  const t4 = (26 + 63 * phi + 35 * p2) * l;
  const t5 = (8 + 14 * phi + 7 * p2) * l * l;
  const t6 = (6 + 14 * phi + 7 * p2) * l * l;
  const translation = [
    [t1, t2, t3, -t4],
    [t2, t5, t4, -t6],
    [t3, t4, t1, -t2],
    [-t4, -t6, -t2, t5],
  ];
  const b = s.rotary / (30 * (1 + phi) ** 2 * l);
  const r1 = 36;
  const r2 = (3 - 15 * phi) * l;
  const r3 = (4 + 5 * phi + 10 * p2) * l * l;
  const r4 = (1 + 5 * phi - 5 * p2) * l * l;
  const rotation = [
    [r1, r2, -r1, r2],
    [r2, r3, -r2, -r4],
    [-r1, -r2, r1, -r2],
    [r2, -r4, -r2, r3],
  ];
  return { k, m: translation.map((row, i) => row.map((v, j) => v * a + rotation[i]![j]! * b)) };
}

/**
 * Elements of tool or body, whatever their sizes: the work grows with the cube. A tool slender enough to reach it has its lowest modes
 * from ten elements.
 */
const MOST_ELEMENTS = 60;

/** Pieces cut into elements no longer than so many diameters, and no more than so many. Throws when a piece has no length. */
function elementsOf(pieces: Assembly['tool'], longest: number): { section: Section; length: number }[] {
  const wanted = pieces.map((p) => {
    requirePositive('piece length', p.lengthMm);
    return Math.max(1, Math.ceil(p.lengthMm / (longest * p.diameterMm)));
  });
  const share = Math.min(1, MOST_ELEMENTS / wanted.reduce((sum, n) => sum + n, 0));
  return pieces.flatMap((p, i) => {
    const section = sectionOf(p);
    const count = Math.max(1, Math.floor(wanted[i]! * share));
    return Array.from({ length: count }, () => ({ section, length: section.length / count }));
  });
}

/**
 * Modes of the tool's tip in one plane: spindle modes, holder body, clamp and tool as one model. Damping of a mode is
 * that of the parts by their share of the strain energy (Ungar & Kerwin 1962).
 * Throws when a piece has no length or a joint no stiffness.
 */
export function assemblyModes({
  spindle,
  nose,
  body,
  clamp,
  tool,
  toolDamping,
  highestHz = HIGHEST_HZ,
  element: longest = ELEMENT,
}: Assembly): AssemblyModes {
  requirePositive('clamp stiffness', clamp.translation);
  const parts = [body, tool].map((pieces) => elementsOf(pieces, longest));
  const s = spindle.length;
  const bodyNodes = parts[0]!.length + 1;
  const toolNodes = parts[1]!.length + 1;
  const size = s + 2 * (bodyNodes + toolNodes);
  const k = Matrix.zeros(size, size);
  const m = Matrix.zeros(size, size);
  const energies: { matrix: [number, number, number][]; damping: number }[] = [];
  const addTo = (damping: number): ((i: number, j: number, v: number) => void) => {
    const matrix: [number, number, number][] = [];
    energies.push({ matrix, damping });
    return (i, j, v) => {
      matrix.push([i, j, v]);
      k.set(i, j, k.get(i, j) + v);
    };
  };
  spindle.forEach((mode, i) => {
    const w = 2 * Math.PI * mode.hz;
    m.set(i, i, 1);
    addTo(mode.damping)(i, i, w * w);
  });
  /** A spring between two weighted sums of coordinates. */
  const spring = (
    stiffness: number,
    damping: number,
    terms: readonly (readonly [number, number])[],
  ): void => {
    const put = addTo(damping);
    for (const [i, a] of terms) for (const [j, b] of terms) put(i, j, stiffness * a * b);
  };
  const bodyAt = s;
  const toolAt = s + 2 * bodyNodes;
  const spindleTerms = (of: 'move' | 'turn'): (readonly [number, number])[] =>
    spindle.map((mode, i) => [i, -mode[of]] as const);
  spring(nose.translation, nose.damping, [[bodyAt, 1], ...spindleTerms('move')]);
  spring(nose.rotation, nose.damping, [[bodyAt + 1, 1], ...spindleTerms('turn')]);
  const end = bodyAt + 2 * (bodyNodes - 1);
  spring(clamp.translation, clamp.damping, [
    [toolAt, 1],
    [end, -1],
  ]);
  spring(clamp.rotation, clamp.damping, [
    [toolAt + 1, 1],
    [end + 1, -1],
  ]);
  [bodyAt, toolAt].forEach((first, part) => {
    const put = addTo(toolDamping);
    parts[part]!.forEach(({ section, length }, e) => {
      const el = element(section, length);
      for (let i = 0; i < 4; i++) {
        for (let j = 0; j < 4; j++) {
          const [r, c] = [first + 2 * e + i, first + 2 * e + j];
          put(r, c, el.k[i]![j]!);
          m.set(r, c, m.get(r, c) + el.m[i]![j]!);
        }
      }
    });
  });
  const tip = size - 2;
  const staticCompliance = inverse(k).get(tip, tip);
  // Symmetric form C⁻¹·M·C⁻ᵀ with K = C·Cᵀ, whose largest values are 1/ω² of the lowest modes: joints may be as stiff
  // as they like and nodes without mass.
  const low = lowerRoot(k);
  const half = solveLower(low, m);
  const product = solveLower(low, half.transpose());
  const symmetric = evened(product);
  const eigen = new EigenvalueDecomposition(symmetric, { assumeSymmetric: true });
  const modes: TipMode[] = [];
  const high: TipMode[] = [];
  for (let i = 0; i < size; i++) {
    const inverseW2 = eigen.realEigenvalues[i]!;
    if (!(inverseW2 > 1 / (2 * Math.PI * UNHEARD_HZ) ** 2)) continue;
    const w2 = 1 / inverseW2;
    const hz = Math.sqrt(w2) / (2 * Math.PI);
    // Strain energy of this shape is one half.
    const shape = solveUpper(
      low,
      Array.from({ length: size }, (_, r) => eigen.eigenvectorMatrix.get(r, i)),
    );
    const move = shape[tip]!;
    const stiffness = 1 / (move * move);
    if (!(1 / stiffness > LEAST_SHARE * staticCompliance)) continue;
    let lost = 0;
    for (const { matrix, damping } of energies) {
      let energy = 0;
      for (const [r, c, v] of matrix) energy += shape[r]! * v * shape[c]!;
      lost += damping * energy;
    }
    (hz > highestHz ? high : modes).push({
      hz,
      damping: Math.max(1e-4, lost),
      stiffness,
      shape: shapeAlong(
        shape,
        toolAt,
        parts[1]!.map((e) => e.length),
      ),
    });
  }
  modes.sort((a, b) => a.hz - b.hz);
  if (high.length > 0) modes.push(together(high));
  return { modes, staticCompliance };
}

/**
 * Modes above the range as one of their common compliance, at their mean frequency. A micro tool bends far above what a
 * spindle excites: left out, its tip would be as stiff as its shank.
 */
function together(modes: readonly TipMode[]): TipMode {
  const compliance = modes.reduce((sum, m) => sum + 1 / m.stiffness, 0);
  const mean = (of: (m: TipMode) => number): number =>
    modes.reduce((sum, m) => sum + of(m) / m.stiffness, 0) / compliance;
  const largest = modes.reduce((a, b) => (b.stiffness < a.stiffness ? b : a));
  return { ...largest, hz: mean((m) => m.hz), damping: mean((m) => m.damping), stiffness: 1 / compliance };
}

/** Motion along the tool over the tip's, in eighths from the tip to the holder, between nodes by straight lines. */
function shapeAlong(shape: readonly number[], toolAt: number, lengths: readonly number[]): number[] {
  const places = [0];
  for (const l of lengths) places.push(places[places.length - 1]! + l);
  const total = places[places.length - 1]!;
  const tip = shape[toolAt + 2 * lengths.length]!;
  return Array.from({ length: 9 }, (_, i) => {
    const at = total * (1 - i / 8);
    let e = 0;
    while (e < lengths.length - 1 && places[e + 1]! < at) e++;
    const t = (at - places[e]!) / lengths[e]!;
    const [a, b] = [shape[toolAt + 2 * e]!, shape[toolAt + 2 * (e + 1)]!];
    return (a + t * (b - a)) / tip;
  });
}

/** L⁻¹·B. */
function solveLower(l: Matrix, b: Matrix): Matrix {
  const n = l.rows;
  const x = b.clone();
  for (let c = 0; c < b.columns; c++) {
    for (let i = 0; i < n; i++) {
      let sum = x.get(i, c);
      for (let q = 0; q < i; q++) sum -= l.get(i, q) * x.get(q, c);
      x.set(i, c, sum / l.get(i, i));
    }
  }
  return x;
}

/** L⁻ᵀ·v. */
function solveUpper(l: Matrix, v: readonly number[]): number[] {
  const n = l.rows;
  const x = [...v];
  for (let i = n - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let q = i + 1; q < n; q++) sum -= l.get(q, i) * x[q]!;
    x[i] = sum / l.get(i, i);
  }
  return x;
}
