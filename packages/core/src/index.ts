export { evaluate, limitOf, numberOf, worseFirst } from './evaluation/evaluate.ts';
export { remediesFor } from './evaluation/remedies.ts';
export type { CutterShelf } from './evaluation/other-cutters.ts';
export type { Remedy } from './evaluation/remedy.ts';
export { problemsOf, toolFits } from './evaluation/check-operation.ts';
export {
  setParameter,
  MILLING_PARAMETERS,
  HOLE_PARAMETERS,
  parametersOf,
  speedDiameter,
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
export * from './domain/hole-operation.ts';
export { type Hole, PLAIN_HOLE, type ThreadForm } from './domain/hole.ts';
export {
  LIMIT_GROUPS,
  type Band,
  type CycleTime,
  type Explanation,
  type LimitGroup,
  type LimitResult,
  type LimitState,
  type Quantity,
} from './domain/evaluation.ts';
export type { Evaluation } from './evaluation/evaluation.ts';
export type { Peck, PeckList } from './holes/peck.ts';
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
export { type CostBasis, costBasis } from './evaluation/cost.ts';
export { millingState, type MillingState } from './evaluation/milling-state.ts';
export { type Overload, overloadOf } from './evaluation/overload.ts';
export { turnOf } from './detail/turn-of.ts';
export { oneTurn } from './forces/one-turn.ts';
export type { OneTurn } from './forces/one-turn.ts';
export { type WallDetail, wallOf } from './detail/wall-of.ts';
export { type HeatCurve, heatCurve, type HeatPoint } from './detail/heat-curve.ts';
export { type PathDetail, pathDetail } from './detail/path-detail.ts';
export type { EntryPlan, RatedEntry } from './path/entry-plan.ts';
export { type FinishPlan, finishPlan } from './finishing/finish-plan.ts';
export {
  isLaidOut,
  layOut,
  type LayOutWish,
  type StrategyLayout,
  type StrategyRefusal,
} from './strategies/lay-out.ts';
export type { Stretch } from './strategies/course.ts';
export { type Aspect, strategyName, type Verdict, verdictOf } from './strategies/verdict.ts';
export {
  contextWith,
  type Offer,
  rankCutters,
  type RankedCutter,
  type Ranking,
} from './choosing/rank-cutters.ts';
export { fittingHolders } from './choosing/fitting-holder.ts';
export {
  FREE_PARAMETERS,
  type Freedom,
  type FreeParameter,
  freedomOf,
  readFree,
  writeFree,
} from './search/freedom.ts';
export { type Objective, OBJECTIVES } from './search/objective.ts';
export { type SearchResult, type SearchWish, searchCut } from './search/search-cut.ts';
export { type LimitMap, limitMap, mapRange, type MapWish } from './search/limit-map.ts';
export {
  CLASS_WIDTH,
  type LimitOdds,
  type MeasureNext,
  monteCarlo,
  type Odds,
} from './uncertainty/monte-carlo.ts';
export { periodicVerdict, withPeriodic } from './evaluation/periodic-verdict.ts';
export { stabilityState, type StabilityState } from './evaluation/stability-state.ts';
export type { PeriodicVerdict } from './domain/context.ts';
export type { Receptance, TipMode, TipStructure } from './dynamics/tip-structure.ts';
export {
  frequencyGrid,
  receptanceAt,
  receptanceOf,
  countingModes,
  softestMode,
  softModes,
} from './dynamics/tip-structure.ts';
export type { ChatterCut } from './dynamics/chatter-cut.ts';
export { chatterRange, limitAtSpeed, responseOf } from './dynamics/fixed-speed.ts';
export { type LobeChart, lobeChart } from './dynamics/lobes.ts';
export { type PeriodicLimit, limitDepth } from './dynamics/periodic/limit-depth.ts';
export { stabilityMap, type StabilityMap, type StabilityMapWish } from './dynamics/periodic/stability-map.ts';
export { type Simulation, simulateCut } from './dynamics/time-domain.ts';
export { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from './dynamics/along-tool.ts';
export { fitModes, type ModalFit } from './dynamics/measure/modal-fit.ts';
export {
  explainsHeard,
  implausibleTip,
  seenIn,
  staticStiffness,
  withModesAbove,
} from './dynamics/measure/plausible-tip.ts';
export {
  type Fault,
  type HammerRecord,
  type HammerResult,
  receptanceOfHits,
  type Sensor,
  withoutWindow,
} from './dynamics/measure/hammer-record.ts';
export { bell, type HammerKit, seededNumbers, simulatedHammer } from './dynamics/measure/simulated-hammer.ts';
export { type ResponseKind } from './dynamics/files/response-file.ts';
export { readResponseCsv, writeResponseCsv } from './dynamics/files/response-csv.ts';
export { readUniversalFile, writeUniversalFile } from './dynamics/files/universal-file.ts';
export { isHammerCsv, readHammerCsv, writeHammerCsv } from './dynamics/files/hammer-csv.ts';
export {
  listen,
  type Recording,
  type SoundVerdict,
  spectrumOf,
  timeFrequency,
} from './dynamics/sound/chatter-sound.ts';
export { soundOf } from './dynamics/sound/simulated-sound.ts';
export { type SpeedToTry, speedsToTry } from './dynamics/sound/speeds-to-try.ts';
export { genericStructure } from './dynamics/assembly-of.ts';
export type { ToolAssembly } from './domain/tool-assembly.ts';
export { tipKnowledge, type TipKnowledge, type Trust, TRUSTS } from './dynamics/tip-knowledge.ts';
export { impossibleIn } from './domain/possible-cut.ts';
export {
  type Heard,
  HEARD,
  isPracticeSerial,
  type KnownTip,
  type Observation,
  PRACTICE_SERIAL,
  type ResonanceBook,
  trueSpeed,
} from './domain/resonance.ts';
export { type Belief, priorBelief } from './dynamics/learning/belief.ts';
export { chanceMap, type ChanceMap } from './dynamics/learning/chance-map.ts';
export { learn } from './dynamics/learning/learn.ts';
export {
  nextTests,
  speedLadder,
  type SpeedLadder,
  type TestProposal,
} from './dynamics/learning/test-plan.ts';
export { resonanceOf, type ResonancePicture, type ResonanceQuestion } from './dynamics/resonance-of.ts';
export { type BoringVerdict, boringVerdict } from './dynamics/slender/boring-bar.ts';
export { type DrillVibration, drillVibration } from './dynamics/slender/slender-drill.ts';
export {
  type Alternative,
  type HolePlan,
  planHole,
  type PlannedStep,
  type StepChange,
  type StepChanges,
  USUAL_PART_VALUE,
} from './holes/planning/plan-hole.ts';
export {
  chosenOf,
  type PartPlan,
  type PlannedKind,
  planPart,
  type SharedTool,
} from './holes/planning/plan-part.ts';
export {
  countOf,
  type HoleDemand,
  type HolePattern,
  nominalOf,
  PLAIN_DEMAND,
  requireDemand,
  wayBetween,
} from './holes/planning/hole-demand.ts';
export { type StepKey, STEP_KEYS } from './holes/planning/recipe.ts';
export type { Shop } from './holes/planning/shop.ts';
export { orderRisk, type Station, type StationRisk } from './holes/planning/order-risk.ts';
export { asList } from './holes/peck-plan.ts';
export { packingFactor } from './holes/chip-packing.ts';
export { strokesByDepth, type StrokesByDepth } from './holes/strokes-by-depth.ts';
export {
  basicDiameters,
  heightForPilot,
  pilotForFormed,
  pilotForHeight,
} from './holes/threads/thread-geometry.ts';
export { THREAD_SERIES, threadOf } from './holes/threads/thread-table.ts';
export { gradeWidth } from './holes/hole-accuracy.ts';
export { broughtEarly, type RouteEntry, routeRisk, type RouteRisk } from './holes/planning/route-risk.ts';
export { groupByTool, toolLoads, type ToolUse } from './holes/planning/group-by-tool.ts';
export { tappingState } from './evaluation/holes/tapping-state.ts';
export { holeMillingState } from './evaluation/holes/hole-milling-state.ts';
export { CHAMFER_OFF_TIP } from './evaluation/holes/chamfering-state.ts';
export { drillingState, type DrillingState } from './evaluation/drilling-state.ts';
export { SHOWN_NUMBERS } from './evaluation/shown-numbers.ts';
export { holeSentence, stepNotes } from './evaluation/holes/step-notes.ts';
export { chanceLost } from './evaluation/holes/hole-risk.ts';
export type { HoleRisk } from './domain/evaluation.ts';
