import { checkJobFile, EXCHANGE } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { exportJob, importJob, operationsCsv } from '../store/job-exchange.ts';
import { jobDetail } from '../store/job-store.ts';

/** Jobs as files. */
export function exchangeRoutes(app: FastifyInstance, db: Database): void {
  serve(app, EXCHANGE.exportJob, async ({ at, reply }) => {
    const file = await exportJob(db, at.id);
    const name = `${file.job.number.replace(/[^\w.-]+/g, '-')}.burl.json`;
    reply.type('application/json').header('content-disposition', `attachment; filename="${name}"`);
    return JSON.stringify(file, null, 2);
  });
  serve(app, EXCHANGE.importJob, async ({ person, body }) =>
    jobDetail(db, await importJob(db, checkJobFile(body), person)),
  );
  serve(app, EXCHANGE.operationsCsv, ({ at, reply }) => {
    reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="operations.csv"');
    return operationsCsv(db, at.id);
  });
}
