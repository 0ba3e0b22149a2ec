import { evaluate, limitOf } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { CRIB as crib } from '../../test/crib.ts';
import { blankOperation, fittingHolder } from '@burl/contract';
import { contextOf } from './context.ts';

const job = { alloyId: '718-aged', machineId: 'vmc40-15kw-belt', quantity: 4, heatLot: '' };
const pocket = { kind: 'pocket', lengthMm: 60, widthMm: 40, depthMm: 20, cornerRadiusMm: 8 } as const;

describe('a new operation', () => {
  it('comes with a holder that fits and numbers of its own', () => {
    const op = blankOperation(crib, job, 'em-bull-12-z5-re0.5-var', pocket)!;
    const e = evaluate(op, contextOf(crib, op, job)!);
    for (const id of [
      'holder-fit',
      'inherited-numbers',
      'chip-thin',
      'spindle-power',
      'coolant-match',
      'reach',
    ]) {
      expect([id, limitOf(e, id).state]).toEqual([id, 'clear']);
    }
  });

  it('drills with coolant through the tool where machine and drill have it', () => {
    const hole = { diameterMm: 6.8, depthMm: 30, through: false, count: 4 };
    expect(blankOperation(crib, job, 'drill-6.8-5xd', hole)).toMatchObject({
      coolant: 'through-tool',
      featuresPerPart: 4,
    });
    expect(blankOperation(crib, { ...job, machineId: 'bench-2kw' }, 'drill-6.8-5xd', hole)?.coolant).toBe(
      'flood',
    );
  });

  it('blows air in hardened steel', () => {
    expect(blankOperation(crib, { ...job, alloyId: 'd2-60hrc' }, 'em-hard-10-z6-re1', pocket)?.coolant).toBe(
      'air',
    );
  });

  it('is not made where no holder takes the shank', () => {
    expect(fittingHolder(crib, 'bench-2kw', 'face45-80-z7-wiper')).toBeNull();
    expect(
      blankOperation(crib, { ...job, machineId: 'bench-2kw' }, 'face45-80-z7-wiper', {
        ...pocket,
        kind: 'face',
      }),
    ).toBeNull();
  });
});
