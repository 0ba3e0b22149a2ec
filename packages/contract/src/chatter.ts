import { DAMPING, type KnownTip, type Observation, type ResonanceBook, type TipMode } from '@burl/core';
import * as yup from 'yup';
import { attachedFile } from './attached-file.ts';
import { fieldsOf } from './fields-of.ts';
import { numberList } from './number-list.ts';
import { version } from './version.ts';
import { within } from './within.ts';

/** Spindle, holder, cutter and stick-out as one thing: what makes chatter repeatable, and what it is remembered under. */
export interface Combination {
  readonly id: string;
  readonly machineId: string;
  readonly machineSerial: string;
  readonly holderId: string;
  readonly cutterId: string;
  readonly stickOutMm: number;
  readonly note: string;
  readonly madeBy: string;
  readonly madeAt: string;
  readonly version: number;
}

/** A frequency response as stored: a measured one has lines, a table of modes has none. */
export interface StoredResponse {
  readonly hz: readonly number[];
  readonly re: readonly number[];
  readonly im: readonly number[];
}

/** Modes of one direction, and what they were read from. */
export interface TipRecord {
  readonly id: string;
  readonly combinationId: string;
  readonly axis: 'x' | 'y';
  readonly source: 'measured' | 'table';
  readonly modes: readonly TipMode[];
  readonly receptance: StoredResponse | null;
  readonly coherence: readonly number[] | null;
  /** Share of the response the modes do not explain. */
  readonly misfit: number | null;
  /** File it came from, or how it was made. */
  readonly origin: string;
  readonly madeBy: string;
  readonly madeAt: string;
}

/** A record that a newer one took the place of. */
export type EarlierTip = Pick<TipRecord, 'id' | 'axis' | 'source' | 'modes' | 'origin' | 'madeBy' | 'madeAt'>;

/** What of an observation is told by the combination it belongs to. */
type OfCombination = 'machineSerial' | 'machineId' | 'holderId' | 'cutterId' | 'stickOutMm';

/** A cut at the machine in the notebook. */
export interface TestCutRecord extends Omit<Observation, OfCombination> {
  readonly id: string;
  readonly combinationId: string;
  /** Heard of a simulation, not of a machine. */
  readonly simulated: boolean;
  readonly note: string;
  readonly attachmentName: string | null;
  readonly attachmentType: string | null;
  readonly madeBy: string;
  readonly madeAt: string;
}

/** Everything about a combination. */
export interface CombinationDetail extends Combination {
  /** The newest record of each direction. */
  readonly tips: readonly TipRecord[];
  /** Records that newer ones took the place of, newest first; each can be brought back. */
  readonly earlier: readonly EarlierTip[];
  readonly cuts: readonly TestCutRecord[];
}

const slug = (): yup.StringSchema<string> => yup.string().strict().required().max(120);
const combinationFields = {
  machineId: slug(),
  machineSerial: yup.string().strict().required().trim().min(1).max(60),
  holderId: slug(),
  cutterId: slug(),
  stickOutMm: within(1, 500, 'mm'),
  note: yup.string().strict().defined().max(2000),
};
export const combinationSchema = yup.object(combinationFields).noUnknown().required();
export type CombinationInput = yup.InferType<typeof combinationSchema>;
/** What is asked of a combination, without what is kept about it. */
export const combinationInputOf = (c: CombinationInput): CombinationInput => fieldsOf(combinationSchema, c);

export const combinationUpdateSchema = yup
  .object({ ...combinationFields, version: version() })
  .noUnknown()
  .required();
export type CombinationUpdate = yup.InferType<typeof combinationUpdateSchema>;

const MOST_LINES = 20_000;
/** Response as compliance, m/N: beyond this nothing is a tip. */
const STRONGEST = 1;

