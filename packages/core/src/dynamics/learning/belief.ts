import { seededNormal, seededUniform } from '../../uncertainty/normal.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import { chatterRange } from '../fixed-speed.ts';
import type { ModeSigma } from '../tip-knowledge.ts';
import { type TipMode, type TipStructure, withoutStiffModes } from '../tip-structure.ts';
import type { Heard } from '../../domain/resonance.ts';
import { gridFor, quickBorder, type QuickBorder, type ResponseGrid, responseGrid } from './quick-border.ts';

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

/** Possible worlds: the same cut on structures that differ as much as is not known. */
export interface Belief {
  readonly structure: TipStructure;
  /** ln of factors, one row a world, in the order of UNKNOWNS. */
  readonly worlds: Float64Array;
  /** Weights of the worlds; sum to 1. */
  readonly weights: Float64Array;
}

export interface BeliefWish {
  readonly worlds?: number;
  readonly seed?: number;
  /** Log standard deviation of cutting and of process-damping coefficient. */
  readonly cuttingSigma?: number;
  readonly processDampingSigma?: number;
}

/** A cut that was run, told against what it depends on. */
export interface TestCut {
  readonly cut: ChatterCut;
  readonly rpm: number;
  /** Depth that counts at the tip, mm. */
  readonly tipDepthMm: number;
  readonly heard: Heard;
  readonly hz: number | null;
}

const K = UNKNOWNS.length;
/** How far a heard border may be off what the averaged cut says, in logs: model, runout, ear. */
const HEARING = 0.12;
/** A cut called marginal lies this near to its border, in logs. */
const MARGINAL = 0.1;
/** A heard frequency against the border's, in logs: chatter above the border shifts it. */
const FREQUENCY = 0.03;

/** Worlds spread as the trust in the structure says. Deterministic by seed. */
export function priorBelief(
  whole: TipStructure,
  sigma: ModeSigma,
  { worlds = 400, seed = 3, cuttingSigma = 0.12, processDampingSigma = 0.4 }: BeliefWish = {},
): Belief {
  const structure = withoutStiffModes(whole, 0.1);
  const normal = seededNormal(seededUniform(seed));
  const spread = [
    sigma.hz,
    sigma.hz,
    sigma.stiffness,
    sigma.stiffness,
    sigma.damping,
    cuttingSigma,
    processDampingSigma,
  ];
  const rows = new Float64Array(worlds * K);
  for (let s = 0; s < worlds; s++) {
    // Both directions share most of what is not known of them: one spindle, one clamp.
    const shared = [normal(), normal()];
    spread.forEach((sd, k) => {
      const own = normal();
      const z = k < 4 ? 0.8 * shared[k >> 1]! + 0.6 * own : own;
      rows[s * K + k] = sd * z;
    });
  }
  return { structure, worlds: rows, weights: new Float64Array(worlds).fill(1 / worlds) };
}

/** The structure as it is in one world. */
export function structureIn(belief: Belief, world: number): TipStructure {
  const f = (k: number): number => Math.exp(belief.worlds[world * K + k]!);
  const scale =
    (axis: 0 | 1) =>
    (m: TipMode): TipMode => ({
      ...m,
      hz: m.hz * f(axis),
      stiffness: m.stiffness * f(2 + axis),
      damping: Math.min(0.5, m.damping * f(4)),
    });
  return { x: belief.structure.x.map(scale(0)), y: belief.structure.y.map(scale(1)) };
}

/** The cut as it is in one world. */
function cutIn(belief: Belief, world: number, cut: ChatterCut): ChatterCut {
  const f = Math.exp(belief.worlds[world * K + 5]!);
  return {
    ...cut,
    tangential: cut.tangential * f,
    radial: cut.radial * f,
    dampingNPerM: (cut.dampingNPerM ?? 0) * Math.exp(belief.worlds[world * K + 6]!),
  };
}

