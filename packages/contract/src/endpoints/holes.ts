import { endpoint } from '../endpoint.ts';
import { holeInputSchema, type HoleKindRecord, holeStepsSchema, holeUpdateSchema } from '../holes.ts';
import type { JobDetail } from '../jobs.ts';

export const HOLES = {
  add: endpoint<HoleKindRecord>()({
    method: 'POST',
    path: '/api/jobs/:id/holes',
    access: 'editor',
    tag: 'holes',
    summary: 'Create a hole group',
    body: holeInputSchema,
  }),
  change: endpoint<HoleKindRecord>()({
    method: 'PUT',
    path: '/api/holes/:id',
    access: 'editor',
    tag: 'holes',
    summary: 'Change a hole group’s requirement or method',
    body: holeUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/holes/:id',
    access: 'editor',
    tag: 'holes',
    summary: 'Remove a hole group with its steps',
  }),
  intoRoute: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/holes/:id/steps',
    access: 'editor',
    tag: 'holes',
    summary: 'Put the steps of the chosen method into the route',
    body: holeStepsSchema,
  }),
};
