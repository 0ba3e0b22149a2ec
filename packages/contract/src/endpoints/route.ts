import { endpoint } from '../endpoint.ts';
import {
  type JobDetail,
  type JobOperation,
  type OperationFound,
  operationBackSchema,
  operationInputSchema,
  operationUpdateSchema,
  type Setup,
  setupInputSchema,
  setupUpdateSchema,
  type Variant,
  variantUpdateSchema,
} from '../jobs.ts';
import type { Removed } from './answers.ts';

export const SETUPS = {
  add: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs/:id/setups',
    access: 'editor',
    tag: 'route',
    summary: 'Add a setup',
    body: setupInputSchema,
  }),
  change: endpoint<Omit<Setup, 'operations'>>()({
    method: 'PUT',
    path: '/api/setups/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Rename a setup',
    body: setupUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/setups/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove an empty setup',
  }),
};

export const OPERATIONS = {
  find: endpoint<OperationFound[]>()({
    method: 'GET',
    path: '/api/operations',
    access: 'person',
    tag: 'route',
    summary: 'Operations by words of their name or job number, 20 at most: ?search=',
  }),
  add: endpoint<Omit<JobOperation, 'variants'>>()({
    method: 'POST',
    path: '/api/jobs/:id/operations',
    access: 'editor',
    tag: 'route',
    summary: 'Add an operation with its variant A',
    body: operationInputSchema,
  }),
  putBack: endpoint<JobDetail>()({
    method: 'POST',
    path: '/api/jobs/:id/operations/back',
    access: 'editor',
    tag: 'route',
    summary: 'Put a removed operation back with all its variants',
    body: operationBackSchema,
  }),
  change: endpoint<Omit<JobOperation, 'variants'>>()({
    method: 'PUT',
    path: '/api/operations/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Rename an operation or choose its variant',
    body: operationUpdateSchema,
  }),
  remove: endpoint<JobDetail>()({
    method: 'DELETE',
    path: '/api/operations/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove an operation',
  }),
  presence: endpoint<{ others: string[] }>()({
    method: 'PUT',
    path: '/api/operations/:id/presence',
    access: 'person',
    tag: 'route',
    summary: 'Report presence, list other editors',
  }),
};

export const VARIANTS = {
  copy: endpoint<Variant>()({
    method: 'POST',
    path: '/api/operations/:id/variants',
    access: 'editor',
    tag: 'route',
    summary: 'Copy the chosen variant under the next letter',
  }),
  save: endpoint<Variant>()({
    method: 'PUT',
    path: '/api/variants/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Save the numbers of a variant',
    body: variantUpdateSchema,
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/variants/:id',
    access: 'editor',
    tag: 'route',
    summary: 'Remove a variant that is not chosen',
  }),
};
