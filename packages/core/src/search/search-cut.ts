import type { OperationContext } from '../domain/context.ts';
import { InputError } from '../domain/input-error.ts';
import type { MillingOperation } from '../domain/operation.ts';
import { problemsOf } from '../evaluation/check-operation.ts';
import { millingState } from '../evaluation/milling-state.ts';
import { withStartingCut } from '../evaluation/starting-cut.ts';
import { normalDeviate, seededNormal, seededUniform } from '../uncertainty/normal.ts';
import { type Freedom, freedomOf, type FreeParameter, readFree, writeFree } from './freedom.ts';
import { type Objective, worthOf } from './objective.ts';
import { breachOf, type ShareAt, sharesUnlessHopeless } from './shares.ts';

export interface SearchWish {
  readonly free: readonly FreeParameter[];
  readonly objective: Objective;
  /** Chance with which every limit shall hold, 0.5 to 0.99. */
  readonly confidence: number;
  /** Evaluations it may cost; more finds little. */
  readonly budget?: number;
}

export interface SearchResult {
  readonly operation: MillingOperation;
  readonly worth: number;
  /** Worth of the cut it began with, and whether that held all limits. */
  readonly before: number;
  readonly beforeHeld: boolean;
  /** Limits within two per cent of their border: what stops it there. */
  readonly stoppedBy: readonly ShareAt[];
  /** Limits nothing free can clear; empty when a cut was found. */
  readonly blockedBy: readonly ShareAt[];
  readonly evaluations: number;
}

interface Trial {
  readonly x: readonly number[];
  readonly op: MillingOperation;
  readonly worth: number;
  /** Sum of the logarithms of all shares above 1; 0 when everything holds. */
  readonly breach: number;
  readonly shares: readonly ShareAt[];
}

/** Evaluations a search may cost when nobody says. */
const BUDGET = 5000;
/** Weight of a breach against the logarithm of worth: a limit is never bought with metal. */
const BREACH_WEIGHT = 12;

/** A search in the logarithms of its free parameters, each mapped to 0…1 of its range. */
class Field {
  readonly freedoms: readonly Freedom[];
  readonly z: number;
  evaluations = 0;
  best: Trial | null = null;
  private readonly base: MillingOperation;
  private readonly context: OperationContext;
  private readonly objective: Objective;

  constructor(base: MillingOperation, context: OperationContext, wish: SearchWish) {
    this.base = base;
    this.context = context;
    this.objective = wish.objective;
    this.z = normalDeviate(wish.confidence);
    this.freedoms = wish.free.map((key) => freedomOf(key, base, context));
  }

  at(x: readonly number[]): MillingOperation {
    return this.freedoms.reduce(
      (op, f, i) => writeFree(op, f.key, f.low * (f.high / f.low) ** Math.min(1, Math.max(0, x[i]!))),
      this.base,
    );
  }

  of(op: MillingOperation): number[] {
    return this.freedoms.map((f) => {
      const value = Math.min(f.high, Math.max(f.low, readFree(op, f.key)));
      return f.high > f.low ? Math.log(value / f.low) / Math.log(f.high / f.low) : 0;
    });
  }

  judge(op: MillingOperation, x: readonly number[]): Trial {
    this.evaluations++;
    const state = millingState(op, this.context);
    const { shares } = sharesUnlessHopeless(state, this.z);
    const breach = breachOf(shares);
    const trial = { x, op, worth: worthOf(this.objective, state), breach, shares };
    if (breach === 0 && (!this.best || trial.worth > this.best.worth)) this.best = trial;
    return trial;
  }

  try(x: readonly number[]): Trial {
    const held = x.map((v) => Math.min(1, Math.max(0, v)));
    return this.judge(this.at(held), held);
  }

  /** What is made small: breach first, then worth. */
  score(t: Trial): number {
    return BREACH_WEIGHT * t.breach - Math.log(Math.max(1e-12, t.worth));
  }
}

/**
 * Covariance-adapting evolution (Hansen & Ostermeier 2001), rank-μ update only, deterministic by its seed. Ridges between
 * limits are oblique to every parameter; the covariance turns along them where a coordinate search would stop.
 */
