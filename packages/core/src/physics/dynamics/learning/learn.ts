import { lowerRoot } from '../../../numerics/lower-root.ts';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import { depthAtTip, structureAtDepth } from '../along-tool.ts';
import { longestDelay, responseGrid } from '../averaged-border.ts';
import { type Belief, cutIn, drawn, K, rowOf, step, structureOf, type TestCut } from './belief.ts';
import {
  bordersOf,
  borderWith,
  chanceOfChatter,
  HEARING,
  referenceDepth,
  type WorldBorder,
} from './world-border.ts';

/** A cut called marginal lies this near to its border, in logs. */
const MARGINAL = 0.1;
/** A heard frequency against the border's, in logs: chatter above the border shifts it. */
const FREQUENCY = 0.03;
/**
 * What a frequency weighs in a world it does not fit: one reading in ten is of something else (a part or fixture that sings, a
 * harmonic), and then anywhere within a factor of e. A smaller floor lets one wrong number outweigh what was heard.
 */
const OTHERWISE = 0.01;

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
    p *= Math.exp(-0.5 * (Math.log(test.hz / border.hz) / FREQUENCY) ** 2) + OTHERWISE;
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

/** Rows of the worlds that are drawn. */
function resampled(belief: Belief, seed: number): Float64Array {
  const count = belief.weights.length;
  const rows = new Float64Array(count * K);
  drawn(belief.weights, count, seededUniform(seed)()).forEach((world, s) =>
    rows.set(rowOf(belief, world), s * K),
  );
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
  const root = lowerRoot(covarianceOf(belief));
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
