export { evaluate, limitOf, numberOf, worseFirst } from './evaluation/evaluate.ts';
export { remediesFor } from './deciding/remedies/remedies.ts';
export type { CutterShelf } from './deciding/remedies/other-cutters.ts';
export type { Remedy } from './deciding/remedies/remedy.ts';
export { problemsOf, toolDoubt, toolFits } from './evaluation/check-operation.ts';
export { setParameter, movableOf, movablesOf, parametersOf } from './evaluation/set-parameter.ts';
export { type Movable, tidyStep } from './operations/movable.ts';
export { withStartingCut, setStickOut, startingStickOut } from './evaluation/starting-cut.ts';
export { differencesOf, type Difference } from './evaluation/differences.ts';
export {
  InputError,
  describeProblem,
  fieldInWords,
  problemInWords,
  type InputProblem,
} from './units/input-error.ts';
export { type Alloy, type IsoGroup, wantsDry } from './crib/alloy.ts';
export {
  type Cutter,
  type Substrate,
  type Coating,
  isDrill,
  isMillingCutter,
  isUndercutter,
  isIndexable,
  outerDiameter,
} from './crib/cutter.ts';
export type { Holder } from './crib/holder.ts';
export {
  type Findable,
  found,
  tokensOf,
  wordsOf,
  wordsOfCutter,
  wordsOfHolder,
  wordsOfMachine,
} from './crib/finding.ts';
export { wrongHolder } from './crib/pairing.ts';
export { madeOf, missingMaterials, type ToolMaterials } from './crib/tool-materials.ts';
export type { Machine } from './crib/machine.ts';
export type { OperationContext } from './operations/context.ts';
export * from './operations/operation.ts';
export * from './operations/hole-operation.ts';
export * from './operations/milling/milling-operation.ts';
export * from './physics/path/finishing.ts';
export * from './physics/path/undercut.ts';
export { undercutSentence } from './operations/milling/undercut-sentence.ts';
export { heldOf } from './operations/milling/held-of.ts';
export * from './operations/drilling/drilling-operation.ts';
export * from './operations/edge-milling/edge-milling-operation.ts';
export {
  EDGE_CUTTER_TYPES,
  EDGE_FACES,
  EDGE_FORMS,
  edgeContact,
  type EdgeFace,
  type EdgeForm,
} from './physics/edges/edge-contact.ts';
export { type Hole, PLAIN_HOLE, type ThreadForm } from './physics/holes/hole.ts';
export { SEVERITY } from './judging/severity.ts';
export {
  LIMIT_GROUPS,
  type Band,
  type CycleTime,
  type Explanation,
  type LimitGroup,
  type LimitResult,
  type LimitState,
  type Quantity,
} from './judging/result.ts';
export type { Evaluation } from './evaluation/evaluation.ts';
export type { Peck, PeckList } from './physics/holes/peck.ts';
export { type Source, sigmaOfSpan } from './judging/estimate.ts';
export {
  formatMeasure,
  formatField,
  formatNumber,
  fromShown,
  toShown,
  UNITS,
  type System,
  type Unit,
  showMoneyIn,
} from './units/unit.ts';
export { capital } from './units/capital.ts';
export { speak, measure, say, type Measure, type Sentence } from './units/sentence.ts';
export { powerAt, torqueAt } from './physics/cutting/spindle-curve.ts';
export { type CostBasis, costBasis } from './operations/cost.ts';
export { millingState, type MillingState } from './operations/milling/milling-state.ts';
export { type Overload, overloadOf } from './operations/milling/detail/overload.ts';
export { turnOf } from './operations/milling/detail/turn-of.ts';
export { oneTurn } from './physics/cutting/one-turn.ts';
export type { OneTurn } from './physics/cutting/one-turn.ts';
export { type WallDetail, wallOf } from './operations/milling/detail/wall-of.ts';
export { type HeatCurve, heatCurve, type HeatPoint } from './operations/milling/detail/heat-curve.ts';
export { type PathDetail, pathDetail } from './operations/milling/detail/path-detail.ts';
export type { EntryPlan, RatedEntry } from './physics/path/entry-plan.ts';
export { type FinishPlan, finishPlan } from './operations/milling/detail/finish-plan.ts';
export { startingRange } from './operations/milling/detail/starting-range.ts';
export {
  isLaidOut,
  layOut,
  type LayOutWish,
  type StrategyLayout,
  type StrategyRefusal,
} from './deciding/strategies/lay-out.ts';
export type { Stretch } from './operations/milling/detail/course.ts';
export { type Aspect, strategyName, type Verdict, verdictOf } from './deciding/strategies/verdict.ts';
export {
  contextWith,
  type Offer,
  rankCutters,
  type RankedCutter,
  type Ranking,
} from './deciding/choosing/rank-cutters.ts';
export { type FirstCut, firstCuts } from './deciding/choosing/first-cuts.ts';
export { fittingHolders } from './deciding/choosing/fitting-holder.ts';
export { type Freedom, freedomOf } from './deciding/search/freedom.ts';
export {
  FREE_PARAMETERS,
  type FreeParameter,
  readFree,
  writeFree,
} from './operations/milling/milling-movables.ts';
export { type Objective, OBJECTIVES } from './deciding/search/objective.ts';
export { type SearchResult, type SearchWish, searchCut } from './deciding/search/search-cut.ts';
export { type LimitMap, limitMap, mapRange, type MapWish } from './deciding/search/limit-map.ts';
export {
  CLASS_WIDTH,
  type LimitOdds,
  type MeasureNext,
  monteCarlo,
  type Odds,
} from './deciding/uncertainty/monte-carlo.ts';
export { periodicVerdict, withPeriodic } from './evaluation/periodic-verdict.ts';
export { stabilityState, type StabilityState, WORLDS } from './operations/milling/stability-state.ts';
export type { PeriodicVerdict } from './operations/context.ts';
export type { Receptance, TipMode, TipStructure } from './physics/dynamics/tip-structure.ts';
export {
  DAMPING,
  frequencyGrid,
  receptanceAt,
  receptanceOf,
  countingModes,
  softestMode,
  softModes,
} from './physics/dynamics/tip-structure.ts';
export type { ChatterCut } from './physics/dynamics/chatter-cut.ts';
export { chatterRange, limitAtSpeed, responseOf } from './physics/dynamics/fixed-speed.ts';
export { type LobeChart, lobeChart } from './physics/dynamics/lobes.ts';
export { type PeriodicLimit, limitDepth } from './physics/dynamics/periodic/limit-depth.ts';
export {
  stabilityMap,
  type StabilityMap,
  type StabilityMapWish,
} from './physics/dynamics/periodic/stability-map.ts';
export { type Simulation, simulateCut } from './physics/dynamics/time-domain.ts';
export { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from './physics/dynamics/along-tool.ts';
export { fitModes, type ModalFit, USUAL_DAMPING } from './physics/dynamics/measure/modal-fit.ts';
export {
  explainsHeard,
  implausibleTip,
  seenIn,
  staticStiffness,
  withModesAbove,
} from './physics/dynamics/measure/plausible-tip.ts';
export {
  type Fault,
  type HammerRecord,
  type HammerResult,
  receptanceOfHits,
  type Sensor,
  withoutWindow,
} from './physics/dynamics/measure/hammer-record.ts';
export { type HammerKit, simulatedHammer } from './physics/dynamics/measure/simulated-hammer.ts';
export { type ResponseKind } from './physics/dynamics/files/response-file.ts';
export { readResponseCsv, writeResponseCsv } from './physics/dynamics/files/response-csv.ts';
export { readUniversalFile, writeUniversalFile } from './physics/dynamics/files/universal-file.ts';
export { isHammerCsv, readHammerCsv, writeHammerCsv } from './physics/dynamics/files/hammer-csv.ts';
export {
  listen,
  type Recording,
  type SoundVerdict,
  spectrumOf,
  timeFrequency,
} from './physics/dynamics/sound/chatter-sound.ts';
export { soundOf } from './physics/dynamics/sound/simulated-sound.ts';
export { type SpeedToTry, speedsToTry } from './operations/milling/detail/speeds-to-try.ts';
export { genericStructure } from './physics/dynamics/assembly-of.ts';
export type { ToolAssembly } from './crib/tool-assembly.ts';
export { tipKnowledge, type TipKnowledge, type Trust, TRUSTS } from './physics/dynamics/tip-knowledge.ts';
export { impossibleIn } from './physics/dynamics/measure/possible-cut.ts';
export {
  type Heard,
  HEARD,
  isPracticeSerial,
  type KnownTip,
  type Observation,
  PRACTICE_SERIAL,
  type ResonanceBook,
  trueSpeed,
} from './physics/dynamics/resonance-book.ts';
export { type Belief, priorBelief } from './physics/dynamics/learning/belief.ts';
export { chanceMap, type ChanceMap } from './physics/dynamics/learning/chance-map.ts';
export { learn } from './physics/dynamics/learning/learn.ts';
export {
  nextTests,
  speedLadder,
  type SpeedLadder,
  type TestProposal,
} from './physics/dynamics/learning/test-plan.ts';
export {
  resonanceOf,
  type ResonancePicture,
  type ResonanceQuestion,
} from './operations/milling/detail/resonance-of.ts';
export { type BoringVerdict, boringVerdict } from './physics/dynamics/slender/boring-bar.ts';
export { type DrillVibration, drillVibration } from './physics/dynamics/slender/slender-drill.ts';
export {
  type Alternative,
  type HolePlan,
  planHole,
  type PlannedStep,
  type StepChange,
  type StepChanges,
  USUAL_PART_VALUE,
} from './deciding/hole-plan/plan-hole.ts';
export {
  chosenOf,
  type PartPlan,
  type PlannedKind,
  planPart,
  type SharedTool,
} from './deciding/hole-plan/plan-part.ts';
export {
  countOf,
  type HoleDemand,
  type HolePattern,
  nominalOf,
  PLAIN_DEMAND,
  requireDemand,
  wayBetween,
} from './deciding/hole-plan/hole-demand.ts';
export { type StepKey, STEP_KEYS } from './deciding/hole-plan/recipe.ts';
export type { Shop } from './deciding/hole-plan/shop.ts';
export { orderRisk, type Station, type StationRisk } from './deciding/hole-plan/order-risk.ts';
export { asList } from './physics/holes/peck-plan.ts';
export { packingFactor } from './physics/holes/chip-packing.ts';
export { pecksByDepth, type PecksByDepth } from './physics/holes/pecks-by-depth.ts';
export {
  basicDiameters,
  heightForPilot,
  pilotForFormed,
  pilotForHeight,
} from './physics/threads/thread-geometry.ts';
export { THREAD_SERIES, type ThreadSeries, threadOf } from './physics/threads/thread-table.ts';
export { gradeWidth } from './physics/holes/hole-accuracy.ts';
export { broughtEarly } from './deciding/hole-plan/brought-early.ts';
export { groupByTool, toolLoads, type ToolUse } from './deciding/hole-plan/group-by-tool.ts';
export { tappingState } from './operations/tapping/tapping-state.ts';
export { holeMillingState } from './operations/hole-milling/hole-milling-state.ts';
export { CHAMFER_OFF_TIP } from './operations/chamfering/chamfering-state.ts';
export { drillingState, type DrillingState } from './operations/drilling/drilling-state.ts';
export { KINDS } from './evaluation/registry.ts';
export type { Parameter } from './operations/parameter.ts';
export { holeSentence, stepNotes } from './evaluation/step-notes.ts';
export { chanceLost } from './operations/holes/hole-risk.ts';
export type { HoleRisk } from './judging/result.ts';
export { seededNormal, seededUniform } from './numerics/random.ts';
export { STATE_WORDS } from './judging/limit.ts';
export { counted } from './units/counted.ts';
export { formatDay } from './units/date.ts';
export { CUTTER_FAMILIES } from './families/cutter-families.ts';
export {
  type CutterFamily,
  type Followed,
  type Form,
  type Given,
  type NumberField,
  ofFamily,
  usualNumbers,
} from './families/family.ts';
export {
  HOLDER_KINDS,
  holderForm,
  holderOfClass,
  INTERFACES,
  workingHolders,
} from './families/holder-class.ts';
export { MACHINE_CLASSES, machineForm, machineOfClass, smallMachines } from './families/machine-class.ts';
export { latheTools } from './families/lathe-tools.ts';
export { workingRange } from './families/working-range.ts';
export {
  learntFor,
  edgeFamilyOf,
  type Accepted,
  type LearntConstant,
  type LearntDrive,
  type LearntForce,
  type LearntHere,
  type LearntLife,
} from './learning/learnt.ts';
export {
  band90,
  type EdgeLifeFit,
  type EdgeTrial,
  edgeScatter,
  fitEdgeLife,
  lotShift,
  nextEdge,
  residualsOf,
  shiftsOf,
  slopeShift,
  speedShift,
} from './learning/fit-edge-life.ts';
export {
  driveShift,
  fitLoad,
  forceShift,
  type LoadFit,
  type LoadTrial,
  loadResiduals,
  lotsOf,
  usualIdleKw,
  USUAL_EFFICIENCY,
} from './learning/fit-load.ts';
export {
  BREAK_PLACES,
  type BreakPlace,
  BURRS,
  CHIP_COLOURS,
  CHIP_FORMS,
  COOLANT_SEEN,
  type Ending,
  ENDINGS,
  FINISHES,
  hasEnded,
  NOTHING_SEEN,
  PART_FATES,
  type Seen,
  seenOf,
  SOUNDS,
} from './learning/trial.ts';
export { momentsOf, mixtureQuantile, type NormalPart } from './numerics/normal-mixture.ts';
export { survivalByFeature } from './physics/life/edge-survival.ts';
export { asRun, edgeTrialOf, trialBasis, type TrialBasis, wearCriterionMm } from './evaluation/as-run.ts';
export { expectedLoad } from './evaluation/expected-load.ts';
export { edgePlan, type EdgePlan, oneIn } from './deciding/batch/edge-plan.ts';
export { type Exposure, exposureOf } from './deciding/batch/exposure.ts';
export { diagnose, type Suspect } from './deciding/diagnosis/diagnose.ts';
export type { DiagnosisCase } from './deciding/diagnosis/case.ts';
export {
  type Answer,
  answered,
  type Question,
  QUESTIONS,
  questionsToAsk,
} from './deciding/diagnosis/questions.ts';
export { type FirstChange, firstChange } from './deciding/diagnosis/first-change.ts';
export { answerInWords } from './deciding/diagnosis/answer-in-words.ts';
export { seenWith, type Symptom, SYMPTOM_IDS, SYMPTOMS } from './deciding/diagnosis/symptoms.ts';
export { readSpoken, type SpokenCut, type SpokenTool } from './deciding/running/spoken-cut.ts';
export type { SpokenField, SpokenKey } from './deciding/running/spoken-fields.ts';
export { wordsOfAlloy } from './crib/alloy-words.ts';
export {
  changeWords,
  failEarlier,
  lastsWords,
  type SetterFact,
  setterFacts,
} from './deciding/batch/setter-facts.ts';
export { kaplanMeier } from './physics/life/kaplan-meier.ts';
export {
  CURRENCY,
  perHourOf,
  RATE_FIELDS,
  type RateField,
  requireRates,
  type ShopRates,
  USUAL_RATES,
} from './crib/shop-rates.ts';
export type { HeldPart } from './physics/holding/holding-model.ts';
export {
  gripOf,
  type Held,
  heldBy,
  type Holding,
  HOLDING_KINDS,
  type HoldingKind,
  HOLDINGS,
  requireHolding,
  usualHolding,
} from './physics/holding/holdings.ts';
export * from './deciding/job/job-plan.ts';
export type { JudgedJob, JudgedOperation, JudgedSetup } from './deciding/job/judged-job.ts';
export { type BatchPlan, batchPlan, type BatchTool, batchTools } from './deciding/job/batch-plan.ts';
export type { TransferFinding, TransferReport } from './deciding/job/transfer.ts';
export type { HeldOperation, HoldingReport } from './deciding/job/holding-report.ts';
export {
  type Block,
  BLOCKS,
  changesOfLoad,
  type JobMinutes,
  jobMinutes,
  type SetupMinutes,
  type Stretch as LoadStretch,
} from './deciding/job/job-minutes.ts';
export type { JobMoney } from './deciding/job/job-money.ts';
export { type JobRisk, jobRisk, type OperationRisk } from './deciding/job/job-risk.ts';
export type { NightReport, NightStretch } from './deciding/job/night.ts';
export type { WarpReport } from './deciding/job/warp-report.ts';
export type { FirstPiece } from './deciding/job/first-piece.ts';
export {
  type OfferedFeature,
  type OfferedOperation,
  operationsFor,
  type PartShop,
} from './deciding/job/feature-operations.ts';
export { ROUTE_IDS, type RouteChoice, type RouteId, routesOf } from './deciding/job/routes.ts';

export { makeSummary, type ProgramSummary } from './programs/read/summary.ts';
export { type Chunks, linesOf } from './programs/read/lines.ts';
export type { Motion } from './programs/read/motion.ts';
export { PLAIN_SETTINGS, readProgram, readStream } from './programs/read/read-program.ts';
export { pointOnArc } from './programs/read/arc.ts';
export {
  block as stockBlock,
  type Stock,
  type StockHole,
  type StockPocket,
} from './programs/engage/stock.ts';
export type { Block as ProgramBlock } from './programs/find/block.ts';
export type { ProgramOperation } from './programs/find/expected.ts';
export { type Finding, GRAVITIES, type Gravity } from './programs/find/finding.ts';
export {
  checkProgram,
  type CheckResult,
  type CheckSettings,
  checkStream,
} from './programs/find/check-program.ts';
export { type LineChange, type Rewritten, rewriteProgram } from './programs/rewrite/rewrite-program.ts';
export { type RewriteSettings, USUAL_REWRITE } from './programs/rewrite/rewrite-settings.ts';
export { type Dialect, PLAIN_DIALECT } from './programs/write/dialect.ts';
export { ladderSpeeds } from './programs/write/write-milling.ts';
export { writeProgram, writtenFor } from './programs/write/write-program.ts';
export { type Written, WRITTEN_NAMES } from './programs/write/write-settings.ts';
export {
  largestDiameter,
  outsideDiameter,
  PLAIN_STRETCH,
  smallestDiameter,
  TURNING_WAYS,
  type TurnedStretch,
  type TurningOperation,
  type TurningWay,
} from './operations/turning/turning-operation.ts';
export {
  ARC_SIDES,
  type ArcSide,
  MOST_ELEMENTS,
  PLAIN_ELEMENT,
  PROFILE_KINDS,
  type ProfileElement,
  type ProfileKind,
  type TurnedProfile,
} from './operations/turning/profile/turned-profile.ts';
export {
  type ContourPoint,
  contourOf,
  profileSizes,
  radiusAt,
  steepest,
} from './operations/turning/profile/contour.ts';
export { beforeProfile, isFullRadius, profilingEdge, reachOf } from './operations/turning/profile/reach.ts';
export { withProfile } from './operations/turning/profile/with-profile.ts';
export {
  EDGE_SIDES,
  type EdgeSide,
  type Rotation,
  ROTATIONS,
  seatOf,
  type ToolSeat,
} from './operations/lathe/tool-seat.ts';
export { isTurnedKind, isTurnedOperation, type TurnedOperation } from './operations/lathe/turned-kinds.ts';
export {
  CATCHES,
  type Catch,
  cuttingWidth,
  FACE_ORDERS,
  type Groove,
  GROOVE_WAYS,
  grippedDiameter,
  grooveDepth,
  grooveWidth,
  type GrooveWay,
  type GroovingOperation,
  PLAIN_GROOVE,
  type Widening,
  WIDENINGS,
} from './operations/grooving/grooving-operation.ts';
export {
  PLAIN_TURNED_THREAD,
  threadDepth,
  threadStart,
  type ThreadTurningOperation,
  type TurnedThread,
} from './operations/thread-turning/thread-turning-operation.ts';
export { quickest, type TurnedAim } from './deciding/turned/quickest.ts';
export { cutOf, type Way, type WayCut } from './deciding/ways/way.ts';
export { verdictOfWays, type WaysVerdict } from './deciding/ways/verdict-of-ways.ts';
export { finishingWays } from './deciding/ways/finishing-ways.ts';
export { discWays } from './deciding/ways/disc-ways.ts';
export { onSurfaceWith } from './deciding/ways/with-tool.ts';
export { turnedWays, type TurnedWay } from './deciding/turned/turned-ways.ts';
export {
  LATHE_FREE,
  type LatheFree,
  latheFreeOf,
  latheMap,
  latheRange,
  readLathe,
  writeLathe,
} from './deciding/turned/lathe-map.ts';
export { groovingState } from './operations/grooving/grooving-state.ts';
export { threadTurningState } from './operations/thread-turning/thread-turning-state.ts';
export { type Infeed, INFEEDS, threadPasses } from './physics/threads/turned-passes.ts';
export { turningState } from './operations/turning/turning-state.ts';
export { PART_SUPPORTS, type PartSupport } from './operations/lathe/held-part.ts';
export {
  type InLathe,
  PLAIN_IN_LATHE,
  TURNING_SIDES,
  type TurningSide,
} from './operations/lathe/in-lathe.ts';
export { drivenHolders, drivenLathes } from './families/driven-lathe.ts';
export { hasToTurn, isLathe, machineFor } from './operations/lathe/lathe-spindle.ts';
export { surfaceSpeedAt, spindleAt } from './physics/turning/surface-speed.ts';
export { type FaceSetup, PLAIN_FACE } from './operations/milling/face-setup.ts';
export { faceSetupOf } from './operations/milling/face-edges.ts';
export { faceMarks, hollowOf } from './physics/surface/face-marks.ts';
export { surfaceContact } from './physics/surface/surface-contact.ts';
export { ridgeOf } from './operations/milling/limits/surface-finish.ts';
export { diameterEngaged, isSurface, leanOf } from './operations/milling/engaged-edge.ts';
export { type CurvedSurface, type SurfaceWay, surfaceWays } from './deciding/choosing/surface-ways.ts';
export { endOutline, type OutlinePoint } from './crib/end-outline.ts';
export { toolOutline } from './crib/tool-outline.ts';
export { contactOf, edgePlaceOf } from './operations/edge-milling/edge-milling-state.ts';
export { blankInSetup } from './programs/engage/blank-in-setup.ts';
export {
  type BlankSizes,
  type GuessedStock,
  guessStock,
  guessStockOfStream,
} from './programs/engage/guess-stock.ts';
export { expectedOf } from './programs/find/expected.ts';
export {
  BLOCK_NUMBERS,
  blockAtMinute,
  type BlockNumber,
  blockOfLine,
  type BlockTable,
  FEED,
  makeBlockTable,
  RAPID,
} from './programs/find/block-table.ts';
export { measuredAgainst, type MeasuredLines, withSamples } from './programs/machine/measured.ts';
export {
  type MachineProgram,
  machineProgramOf,
  type MachineSample,
  SAMPLE_S,
  sampleAt,
  samplesOf,
} from './programs/machine/simulated-machine.ts';
export { type BurrOrder, type BurrPlan, burrPlan, type RoutedBurr } from './deciding/burrs/burr-plan.ts';
export { type MissingEntryHole, missingEntryHoles } from './deciding/job/entry-holes.ts';
