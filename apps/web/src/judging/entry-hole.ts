import type { MissingEntryHole, System } from '@burl/core';
import type { Crib, JobFields, OperationInput } from '@burl/contract';
import { cuttersFor, FIRST, inputOf, type NewOperation } from './new-operation.ts';

/** The drilling operation that makes the hole a cutter goes down in, by the smallest drill that lets it; in words why there is none. */
export function entryHole(
  crib: Crib,
  job: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity' | 'heatLot'>,
  missing: MissingEntryHole,
  system: System,
): OperationInput | string {
  const group = crib.alloys.find((a) => a.id === job.alloyId)?.document.iso513_group;
  const { diameterMm, depthMm, count } = missing;
  const wanted: NewOperation = { ...FIRST, made: 'hole', diameterMm, depthMm, count };
  const [drill] = cuttersFor(crib, wanted, (groups) => group !== undefined && groups.includes(group))
    .filter((c) => (c.properties.DC ?? 0) >= diameterMm - 1e-6 && (c.properties.LU ?? Infinity) >= depthMm)
    .sort((a, b) => (a.properties.DC ?? 0) - (b.properties.DC ?? 0));
  if (!drill)
    return `No drill of the crib is ${String(diameterMm)} mm or more and reaches ${String(depthMm)} mm.`;
  return inputOf(
    crib,
    job,
    {
      ...wanted,
      name: `Drill the entry of ${missing.name}`,
      diameterMm: drill.properties.DC!,
      cutterId: drill.id,
    },
    missing.setupId,
    system,
  );
}
