import { endpoint } from '../endpoint.ts';
import {
  LARGEST_PROGRAM,
  type ProgramEntry,
  programSchema,
  programStockSchema,
  type ProgramText,
} from '../programs.ts';

/** A program as text in a body, and a little room for the rest. */
const ONE_PROGRAM = Math.ceil((LARGEST_PROGRAM * 4) / 3) + 200_000;

export const PROGRAMS = {
  list: endpoint<ProgramEntry[]>()({
    method: 'GET',
    path: '/api/jobs/:id/programs',
    access: 'person',
    tag: 'programs',
    summary: 'NC programs kept with a job, newest first',
  }),
  add: endpoint<ProgramEntry>()({
    method: 'POST',
    path: '/api/jobs/:id/programs',
    access: 'editor',
    tag: 'programs',
    summary: 'Keep an NC program with a job, as it was mailed, written or rewritten',
    body: programSchema,
    most: ONE_PROGRAM,
  }),
  text: endpoint<ProgramText>()({
    method: 'GET',
    path: '/api/programs/:id/text',
    access: 'person',
    tag: 'programs',
    summary: 'Text of a kept program, byte for byte',
  }),
  stock: endpoint<ProgramEntry>()({
    method: 'PUT',
    path: '/api/programs/:id/stock',
    access: 'editor',
    tag: 'programs',
    summary: 'Say what material a program begins with',
    body: programStockSchema,
  }),
  current: endpoint<string>()({
    method: 'GET',
    path: '/api/programs/:id/machine/current',
    access: 'person',
    tag: 'programs',
    summary:
      'A simulated machine that runs the program over and over: its newest sample, as XML of MTConnect streams',
  }),
  sample: endpoint<string>()({
    method: 'GET',
    path: '/api/programs/:id/machine/sample',
    access: 'person',
    tag: 'programs',
    summary: 'Samples of the simulated machine; ?from= a sequence, ?count= 1 to 1000',
  }),
  remove: endpoint<ProgramEntry[]>()({
    method: 'DELETE',
    path: '/api/programs/:id',
    access: 'editor',
    tag: 'programs',
    summary: 'Remove a program from its job; one that others were rewritten from stays',
  }),
};
