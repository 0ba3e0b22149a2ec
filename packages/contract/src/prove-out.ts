import { speak, type System } from '@burl/core';
import * as yup from 'yup';
import type { ReleaseSnapshot } from './releases.ts';
import { floorFile, floorMoment } from './floor-entry.ts';
import type { AttachedFile } from './attached-file.ts';

/** A step of the prove-out: done and signed one by one. */
export interface ProveOutStep {
  readonly id: string;
  readonly text: string;
  /** Done once for the sheet, or once for each operation. */
  readonly per: 'sheet' | 'operation';
}

/** The prove-out, in the order it is done. */
export const PROVE_OUT_STEPS: readonly ProveOutStep[] = [
  { id: 'program', text: 'Program and revision at the control are those on this sheet.', per: 'sheet' },
  {
    id: 'offset',
    text: 'Work offset is the one on this sheet; datum probed or picked up and read back.',
    per: 'sheet',
  },
  {
    id: 'tool',
    text: 'Tool number and length at the control match; the tool in the spindle is this one.',
    per: 'operation',
  },
  {
    id: 'first-move',
    text: 'You know which axis moves first and where to; nothing is in its way.',
    per: 'operation',
  },
  {
    id: 'overrides',
    text: 'Rapid override low, single block, feed override at 0%, hand on feed hold.',
    per: 'operation',
  },
  {
    id: 'approach',
    text: 'First approach above the part with coolant off, so you see the tool; coolant on before contact.',
    per: 'operation',
  },
  {
    id: 'half-depth',
    text: 'First pass at half the depth rather than half the feed: a thin chip rubs and hardens the surface.',
    per: 'operation',
  },
  {
    id: 'raise',
    text: 'Raised by steps to the numbers of the sheet, listening. No squeal, sparks, blue chips or load above the band.',
    per: 'operation',
  },
] as const;

const FIRST_PIECE = /^first-piece-\d{1,3}$/;

/** The first piece on its way through all setups, as it was planned when release was asked for: each step is signed like the others. */
export const firstPieceSteps = (
  { batch }: Pick<ReleaseSnapshot, 'batch'>,
  system: System,
): readonly ProveOutStep[] =>
  (batch?.first.steps ?? []).map((s, i) => ({
    id: `first-piece-${i + 1}`,
    text: speak(s, system),
    per: 'sheet',
  }));

/** A step as it was done, or as it failed. */
export interface ProveOutInput {
  /** Made by whoever signs it: sent twice it is kept once. */
  readonly id: string;
  readonly releaseId: string;
  readonly operationId: string | null;
  readonly step: string;
  readonly result: 'done' | 'failed';
  /** What failed; may be empty where it was done. */
  readonly word: string;
  readonly at: string;
  readonly photo: AttachedFile | null;
}

export interface ProveOutRecord extends Omit<ProveOutInput, 'photo'> {
  readonly hasPhoto: boolean;
  readonly by: string;
}

/** Something the floor found that an engineer has to look at. */
export interface Finding {
  readonly id: string;
  readonly jobId: string;
  readonly jobNumber: string;
  readonly releaseId: string;
  readonly operationId: string | null;
  readonly operation: string;
  readonly kind: 'step' | 'trial';
  /** The step or trial it comes from. */
  readonly sourceId: string;
  readonly text: string;
  /** The step or trial it comes from was photographed. */
  readonly hasPhoto: boolean;
  readonly at: string;
  readonly by: string;
  readonly answer: string | null;
  readonly answeredBy: string | null;
  readonly answeredAt: string | null;
}

export const proveOutSchema = yup
  .object({
    id: yup.string().strict().uuid().required(),
    releaseId: yup.string().strict().uuid().required(),
    operationId: yup.string().strict().uuid().nullable().defined(),
    step: yup
      .string()
      .strict()
      .required()
      .test(
        'step',
        '${path} must be a step of the prove-out',
        (id) => PROVE_OUT_STEPS.some((s) => s.id === id) || FIRST_PIECE.test(id),
      ),
    result: yup.string().strict().oneOf(['done', 'failed']).required(),
    word: yup
      .string()
      .strict()
      .defined()
      .max(2000)
      .when('result', {
        is: 'failed',
        then: (s) => s.trim().min(3, 'word must say what failed, 3 characters or more'),
      }),
    at: floorMoment(),
    photo: floorFile('image'),
  })
  .noUnknown()
  .required() as unknown as yup.Schema<ProveOutInput>;

export const answerSchema = yup
  .object({ answer: yup.string().strict().required().trim().min(3).max(2000) })
  .noUnknown()
  .required();
