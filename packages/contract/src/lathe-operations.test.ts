import { join } from 'node:path';
import {
  drivenLathes,
  type Operation,
  PLAIN_GROOVE,
  PLAIN_IN_LATHE,
  PLAIN_TURNED_THREAD,
  threadOf,
} from '@burl/core';
import { describe, expect, it } from 'vitest';
import { withLatheTools } from '../test/lathe-crib.ts';
import { shippedCrib } from '../test/shipped-crib.ts';
import { blankOperation } from './blank-operation.ts';
import { cribSource, ONE_PART, requireContext } from './context.ts';
import { operationSchema } from './operation-schema.ts';

const crib = withLatheTools(shippedCrib(join(import.meta.dirname, '../../core/data')));
const JOB = { alloyId: 's13800-h1000', machineId: 'lathe-driven-18kw', quantity: 12, heatLot: '' };
const SIDE = { kind: 'side', lengthMm: 38, widthMm: 4, depthMm: 8, cornerRadiusMm: null } as const;
const HOLE = { diameterMm: 8.5, depthMm: 20, through: false, count: 1 } as const;

const made = {
  groove: blankOperation(crib, JOB, 'groove-3', { groove: PLAIN_GROOVE }),
  thread: blankOperation(crib, JOB, 'thread-out-60-1.75-3', {
    thread: threadOf('M24'),
    turned: PLAIN_TURNED_THREAD,
  }),
  flats: blankOperation(crib, JOB, 'em-bull-12-z4-re1-var', SIDE),
  hole: blankOperation(crib, JOB, 'drill-8.5-3xd', HOLE),
} satisfies Record<string, Operation | null>;

describe('operations of a lathe', () => {
  it.each(Object.entries(made))('%s: is begun, crosses the wire and comes back the same', async (_, op) => {
    expect(op).not.toBeNull();
    const there = (await operationSchema.validate(JSON.parse(JSON.stringify(op)), {
      strict: true,
    })) as Operation;
    expect(there).toEqual(op);
  });

  it('a word or a number that has no place is refused by its field', async () => {
    const refused = async (change: object): Promise<string> => {
      try {
        await operationSchema.validate(change, { strict: true, abortEarly: false });
        return '';
      } catch (e) {
        return (e as { errors: string[] }).errors.join('; ');
      }
    };
    expect(await refused({ ...made.groove, groove: { ...PLAIN_GROOVE, way: 'around' } })).toContain(
      'groove.way',
    );
    expect(await refused({ ...made.thread, turned: { ...PLAIN_TURNED_THREAD, lengthMm: '20' } })).toContain(
      'turned.lengthMm',
    );
    expect(await refused({ ...made.hole, inLathe: { ...PLAIN_IN_LATHE, turns: 'both' } })).toContain(
      'inLathe.turns',
    );
  });

  it('each runs on its own spindle: the driven tool, or the part', () => {
    const lathe = drivenLathes()[0]!;
    const speed = (op: Operation | null): number =>
      requireContext(op!, cribSource(crib, ONE_PART)).machine.max_rpm;
    expect(speed(made.flats)).toBe(lathe.driven_tools!.max_rpm);
    expect([speed(made.hole), speed(made.groove), speed(made.thread)]).toEqual(
      Array<number>(3).fill(lathe.max_rpm),
    );
  });

  it('a job on a milling machine says nothing of a lathe', () => {
    const op = blankOperation(crib, { ...JOB, machineId: 'vmc40-15kw-belt' }, 'em-bull-12-z4-re1-var', SIDE);
    expect(op).not.toHaveProperty('inLathe');
  });
});
