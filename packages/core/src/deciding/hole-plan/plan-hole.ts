import type { Cutter } from '../../crib/cutter.ts';
import type { OperationContext } from '../../operations/context.ts';
import { SEVERITY } from '../../judging/severity.ts';
import type { LimitResult, LimitState } from '../../judging/result.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { HoleOperation } from '../../operations/hole-operation.ts';
import { InputError, describeProblem } from '../../units/input-error.ts';
import { costBasis } from '../../operations/cost.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { parametersOf, setParameter } from '../../evaluation/set-parameter.ts';
import { chanceLost } from '../../operations/holes/hole-risk.ts';
import { countOf, type HoleDemand, requireDemand } from './hole-demand.ts';
import type { RecipeStep, StepKey } from './recipe.ts';
import { recipesFor } from './recipes.ts';
import { type Shop, type StepDraft, stepWith } from './shop.ts';

/** What somebody changed in a planned step. */
export interface StepChange {
  readonly cutterId?: string;
  readonly leftOut?: boolean;
  readonly speedRpm?: number;
  /** Per turn or per tooth, as the step has it, mm. */
  readonly feedMm?: number;
}
export type StepChanges = Readonly<Partial<Record<StepKey, StepChange>>>;

export interface PlannedStep {
  readonly key: StepKey;
  readonly name: string;
  readonly op: HoleOperation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  readonly governing: LimitResult;
  /** Other tools of the crib for this step, the chosen one included. */
  readonly choices: readonly Cutter[];
  readonly optional: boolean;
  readonly leftOut: boolean;
}

/** One way to make the holes, worked out for the whole part. */
export interface Alternative {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly PlannedStep[];
  /** Why it cannot be done here; null where it can. */
  readonly refused: string | null;
  readonly state: LimitState;
  /** Minutes of a part for all holes of this kind, tool changes included. */
  readonly minutes: number;
  /** Machine and edges for a part. */
  readonly cost: number;
  /** Chance that one of the holes costs the part. */
  readonly lost: number;
  /** That chance times what the part is worth. */
  readonly expectedLoss: number;
  /** Where in the order of the job it belongs, in shop language. */
  readonly placement: string;
}

export interface HolePlan {
  readonly demand: HoleDemand;
  readonly count: number;
  readonly alternatives: readonly Alternative[];
  /** Id of the recommended one; null where none can be done. */
  readonly recommended: string | null;
  /** Why, in shop language. */
  readonly because: readonly string[];
  readonly partValue: number;
  /** Nobody stated what the part is worth. */
  readonly valueAssumed: boolean;
}

/** What a part is taken to be worth when nobody says, in the shop's money. */
export const USUAL_PART_VALUE = 500;

/** Steps whose tools differ so much that the best of the first few is taken instead of the first. */
const TRIED: Readonly<Partial<Record<StepKey, number>>> = { mill: 6, 'thread-mill': 3, bore: 3 };
/** What a step without a doubtful limit may take longer than one with it. */
const WORTH_WAITING = 1.25;

/** Quicker first, once no limit forbids it: a slow tool is not the better one for being far from every limit. */
const betterStep = (a: PlannedStep, b: PlannedStep): number => {
  const over = (s: PlannedStep): number => Number(s.evaluation.state === 'over');
  const felt = (s: PlannedStep): number =>
    s.evaluation.time.perPart * (s.evaluation.state === 'tight' ? WORTH_WAITING : 1);
  return over(a) - over(b) || felt(a) - felt(b);
};

/** A step with the tool wanted, or the best of the crib's; a sentence where it cannot be. */
function makeStep(
  shop: Shop,
  step: RecipeStep,
  count: number,
  madeMm: number,
  change: StepChange | undefined,
): PlannedStep | string {
  const asked = step.tools.find((c) => c.id === change?.cutterId);
  const tools = asked ? [asked] : step.tools.slice(0, TRIED[step.key] ?? 1);
  if (tools.length === 0) return step.missing;
  const made = tools.flatMap((c) => {
    const draft = step.draft(c, madeMm);
    return [draft, ...(step.variants?.(draft) ?? [])].map((d) => stepOf(shop, step, c, d, count, change));
  });
  const possible = made.filter((m) => typeof m !== 'string').sort(betterStep);
  return possible[0] ?? made[0]!;
}

