import type { OperationContext } from '../../operations/context.ts';
import { isIndexable, outerDiameter } from '../../crib/cutter.ts';
import type { LimitState } from '../../judging/result.ts';
import { InputError } from '../../units/input-error.ts';
import type { MillingOperation, StrategyId } from '../../operations/milling/milling-operation.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { costBasis, costOfFeature } from '../../operations/cost.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { setStickOut, withStartingCut } from '../../evaluation/starting-cut.ts';
import type { EntryMethod } from '../../physics/path/entry.ts';
import { type EntryPlace, rateEntries } from '../../physics/path/entry-plan.ts';
import { doubtOf } from '../choosing/doubt.ts';
import { searchCut } from '../search/search-cut.ts';
import type { FreeParameter } from '../../operations/milling/milling-movables.ts';
import type { Objective } from '../search/objective.ts';
import { bandOf, scale } from '../../judging/estimate.ts';
import type { Sentence } from '../../units/sentence.ts';
import { courseOf, type Stretch } from '../../operations/milling/detail/course.ts';

export interface LayOutWish {
  readonly objective: Objective;
  readonly confidence: number;
  /** Evaluations spent on balancing one strategy. */
  readonly budget: number;
  /** Way in, where somebody chose one; absent takes the best. */
  readonly entry?: EntryMethod;
}

/** One strategy with one cutter, worked out for a feature. */
export interface StrategyLayout {
  readonly strategy: StrategyId;
  readonly cutterId: string;
  readonly cutterName: string;
  readonly diameterMm: number;
  readonly flutes: number;
  readonly operation: MillingOperation;
  readonly state: LimitState;
  /** Limits at whose border the search stopped. */
  readonly stoppedBy: readonly string[];
  /** Limits no cut of the search held at the wanted confidence; the numbers are then those it began with. */
  readonly blockedBy: readonly string[];
  readonly governing: { readonly id: string; readonly name: string; readonly why: Sentence };
  readonly levels: number;
  readonly passes: number;
  readonly minutes: {
    readonly contact: number;
    readonly entry: number;
    readonly air: number;
    readonly link: number;
    readonly total: number;
  };
  readonly lifeMin: number | null;
  readonly featuresPerEdge: { readonly value: number; readonly low: number; readonly high: number } | null;
  readonly removalCm3Min: number;
  readonly arcDeg: number;
  readonly chipMm: number;
  readonly speedMMin: number;
  readonly temperatureC: number;
  readonly powerKw: number;
  readonly sideForceN: number;
  /** Largest side force anywhere on the path, N. */
  readonly peakForceN: number;
  readonly course: readonly Stretch[];
  readonly entry: string;
  readonly leavesInCornerMm: number;
  readonly leavesStepMm: number;
  readonly cost: number;
  /** How many times its cost it is taken at when cuts are put in order. */
  readonly doubt: number;
  readonly edgeCost: number;
}

/** A strategy that cannot be laid out here, and why. */
export interface StrategyRefusal {
  readonly strategy: StrategyId;
  readonly cutterId: string;
  readonly cutterName: string;
  readonly impossible: string;
}

export const isLaidOut = (row: StrategyLayout | StrategyRefusal): row is StrategyLayout => 'operation' in row;

/** Parameters each strategy leaves free; a plunge's depth is the feature's. */
const FREE: Readonly<Record<StrategyId, readonly FreeParameter[]>> = {
  levels: ['n', 'fz', 'ap', 'ae'],
  'constant-engagement': ['n', 'fz', 'ap', 'ae'],
  trochoidal: ['n', 'fz', 'ap', 'ae'],
  plunge: ['n', 'fz', 'ae'],
  'high-feed': ['n', 'fz', 'ap', 'ae'],
  'slot-then-widen': ['n', 'fz', 'ap', 'ae'],
};

/** The operation a strategy would begin with: its path, the best way in, first numbers of its own. */
export function operationFor(
  op: MillingOperation,
  context: OperationContext,
  strategy: StrategyId,
  entry?: EntryMethod,
): MillingOperation {
  const { cutter, machine } = context;
  const same = op.tooling.cutterId === cutter.id;
  const stickOutMm = same
    ? op.tooling.stickOutMm
    : isIndexable(cutter)
      ? (cutter.properties.LF ?? 50)
      : setStickOut({ cutter }, op.feature.depthMm);
  const base: MillingOperation = {
    ...op,
    tooling: { cutterId: cutter.id, holderId: context.holder.id, stickOutMm },
    path: {
      ...op.path,
      strategy,
      cornerPathRadiusMm: strategy === op.path.strategy ? op.path.cornerPathRadiusMm : null,
    },
    pins: [],
  };
  const started = withStartingCut(base, context) as MillingOperation;
  const place: EntryPlace = {
    cutter,
    alloy: context.alloy,
    feature: op.feature,
    axialDepthMm: started.cut.axialDepthMm,
    toolChangeS: machine.tool_change_s,
  };
  const open = { ...op.path.entry, rampAngleDeg: null, helixDiameterMm: null };
  const method = entry ?? rateEntries(open, place, 500, 1)[0]!.plan.method;
  return { ...started, path: { ...started.path, entry: { ...open, method } } };
}

