import { perHourOf } from '../crib/shop-rates.ts';
import type { OperationContext } from './context.ts';
import { isIndexable, isRoundBar, isTurningInsert, outerDiameter } from '../crib/cutter.ts';
import type { Operation } from './operation.ts';

/** Usual figures where the shop has not stated its own; plain numbers in the shop's money. */
const USUAL = { machinePerHour: 90, edgeChangeMin: 3, indexableEdge: 12, turningEdge: 4 } as const;

export interface CostBasis {
  readonly machinePerMin: number;
  readonly edgePrice: number;
  readonly edgeChangeMin: number;
  /** Which of them nobody stated. */
  readonly assumed: readonly string[];
}

/** What a minute, an edge and its change cost: as stated, as on the shelf, as the cutter’s record has it; else by its diameter. */
export function costBasis(op: Operation, { cutter, shelf, rates }: OperationContext): CostBasis {
  const machinePerHour = op.economics.machinePerHour ?? (rates ? perHourOf(rates, op.machineId) : null);
  const edgeChangeMin = op.economics.edgeChangeMin ?? rates?.edgeChangeMin ?? null;
  const edgePrice = op.economics.edgePrice ?? shelf?.edgePrice ?? null;
  // An insert of a lathe, or of a bar that stands still, has edges of its own and no diameter to be priced by.
  const usualEdge = isIndexable(cutter)
    ? USUAL.indexableEdge * (cutter.properties.CICT ?? 1)
    : (cutter.extended.price ??
      (isTurningInsert(cutter) || isRoundBar(cutter) ? USUAL.turningEdge : 4 * outerDiameter(cutter) ** 1.2));
  const assumed: string[] = [];
  if (machinePerHour === null) assumed.push('machine hour');
  if (edgePrice === null) assumed.push('price per edge');
  if (edgeChangeMin === null) assumed.push('edge change time');
  return {
    machinePerMin: (machinePerHour ?? USUAL.machinePerHour) / 60,
    edgePrice: edgePrice ?? usualEdge,
    edgeChangeMin: edgeChangeMin ?? USUAL.edgeChangeMin,
    assumed,
  };
}

/** Cost of one feature: machine minutes, and the share of an edge and of its change that the contact uses up. */
export function costOfFeature(
  basis: CostBasis,
  minutes: { readonly contact: number; readonly total: number },
  lifeMin: number | null,
): { readonly total: number; readonly machine: number; readonly edges: number } {
  const machine = minutes.total * basis.machinePerMin;
  const edges =
    lifeMin === null
      ? 0
      : (minutes.contact / lifeMin) * (basis.edgePrice + basis.edgeChangeMin * basis.machinePerMin);
  return { total: machine + edges, machine, edges };
}
