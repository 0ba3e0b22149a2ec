import { FLOOR, isUuid } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { nothingHere } from '../http/problems.ts';
import { privateFile } from '../http/private-file.ts';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { answerFinding, findingsOf } from '../store/findings.ts';
import { floorFileOf } from '../store/floor-files.ts';
import { proveOutOf, signStep } from '../store/prove-out-store.ts';
import { logTrial } from '../store/trial-changes.ts';
import { trialsOfJob } from '../store/trial-store.ts';
import type { Work } from '../work/work.ts';

/** What the floor does with a released sheet: proves it out, logs what was run, finds what is wrong. */
export function floorRoutes(app: FastifyInstance, db: Database, work: Work): void {
  serve(app, FLOOR.trials, ({ at }) => trialsOfJob(db, at.id));
  serve(app, FLOOR.log, ({ person, body }) =>
    logTrial(db, (op, context) => work.run('trialBasis', [op, context]), person, body),
  );
  serve(app, FLOOR.steps, ({ at }) => proveOutOf(db, at.id));
  serve(app, FLOOR.sign, ({ person, body }) => signStep(db, person, body));
  serve(app, FLOOR.findings, ({ request }) => {
    const { job } = request.query as { job?: string };
    if (job !== undefined && !isUuid(job)) throw nothingHere();
    return findingsOf(db, job);
  });
  serve(app, FLOOR.answer, ({ at, person, body }) => answerFinding(db, person, at.id, body.answer));
  serve(app, FLOOR.file, async ({ at, reply }) => privateFile(reply, await floorFileOf(db, at.id, at.slot)));
}
