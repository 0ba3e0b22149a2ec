export type { Receptance, TipMode, TipStructure } from './tip-structure.ts';
export {
  frequencyGrid,
  receptanceAt,
  receptanceOf,
  countingModes,
  softestMode,
  softModes,
} from './tip-structure.ts';
export type { ChatterCut } from './chatter-cut.ts';
export { chatterRange, limitAtSpeed, responseOf } from './fixed-speed.ts';
export { type LobeChart, lobeChart } from './lobes.ts';
export { type PeriodicLimit, limitDepth } from './periodic/limit-depth.ts';
export { stabilityMap, type StabilityMap, type StabilityMapWish } from './periodic/stability-map.ts';
export { type Simulation, simulateCut } from './time-domain.ts';
export { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from './along-tool.ts';
export { fitModes, type ModalFit } from './measure/modal-fit.ts';
export {
  explainsHeard,
  implausibleTip,
  seenIn,
  staticStiffness,
  withModesAbove,
} from './measure/plausible-tip.ts';
export {
  type Fault,
  type HammerRecord,
  type HammerResult,
  receptanceOfHits,
  type Sensor,
  withoutWindow,
} from './measure/hammer-record.ts';
export { bell, type HammerKit, seededNumbers, simulatedHammer } from './measure/simulated-hammer.ts';
export { type ResponseKind } from './files/response-file.ts';
export { readResponseCsv, writeResponseCsv } from './files/response-csv.ts';
export { readUniversalFile, writeUniversalFile } from './files/universal-file.ts';
export { isHammerCsv, readHammerCsv, writeHammerCsv } from './files/hammer-csv.ts';
export {
  listen,
  type Recording,
  type SoundVerdict,
  spectrumOf,
  timeFrequency,
} from './sound/chatter-sound.ts';
export { soundOf } from './sound/simulated-sound.ts';
export { type SpeedToTry, speedsToTry } from './sound/speeds-to-try.ts';
export { genericStructure } from './assembly-of.ts';
export type { ToolAssembly } from '../domain/tool-assembly.ts';
export { tipKnowledge, type TipKnowledge, type Trust, TRUSTS } from './tip-knowledge.ts';
export { impossibleIn } from '../domain/possible-cut.ts';
export {
  type Heard,
  HEARD,
  isPracticeSerial,
  type KnownTip,
  type Observation,
  PRACTICE_SERIAL,
  type ResonanceBook,
  trueSpeed,
} from '../domain/resonance.ts';
export { type Belief, priorBelief } from './learning/belief.ts';
export { chanceMap, type ChanceMap } from './learning/chance-map.ts';
export { learn } from './learning/learn.ts';
export { nextTests, speedLadder, type SpeedLadder, type TestProposal } from './learning/test-plan.ts';
export { resonanceOf, type ResonancePicture, type ResonanceQuestion } from './resonance-of.ts';
export { type BoringVerdict, boringVerdict } from './slender/boring-bar.ts';
export { type DrillVibration, drillVibration } from './slender/slender-drill.ts';