/** A strategy's cut before anything is balanced, or why it cannot be run at all: geometry, or a cutter not made for it. */
export function begin(
  op: MillingOperation,
  context: OperationContext,
  strategy: StrategyId,
  entry?: EntryMethod,
): { readonly operation: MillingOperation } | StrategyRefusal {
  const refuse = (impossible: string): StrategyRefusal => ({
    strategy,
    cutterId: context.cutter.id,
    cutterName: context.cutter.name,
    impossible,
  });
  let operation: MillingOperation;
  try {
    operation = operationFor(op, context, strategy, entry);
    const problems = problemsOf(operation, context);
    if (problems.length > 0) throw new InputError(problems);
  } catch (error) {
    if (error instanceof InputError)
      return refuse(error.problems.map((p) => `${p.field}: ${p.allowed}`).join('; '));
    throw error;
  }
  if (
    strategy === 'high-feed' &&
    context.cutter.type !== 'high_feed_mill' &&
    (context.cutter.properties.RE ?? 0) <= 0
  )
    return refuse('high feed needs a flat lead angle or a rounded corner');
  const { plan } = millingState(operation, context);
  const impossible = plan.impossible ?? (entry === undefined ? null : plan.entry.impossible);
  return impossible ? refuse(impossible) : { operation };
}

/**
 * A strategy with the context's cutter, balanced against all limits at the wanted confidence. Returns why when it cannot be
 * run at all; one with a limit nothing free clears is not refused, it comes back as it stands, named.
 */
export function layOut(
  op: MillingOperation,
  context: OperationContext,
  strategy: StrategyId,
  wish: LayOutWish,
): StrategyLayout | StrategyRefusal {
  const begun = begin(op, context, strategy, wish.entry);
  if (!('operation' in begun)) return begun;
  const found = searchCut(begun.operation, context, {
    free: FREE[strategy],
    objective: wish.objective,
    confidence: wish.confidence,
    budget: wish.budget,
  });
  return {
    strategy,
    cutterId: context.cutter.id,
    cutterName: context.cutter.name,
    ...summarise(found.operation, context),
    stoppedBy: found.stoppedBy.map((s) => s.name),
    blockedBy: found.blockedBy.map((s) => s.name),
  };
}

/** Everything the comparison shows of an operation as it stands. */
export function summarise(
  operation: MillingOperation,
  context: OperationContext,
): Omit<StrategyLayout, 'strategy' | 'cutterId' | 'cutterName' | 'stoppedBy' | 'blockedBy'> {
  const state = millingState(operation, context);
  const evaluation = evaluate(operation, context);
  const governing = limitOf(evaluation, evaluation.governing);
  const total = state.time.cutting + state.time.linking;
  const cost = costOfFeature(
    costBasis(operation, context),
    { contact: state.minutes.contact, total },
    state.lifeMin?.value ?? null,
  );
  const course = courseOf(state);
  const perEdge = state.lifeMin
    ? bandOf(scale(state.lifeMin, 1 / Math.max(1e-9, state.minutes.contact)))
    : null;
  return {
    diameterMm: outerDiameter(context.cutter),
    flutes: context.cutter.properties.ZEFP ?? context.cutter.properties.NOF ?? 1,
    operation,
    state: evaluation.state,
    governing: { id: governing.id, name: governing.name, why: governing.why },
    levels: state.plan.levels,
    passes: state.plan.passes,
    minutes: { ...state.minutes, total },
    lifeMin: state.lifeMin?.value ?? null,
    featuresPerEdge: perEdge && { value: perEdge.value, low: perEdge.low, high: perEdge.high },
    removalCm3Min: state.removalCm3Min,
    arcDeg: (state.arc * 180) / Math.PI,
    chipMm: state.chipMm,
    speedMMin: state.cuttingSpeedMMin,
    temperatureC: state.heat.temperatureC,
    powerKw: state.powerKw.value,
    sideForceN: state.sideForceN.value,
    peakForceN: Math.max(...course.map((s) => s.sideForceN)),
    course,
    entry: state.plan.entry.method,
    leavesInCornerMm: state.plan.leavesInCornerMm,
    leavesStepMm: state.plan.leavesStepMm,
    cost: cost.total,
    doubt: doubtOf(evaluation),
    edgeCost: cost.edges,
  };
}