function evolve(
  field: Field,
  start: readonly number[],
  sigma0: number,
  evaluations: number,
  seed: number,
): Trial | null {
  let best: Trial | null = null;
  const n = start.length;
  const normal = seededNormal(seededUniform(seed));
  const lambda = 6 + 2 * n;
  const mu = Math.floor(lambda / 2);
  const raw = Array.from({ length: mu }, (_, i) => Math.log(mu + 0.5) - Math.log(i + 1));
  const total = raw.reduce((a, b) => a + b, 0);
  const weights = raw.map((w) => w / total);
  const effective = 1 / weights.reduce((sum, w) => sum + w * w, 0);
  const learn = Math.min(0.6, (2 * effective) / ((n + 2) ** 2 + effective));
  let mean = [...start];
  let sigma = sigma0;
  let covariance = identity(n);
  let success = 0;
  for (let used = 0; used + lambda <= evaluations && sigma > 1e-4; used += lambda) {
    const root = cholesky(covariance);
    const before = best ? field.score(best) : Infinity;
    const trials = Array.from({ length: lambda }, () => {
      const g = Array.from({ length: n }, normal);
      const step = root.map((row) => row.reduce((sum, v, k) => sum + v * g[k]!, 0));
      return field.try(mean.map((m, i) => m + sigma * step[i]!));
    }).sort((a, b) => field.score(a) - field.score(b));
    if (!best || field.score(trials[0]!) < field.score(best)) best = trials[0]!;
    const chosen = trials.slice(0, mu);
    const old = mean;
    mean = mean.map((_, i) => chosen.reduce((sum, t, k) => sum + weights[k]! * t.x[i]!, 0));
    covariance = covariance.map((row, i) =>
      row.map(
        (v, j) =>
          (1 - learn) * v +
          learn *
            chosen.reduce(
              (sum, t, k) =>
                sum + (weights[k]! * (t.x[i]! - old[i]!) * (t.x[j]! - old[j]!)) / (sigma * sigma),
              0,
            ),
      ),
    );
    // Step size by success: widen while it finds better cuts, narrow when it does not.
    success = 0.8 * success + 0.2 * (field.score(best) < before ? 1 : 0);
    sigma *= Math.exp(0.35 * (success - 0.28));
  }
  return best;
}

const identity = (n: number): number[][] =>
  Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_v, j) => (i === j ? 1 : 0)));

function cholesky(m: readonly (readonly number[])[]): number[][] {
  const n = m.length;
  const l = m.map(() => new Array<number>(n).fill(0));
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = m[i]![j]!;
      for (let k = 0; k < j; k++) sum -= l[i]![k]! * l[j]![k]!;
      l[i]![j] = i === j ? Math.sqrt(Math.max(1e-10, sum)) : sum / l[j]![j]!;
    }
  }
  return l;
}

/** Follows the border: steps in one or two parameters at a time, shorter whenever nothing improves. */
function polish(field: Field, evaluations: number, seed: number): void {
  const normal = seededNormal(seededUniform(seed));
  const n = field.freedoms.length;
  const end = field.evaluations + evaluations;
  let step = 0.06;
  while (field.best && field.evaluations < end && step > 2e-5) {
    const { x, worth } = field.best;
    for (let i = 0; i < n && field.evaluations < end; i++) {
      for (const sign of [1, -1]) field.try(x.map((v, k) => (k === i ? v + sign * step : v)));
    }
    for (let i = 0; i < 4 * n && field.evaluations < end; i++) {
      const g = Array.from({ length: n }, normal);
      const length = Math.hypot(...g);
      field.try(x.map((v, k) => v + (step * g[k]!) / length));
    }
    if (field.best.worth <= worth * 1.0002) step *= 0.5;
  }
}

/** Values a person would enter, as near as the limits let: each rounded to its step towards whichever side holds. */
function tidied(field: Field, trial: Trial): Trial {
  let current = trial;
  for (const f of field.freedoms) {
    const value = readFree(current.op, f.key);
    const sides = [Math.floor(value / f.step + 1e-9) * f.step, Math.ceil(value / f.step - 1e-9) * f.step];
    const tries = sides
      .map((v) => Number(v.toFixed(5)))
      .filter((v) => v >= Math.min(f.low, value) && v <= f.high)
      .map((v) => {
        const op = writeFree(current.op, f.key, v);
        return field.judge(op, field.of(op));
      })
      .filter((t) => t.breach === 0)
      .sort((a, b) => b.worth - a.worth);
    if (tries[0]) current = tries[0];
  }
  return current;
}

/**
 * Climbs on the grid of values a person would enter: one or two parameters by a few steps at a time, as long as it gets
 * better. Rounding takes up to some per cent where a step is coarse; this wins them back.
 */
