import type { Crib, JobFields } from '@burl/contract';
import type { Holding, PartShop, WorkholdingKind } from '@burl/core';
import { offerOf } from '../judging/offer.ts';

/** What of a holding an operation itself can say; jaws are jaws, and a chuck holds like a fixture. */
const KIND_OF: Readonly<Record<Holding['kind'], WorkholdingKind>> = {
  vice: 'vice',
  'soft-jaws': 'vice',
  clamps: 'clamps',
  fixture: 'fixture',
  adhesive: 'adhesive',
  vacuum: 'vacuum',
  chuck: 'fixture',
  collet: 'fixture',
};

/** Where the features of a part are made, with all the crib offers. The crib has its alloy and machine. */
export const partShop = (
  crib: Crib,
  { alloyId, machineId, quantity }: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity'>,
  hardness: number | null,
  holding: Holding | null,
): PartShop => ({
  alloy: crib.alloys.find((a) => a.id === alloyId)!.document,
  machine: crib.machines.find((m) => m.id === machineId)!.document,
  offer: offerOf(crib),
  quantity,
  hardness,
  workholding: holding ? KIND_OF[holding.kind] : 'vice',
});
