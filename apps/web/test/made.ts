import type { Operation, OperationContext } from '@burl/core';
import { contextOf } from '../src/judging/context.ts';
import { cuttersFor, FIRST, inputOf, type NewOperation, withMade } from '../src/judging/new-operation.ts';
import { WHOLE_CRIB } from './crib.ts';

/** The operation one gets who changes nothing but what is cut. */
export function madeOf<O extends Operation = Operation>(
  made: NewOperation['made'],
  alloyId: string,
): { readonly op: O; readonly context: OperationContext } {
  const job = { alloyId, machineId: 'vmc40-22kw-direct', quantity: 4, heatLot: '' };
  const group = WHOLE_CRIB.alloys.find((a) => a.id === alloyId)!.document.iso513_group;
  const typed = withMade(FIRST, made);
  const [cutter] = cuttersFor(WHOLE_CRIB, typed, (groups) => groups.includes(group));
  const input = inputOf(WHOLE_CRIB, job, { ...typed, cutterId: cutter?.id ?? '' }, 's', 'metric');
  if (typeof input === 'string') throw new Error(`${made} in ${alloyId}: ${input}`);
  return { op: input.document as O, context: contextOf(WHOLE_CRIB, input.document, job)! };
}
