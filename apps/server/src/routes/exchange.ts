import { EXCHANGE } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { cribNaming } from '../store/crib-store.ts';
import { exportJob, importJob } from '../store/job-exchange.ts';
import { jobDetail } from '../store/job-store.ts';
import { documentsOf, judgedOperations } from '../store/judged-operations.ts';
import type { Work } from '../work/work.ts';

/** Jobs as files. */
export function exchangeRoutes(app: FastifyInstance, db: Database, work: Work): void {
  serve(app, EXCHANGE.exportJob, async ({ at, reply }) => {
    const file = await exportJob(db, at.id);
    const name = `${file.job.number.replace(/[^\w.-]+/g, '-')}.burl.json`;
    reply.type('application/json').header('content-disposition', `attachment; filename="${name}"`);
    return JSON.stringify(file, null, 2);
  });
  void app.register(async (files) => {
    // Read where it holds up nobody: the text goes to a worker as it came.
    files.removeContentTypeParser('application/json');
    files.addContentTypeParser('application/json', { parseAs: 'string' }, (_request, text, done) =>
      done(null, text),
    );
    serve(files, EXCHANGE.importJob, async ({ person, body }) => {
      const file = await work.run('readJobFile', [typeof body === 'string' ? body : JSON.stringify(body)]);
      return jobDetail(db, await importJob(db, file, person));
    });
  });
  serve(app, EXCHANGE.operationsCsv, async ({ at, reply }) => {
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="operations.csv"');
    const { job, setups } = await jobDetail(db, at.id);
    return work.run('csv', [
      job.number,
      judgedOperations(job, setups, await cribNaming(db, documentsOf(setups))),
    ]);
  });
}