function stepOf(
  shop: Shop,
  step: RecipeStep,
  cutter: Cutter,
  draft: StepDraft,
  count: number,
  change: StepChange | undefined,
): PlannedStep | string {
  const made = stepWith(shop, cutter, draft, count, step.depthMm);
  if (!made) return `no holder of the crib takes ${cutter.name} in this spindle`;
  const { context } = made;
  let { op } = made;
  try {
    if (change?.speedRpm !== undefined) op = setParameter(op, context, 'n', change.speedRpm) as HoleOperation;
    // A tap has no feed of its own: its pitch is it.
    const feed = parametersOf(op).find((key) => key === 'fn' || key === 'fz');
    if (change?.feedMm !== undefined && feed)
      op = setParameter(op, context, feed, change.feedMm) as HoleOperation;
    const evaluation = evaluate(op, context);
    return {
      key: step.key,
      name: step.name,
      op,
      context,
      evaluation,
      governing: limitOf(evaluation, evaluation.governing),
      choices: step.tools,
      optional: step.optional,
      leftOut: step.optional && change?.leftOut === true,
    };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return `${step.name}: ${error.problems.map(describeProblem).join('; ')}`;
  }
}

/** Minutes, cost and chances of steps for one part. */
function summed(
  steps: readonly PlannedStep[],
  count: number,
  partValue: number,
): Omit<Alternative, 'id' | 'name' | 'steps' | 'refused' | 'placement'> {
  let [minutes, cost, kept] = [0, 0, 1];
  let state: LimitState = 'clear';
  for (const { op, context, evaluation: e, leftOut } of steps) {
    if (leftOut) continue;
    const basis = costBasis(op, context);
    const change = context.machine.tool_change_s / 60;
    minutes += e.time.perPart + change;
    const edges = e.featuresPerEdge ? count / Math.max(1, e.featuresPerEdge.value) : 0;
    cost +=
      (e.time.perPart + change) * basis.machinePerMin +
      edges * (basis.edgePrice + basis.edgeChangeMin * basis.machinePerMin);
    kept *= 1 - chanceLost(e.risk, count);
    if (SEVERITY[e.state] > SEVERITY[state]) state = e.state;
  }
  const lost = 1 - kept;
  return { state, minutes, cost, lost, expectedLoss: lost * partValue };
}

/** Grade from which a hole wants the roughing behind it, and chance from which it wants the long work before it undone. */
const FINE = 8;
const RISKY = 0.002;

/** Where holes belong: risky ones before hours are in the part, close ones when its skin is off. */
function placementOf(lost: number, fine: boolean): string {
  const risk = `${percent(lost)} of parts are at risk`;
  if (fine && lost >= RISKY)
    return `Drill early, since ${risk}; finish to size after the roughing, when the part has moved.`;
  if (fine) return 'After the roughing of its setup: a close size moves when skin comes off around it.';
  if (lost >= RISKY) return `Early, before long work is in the part: ${risk}.`;
  return 'Anywhere in its setup: little is at risk.';
}

/** Steps whose diameter the next one finds. */
const OPENS: ReadonlySet<StepKey> = new Set<StepKey>(['drill', 'enlarge', 'mill']);

/** All steps worked out, whatever limits they meet. */
function alternative(
  shop: Shop,
  demand: HoleDemand,
  recipe: { readonly id: string; readonly name: string; readonly steps: readonly RecipeStep[] },
  changes: StepChanges,
  partValue: number,
): Alternative {
  const count = countOf(demand.pattern);
  const steps: PlannedStep[] = [];
  let madeMm = 0;
  for (const step of recipe.steps) {
    const made = makeStep(shop, step, count, madeMm, changes[step.key]);
    if (typeof made === 'string') {
      // What may be left out is left out when the crib lacks it.
      if (step.optional) continue;
      return {
        id: recipe.id,
        name: recipe.name,
        steps: [],
        refused: made,
        state: 'over',
        minutes: 0,
        cost: 0,
        lost: 0,
        expectedLoss: 0,
        placement: '',
      };
    }
    steps.push(made);
    if (OPENS.has(step.key)) madeMm = made.op.hole.diameterMm;
  }
  const sum = summed(steps, count, partValue);
  const placement = placementOf(sum.lost, demand.grade !== null && demand.grade <= FINE);
  return { id: recipe.id, name: recipe.name, steps, refused: null, ...sum, placement };
}

const percent = (share: number): string =>
  share < 0.0005 ? 'under 0.05%' : `${Number((100 * share).toPrecision(2))}%`;
