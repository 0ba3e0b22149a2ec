import {
  type DrillingOperation,
  isDrill,
  type MillingOperation,
  type Operation,
  startingStickOut,
  withStartingCut,
} from '@burl/core';
import type { Crib, JobFields } from '@burl/contract';
import { contextOf } from './context.ts';

const unmeasured = { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null } as const;

/** Holder of the crib that takes the shank and fits the spindle; stiff kinds first. */
export function fittingHolder(crib: Crib, machineId: string, cutterId: string): string | null {
  const machine = crib.machines.find((m) => m.id === machineId)?.document;
  const shank = crib.cutters.find((c) => c.id === cutterId)?.document.properties.DCONMS ?? 0;
  const order = ['shrink', 'hydraulic', 'milling_chuck', 'shell_arbor', 'side_lock', 'collet'];
  const rank = (kind: string): number => (order.indexOf(kind) + order.length) % order.length;
  const fitting = crib.holders
    .map((h) => h.document)
    .filter(
      (h) =>
        machine &&
        h.interfaces.includes(machine.spindle_interface) &&
        shank >= h.bore_diameter_mm[0] &&
        shank <= h.bore_diameter_mm[1],
    )
    .sort((a, b) => rank(a.kind) - rank(b.kind) || a.gauge_length_mm - b.gauge_length_mm);
  return fitting[0]?.id ?? null;
}

/** A new operation with numbers worked out for its cutter, or null when no holder fits. */
export function blankOperation(
  crib: Crib,
  job: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity'>,
  cutterId: string,
  size:
    | {
        lengthMm: number;
        widthMm: number;
        depthMm: number;
        cornerRadiusMm: number | null;
        kind: MillingOperation['feature']['kind'];
      }
    | { diameterMm: number; depthMm: number; through: boolean; count: number },
): Operation | null {
  const cutter = crib.cutters.find((c) => c.id === cutterId)?.document;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const holderId = fittingHolder(crib, job.machineId, cutterId);
  if (!cutter || !machine || !alloy || !holderId) return null;
  const throughTool =
    isDrill(cutter) && machine.coolant.through_spindle && cutter.extended.through_coolant === true;
  const dry = /^(Air|Dry)/.test(alloy.coolant) && !isDrill(cutter);
  const common = {
    alloyId: job.alloyId,
    machineId: job.machineId,
    tooling: {
      cutterId,
      holderId,
      stickOutMm: Math.ceil(startingStickOut({ cutter }, size.depthMm + 2) * 2) / 2,
    },
    coolant: throughTool
      ? ('through-tool' as const)
      : dry && machine.coolant.air_blast
        ? ('air' as const)
        : ('flood' as const),
    measured: unmeasured,
    flankWearMm: 0.05,
    featuresPerEdge: 1,
    featuresPerPart: 'count' in size ? size.count : 1,
    edgesOnShelf: null,
    workedOutFor: { alloyId: job.alloyId, cutterId, hardness: null },
    pins: [],
    notes: '',
  };
  const draft: Operation =
    'diameterMm' in size
      ? ({
          ...common,
          kind: 'drilling',
          featuresPerEdge: size.count,
          hole: {
            diameterMm: size.diameterMm,
            depthMm: size.depthMm,
            through: size.through,
            entryAngleDeg: 0,
            piloted: false,
          },
          cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'plan' },
        } satisfies DrillingOperation)
      : ({
          ...common,
          kind: 'milling',
          feature: { ...size, allowanceMm: 0.3, wallToleranceMm: 0.03 },
          workholding: { kind: 'vice', capacityN: null },
          forceLaw: 'kienzle',
          cut: {
            speedRpm: 1000,
            feedPerToothMm: 0.05,
            axialDepthMm: 1,
            radialEngagementMm: 1,
            direction: 'climb',
          },
        } satisfies MillingOperation);
  const context = contextOf(crib, draft, job.quantity);
  return context ? withStartingCut(draft, context) : null;
}
