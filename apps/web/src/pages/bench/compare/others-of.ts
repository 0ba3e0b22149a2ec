import { contextWith, type Operation, type OperationContext, toolFits } from '@burl/core';
import type { Crib } from '@burl/contract';
import { offered, offerOf } from '../../../judging/offer.ts';

/** Contexts of the crib's other tools that do the same: of each the first holder that takes it. */
export function othersOf(op: Operation, context: OperationContext, crib: Crib): OperationContext[] {
  const offer = offerOf(crib);
  return offered(crib.cutters, '')
    .map((c) => c.document)
    .filter((c) => c.id !== op.tooling.cutterId && toolFits(op, c))
    .filter((c) => c.suits_iso_groups.includes(context.alloy.iso513_group))
    .flatMap((c) => contextWith(op, context, c, offer) ?? []);
}
