import { batchAt, type Crib, type JobDetail, judgedJobOf } from '@burl/contract';
import type { JudgedJob } from '@burl/core';
import { contextOf } from './context.ts';
import { judge } from './judgement.ts';

/** The job as it is judged here, for planning its batch; null without its alloy. */
export const judgedJob = (detail: JobDetail, crib: Crib): JudgedJob | null =>
  judgedJobOf(detail, crib, (document, setup) => {
    const context = contextOf(crib, document, batchAt(detail.job, setup));
    const { evaluation } = judge(document, context);
    return context && evaluation ? { context, evaluation } : null;
  });
