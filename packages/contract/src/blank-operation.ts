import {
  cuttingWidth,
  fittingHolders,
  isDrill,
  type Operation,
  setStickOut,
  UNSTATED_ECONOMICS,
  USUAL_WEAR_MM,
  wantsDry,
  withStartingCut,
} from '@burl/core';
import { cribSource, resolveContext } from './context.ts';
import type { Crib } from './crib.ts';
import type { JobFields } from './jobs.ts';
import { draftOf, lathePart, type OperationSize, reachOf } from './operation-draft.ts';

const unmeasured = { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null } as const;

/** Holder of the crib that takes the cutter and fits the spindle; stiff kinds first. */
export function fittingHolder(crib: Crib, machineId: string, cutterId: string): string | null {
  const machine = crib.machines.find((m) => m.id === machineId)?.document;
  const cutter = crib.cutters.find((c) => c.id === cutterId)?.document;
  if (!machine || !cutter) return null;
  return (
    fittingHolders(
      crib.holders.filter((h) => !h.retired).map((h) => h.document),
      machine,
      cutter,
    )[0]?.id ?? null
  );
}

/** A new operation with numbers worked out for its cutter, or null when no holder fits. */
export function blankOperation(
  crib: Crib,
  job: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity' | 'heatLot'>,
  cutterId: string,
  size: OperationSize,
): Operation | null {
  const cutter = crib.cutters.find((c) => c.id === cutterId)?.document;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const holderId = fittingHolder(crib, job.machineId, cutterId);
  if (!cutter || !machine || !alloy || !holderId) return null;
  const throughTool =
    isDrill(cutter) && machine.coolant.through_spindle && cutter.extended.through_coolant === true;
  const dry = wantsDry(alloy) && !isDrill(cutter);
  const inLathe = lathePart(machine, size);
  const common = {
    ...(inLathe && { inLathe }),
    alloyId: job.alloyId,
    machineId: job.machineId,
    tooling: {
      cutterId,
      holderId,
      stickOutMm: setStickOut({ cutter }, reachOf(size)),
    },
    coolant: throughTool
      ? ('through-tool' as const)
      : dry && machine.coolant.air_blast
        ? ('air' as const)
        : ('flood' as const),
    measured: unmeasured,
    flankWearMm: USUAL_WEAR_MM.finishing,
    featuresPerEdge: 1,
    featuresPerPart: 'count' in size ? size.count : 1,
    edgesOnShelf: null,
    economics: UNSTATED_ECONOMICS,
    workedOutFor: { alloyId: job.alloyId, cutterId, hardness: null },
    pins: [],
    notes: '',
  };
  const draft = draftOf(common, size, cuttingWidth(cutter));
  const found = resolveContext(draft, cribSource(crib, job));
  return 'context' in found ? withStartingCut(draft, found.context) : null;
}
