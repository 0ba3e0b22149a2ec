import {
  type Groove,
  type GroovingOperation,
  type OperationContext,
  PLAIN_GROOVE,
  PLAIN_STRETCH,
  PLAIN_TURNED_THREAD,
  threadOf,
  type ThreadTurningOperation,
  type TurnedStretch,
  type TurnedThread,
  type TurningOperation,
} from '@burl/core';
import { blankOperation, type TurnedSize } from '@burl/contract';
import { withLatheTools } from '../../../packages/contract/test/lathe-crib.ts';
import { contextOf } from '../src/judging/context.ts';
import { CRIB } from './crib.ts';

const JOB = { alloyId: 's13800-h1000', machineId: 'lathe-15kw', quantity: 12, heatLot: '' };

/** The shipped crib with what a lathe has beside its reference tools. */
export const LATHE_CRIB = withLatheTools(CRIB);

function begun<K extends 'turning' | 'grooving' | 'thread-turning'>(
  kind: K,
  cutterId: string,
  size: TurnedSize,
) {
  const op = blankOperation(LATHE_CRIB, JOB, cutterId, size);
  if (op?.kind !== kind) throw new Error(`${cutterId} makes no ${kind}`);
  return { op: op as Extract<typeof op, { kind: K }>, context: contextOf(LATHE_CRIB, op, JOB)! };
}

/** A turned stretch of aged stainless on the lathe as a person would begin it. */
export const turned = (
  stretch: Partial<TurnedStretch> = {},
  cutterId = 'ins-rough-80',
): { op: TurningOperation; context: OperationContext } =>
  begun('turning', cutterId, { stretch: { ...PLAIN_STRETCH, ...stretch } });

/** A groove in it. */
export const grooved = (
  groove: Partial<Groove> = {},
  cutterId = 'groove-3',
): { op: GroovingOperation; context: OperationContext } =>
  begun('grooving', cutterId, { groove: { ...PLAIN_GROOVE, ...groove } });

/** A thread on it. */
export const threaded = (
  designation = 'M24',
  turnedThread: Partial<TurnedThread> = {},
  cutterId = 'thread-out-60-1.75-3',
): { op: ThreadTurningOperation; context: OperationContext } =>
  begun('thread-turning', cutterId, {
    thread: threadOf(designation),
    turned: { ...PLAIN_TURNED_THREAD, ...turnedThread },
  });
