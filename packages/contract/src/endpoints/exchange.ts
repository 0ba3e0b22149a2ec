import { endpoint } from '../endpoint.ts';
import type { JobDetail } from '../jobs.ts';

const MOST_FILE_BYTES = 8 * 1024 * 1024;

export const EXCHANGE = {
  exportJob: endpoint<string>()({
    method: 'GET',
    path: '/api/jobs/:id/export',
    access: 'person',
    tag: 'exchange',
    summary: 'The job as one file',
  }),
  /** The body is a job file of any version; the route brings it up to date and checks it. */
  importJob: endpoint<JobDetail>()<'/api/jobs/import', unknown, 'POST'>({
    method: 'POST',
    path: '/api/jobs/import',
    access: 'editor',
    tag: 'exchange',
    summary: 'New job from a file',
    most: MOST_FILE_BYTES,
    values: 400_000,
  }),
  operationsCsv: endpoint<string>()({
    method: 'GET',
    path: '/api/jobs/:id/operations.csv',
    access: 'person',
    tag: 'exchange',
    summary: 'Operations as CSV',
  }),
};
