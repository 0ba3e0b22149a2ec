import { asRun, NOTHING_SEEN, trialBasis } from '@burl/core';
import type { ReleasedOperation, Trial } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { example } from '../../../test/crib.ts';
import { correctionOf } from './trial-draft.ts';

const { op, context } = example('Rough seal pocket A');
const operation = { operationId: 'o1', name: 'Pocket', document: op, context } as ReleasedOperation;
const overrides = { speedOverride: 80, feedOverride: 100 };
const perFeature = trialBasis(asRun(op, overrides), context).cuttingMinPerFeature;
const logged = (minutes: number): Trial => ({
  ...({} as Trial),
  ...NOTHING_SEEN,
  ...overrides,
  id: 't1',
  releaseId: 'r1',
  operationId: 'o1',
  at: '2026-11-20T08:00:00.000Z',
  machineSerial: 'SN-1',
  heatLot: 'G-17',
  edge: 2,
  features: 3,
  minutes,
  note: 'jet weak',
});

describe('a correction', () => {
  it('is of the moment, the cut and the edge it corrects, and names it', () => {
    expect(correctionOf(logged(3 * perFeature), operation)).toMatchObject({
      at: '2026-11-20T08:00:00.000Z',
      corrects: 't1',
      edge: 2,
      features: 3,
      speedOverride: 80,
      note: 'jet weak',
    });
  });

  it('reckons minutes anew where they were reckoned, and keeps those that were counted', () => {
    expect(correctionOf(logged(3 * perFeature), operation).minutes).toBeNull();
    expect(correctionOf(logged(2.5 * perFeature), operation).minutes).toBe(2.5 * perFeature);
  });
});
