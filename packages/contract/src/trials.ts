import {
  BREAK_PLACES,
  BURRS,
  CHIP_COLOURS,
  CHIP_FORMS,
  COOLANT_SEEN,
  ENDINGS,
  FINISHES,
  PART_FATES,
  type Seen,
  SOUNDS,
  type TrialBasis,
} from '@burl/core';
import * as yup from 'yup';
import { floorFile, floorMoment } from './floor-entry.ts';
import type { AttachedFile } from './attached-file.ts';

/** A trial as it comes from the floor: made up there, so that it can wait there. */
export interface TrialInput extends Seen {
  /** Made by whoever logs it: sent twice it is kept once. */
  readonly id: string;
  readonly releaseId: string;
  readonly operationId: string;
  /** When it was run, by the clock of whoever logs it. */
  readonly at: string;
  readonly machineSerial: string;
  readonly heatLot: string;
  /** Edges of this operation, counted from 1. */
  readonly edge: number;
  /** Features this edge has made since it was new, the one it ended in counted. */
  readonly features: number;
  /** Minutes of cutting where they were counted; null takes features times their cutting time. */
  readonly minutes: number | null;
  readonly note: string;
  /** The trial this one puts right. */
  readonly corrects: string | null;
  readonly photo: AttachedFile | null;
  readonly recording: AttachedFile | null;
}

/** A trial as it stands in the logbook. */
export interface Trial
  extends
    Seen,
    Omit<TrialBasis, 'cuttingMinPerFeature' | 'expectedLife' | 'expectedLoad' | 'expectedRaUm'>,
    Pick<TrialInput, 'id' | 'at' | 'machineSerial' | 'heatLot' | 'edge' | 'features' | 'note' | 'corrects'> {
  readonly minutes: number;
  readonly expectedLife: number | null;
  readonly expectedLifeLow: number | null;
  readonly expectedLifeHigh: number | null;
  readonly expectedLoad: number | null;
  readonly expectedRaUm: number | null;
  readonly jobId: string | null;
  readonly jobNumber: string;
  readonly releaseId: string | null;
  readonly operationId: string | null;
  readonly operation: string;
  readonly kind: string;
  readonly alloyId: string;
  readonly machineId: string;
  readonly cutterId: string;
  /** The trial that puts this one right; null where it stands. */
  readonly correctedBy: string | null;
  readonly files: readonly ('photo' | 'recording')[];
  readonly madeBy: string;
  readonly receivedAt: string;
}

const choice = <T extends string>(among: readonly T[]) =>
  yup
    .string()
    .strict()
    .nullable()
    .defined()
    .oneOf([...among, null]) as unknown as yup.Schema<T | null>;
const percent = (low: number, high: number) => yup.number().strict().required().min(low).max(high);
const readPercent = () => yup.number().strict().nullable().defined().min(0).max(300);
const uuid = () => yup.string().strict().uuid().required();
const seenFields = {
  speedOverride: percent(10, 200),
  feedOverride: percent(1, 300),
  loadPercent: readPercent(),
  idlePercent: readPercent(),
  sound: choice(SOUNDS),
  chipForm: choice(CHIP_FORMS),
  chipColour: choice(CHIP_COLOURS),
  glow: yup.boolean().strict().nullable().defined(),
  burr: choice(BURRS),
  finish: choice(FINISHES),
  coolantSeen: choice(COOLANT_SEEN),
  wearMm: yup.number().strict().nullable().defined().min(0).max(3),
  // Absent in what a tablet kept before they were asked.
  raUm: yup.number().strict().nullable().optional().min(0.005).max(200),
  rzUm: yup.number().strict().nullable().optional().min(0.02).max(1000),
  sizeErrorMm: yup.number().strict().nullable().optional().min(-5).max(5),
  ending: yup.string().strict().oneOf(ENDINGS).required(),
  brokeAt: choice(BREAK_PLACES),
  part: choice(PART_FATES),
};

