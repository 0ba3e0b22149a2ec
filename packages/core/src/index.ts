export { evaluate, limitOf, numberOf, worseFirst } from './evaluation/evaluate.ts';
export { remediesFor, type Remedy } from './evaluation/remedies.ts';
export { problemsOf } from './evaluation/check-operation.ts';
export {
  setParameter,
  MILLING_PARAMETERS,
  DRILLING_PARAMETERS,
  type Parameter,
} from './evaluation/set-parameter.ts';
export { withStartingCut, startingStickOut } from './evaluation/starting-cut.ts';
export { differencesOf, type Difference } from './evaluation/differences.ts';
export { InputError, describeProblem, type InputProblem } from './domain/input-error.ts';
export type { Alloy, IsoGroup } from './domain/alloy.ts';
export {
  type Cutter,
  type Substrate,
  type Coating,
  isDrill,
  isMillingCutter,
  isIndexable,
  outerDiameter,
} from './domain/cutter.ts';
export type { Holder } from './domain/holder.ts';
export type { Machine } from './domain/machine.ts';
export type { OperationContext } from './domain/context.ts';
export * from './domain/operation.ts';
export {
  LIMIT_GROUPS,
  type Band,
  type CycleTime,
  type Evaluation,
  type Explanation,
  type LimitGroup,
  type LimitResult,
  type LimitState,
  type Peck,
  type Quantity,
} from './domain/evaluation.ts';
export type { Source } from './uncertainty/estimate.ts';
export {
  formatMeasure,
  formatNumber,
  fromShown,
  toShown,
  UNITS,
  type System,
  type Unit,
} from './units/unit.ts';
export { speak, measure, say, type Measure, type Sentence } from './units/sentence.ts';
export { powerAt, torqueAt } from './spindle/spindle-curve.ts';
