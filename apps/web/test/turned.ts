import { type OperationContext, PLAIN_STRETCH, type TurnedStretch, type TurningOperation } from '@burl/core';
import { blankOperation } from '@burl/contract';
import { contextOf } from '../src/judging/context.ts';
import { CRIB } from './crib.ts';

const JOB = { alloyId: 's13800-h1000', machineId: 'lathe-15kw', quantity: 12, heatLot: '' };

/** A turned stretch of aged stainless on the lathe as a person would begin it. */
export function turned(
  stretch: Partial<TurnedStretch> = {},
  cutterId = 'ins-rough-80',
): { op: TurningOperation; context: OperationContext } {
  const op = blankOperation(CRIB, JOB, cutterId, { stretch: { ...PLAIN_STRETCH, ...stretch } });
  if (op?.kind !== 'turning') throw new Error(`${cutterId} turns nothing`);
  return { op, context: contextOf(CRIB, op, JOB)! };
}
