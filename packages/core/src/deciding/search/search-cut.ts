import type { OperationContext } from '../../operations/context.ts';
import { InputError } from '../../units/input-error.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { movableOf } from '../../evaluation/set-parameter.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import { seededUniform } from '../../numerics/random.ts';
import { evolve } from './evolve.ts';
import { Field, scoreOf, type Trial } from './field.ts';
import { type FreeParameter, widthFollows, writeFree } from '../../operations/milling/milling-movables.ts';
import type { Objective } from './objective.ts';
import { climbGrid, polish, tidied } from './polish.ts';
import type { ShareAt } from './shares.ts';

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

/** Evaluations a search may cost when nobody says. */
const BUDGET = 5000;

/** Cuts of the first spread that may lie nearest to one that holds. */
const NEAREST = 12;

/** A share from which a limit counts as what stops a search. */
const NEARLY = 0.98;

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
    movableOf(op, context, key).heldBy.some((pin) => op.pins.includes(pin));
  const free = wish.free.filter((key) => !pinned(key) && !(key === 'ae' && widthFollows(op)));
  if (free.length === 0)
    throw new InputError([
      { field: 'free', value: wish.free, allowed: 'at least one parameter that is not pinned' },
    ]);
  const field = new Field(op, context, { ...wish, free });
  const budget = wish.budget ?? BUDGET;
  const first = field.judge(op);
  const started = withStartingCut(op, context) as MillingOperation;
  const starts = [
    first.x,
    field.of(started),
    field.of(started).map((v, i) => (free[i] === 'ae' || free[i] === 'ap' ? v * 0.5 : v)),
  ];
  const uniform = seededUniform(17);
  const anywhere = Array.from({ length: Math.round(0.1 * budget) }, () => free.map(() => uniform()));
  const spread = field.bestOf(anywhere, Math.min(NEAREST, anywhere.length));
  starts.push(...spread.slice(0, 2).map((t) => t.x));
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
    .sort((p, q) => scoreOf(p) - scoreOf(q));
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
      blockedBy: nearest.shares.filter((s) => s.forbids),
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
    stoppedBy: done.shares.filter((s) => s.share !== null && s.share > NEARLY && !s.forbids),
    blockedBy: [],
    evaluations: field.evaluations,
  };
}
