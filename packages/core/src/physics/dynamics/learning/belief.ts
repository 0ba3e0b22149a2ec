import { Matrix } from 'ml-matrix';
import { lowerRoot } from '../../../numerics/lower-root.ts';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import type { ModeSigma } from '../tip-knowledge.ts';
import { countingModes, type TipMode, type TipStructure } from '../tip-structure.ts';
import type { Heard } from '../resonance-book.ts';

/** What is uncertain about a border, each as the logarithm of a factor on the middle value. */
const UNKNOWNS = [
  'hz-x',
  'hz-y',
  'stiffness-x',
  'stiffness-y',
  'damping',
  'cutting',
  'process-damping',
] as const;
type Unknown = (typeof UNKNOWNS)[number];

/** A cut that was run, told against what it depends on. */
export interface TestCut {
  readonly cut: ChatterCut;
  readonly rpm: number;
  /** Depth along the tool, mm. */
  readonly depthMm: number;
  readonly heard: Heard;
  readonly hz: number | null;
}

/** Possible worlds: the same cut on structures that differ as much as is not known. */
export interface Belief {
  readonly structure: TipStructure;
  readonly stickOutMm: number;
  /** Covariance of the unknowns before any cut, row by row. */
  readonly prior: readonly (readonly number[])[];
  /** Cuts the worlds are weighed by. */
  readonly tests: readonly TestCut[];
  /** ln of factors, one row a world, in the order of UNKNOWNS. */
  readonly worlds: Float64Array;
  /** Weights of the worlds; sum to 1. */
  readonly weights: Float64Array;
}

export interface BeliefWish {
  readonly worlds?: number;
  readonly seed?: number;
  /** Stick-out of the tool, mm: how a mode's motion falls along it. */
  readonly stickOutMm?: number;
  /** Log standard deviation of cutting and of process-damping coefficient. */
  readonly cuttingSigma?: number;
  readonly processDampingSigma?: number;
}

export const K = UNKNOWNS.length;
/** Correlation of x and y: one spindle and one clamp share most of what is not known of them. */
const BETWEEN_AXES = 0.64;
/** A structure's give below this share of the softest changes nothing that could be learnt. */
const COUNTS = 0.1;

function priorCovariance(sigma: ModeSigma, cutting: number, processDamping: number): number[][] {
  const sd = [
    sigma.hz,
    sigma.hz,
    sigma.stiffness,
    sigma.stiffness,
    sigma.damping,
    cutting,
    processDamping,
  ].map((s) => Math.max(s, 1e-6));
  return sd.map((a, i) =>
    sd.map((b, j) => (i === j ? a * b : i < 4 && j < 4 && i >> 1 === j >> 1 ? BETWEEN_AXES * a * b : 0)),
  );
}

/** Worlds spread as the trust in the structure says. Deterministic by seed. */
export function priorBelief(
  whole: TipStructure,
  sigma: ModeSigma,
  {
    worlds = 400,
    seed = 3,
    stickOutMm = 1000,
    cuttingSigma = 0.12,
    processDampingSigma = 0.8,
  }: BeliefWish = {},
): Belief {
  const structure = countingModes(whole, COUNTS);
  const normal = seededNormal(seededUniform(seed));
  const prior = priorCovariance(sigma, cuttingSigma, processDampingSigma);
  const root = lowerRoot(new Matrix(prior));
  const rows = new Float64Array(worlds * K);
  for (let s = 0; s < worlds; s++) step(rows.subarray(s * K, (s + 1) * K), root, 1, normal);
  return {
    structure,
    stickOutMm,
    prior,
    tests: [],
    worlds: rows,
    weights: new Float64Array(worlds).fill(1 / worlds),
  };
}

/** Adds a normal step along a Cholesky root. */
export function step(row: Float64Array, root: Matrix, size: number, normal: () => number): void {
  const z = Array.from({ length: K }, () => normal());
  for (let i = 0; i < K; i++) {
    for (let j = 0; j <= i; j++) row[i]! += size * root.get(i, j) * z[j]!;
  }
}

export function structureOf(whole: TipStructure, row: Float64Array): TipStructure {
  const scale =
    (axis: 0 | 1) =>
    (m: TipMode): TipMode => ({
      ...m,
      hz: m.hz * Math.exp(row[axis]!),
      stiffness: m.stiffness * Math.exp(row[2 + axis]!),
      damping: Math.min(0.5, m.damping * Math.exp(row[4]!)),
    });
  return { x: whole.x.map(scale(0)), y: whole.y.map(scale(1)) };
}

export const rowOf = (belief: Belief, world: number): Float64Array =>
  belief.worlds.subarray(world * K, (world + 1) * K);

/** The structure as it is in one world. */
export const structureIn = (belief: Belief, world: number): TipStructure =>
  structureOf(belief.structure, rowOf(belief, world));

/** The cut as it is in one world. */
export function cutIn(cut: ChatterCut, row: Float64Array): ChatterCut {
  const f = Math.exp(row[5]!);
  return {
    ...cut,
    tangential: cut.tangential * f,
    radial: cut.radial * f,
    dampingNPerM: (cut.dampingNPerM ?? 0) * Math.exp(row[6]!),
  };
}

/** Mean and standard deviation of what is not known, by name. */
export function unknownsOf(belief: Belief): Record<Unknown, { mean: number; sigma: number }> {
  return Object.fromEntries(
    UNKNOWNS.map((name, k) => {
      let mean = 0;
      belief.weights.forEach((w, s) => (mean += w * belief.worlds[s * K + k]!));
      let variance = 0;
      belief.weights.forEach((w, s) => (variance += w * (belief.worlds[s * K + k]! - mean) ** 2));
      return [name, { mean, sigma: Math.sqrt(variance) }];
    }),
  ) as Record<Unknown, { mean: number; sigma: number }>;
}

/**
 * Worlds in number as their weights say, by evenly spaced marks through the summed weights; `start` is the place of the first
 * mark between two, 0 to 1. Kitagawa 1996.
 */
export function drawn(weights: Float64Array, count: number, start: number): number[] {
  const worlds: number[] = [];
  let at = 0;
  let upTo = weights[0]!;
  for (let i = 0; i < count; i++) {
    const mark = (start + i) / count;
    while (upTo < mark && at < weights.length - 1) upTo += weights[++at]!;
    worlds.push(at);
  }
  return worlds;
}
