import { firstIndex } from '../../numerics/first-index.ts';
import { seededUniform } from '../../numerics/random.ts';
import { type BlockTable, FEED } from '../find/block-table.ts';

/** A program as a machine runs it: for each block its line, when it ends (s) and what it asks of the spindle. */
export interface MachineProgram {
  readonly line: readonly number[];
  readonly seconds: readonly number[];
  /** Share of the spindle's continuous power, predicted. */
  readonly meter: readonly number[];
  readonly speedRpm: readonly number[];
  readonly feedMmMin: readonly number[];
}

/** What a machine tells of itself at one moment. */
export interface MachineSample {
  /** Number of the sample since the machine was made; it never goes back. */
  readonly sequence: number;
  readonly line: number;
  readonly loadPercent: number;
  readonly speedRpm: number;
  readonly feedMmMin: number;
  readonly feedOverridePercent: number;
}

export const machineProgramOf = (table: BlockTable): MachineProgram => ({
  line: [...table.line],
  seconds: [...table.minutes].map((m) => m * 60),
  meter: [...table.values.meter].map((v, i) => (table.kind[i] === FEED ? v : 0)),
  speedRpm: [...table.values.speed],
  feedMmMin: [...table.values.feed],
});

/** The machine tells of itself this often in its own time, s, and rests so long before it begins again. */
export const SAMPLE_S = 0.5;
const REST_S = 10;
/** Idle load of a spindle that turns, %. */
const IDLE = 3;
/** The operator begins with the feed turned down for so long, s. */
const CAREFUL_S = 8;
const CAREFUL_PERCENT = 60;
/** How far the machine's load may lie off the prediction, its scatter, and what the edge adds over a program. */
const OFF = [0.9, 1.2] as const;
const SCATTER = 0.05;
const WEARS = 0.08;
/** Exponent of load over feed: Kienzle's, about. */
const EXPONENT = 0.75;

/** Samples of one run with the rest behind it. */
export const samplesOf = (program: MachineProgram): number =>
  Math.ceil(((program.seconds.at(-1) ?? 0) + REST_S) / SAMPLE_S);

/**
 * A simulated machine that runs a program over and over: what it tells at a sample. The same for the same program, seed and sample, so
 * that it needs no memory. `seed` decides how far its load lies off the prediction.
 */
export function sampleAt(program: MachineProgram, sequence: number, seed: number): MachineSample {
  const one = samplesOf(program);
  const at = (sequence % one) * SAMPLE_S;
  const total = program.seconds.at(-1) ?? 0;
  if (at >= total)
    return { sequence, line: 0, loadPercent: 0, speedRpm: 0, feedMmMin: 0, feedOverridePercent: 100 };
  const now = firstIndex(program.seconds.length - 1, (i) => program.seconds[i]! > at);
  const off = OFF[0] + (OFF[1] - OFF[0]) * seededUniform(seed)();
  const scatter = 1 + SCATTER * (2 * seededUniform(seed * 7919 + sequence)() - 1);
  const override = at < CAREFUL_S ? CAREFUL_PERCENT : 100;
  const load = 100 * program.meter[now]! * off * (1 + (WEARS * at) / total) * (override / 100) ** EXPONENT;
  const turning = program.speedRpm[now]! > 0;
  return {
    sequence,
    line: program.line[now]!,
    loadPercent: (turning ? IDLE : 0) + load * scatter,
    speedRpm: program.speedRpm[now]!,
    feedMmMin: (program.feedMmMin[now]! * override) / 100,
    feedOverridePercent: override,
  };
}
