import { endpoint } from '../endpoint.ts';
import {
  type Job,
  type JobDetail,
  type JobEvent,
  jobFieldsSchema,
  type JobSummary,
  jobUpdateSchema,
  revisionSchema,
  routeOrderSchema,
} from '../jobs.ts';
import { type Desk, MOST_LISTED } from '../job-question.ts';
import type { Removed } from './answers.ts';

export const JOBS = {
  all: endpoint<JobSummary[]>()({
    method: 'GET',
    path: '/api/jobs',
    access: 'person',
    tag: 'jobs',
    summary: `Jobs, the last changed first, ${MOST_LISTED} at most: ?search=&status=&before=&most=`,
  }),
  desk: endpoint<Desk>()({
    method: 'GET',
    path: '/api/desk',
    access: 'person',
    tag: 'jobs',
    summary: 'The first jobs of each status, and how many there are: ?search=',
  }),
  create: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs',
    access: 'editor',
    tag: 'jobs',
    summary: 'New job with a first setup',
    body: jobFieldsSchema,
  }),
  one: endpoint<JobDetail>()({
    method: 'GET',
    path: '/api/jobs/:id',
    access: 'person',
    tag: 'jobs',
    summary: 'A job with its route',
  }),
  change: endpoint<Job>()({
    method: 'PUT',
    path: '/api/jobs/:id',
    access: 'editor',
    tag: 'jobs',
    summary: 'Update a job',
    body: jobUpdateSchema,
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/jobs/:id',
    access: 'editor',
    tag: 'jobs',
    summary: 'Remove a job that was never released',
  }),
  revise: endpoint<Job>()({
    method: 'POST',
    path: '/api/jobs/:id/revisions',
    access: 'editor',
    tag: 'jobs',
    summary: 'Open the next revision of a released job',
    body: revisionSchema,
    success: 200,
  }),
  events: endpoint<JobEvent[]>()({
    method: 'GET',
    path: '/api/jobs/:id/events',
    access: 'person',
    tag: 'jobs',
    summary: 'Who did what in this job, newest first',
  }),
  order: endpoint<JobDetail>()({
    method: 'PUT',
    path: '/api/jobs/:id/order',
    access: 'editor',
    tag: 'route',
    summary: 'Put setups and operations in a new order',
    body: routeOrderSchema,
  }),
};