/** Borders of every world at some speeds: [world][speed]. */
export function bordersOf(belief: Belief, cut: ChatterCut, rpm: readonly number[]): QuickBorder[][] {
  const slowest = Math.min(...rpm);
  return Array.from(belief.weights, (_, s) => {
    const structure = structureIn(belief, s);
    const { fromHz, toHz, stepHz } = gridFor(cut, chatterRange(structure), slowest);
    const grid = responseGrid(structure, fromHz, toHz, stepHz);
    const mine = cutIn(belief, s, cut);
    return rpm.map((n) => quickBorder(mine, grid, n));
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

/** Middle and log standard deviation of the border at a speed, from some worlds: quick enough for a hand on a handle. */
export function quickBelief(
  belief: Belief,
  cut: ChatterCut,
  rpm: number,
): { readonly depthMm: number; readonly hz: number; readonly sigma: number } {
  const { worlds, grids } = few(belief);
  const slow = GRID_RATIO ** Math.floor(Math.log(rpm) / Math.log(GRID_RATIO));
  const key = `${slow}|${cut.pitch.join()}`;
  let mine = grids.get(key);
  if (!mine) {
    mine = worlds.map((s) => {
      const structure = structureIn(belief, s);
      const { fromHz, toHz, stepHz } = gridFor(cut, chatterRange(structure), slow);
      return responseGrid(structure, fromHz, toHz, stepHz);
    });
    if (grids.size >= 6) grids.delete(grids.keys().next().value!);
    grids.set(key, mine);
  }
  const borders = worlds
    .map((s, i) => quickBorder(cutIn(belief, s, cut), mine[i]!, rpm))
    .sort((a, b) => a.depthMm - b.depthMm);
  const at = (p: number): QuickBorder =>
    borders[Math.min(borders.length - 1, Math.floor(p * borders.length))]!;
  const middle = at(0.5);
  const [low, high] = [at(0.1).depthMm, Math.min(at(0.9).depthMm, 1e3)];
  return { depthMm: middle.depthMm, hz: middle.hz, sigma: Math.max(0.02, Math.log(high / low) / 2.563) };
}

/** Standard normal distribution function. Abramowitz & Stegun 26.2.17. */
function below(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = 0.3989422804 * Math.exp((-z * z) / 2) * poly;
  return z >= 0 ? 1 - tail : tail;
}

/** Chance that a world is heard to chatter at a depth. */
export const chanceOfChatter = (borderMm: number, depthMm: number): number =>
  borderMm === Infinity ? 0 : below(Math.log(depthMm / borderMm) / HEARING);

function likelihood(border: QuickBorder, test: TestCut): number {
  const off = Math.log(test.tipDepthMm / border.depthMm);
  let p =
    test.heard === 'chatter'
      ? chanceOfChatter(border.depthMm, test.tipDepthMm)
      : test.heard === 'stable'
        ? 1 - chanceOfChatter(border.depthMm, test.tipDepthMm)
        : Math.exp(-0.5 * (off / Math.hypot(MARGINAL, HEARING)) ** 2);
  if (test.hz !== null && test.heard !== 'stable' && border.hz > 0) {
    p *= Math.exp(-0.5 * (Math.log(test.hz / border.hz) / FREQUENCY) ** 2) + 1e-4;
  }
  return p + 1e-6;
}

/** Worlds that carry weight. */
export const effectiveWorlds = ({ weights }: Belief): number =>
  1 / weights.reduce((sum, w) => sum + w * w, 0);

/**
 * Belief after one more cut: worlds in which it would have sounded as it did gain weight (Bayes). Where few worlds are
 * left to carry it, they are drawn anew with a little spread that keeps mean and variance. Liu & West 2001.
 */
export function learn(belief: Belief, test: TestCut, seed = 17): Belief {
  const borders = bordersOf(belief, test.cut, [test.rpm]);
  const weights = belief.weights.map((w, s) => w * likelihood(borders[s]![0]!, test));
  const sum = weights.reduce((a, b) => a + b, 0);
  const next: Belief = { ...belief, weights: weights.map((w) => w / sum) };
  return effectiveWorlds(next) < next.weights.length / 2 ? redrawn(next, seed) : next;
}

/** Share of each world that is its own; the rest draws to the mean, so that redrawing adds no variance. */
const KEEP = 0.94;

function redrawn(belief: Belief, seed: number): Belief {
  const count = belief.weights.length;
  const uniform = seededUniform(seed);
  const normal = seededNormal(uniform);
  const mean = new Float64Array(K);
  const variance = new Float64Array(K);
  belief.weights.forEach((w, s) => {
    for (let k = 0; k < K; k++) mean[k]! += w * belief.worlds[s * K + k]!;
  });
  belief.weights.forEach((w, s) => {
    for (let k = 0; k < K; k++) variance[k]! += w * (belief.worlds[s * K + k]! - mean[k]!) ** 2;
  });
  const spread = Math.sqrt(1 - KEEP * KEEP);
  const rows = new Float64Array(count * K);
  // Systematic: evenly spaced marks through the summed weights.
  let at = 0;
  let upTo = belief.weights[0]!;
  const start = uniform() / count;
  for (let s = 0; s < count; s++) {
    const mark = start + s / count;
    while (upTo < mark && at < count - 1) upTo += belief.weights[++at]!;
    for (let k = 0; k < K; k++) {
      rows[s * K + k] =
        KEEP * belief.worlds[at * K + k]! +
        (1 - KEEP) * mean[k]! +
        spread * Math.sqrt(variance[k]!) * normal();
    }
  }
  return { ...belief, worlds: rows, weights: new Float64Array(count).fill(1 / count) };
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

/** Depths at which given shares of the worlds are still stable at a speed, from a column of borders. */
export function depthAtChance(
  borders: readonly QuickBorder[],
  weights: Float64Array,
  chance: number,
): number {
  const order = borders
    .map((b, s) => ({ depth: b.depthMm, w: weights[s]! }))
    .sort((a, b) => a.depth - b.depth);
  let sum = 0;
  for (const { depth, w } of order) {
    sum += w;
    if (sum >= 1 - chance) return depth;
  }
  return Infinity;
}

/** Chance of stability over speed and depth. */
export interface ChanceMap {
  readonly rpm: readonly number[];
  readonly depthMm: readonly number[];
  /** 0 to 1, row by row from the least depth. */
  readonly chance: Float64Array;
  /** Depth of 95, 50 and 5 % chance at each speed, mm. */
  readonly likely: readonly { readonly low: number; readonly middle: number; readonly high: number }[];
}

/** The map of a belief; `depthScale` turns a depth along the tool into one at the tip. */
export function chanceMap(
  belief: Belief,
  cut: ChatterCut,
  rpm: readonly number[],
  depthMm: readonly number[],
  atTip: (depthMm: number) => number = (d) => d,
): ChanceMap {
  const borders = bordersOf(belief, cut, rpm);
  const chance = new Float64Array(rpm.length * depthMm.length);
  const likely = rpm.map((_, c) => {
    const column = borders.map((b) => b[c]!);
    depthMm.forEach((d, r) => {
      let sum = 0;
      for (let s = 0; s < column.length; s++)
        sum += belief.weights[s]! * (1 - chanceOfChatter(column[s]!.depthMm, atTip(d)));
      chance[r * rpm.length + c] = sum;
    });
    return {
      low: depthAtChance(column, belief.weights, 0.95),
      middle: depthAtChance(column, belief.weights, 0.5),
      high: depthAtChance(column, belief.weights, 0.05),
    };
  });
  return { rpm, depthMm, chance, likely };
}
