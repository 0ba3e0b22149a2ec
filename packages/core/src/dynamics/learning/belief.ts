import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { normalBelow, seededNormal, seededUniform } from '../../uncertainty/normal.ts';
import { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from '../along-tool.ts';
import { borderInDoubt, longestDelay, type ResponseGrid, responseGrid } from '../averaged-border.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import type { ModeSigma } from '../tip-knowledge.ts';
import { countingModes, type TipMode, type TipStructure } from '../tip-structure.ts';
import type { Heard } from '../../domain/resonance.ts';

/** What is uncertain about a border, each as the logarithm of a factor on the middle value. */
export const UNKNOWNS = [
  'hz-x',
  'hz-y',
  'stiffness-x',
  'stiffness-y',
  'damping',
  'cutting',
  'process-damping',
] as const;
export type Unknown = (typeof UNKNOWNS)[number];

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

const K = UNKNOWNS.length;
/** How far a heard border may be off what the averaged cut says, in logs: model, runout, ear. */
export const HEARING = 0.12;
/** A cut called marginal lies this near to its border, in logs. */
const MARGINAL = 0.1;
/** A heard frequency against the border's, in logs: chatter above the border shifts it. */
const FREQUENCY = 0.03;
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
  const root = new CholeskyDecomposition(new Matrix(prior)).lowerTriangularMatrix;
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
function step(row: Float64Array, root: Matrix, size: number, normal: () => number): void {
  const z = Array.from({ length: K }, () => normal());
  for (let i = 0; i < K; i++) {
    for (let j = 0; j <= i; j++) row[i]! += size * root.get(i, j) * z[j]!;
  }
}

function structureOf(whole: TipStructure, row: Float64Array): TipStructure {
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

const rowOf = (belief: Belief, world: number): Float64Array =>
  belief.worlds.subarray(world * K, (world + 1) * K);

/** The structure as it is in one world. */
export const structureIn = (belief: Belief, world: number): TipStructure =>
  structureOf(belief.structure, rowOf(belief, world));

/** The cut as it is in one world. */
function cutIn(cut: ChatterCut, row: Float64Array): ChatterCut {
  const f = Math.exp(row[5]!);
  return {
    ...cut,
    tangential: cut.tangential * f,
    radial: cut.radial * f,
    dampingNPerM: (cut.dampingNPerM ?? 0) * Math.exp(row[6]!),
  };
}

/** A border in one world: where it lies at the tip, and the mode that chatters there. */
export interface WorldBorder {
  /** Depth that counts at the tip, mm; Infinity where nothing chatters. */
  readonly tipMm: number;
  readonly hz: number;
  readonly mode: TipMode | null;
  /** What unequal teeth add to the doubt, log standard deviation. */
  readonly doubt: number;
}

/** Depth a structure's shapes are taken at, mm: near enough to the depth asked, and the same for its neighbours. */
const referenceDepth = (depthMm: number): number =>
  1.5 ** Math.round(Math.log(Math.max(0.05, depthMm)) / Math.log(1.5));

function borderWith(
  cut: ChatterCut,
  grid: ResponseGrid,
  rpm: number,
  depthMm: number,
  stickOutMm: number,
): WorldBorder {
  const { depthMm: border, hz, doubt } = borderInDoubt(cut, grid, rpm);
  if (border === Infinity) return { tipMm: Infinity, hz, mode: null, doubt };
  const mode = modeHeardAt(grid.structure, hz)!;
  return { tipMm: (border * depthAtTip(mode, depthMm, stickOutMm)) / depthMm, hz, mode, doubt };
}

/** Borders of every world at some speeds, the structure felt as at a depth: [world][speed]. */
export function bordersOf(
  belief: Belief,
  cut: ChatterCut,
  rpm: readonly number[],
  depthMm = 1,
): WorldBorder[][] {
  const slowest = Math.min(...rpm);
  const delay = longestDelay(cut, slowest);
  const at = referenceDepth(depthMm);
  return Array.from(belief.weights, (_, s) => {
    const row = rowOf(belief, s);
    const structure = structureAtDepth(structureOf(belief.structure, row), at, belief.stickOutMm);
    const grid = responseGrid(structure, delay);
    const mine = cutIn(cut, row);
    return rpm.map((n) => borderWith(mine, grid, n, at, belief.stickOutMm));
  });
}

/** Worlds a quick answer looks at. */
const FEW = 80;

interface Few {
  readonly worlds: readonly number[];
  readonly grids: Map<string, readonly ResponseGrid[]>;
}

const fewOf = new WeakMap<Belief, Few>();

/** Some worlds of a belief that stand for all, drawn evenly through the weights, and their response grids as they are made. */
function few(belief: Belief): Few {
  const known = fewOf.get(belief);
  if (known) return known;
  const worlds: number[] = [];
  let at = 0;
  let upTo = belief.weights[0]!;
  for (let i = 0; i < FEW; i++) {
    const mark = (i + 0.5) / FEW;
    while (upTo < mark && at < belief.weights.length - 1) upTo += belief.weights[++at]!;
    worlds.push(at);
  }
  const made: Few = { worlds, grids: new Map() };
  fewOf.set(belief, made);
  return made;
}

const GRID_RATIO = 1.3;

/** Borders of some worlds of equal weight at a speed: quick enough for a hand on a handle. */
export function quickBorders(belief: Belief, cut: ChatterCut, rpm: number, depthMm: number): WorldBorder[] {
  const { worlds, grids } = few(belief);
  const slow = GRID_RATIO ** Math.floor(Math.log(rpm) / Math.log(GRID_RATIO));
  const at = referenceDepth(depthMm);
  const key = `${slow}|${at}|${cut.pitch.join()}`;
  let mine = grids.get(key);
  if (!mine) {
    const delay = longestDelay(cut, slow);
    mine = worlds.map((s) =>
      responseGrid(structureAtDepth(structureIn(belief, s), at, belief.stickOutMm), delay),
    );
    if (grids.size >= 6) grids.delete(grids.keys().next().value!);
    grids.set(key, mine);
  }
  return worlds.map((s, i) => borderWith(cutIn(cut, rowOf(belief, s)), mine[i]!, rpm, at, belief.stickOutMm));
}

/** Chance that a world is heard to chatter at a depth along the tool. */
export const chanceOfChatter = (border: WorldBorder, depthMm: number, stickOutMm: number): number =>
  border.tipMm === Infinity || !border.mode
    ? 0
    : normalBelow(
        Math.log(depthAtTip(border.mode, depthMm, stickOutMm) / border.tipMm) /
          Math.hypot(HEARING, border.doubt),
      );

function likelihood(border: WorldBorder, test: TestCut, stickOutMm: number): number {
  const chatters = chanceOfChatter(border, test.depthMm, stickOutMm);
  let p: number;
  if (test.heard === 'chatter') p = chatters;
  else if (test.heard === 'stable') p = 1 - chatters;
  else if (!border.mode) p = 0;
  else {
    const off = Math.log(depthAtTip(border.mode, test.depthMm, stickOutMm) / border.tipMm);
    p = Math.exp(-0.5 * (off / Math.hypot(MARGINAL, HEARING, border.doubt)) ** 2);
  }
  if (test.hz !== null && test.heard !== 'stable' && border.hz > 0) {
    p *= Math.exp(-0.5 * (Math.log(test.hz / border.hz) / FREQUENCY) ** 2) + 1e-4;
  }
  return p + 1e-6;
}

/** Worlds that carry weight. */
export const effectiveWorlds = ({ weights }: Belief): number =>
  1 / weights.reduce((sum, w) => sum + w * w, 0);

/** Share of the worlds that must carry weight before they are drawn anew. */
const FEWEST = 0.15;

/**
 * Belief after one more cut: worlds in which it would have sounded as it did gain weight (Bayes). Where few worlds are
 * left to carry it they are drawn anew and moved. Gilks & Berzuini 2001.
 */
export function learn(belief: Belief, test: TestCut, seed = 17): Belief {
  const borders = bordersOf(belief, test.cut, [test.rpm], test.depthMm);
  const weights = belief.weights.map((w, s) => w * likelihood(borders[s]![0]!, test, belief.stickOutMm));
  const sum = weights.reduce((a, b) => a + b, 0);
  const next: Belief = { ...belief, tests: [...belief.tests, test], weights: weights.map((w) => w / sum) };
  return effectiveWorlds(next) < FEWEST * next.weights.length
    ? moved(resampled(next, seed), next, seed)
    : next;
}

/** Worlds in number as their weights say: evenly spaced marks through the summed weights. */
function resampled(belief: Belief, seed: number): Float64Array {
  const count = belief.weights.length;
  const start = seededUniform(seed)() / count;
  const rows = new Float64Array(count * K);
  let at = 0;
  let upTo = belief.weights[0]!;
  for (let s = 0; s < count; s++) {
    const mark = start + s / count;
    while (upTo < mark && at < count - 1) upTo += belief.weights[++at]!;
    rows.set(rowOf(belief, at), s * K);
  }
  return rows;
}

/** Steps every world is moved by. */
const MOVES = 4;
/** Usual size of a Metropolis step along the covariance: 2.38/√d. Gelman, Roberts & Gilks 1996. */
const STRIDE = 2.38 / Math.sqrt(K);

/**
 * Worlds moved by Metropolis steps along the covariance they have, each judged against the prior and all cuts again: copies of one
 * world part company, and what hangs together (stiffness, damping, cutting) stays together.
 */
function moved(rows: Float64Array, belief: Belief, seed: number): Belief {
  const count = belief.weights.length;
  const root = new CholeskyDecomposition(covarianceOf(belief)).lowerTriangularMatrix;
  const precision = new Matrix(belief.prior as number[][]);
  const solve = new CholeskyDecomposition(precision);
  const logPosterior = (row: Float64Array): number => {
    const x = Matrix.columnVector([...row]);
    let log = -0.5 * x.dot(solve.solve(x));
    for (const t of belief.tests) {
      const at = referenceDepth(t.depthMm);
      const structure = structureAtDepth(structureOf(belief.structure, row), at, belief.stickOutMm);
      const grid = responseGrid(structure, longestDelay(t.cut, t.rpm));
      log += Math.log(
        likelihood(borderWith(cutIn(t.cut, row), grid, t.rpm, at, belief.stickOutMm), t, belief.stickOutMm),
      );
    }
    return log;
  };
  const uniform = seededUniform(seed + 1);
  const normal = seededNormal(uniform);
  for (let s = 0; s < count; s++) {
    const row = rows.subarray(s * K, (s + 1) * K);
    let here = logPosterior(row);
    for (let i = 0; i < MOVES; i++) {
      const there = Float64Array.from(row);
      step(there, root, STRIDE, normal);
      const log = logPosterior(there);
      if (Math.log(Math.max(1e-300, uniform())) >= log - here) continue;
      row.set(there);
      here = log;
    }
  }
  return { ...belief, worlds: rows, weights: new Float64Array(count).fill(1 / count) };
}

/** Covariance of the weighed worlds, with a hundredth of the prior so that it never collapses. */
function covarianceOf(belief: Belief): Matrix {
  const mean = new Float64Array(K);
  belief.weights.forEach((w, s) => {
    for (let k = 0; k < K; k++) mean[k]! += w * belief.worlds[s * K + k]!;
  });
  const c = new Matrix(belief.prior as number[][]).mul(0.01);
  belief.weights.forEach((w, s) => {
    for (let i = 0; i < K; i++) {
      for (let j = 0; j < K; j++) {
        const product = (belief.worlds[s * K + i]! - mean[i]!) * (belief.worlds[s * K + j]! - mean[j]!);
        c.set(i, j, c.get(i, j) + w * product);
      }
    }
  });
  return c;
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

/** Depth along the tool at which a world's border lies, mm. */
export const alongToolOf = ({ tipMm, mode }: WorldBorder, stickOutMm: number): number =>
  tipMm === Infinity || !mode ? Infinity : depthAlongTool(mode, tipMm, stickOutMm);

/** Depth along the tool at which a given share of the worlds is still stable, from a column of borders, mm. */
export function depthAtChance(
  borders: readonly WorldBorder[],
  weights: Float64Array,
  chance: number,
  stickOutMm: number,
): number {
  const order = borders
    .map((b, s) => ({ depth: alongToolOf(b, stickOutMm), w: weights[s]! }))
    .sort((a, b) => a.depth - b.depth);
  let sum = 0;
  for (const { depth, w } of order) {
    sum += w;
    if (sum >= 1 - chance) return depth;
  }
  return Infinity;
}

/** Chance of stability over speed and depth along the tool. */
export interface ChanceMap {
  readonly rpm: readonly number[];
  readonly depthMm: readonly number[];
  /** 0 to 1, row by row from the least depth. */
  readonly chance: Float64Array;
  /** Depth of 95, 50 and 5 % chance at each speed, mm. */
  readonly likely: readonly { readonly low: number; readonly middle: number; readonly high: number }[];
}

/** The map of a belief. */
export function chanceMap(
  belief: Belief,
  cut: ChatterCut,
  rpm: readonly number[],
  depthMm: readonly number[],
): ChanceMap {
  const borders = bordersOf(belief, cut, rpm, depthMm[depthMm.length >> 1] ?? 1);
  const chance = new Float64Array(rpm.length * depthMm.length);
  const likely = rpm.map((_, c) => {
    const column = borders.map((b) => b[c]!);
    depthMm.forEach((d, r) => {
      let sum = 0;
      for (let s = 0; s < column.length; s++)
        sum += belief.weights[s]! * (1 - chanceOfChatter(column[s]!, d, belief.stickOutMm));
      chance[r * rpm.length + c] = sum;
    });
    return {
      low: depthAtChance(column, belief.weights, 0.95, belief.stickOutMm),
      middle: depthAtChance(column, belief.weights, 0.5, belief.stickOutMm),
      high: depthAtChance(column, belief.weights, 0.05, belief.stickOutMm),
    };
  });
  return { rpm, depthMm, chance, likely };
}
