import * as yup from 'yup';
import type { TrialQuestion } from './trials.ts';
import { JOB_STATUSES, type JobStatus, type JobSummary } from './jobs.ts';

/** Jobs in one answer, at most. */
export const MOST_LISTED = 200;
/** Jobs in a column of the desk, until one asks for more. */
export const DESK_PAGE = 30;

/** Which jobs: words that all have to be found in number, part, customer or heat lot, and a status; the last changed first. */
export interface JobQuestion {
  readonly search?: string | undefined;
  readonly status?: JobStatus | undefined;
  /** Those after this one, the last that is known. */
  readonly before?: string | undefined;
  readonly most?: number | undefined;
}

export interface DeskColumn {
  readonly jobs: readonly JobSummary[];
  /** So many there are altogether. */
  readonly total: number;
}
/** The first jobs of each status. */
export type Desk = Readonly<Record<JobStatus, DeskColumn>>;

/** A question as it stands in an address. */
export const jobQuestionSchema = yup
  .object({
    search: yup.string().max(200),
    status: yup.string().oneOf(JOB_STATUSES),
    before: yup.string().uuid(),
    most: yup
      .number()
      .transform((_, given: unknown) => (/^\d{1,4}$/.test(String(given)) ? Number(given) : Number.NaN))
      .typeError(`\${path} has to be a number from 1 to ${MOST_LISTED}`)
      .min(1)
      .max(MOST_LISTED),
  })
  .noUnknown()
  .required();

/** Behind an address: `?search=ring&status=draft`; empty for every job. */
export function asQuery(question: JobQuestion | TrialQuestion): string {
  const given = Object.entries(question).filter(([, v]) => v !== undefined && v !== '');
  return given.length === 0
    ? ''
    : `?${new URLSearchParams(Object.fromEntries(given.map(([k, v]) => [k, String(v)]))).toString()}`;
}
