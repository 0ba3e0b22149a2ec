import { evaluate } from '../../evaluation/evaluate.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import { setParameter } from '../../evaluation/set-parameter.ts';
import type { OperationContext } from '../../operations/context.ts';
import { isHole } from '../../operations/hole-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { counted } from '../../units/counted.ts';
import { aliveAfter } from './edge-plan.ts';
import { failureCosts } from './failure-cost.ts';

/** Something that can go wrong while nobody looks. */
export interface Hazard {
  readonly id: 'edge' | 'coolant' | 'chips' | 'chatter';
  readonly name: string;
  /** Chance within one stretch. */
  readonly chance: number;
  readonly because: string;
}

/** A change that lowers what a stretch is expected to cost. */
export interface SaferChange {
  readonly what: string;
  readonly expectedLoss: number;
}

/** The longest stretch without a look, what can fail in it and what that is expected to cost. */
export interface Exposure {
  readonly features: number;
  readonly minutes: number;
  readonly hazards: readonly Hazard[];
  readonly expectedLoss: number;
  /** Changes, the one that lowers it most first. */
  readonly changes: readonly SaferChange[];
}

/** Chances an hour, by judgement: a filter that fines clog starves the jet with nobody there to see it. */
const COOLANT_PER_HOUR = { fine: 0.03, usual: 0.006 } as const;
const CHIPS_PER_HOUR = { closed: 0.02, open: 0.003 } as const;
/** Mean chip, mm, below which it leaves as fines. */
const FINE_CHIP = 0.02;

const within = (perHour: number, minutes: number): number => 1 - Math.exp((-perHour * minutes) / 60);

interface Stretch {
  readonly op: Operation;
  readonly evaluation: Evaluation;
  readonly features: number;
  /** Share of the stretch after which somebody looks. */
  readonly looked: number;
  readonly filtered: boolean;
}

function hazardsOf({ op, evaluation, features, looked, filtered }: Stretch): Hazard[] {
  const { cutting, linking } = evaluation.time;
  const minutes = features * looked * (cutting + linking);
  const hazards: Hazard[] = [];
  if (evaluation.featuresPerEdge) {
    // A look on the way finds half of what would fail after it.
    const whole = 1 - aliveAfter(features, evaluation.featuresPerEdge);
    const half = 1 - aliveAfter(features * looked, evaluation.featuresPerEdge);
    hazards.push({
      id: 'edge',
      name: 'edge fails',
      chance: looked === 1 ? whole : Math.max(half, (whole - half) / 2),
      because: `an edge lasts about ${Math.round(evaluation.featuresPerEdge.value)} ${isHole(op) ? 'holes' : 'features'}`,
    });
  }
  const mean = evaluation.numbers.find((n) => n.key === 'hm')?.value;
  const fine = mean !== undefined && mean < FINE_CHIP;
  if (op.coolant === 'flood' || op.coolant === 'through-tool')
    hazards.push({
      id: 'coolant',
      name: 'coolant fades',
      chance: within(COOLANT_PER_HOUR[fine ? 'fine' : 'usual'] / (filtered ? 4 : 1), minutes),
      because: fine ? 'fines clog the filter and starve the jet' : 'a nozzle or a filter clogs',
    });
  const closed = isHole(op) || (op.kind === 'milling' && ['slot', 'pocket'].includes(op.feature.kind));
  hazards.push({
    id: 'chips',
    name: 'chips not cleared',
    chance: within(CHIPS_PER_HOUR[closed ? 'closed' : 'open'], minutes),
    because: closed ? 'chips gather in a closed feature' : 'chips wind round the tool',
  });
  const chatter = evaluation.limits.find((l) => l.id === 'limit-depth');
  if (chatter && chatter.state !== 'clear')
    hazards.push({
      id: 'chatter',
      name: 'chatter breaks the edge',
      chance: chatter.state === 'over' ? 0.3 : 0.05,
      because: 'the stability limit is not clear',
    });
  return hazards;
}

/** What can go wrong in so many features with nobody there. */
export const hazardsIn = (op: Operation, evaluation: Evaluation, features: number): readonly Hazard[] =>
  hazardsOf({ op, evaluation, features, looked: 1, filtered: false });

const lossOf = (hazards: readonly Hazard[], loss: number): number =>
  loss * (1 - hazards.reduce((all, h) => all * (1 - h.chance), 1));

/** Steps a change point is brought forward by, as shares of the stated one. */
const EARLIER = [0.75, 0.5];
const SLOWER = 0.9;

/**
 * What one stretch between two looks at the edge risks with nobody there, and which single change lowers it most: an earlier change
 * point, a slower cut, a look half-way, a filter that is checked.
 */
export function exposureOf(op: Operation, context: OperationContext, evaluation: Evaluation): Exposure {
  const loss = failureCosts(op, context, false).failure;
  const stretch: Stretch = { op, evaluation, features: op.featuresPerEdge, looked: 1, filtered: false };
  const hazards = hazardsOf(stretch);
  const now = lossOf(hazards, loss);
  const one = isHole(op) ? 'hole' : 'feature';
  const tried: SaferChange[] = EARLIER.flatMap((share) => {
    const features = Math.floor(share * op.featuresPerEdge);
    if (features < 1 || features === op.featuresPerEdge) return [];
    // Shorter stretches come more often: it is the whole of what one long stretch made that counts.
    const often = op.featuresPerEdge / features;
    return [
      {
        what: `Change the edge after ${counted(features, one)}`,
        expectedLoss: often * lossOf(hazardsOf({ ...stretch, features }), loss),
      },
    ];
  });
  tried.push({
    what: 'Look at edge, chips and jet half-way',
    expectedLoss: 2 * lossOf(hazardsOf({ ...stretch, looked: 0.5 }), loss),
  });
  if (hazards.some((h) => h.id === 'coolant'))
    tried.push({
      what: 'Clean the filter before, and watch flow with an alarm',
      expectedLoss: lossOf(hazardsOf({ ...stretch, filtered: true }), loss),
    });
  const slower = setParameter(op, context, 'n', op.cut.speedRpm * SLOWER);
  tried.push({
    what: `Lower cutting speed by ${Math.round(100 * (1 - SLOWER))}%, feed with it`,
    expectedLoss: lossOf(hazardsOf({ ...stretch, op: slower, evaluation: evaluate(slower, context) }), loss),
  });
  const { cutting, linking } = evaluation.time;
  return {
    features: op.featuresPerEdge,
    minutes: op.featuresPerEdge * (cutting + linking),
    hazards: [...hazards].sort((a, b) => b.chance - a.chance),
    expectedLoss: now,
    changes: tried.filter((c) => c.expectedLoss < 0.98 * now).sort((a, b) => a.expectedLoss - b.expectedLoss),
  };
}
