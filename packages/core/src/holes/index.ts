export {
  type Alternative,
  type HolePlan,
  planHole,
  type PlannedStep,
  type StepChange,
  type StepChanges,
  USUAL_PART_VALUE,
} from './planning/plan-hole.ts';
export {
  chosenOf,
  type PartPlan,
  type PlannedKind,
  planPart,
  type SharedTool,
} from './planning/plan-part.ts';
export {
  countOf,
  type HoleDemand,
  type HolePattern,
  nominalOf,
  PLAIN_DEMAND,
  requireDemand,
  wayBetween,
} from './planning/hole-demand.ts';
export { type StepKey, STEP_KEYS } from './planning/recipe.ts';
export type { Shop } from './planning/shop.ts';
export { orderRisk, type Station, type StationRisk } from './planning/order-risk.ts';
export { asList } from './peck-plan.ts';
export { packingFactor } from './chip-packing.ts';
export { strokesByDepth, type StrokesByDepth } from './strokes-by-depth.ts';
export { basicDiameters, heightForPilot, pilotForFormed, pilotForHeight } from './threads/thread-geometry.ts';
export { THREAD_SERIES, threadOf } from './threads/thread-table.ts';
export { gradeWidth } from './hole-accuracy.ts';
export { broughtEarly, type RouteEntry, routeRisk, type RouteRisk } from './planning/route-risk.ts';
export { groupByTool, toolLoads, type ToolUse } from './planning/group-by-tool.ts';
