import type { Band } from '../../judging/result.ts';
import { aliveAfter, edgePlan } from '../batch/edge-plan.ts';
import type { JudgedOperation } from './judged-job.ts';

/** When an edge is changed in a batch, and how often it is bad before. */
export interface PlannedEdge {
  /** Features between changes. */
  readonly features: number;
  /** Chance that it fails before its change. */
  readonly failsEarlier: number;
  /** Edges used up a part. */
  readonly perPart: number;
}

/** Features an edge makes on average until its change, those that fail before it counted; one that does not last a feature makes a part of one. */
function madeBy(features: number, lasts: Band): number {
  let made = 0;
  for (let k = 0; k < features; k++) made += aliveAfter(k, lasts);
  return Math.max(0.01, lasts.value < 1 ? Math.min(made, lasts.value) : made);
}

const known = new WeakMap<
  JudgedOperation['evaluation'],
  { readonly stated: number; readonly edge: PlannedEdge }
>();

/**
 * The change point a batch is planned with: as the operation states it; one that only says that somebody looks after every
 * feature or every part is changed where that costs least. An edge that does not last one feature is used up faster.
 */
export function plannedEdge(o: JudgedOperation): PlannedEdge {
  const { document: op, context, evaluation } = o;
  const stated = op.featuresPerEdge;
  const before = known.get(evaluation);
  if (before?.stated === stated) return before.edge;
  const lasts = evaluation.featuresPerEdge;
  const features =
    stated > Math.max(1, op.featuresPerPart) || !lasts
      ? stated
      : (edgePlan(op, context, evaluation)?.attended.features ?? stated);
  const edge: PlannedEdge = {
    features,
    failsEarlier: lasts ? 1 - aliveAfter(features, lasts) : 0,
    perPart: op.featuresPerPart / (lasts ? madeBy(features, lasts) : features),
  };
  known.set(evaluation, { stated, edge });
  return edge;
}