function climbGrid(field: Field, from: Trial, evaluations: number): Trial {
  let best = from;
  const end = field.evaluations + evaluations;
  const n = field.freedoms.length;
  const moved = (t: Trial, moves: readonly (readonly [number, number])[]): Trial | null => {
    let op = t.op;
    for (const [i, steps] of moves) {
      const f = field.freedoms[i]!;
      const value = Number((readFree(op, f.key) + steps * f.step).toFixed(5));
      if (value < f.low || value > f.high) return null;
      op = writeFree(op, f.key, value);
    }
    const tried = field.judge(op, field.of(op));
    return tried.breach === 0 && tried.worth > t.worth ? tried : null;
  };
  for (let better = true; better && field.evaluations < end;) {
    better = false;
    for (let i = 0; i < n; i++) {
      for (const a of [1, -1, 4, -4]) {
        const single = moved(best, [[i, a]]);
        if (single) [best, better] = [single, true];
        for (let j = 0; j < n && field.evaluations < end; j++) {
          if (j === i) continue;
          for (const b of [1, -1, 3, -3]) {
            const pair = moved(best, [
              [i, a],
              [j, b],
            ]);
            if (pair) [best, better] = [pair, true];
          }
        }
      }
    }
  }
  return best;
}

/**
 * The best cut within all limits at a wanted confidence.
 *
 * Starts from the present cut, from the numbers one would begin with, from light ones and from a spread of others; evolves
 * each and polishes the best along the borders. Deterministic. Pinned parameters are not moved. When nothing free clears
 * some limit, the cut nearest to it comes back with `blockedBy` filled. Throws an InputError when the operation is
 * impossible or nothing is free.
 */
export function searchCut(op: MillingOperation, context: OperationContext, wish: SearchWish): SearchResult {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
  const pinned = (key: FreeParameter): boolean =>
    op.pins.includes(key) ||
    (key === 'n' && op.pins.includes('vc')) ||
    (key === 'fz' && op.pins.includes('hex'));
  const free = wish.free.filter(
    (key) =>
      !pinned(key) && !(key === 'ae' && op.feature.kind === 'slot' && op.path.strategy !== 'trochoidal'),
  );
  if (free.length === 0)
    throw new InputError([
      { field: 'free', value: wish.free, allowed: 'at least one parameter that is not pinned' },
    ]);
  const field = new Field(op, context, { ...wish, free });
  const budget = wish.budget ?? BUDGET;
  const first = field.judge(op, field.of(op));
  const started = withStartingCut(op, context) as MillingOperation;
  const starts = [
    first.x,
    field.of(started),
    field.of(started).map((v, i) => (free[i] === 'ae' || free[i] === 'ap' ? v * 0.5 : v)),
  ];
  const uniform = seededUniform(17);
  const spread = Array.from({ length: Math.round(0.1 * budget) }, () => field.try(free.map(() => uniform())));
  starts.push(
    ...spread
      .sort((a, b) => field.score(a) - field.score(b))
      .slice(0, 2)
      .map((t) => t.x),
  );
  // Even levels make cost and life jump: each number of them is a valley of its own and gets a start.
  const depth = free.indexOf('ap');
  if (depth >= 0) {
    const fewest = Math.ceil(op.feature.depthMm / field.freedoms[depth]!.high - 1e-9);
    for (const levels of [fewest, fewest + 1, fewest + 2, 2 * fewest + 2]) {
      const x = field.of(writeFree(started, 'ap', op.feature.depthMm / levels));
      starts.push(x.map((v, i) => (free[i] === 'ae' ? v * 0.6 : v)));
    }
  }
  // Every start a short run, the two best a long one.
  const short = Math.floor((0.4 * budget) / starts.length);
  const runs = starts
    .map((x, i) => evolve(field, x, 0.1, short, 100 + i))
    .filter((t): t is Trial => t !== null)
    .sort((p, q) => field.score(p) - field.score(q));
  runs.slice(0, 2).forEach((t, i) => evolve(field, t.x, 0.05, Math.floor(0.1 * budget), 200 + i));
  if (!field.best) {
    const nearest = [...spread, first].sort((a, b) => a.breach - b.breach)[0]!;
    evolve(field, nearest.x, 0.2, Math.floor(0.2 * budget), 900);
  }
  polish(field, Math.floor(0.75 * (budget - field.evaluations)), 7);
  const found = field.best;
  if (!found) {
    const nearest = [first, ...spread].sort((a, b) => a.breach - b.breach)[0]!;
    return {
      operation: op,
      worth: first.worth,
      before: first.worth,
      beforeHeld: false,
      stoppedBy: [],
      blockedBy: nearest.shares.filter((s) => s.share > 1),
      evaluations: field.evaluations,
    };
  }
  const done = climbGrid(field, tidied(field, found), Math.max(0, budget - field.evaluations));
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  return {
    operation: { ...done.op, workedOutFor },
    worth: done.worth,
    before: first.worth,
    beforeHeld: first.breach === 0,
    stoppedBy: done.shares.filter(
      (s) => s.share > 0.98 && s.share <= 1 && s.share !== 0.99 && s.id !== 'ramp-angle',
    ),
    blockedBy: [],
    evaluations: field.evaluations,
  };
}