const responseSchema = yup
  .object({
    hz: numberList(12, MOST_LINES, { low: 0, high: 100_000 }),
    re: numberList(1, MOST_LINES, { low: -STRONGEST, high: STRONGEST }),
    im: numberList(1, MOST_LINES, { low: -STRONGEST, high: STRONGEST }),
  })
  .noUnknown()
  .test('length', '${path} must have as many real and imaginary parts as frequencies', (v) =>
    Array.isArray(v?.hz) ? v.hz.length === v.re?.length && v.hz.length === v.im?.length : true,
  )
  .test('rising', '${path}.hz must rise from line to line', (v) =>
    Array.isArray(v?.hz) ? v.hz.every((f, i) => i === 0 || f > v.hz[i - 1]!) : true,
  );

export const tipSchema = yup
  .object({
    axis: yup.string().strict().oneOf(['x', 'y']).required(),
    source: yup.string().strict().oneOf(['measured', 'table']).required(),
    modes: yup
      .array()
      .of(
        yup
          .object({
            hz: within(2, 50_000, 'Hz'),
            damping: within(DAMPING.least, DAMPING.most),
            stiffness: within(1e4, 1e12, 'N/m'),
            shape: yup.array().of(within(-100, 100)).min(2).max(33).optional(),
          })
          .noUnknown()
          .required(),
      )
      .min(1, '${path} needs one mode or more')
      .max(12)
      .required(),
    receptance: responseSchema.nullable().default(null),
    coherence: numberList(1, MOST_LINES, { low: 0, high: 1.001 }).nullable().default(null),
    misfit: yup.number().strict().nullable().default(null).min(0),
    origin: yup.string().strict().required().max(200),
  })
  .noUnknown()
  .required();
export type TipInput = yup.InferType<typeof tipSchema>;

/** Largest recording or photo, bytes. */
export const MOST_ATTACHED = 8_000_000;

export const testCutSchema = yup
  .object({
    alloyId: slug(),
    heard: yup.string().strict().oneOf(['stable', 'marginal', 'chatter']).required(),
    rpm: within(1, 200_000, 'rpm'),
    overridePercent: within(10, 200, '%'),
    axialDepthMm: within(0.001, 300, 'mm'),
    radialEngagementMm: within(0.001, 300, 'mm'),
    feedPerToothMm: within(0.0001, 10, 'mm'),
    direction: yup.string().strict().oneOf(['climb', 'conventional']).required(),
    hz: yup.number().strict().nullable().defined().min(20).max(20_000),
    simulated: yup.boolean().strict().default(false),
    note: yup.string().strict().defined().max(2000),
    attachment: attachedFile(/^(audio|image)\/[a-z0-9.+-]+$/, 'a sound or a picture', MOST_ATTACHED)
      .nullable()
      .default(null),
  })
  .noUnknown()
  .required();
export type TestCutInput = yup.InferType<typeof testCutSchema>;

/** What the core needs of all combinations. */
export function bookOf(all: readonly CombinationDetail[]): ResonanceBook {
  const tips: KnownTip[] = [];
  const observations: Observation[] = [];
  for (const { machineSerial, machineId, holderId, cutterId, stickOutMm, ...c } of all) {
    const key = { machineSerial, machineId, holderId, cutterId, stickOutMm };
    observations.push(...c.cuts.map((cut) => ({ ...cut, ...key })));
    const [first] = c.tips;
    if (!first) continue;
    const along = (axis: 'x' | 'y'): readonly TipMode[] => c.tips.find((t) => t.axis === axis)?.modes ?? [];
    const [x, y] = [along('x'), along('y')];
    tips.push({
      ...key,
      // A tip tapped in one direction only is taken to be alike in the other.
      structure: { x: x.length > 0 ? x : y, y: y.length > 0 ? y : x },
      source: c.tips.every((t) => t.source === 'measured') ? 'measured' : 'table',
      measuredOn: first.madeAt.slice(0, 10),
    });
  }
  return { serial: null, tips, observations };
}