export const trialSchema = yup
  .object({
    id: uuid(),
    releaseId: uuid(),
    operationId: uuid(),
    at: floorMoment(),
    machineSerial: yup.string().strict().required().trim().min(1).max(60),
    heatLot: yup.string().strict().defined().max(80),
    edge: yup.number().strict().integer().min(1).max(10_000).required(),
    features: yup.number().strict().min(0.01).max(100_000).required(),
    minutes: yup.number().strict().nullable().defined().min(0.001).max(100_000),
    ...seenFields,
    note: yup.string().strict().defined().max(2000),
    corrects: yup.string().strict().uuid().nullable().defined(),
    photo: floorFile('image'),
    recording: floorFile('audio'),
  })
  .noUnknown()
  .required() as unknown as yup.Schema<TrialInput>;

/** What of the logbook is asked for; empty asks for all. Newest first. */
export interface TrialQuestion {
  readonly alloyId?: string | undefined;
  readonly heatLot?: string | undefined;
  readonly machineSerial?: string | undefined;
  readonly cutterId?: string | undefined;
  readonly kind?: string | undefined;
  readonly ending?: string | undefined;
  readonly jobId?: string | undefined;
  /** Days, both counted in. */
  readonly from?: string | undefined;
  readonly to?: string | undefined;
  /** Those after this one: its moment and id, as the last answer gave them. */
  readonly before?: string | undefined;
  readonly most?: number | undefined;
}

/** Trials in one answer, at most. */
export const MOST_TRIALS = 2000;
export const TRIAL_PAGE = 50;

const word = () => yup.string().max(120);
const day = () => yup.string().matches(/^\d{4}-\d{2}-\d{2}$/, '${path} must be a day like 2026-11-28');
/** A question as it stands in an address. */
export const trialQuestionSchema = yup
  .object({
    alloyId: word(),
    heatLot: word(),
    machineSerial: word(),
    cutterId: word(),
    kind: word(),
    ending: yup.string().oneOf(ENDINGS),
    jobId: yup.string().uuid(),
    from: day(),
    to: day(),
    before: yup
      .string()
      .matches(/^\d{4}-[\dT:.-]+Z_[0-9a-f-]{36}$/, '${path} must be what the last answer gave as next'),
    most: yup
      .number()
      .transform((_, given: unknown) => (/^\d{1,4}$/.test(String(given)) ? Number(given) : Number.NaN))
      .typeError(`\${path} has to be a number from 1 to ${MOST_TRIALS}`)
      .min(1)
      .max(MOST_TRIALS),
  })
  .noUnknown()
  .required() as unknown as yup.Schema<TrialQuestion>;

/** A page of the logbook. */
export interface TrialPage {
  readonly trials: readonly Trial[];
  /** How many there are, `more` where they were counted no further; told by the first page alone. */
  readonly count: { readonly n: number; readonly more: boolean } | null;
  /** What the next page is asked with; null at the end. */
  readonly next: string | null;
}

/** What the logbook can be asked by, with how many trials each has. */
export type TrialFacets = Readonly<
  Record<
    'alloyId' | 'heatLot' | 'machineSerial' | 'cutterId' | 'kind' | 'ending',
    readonly { readonly key: string; readonly trials: number }[]
  >
>;

/** Rows a file of trials brings in at the most. */
export const MOST_TRIAL_ROWS = 5000;
export const trialFileSchema = yup
  .object({
    text: yup.string().strict().required().max(4_000_000),
    dryRun: yup.boolean().strict().required(),
  })
  .noUnknown()
  .required();

/** What is wrong with a file of trials; row 0 is the line of headings. */
export interface TrialProblem {
  readonly row: number;
  readonly column: string;
  readonly problem: string;
}

export interface TrialFileReport {
  readonly taken: number;
  readonly rows: number;
  readonly problems: readonly TrialProblem[];
}