const whole = (money: number): string => Math.round(money).toLocaleString('en-GB');

/** Order in which alternatives are wanted: what no limit forbids, then the least cost with what it puts at risk. */
const wanted = (a: Alternative, b: Alternative): number =>
  Number(a.refused !== null) - Number(b.refused !== null) ||
  Number(a.state === 'over') - Number(b.state === 'over') ||
  a.cost + a.expectedLoss - (b.cost + b.expectedLoss);

/** What the two ways put at risk, in parts and in money. */
function lossesOf(
  best: Alternative,
  next: Alternative,
  { partValue, valueAssumed }: { partValue: number; valueAssumed: boolean },
): string {
  const [one, other] = [percent(best.lost), percent(next.lost)];
  if (one === other) return `Scrap risk ${one} of parts with each method.`;
  return `Scrap risk ${one} against ${other}; at ${whole(partValue)} per part${valueAssumed ? ' (assumed)' : ''} that is ${whole(best.expectedLoss)} against ${whole(next.expectedLoss)} per part.`;
}

/** Sentences that say why the first is recommended over the next. */
function reasons(
  best: Alternative,
  next: Alternative | undefined,
  plan: { partValue: number; valueAssumed: boolean },
): string[] {
  const list: string[] = [];
  if (best.state === 'over') {
    const over = best.steps.find((s) => s.evaluation.state === 'over');
    list.push(
      `Every method is over a limit; this one costs least. ${over ? `${over.name}: ${over.governing.name}.` : ''}`,
    );
  }
  if (!next || next.refused) {
    list.push('The only method the crib has tools for.');
  } else {
    if (next.state === 'over' && best.state !== 'over') {
      const over = next.steps.find((s) => s.evaluation.state === 'over');
      list.push(`${next.name} is over a limit: ${over?.name ?? ''}, ${over?.governing.name ?? ''}.`);
    }
    const minutes = best.minutes - next.minutes;
    const side =
      Math.abs(minutes) < 0.05
        ? 'As quick'
        : minutes > 0
          ? `${minutes.toFixed(1)} min slower per part`
          : `${(-minutes).toFixed(1)} min quicker per part`;
    list.push(`${side} than ${next.name.toLowerCase()}.`);
    list.push(lossesOf(best, next, plan));
  }
  const risky = [...best.steps]
    .filter((s) => !s.leftOut)
    .sort((a, b) => chanceLost(b.evaluation.risk, 1) - chanceLost(a.evaluation.risk, 1))[0];
  if (risky && (risky.evaluation.risk?.because.length ?? 0) > 0)
    list.push(`Riskiest step: ${risky.name.toLowerCase()}, ${risky.evaluation.risk!.because.join(', ')}.`);
  return list;
}

/**
 * Every way to make holes of one kind with this shop's tools, worked out for a part, and the one to take: what no
 * limit forbids at the least cost of machine, edges and of what it puts at risk. Throws an InputError on an impossible
 * demand.
 */
export function planHole(
  shop: Shop,
  demand: HoleDemand,
  changes: Readonly<Record<string, StepChanges>> = {},
): HolePlan {
  requireDemand(demand);
  const partValue = demand.partValue ?? USUAL_PART_VALUE;
  const valueAssumed = demand.partValue === null;
  const alternatives = recipesFor(shop, demand)
    .map((recipe) => alternative(shop, demand, recipe, changes[recipe.id] ?? {}, partValue))
    // Drilling in pecks is another way only where the plan has more than one.
    .filter(
      (a, _, all) =>
        a.id !== 'peck' ||
        !samePecks(
          a,
          all.find((b) => b.id === 'drill'),
        ),
    )
    .sort(wanted);
  const best = alternatives[0];
  const possible = best && best.refused === null;
  return {
    demand,
    count: countOf(demand.pattern),
    alternatives,
    recommended: possible ? best.id : null,
    because: possible
      ? reasons(best, alternatives[1], { partValue, valueAssumed })
      : ['No method with tools in the crib.'],
    partValue,
    valueAssumed,
  };
}

const strokesOf = (a: Alternative | undefined): number =>
  a?.steps.find((s) => s.key === 'drill')?.evaluation.pecks.length ?? 0;
const samePecks = (a: Alternative, b: Alternative | undefined): boolean =>
  b !== undefined && (a.refused !== null || strokesOf(a) === strokesOf(b));
