import { Readable } from 'node:stream';
import { LOGBOOK, type TrialQuestion, trialQuestionSchema } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { checked, serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { wholeCrib } from '../store/crib-store.ts';
import {
  acceptProposal,
  earlierTrials,
  fittable,
  proposal,
  type ProposeFrom,
  reverseLearnt,
} from '../store/learning-changes.ts';
import { learntRecords } from '../store/learnt-store.ts';
import { sheetOperation } from '../store/sheet-operation.ts';
import { keepTrials, trialsAsCsv } from '../store/trial-files.ts';
import { trialById, trialFacets, trialPage } from '../store/trial-store.ts';
import type { Work } from '../work/work.ts';

/** A file of five thousand edges is judged row by row. */
const READ_SECONDS = 120;

const questionOf = (request: FastifyRequest): Promise<TrialQuestion> =>
  checked(trialQuestionSchema, request.query, { strict: false });

/** Trials of all jobs, what they tell and what was learnt of them. */
export function logbookRoutes(app: FastifyInstance, db: Database, work: Work): void {
  const propose: ProposeFrom = (of) => work.run('propose', [of]);
  serve(app, LOGBOOK.trials, async ({ request }) => trialPage(db, await questionOf(request)));
  serve(app, LOGBOOK.facets, () => trialFacets(db));
  serve(app, LOGBOOK.csv, async ({ request, reply }) => {
    const question = await questionOf(request);
    reply.type('text/csv; charset=utf-8').header('content-disposition', 'attachment; filename="trials.csv"');
    return Readable.from(trialsAsCsv(db, question)) as never;
  });
  serve(app, LOGBOOK.importCsv, async ({ person, body }) => {
    const read = await work.run('readTrials', [body.text, await wholeCrib(db)], READ_SECONDS);
    if (body.dryRun || read.problems.length > 0)
      return { taken: 0, rows: read.rows, problems: read.problems };
    return keepTrials(db, person, read.trials);
  });
  serve(app, LOGBOOK.diagnosis, async ({ at }) => {
    const trial = await trialById(db, at.id);
    if (!trial.releaseId || !trial.operationId)
      return { trial, suspects: [], missing: 'It was imported: the sheet it ran from is not known.' };
    const { operation } = await sheetOperation(db, trial.releaseId, trial.operationId);
    const earlier = await earlierTrials(db, trial.operationId, trial.at);
    return work.run('diagnoseTrial', [trial, operation.document, operation.context, earlier]);
  });
  serve(app, LOGBOOK.fittable, () => fittable(db));
  serve(app, LOGBOOK.propose, ({ body }) => proposal(db, propose, body));
  serve(app, LOGBOOK.learnt, () => learntRecords(db));
  serve(app, LOGBOOK.accept, ({ person, body }) => acceptProposal(db, propose, person, body));
  serve(app, LOGBOOK.reverse, ({ at, person, body }) => reverseLearnt(db, person, at.id, body.reason));
}
