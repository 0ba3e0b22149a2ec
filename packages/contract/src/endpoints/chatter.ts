import { endpoint } from '../endpoint.ts';
import {
  type Combination,
  type CombinationDetail,
  combinationSchema,
  combinationUpdateSchema,
  MOST_ATTACHED,
  testCutSchema,
  tipSchema,
} from '../chatter.ts';
import type { Made, Removed } from './answers.ts';

/** A measured response of 20,000 lines as JSON, with room to spare. */
const MOST_RESPONSE_BYTES = 4_000_000;

export const CHATTER = {
  combinations: endpoint<CombinationDetail[]>()({
    method: 'GET',
    path: '/api/resonance',
    access: 'person',
    tag: 'chatter',
    summary: 'All combinations',
  }),
  addCombination: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance',
    access: 'editor',
    tag: 'chatter',
    summary: 'Create a combination',
    body: combinationSchema,
  }),
  changeCombination: endpoint<Combination>()({
    method: 'PUT',
    path: '/api/resonance/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Correct a combination; what it is remembered under only while nothing was measured in it',
    body: combinationUpdateSchema,
  }),
  removeCombination: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/resonance/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Take a combination out of use, with what was measured in it',
  }),
  bringBackCombination: endpoint<Combination>()({
    method: 'POST',
    path: '/api/resonance/:id/restoration',
    access: 'editor',
    tag: 'chatter',
    summary: 'Bring a removed combination back as it was',
    success: 200,
  }),
  saveTip: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/:id/tips',
    access: 'editor',
    tag: 'chatter',
    summary: 'Save a tap test or a table of modes',
    body: tipSchema,
    most: MOST_RESPONSE_BYTES,
    // Frequency, two parts and a coherence a line.
    values: 4 * 20_000 + 1000,
  }),
  restoreTip: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/tips/:id/restore',
    access: 'editor',
    tag: 'chatter',
    summary: 'Restore an earlier tap test or table of modes',
  }),
  logCut: endpoint<Made>()({
    method: 'POST',
    path: '/api/resonance/:id/cuts',
    // Whoever runs the machine logs the cut.
    access: 'person',
    tag: 'chatter',
    summary: 'Log a test cut',
    body: testCutSchema,
    most: Math.ceil(MOST_ATTACHED * 1.4),
  }),
  attachment: endpoint<Buffer>()({
    method: 'GET',
    path: '/api/resonance/cuts/:id/attachment',
    access: 'person',
    tag: 'chatter',
    summary: 'Recording or picture of a cut',
  }),
  removeCut: endpoint<Record<string, never>>()({
    method: 'DELETE',
    path: '/api/resonance/cuts/:id',
    access: 'editor',
    tag: 'chatter',
    summary: 'Delete a test cut',
  }),
};
