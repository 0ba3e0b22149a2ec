import { chosenOf, type HoleDemand, PLAIN_DEMAND, planHole, type PlannedStep, type Shop } from '@burl/core';
import type { Crib } from '@burl/contract';

/** A kind of hole of a demo job: what is asked, the way taken, and the setup its steps stand in. */
export interface DemoHole {
  readonly demand: HoleDemand;
  readonly chosen: string | null;
  /** Place of the setup in the job; null where the holes are stated but not in the route yet. */
  readonly setup: number | null;
}

const hole = (name: string, more: Partial<HoleDemand>): HoleDemand => ({ ...PLAIN_DEMAND, name, ...more });

/** Holes of the tidal turbine's manifold in super duplex. */
export const MANIFOLD_HOLES: readonly DemoHole[] = [
  {
    demand: hole('Channels 8 deep', {
      diameterMm: 8,
      depthMm: 80,
      straightnessMm: 0.5,
      pattern: { kind: 'row', count: 6, pitchMm: 32 },
      partValue: 1900,
    }),
    chosen: null,
    setup: 0,
  },
  {
    demand: hole('Flange threads', {
      thread: 'M6',
      depthMm: 12,
      pattern: { kind: 'circle', count: 12, diameterMm: 96 },
      partValue: 2400,
    }),
    chosen: 'tap',
    setup: 0,
  },
  {
    demand: hole('Bolt holes', {
      diameterMm: 8.5,
      depthMm: 22,
      through: true,
      chamferMm: 0.5,
      pattern: { kind: 'grid', columns: 3, rows: 2, columnPitchMm: 60, rowPitchMm: 80 },
      partValue: 1900,
    }),
    chosen: null,
    setup: null,
  },
];

/** Holes of the valve seat in cobalt-chromium. */
export const SEAT_HOLES: readonly DemoHole[] = [
  {
    demand: hole('Dowel holes', {
      diameterMm: 10,
      depthMm: 22,
      grade: 7,
      raUm: 0.8,
      chamferMm: 0.5,
      pattern: { kind: 'circle', count: 4, diameterMm: 70 },
      partValue: 3100,
    }),
    chosen: null,
    setup: 0,
  },
];

/** The steps of a demo hole as Burl plans them, for its alloy and machine. */
export function demoSteps(
  crib: Crib,
  job: { readonly alloyId: string; readonly machineId: string; readonly quantity: number },
  { demand, chosen }: DemoHole,
): readonly PlannedStep[] {
  const shop: Shop = {
    alloy: crib.alloys.find((a) => a.id === job.alloyId)!.document,
    machine: crib.machines.find((m) => m.id === job.machineId)!.document,
    offer: {
      cutters: crib.cutters.map((c) => c.document),
      holders: crib.holders.map((h) => h.document),
      substrates: crib.materials.substrates,
      coatings: crib.materials.coatings,
    },
    quantity: job.quantity,
  };
  return chosenOf(planHole(shop, demand), chosen)?.steps ?? [];
}
