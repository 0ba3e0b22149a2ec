import { checkJobFile } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../db/client.ts';
import { idOf, personOf } from '../http/plugin.ts';
import { exportJob, importJob, operationsCsv } from '../jobs/job-exchange.ts';
import { jobDetail } from '../jobs/job-store.ts';

export const MOST_FILE_BYTES = 8 * 1024 * 1024;

export function exchangeRoutes(app: FastifyInstance, db: Database): void {
  app.get(
    '/api/jobs/:id/export',
    { config: { access: 'person' }, schema: { summary: 'The job as one file', tags: ['exchange'] } },
    async (request, reply) => {
      const file = await exportJob(db, idOf(request));
      const name = `${file.job.number.replace(/[^\w.-]+/g, '-')}.burl.json`;
      return reply
        .type('application/json')
        .header('content-disposition', `attachment; filename="${name}"`)
        .send(JSON.stringify(file, null, 2));
    },
  );

  app.post(
    '/api/jobs/import',
    {
      bodyLimit: MOST_FILE_BYTES,
      config: { access: 'editor' },
      schema: { summary: 'New job from a file', tags: ['exchange'] },
    },
    async (request, reply) => {
      const jobId = await importJob(db, checkJobFile(request.body), personOf(request));
      return reply.status(201).send(await jobDetail(db, jobId));
    },
  );

  app.get(
    '/api/jobs/:id/operations.csv',
    { config: { access: 'person' }, schema: { summary: 'Operations as CSV', tags: ['exchange'] } },
    async (request, reply) =>
      reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="operations.csv"')
        .send(await operationsCsv(db, idOf(request))),
  );
}
