import { endpoint } from '../endpoint.ts';
import { answerSchema, type Finding, type ProveOutRecord, proveOutSchema } from '../prove-out.ts';
import { type Trial, trialSchema } from '../trials.ts';

/** A photo, or a photo and a recording, as text. */
const ONE_FILE = 4_500_000;
const TWO_FILES = 8_500_000;

export const FLOOR = {
  trials: endpoint<Trial[]>()({
    method: 'GET',
    path: '/api/jobs/:id/trials',
    access: 'person',
    tag: 'floor',
    summary: 'Trials of a job, newest first, 200 at most',
  }),
  log: endpoint<Trial>()({
    method: 'POST',
    path: '/api/trials',
    access: 'person',
    tag: 'floor',
    summary: 'Log a trial; one sent twice is kept once',
    body: trialSchema,
    most: TWO_FILES,
  }),
  steps: endpoint<ProveOutRecord[]>()({
    method: 'GET',
    path: '/api/releases/:id/prove-out',
    access: 'person',
    tag: 'floor',
    summary: 'Steps of the prove-out as they were signed',
  }),
  sign: endpoint<ProveOutRecord>()({
    method: 'POST',
    path: '/api/prove-out',
    access: 'person',
    tag: 'floor',
    summary: 'Sign a step of the prove-out, or say what failed; one sent twice is kept once',
    body: proveOutSchema,
    most: ONE_FILE,
  }),
  findings: endpoint<Finding[]>()({
    method: 'GET',
    path: '/api/findings',
    access: 'person',
    tag: 'floor',
    summary: 'What the floor found and nobody has answered, newest first; ?job= for all of one job',
  }),
  answer: endpoint<Finding>()({
    method: 'POST',
    path: '/api/findings/:id/answer',
    access: 'editor',
    tag: 'floor',
    summary: 'Answer a finding',
    body: answerSchema,
    success: 200,
  }),
  file: endpoint<Buffer>()({
    method: 'GET',
    path: '/api/floor-files/:id/:slot',
    access: 'person',
    tag: 'floor',
    summary: 'Photo or recording of a trial or a step',
  }),
};
