import { endpoint } from '../endpoint.ts';
import { decisionSchema, type Release, releaseRequestSchema, type ReleaseSummary } from '../releases.ts';

export const RELEASES = {
  ofJob: endpoint<ReleaseSummary[]>()({
    method: 'GET',
    path: '/api/jobs/:id/releases',
    access: 'person',
    tag: 'release',
    summary: 'Releases of a job, newest first',
  }),
  one: endpoint<Release>()({
    method: 'GET',
    path: '/api/releases/:id',
    access: 'person',
    tag: 'release',
    summary: 'One release with evidence and differences',
  }),
  sheet: endpoint<Release>()({
    method: 'GET',
    path: '/api/jobs/:id/sheet',
    access: 'person',
    tag: 'release',
    summary: 'The current sheet',
  }),
  sheetPdf: endpoint<Buffer>()({
    method: 'GET',
    path: '/api/releases/:id/sheet.pdf',
    access: 'person',
    tag: 'release',
    summary: 'The sheet as PDF: ?paper=a4|letter&units=metric|inch',
  }),
  request: endpoint<Release>()({
    method: 'POST',
    path: '/api/jobs/:id/release-requests',
    access: 'editor',
    tag: 'release',
    summary: 'Request release',
    body: releaseRequestSchema,
  }),
  withdraw: endpoint<Release>()({
    method: 'POST',
    path: '/api/releases/:id/withdrawal',
    access: 'editor',
    tag: 'release',
    summary: 'Withdraw a request',
    success: 200,
  }),
  decide: endpoint<Release>()({
    method: 'POST',
    path: '/api/releases/:id/decision',
    access: 'approver',
    tag: 'release',
    summary: 'Release, or return with a reason',
    body: decisionSchema,
    success: 200,
  }),
};
