import { LuDecomposition, Matrix } from 'ml-matrix';
import { memoryOf } from '../../../numerics/memory.ts';
import { pieceNodes, readBetween } from './piece-nodes.ts';

/** Evenly spaced places in a piece, at which motion is known before a polynomial through the nodes is laid on it. */
export interface EvenSamples {
  /** Steps between places; there is one place more. */
  readonly steps: number;
  /** Where the Gauss points of a step lie, as shares of it, and their weights. */
  readonly within: readonly number[];
  readonly weights: readonly number[];
  /** Value of each node's polynomial at the Gauss points of each step: [step][point][node]. */
  readonly basis: Float64Array;
  /** Values at the nodes of the polynomial that comes nearest to values at the places: [place][node]. */
  readonly nearest: Float64Array;
}

/** Three Gauss–Legendre points on the unit interval. Abramowitz & Stegun 25.4.30. */
const WITHIN = [0.5 - Math.sqrt(0.15), 0.5, 0.5 + Math.sqrt(0.15)];
const WEIGHTS = [5 / 18, 8 / 18, 5 / 18];
/** Weights of the first and last places of an even sum that make it an integral. Gregory; Davis & Rabinowitz 1984, 2.9. */
const ENDS = [3 / 8, 7 / 6, 23 / 24];

const made = memoryOf<EvenSamples>(200);

/** A quarter more steps than are asked for are as good, and so few kinds of them can all be kept. */
const STEPS_RATIO = 1.25;

const stepsFrom = (least: number): number =>
  Math.ceil(STEPS_RATIO ** Math.ceil(Math.log(least) / Math.log(STEPS_RATIO)));

/** Places of a piece, so many steps apart or somewhat more; made once for each count of nodes and steps. */
export function evenSamples(count: number, leastSteps: number): EvenSamples {
  const steps = stepsFrom(leastSteps);
  return made.recall(`${count} ${steps}`, () => makeSamples(count, steps));
}

function makeSamples(count: number, steps: number): EvenSamples {
  const nodes = pieceNodes(count);
  const points = WITHIN.length;
  const basis = new Float64Array(steps * points * count);
  for (let i = 0; i < steps; i++) {
    WITHIN.forEach((x, g) => {
      readBetween(nodes, (i + x) / steps, basis, (i * points + g) * count);
    });
  }
  return { steps, within: WITHIN, weights: WEIGHTS, basis, nearest: nearestOf(count, steps) };
}

/** Least squares over the places by the normal equations: few unknowns on many places, they keep their digits. */
function nearestOf(count: number, steps: number): Float64Array {
  const nodes = pieceNodes(count);
  const places = steps + 1;
  const values = new Float64Array(count);
  const at = new Matrix(places, count);
  const weighted = new Matrix(count, places);
  for (let i = 0; i < places; i++) {
    const weight = ENDS[Math.min(i, steps - i)] ?? 1;
    readBetween(nodes, i / steps, values);
    values.forEach((value, b) => {
      at.set(i, b, value);
      weighted.set(b, i, weight * value);
    });
  }
  const nearest = new LuDecomposition(weighted.mmul(at)).solve(weighted);
  return Float64Array.from({ length: places * count }, (_, k) =>
    nearest.get(k % count, Math.floor(k / count)),
  );
}
