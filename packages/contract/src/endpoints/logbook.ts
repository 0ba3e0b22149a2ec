import { endpoint } from '../endpoint.ts';
import {
  acceptanceSchema,
  fitQuestionSchema,
  type Fittable,
  type LearntRecord,
  type Proposal,
  reversalSchema,
  type TrialDiagnosis,
} from '../learning.ts';
import { type TrialFacets, trialFileSchema, type TrialFileReport, type TrialPage } from '../trials.ts';

export const LOGBOOK = {
  trials: endpoint<TrialPage>()({
    method: 'GET',
    path: '/api/trials',
    access: 'person',
    tag: 'logbook',
    summary:
      'Trials, newest first: ?alloyId=&heatLot=&machineSerial=&cutterId=&kind=&ending=&jobId=&from=&to=&before=&most=',
  }),
  facets: endpoint<TrialFacets>()({
    method: 'GET',
    path: '/api/trial-facets',
    access: 'person',
    tag: 'logbook',
    summary: 'What the logbook can be asked by, with how many trials each has',
  }),
  csv: endpoint<string>()({
    method: 'GET',
    path: '/api/trials.csv',
    access: 'person',
    tag: 'logbook',
    summary: 'The same trials as CSV, 100,000 at most',
  }),
  importCsv: endpoint<TrialFileReport>()({
    method: 'POST',
    path: '/api/trials/import',
    access: 'editor',
    tag: 'logbook',
    summary: 'Trials from CSV, whole or not at all; a dry run keeps nothing',
    body: trialFileSchema,
    most: 5_000_000,
    success: 200,
  }),
  diagnosis: endpoint<TrialDiagnosis>()({
    method: 'GET',
    path: '/api/trials/:id/diagnosis',
    access: 'person',
    tag: 'logbook',
    summary: 'What ended this edge, likeliest first',
  }),
  fittable: endpoint<Fittable[]>()({
    method: 'GET',
    path: '/api/fits',
    access: 'person',
    tag: 'learning',
    summary: 'Alloys and edge families with trials',
  }),
  propose: endpoint<Proposal>()({
    method: 'POST',
    path: '/api/fits',
    access: 'person',
    tag: 'learning',
    summary: 'What trials propose; nothing is kept',
    body: fitQuestionSchema,
    success: 200,
  }),
  learnt: endpoint<LearntRecord[]>()({
    method: 'GET',
    path: '/api/learnt',
    access: 'person',
    tag: 'learning',
    summary: 'Constants that were accepted, newest first, reversed ones too',
  }),
  accept: endpoint<LearntRecord[]>()({
    method: 'POST',
    path: '/api/learnt',
    access: 'editor',
    tag: 'learning',
    summary: 'Accept what trials propose: it is measured here from now on',
    body: acceptanceSchema,
  }),
  reverse: endpoint<LearntRecord>()({
    method: 'POST',
    path: '/api/learnt/:id/reversal',
    access: 'editor',
    tag: 'learning',
    summary: 'Take a constant back: what was accepted before it, or the library, counts again',
    body: reversalSchema,
    success: 200,
  }),
};
