import { type Operation, UNSTATED_ECONOMICS } from '@burl/core';

/** Where a demo operation runs. */
export interface Place {
  readonly alloyId: string;
  readonly machineId: string;
  readonly coolant: Operation['coolant'];
  readonly hardness: number | null;
}

export type Change<O> = { [K in keyof O]?: O[K] extends object | null ? Partial<O[K]> | O[K] : O[K] };

/** What every demo operation says alike. */
export function demoBase(
  place: Place,
  cutterId: string,
  holderId: string,
  measured: Partial<Operation['measured']>,
) {
  return {
    alloyId: place.alloyId,
    machineId: place.machineId,
    coolant: place.coolant,
    tooling: { cutterId, holderId, stickOutMm: 1 },
    measured: {
      hardness: place.hardness,
      runoutUm: null,
      lifeSpeed30MMin: null,
      kc11NMm2: null,
      ...measured,
    },
    flankWearMm: 0.05,
    featuresPerEdge: 1,
    featuresPerPart: 1,
    edgesOnShelf: null,
    economics: UNSTATED_ECONOMICS,
    workedOutFor: { alloyId: place.alloyId, cutterId, hardness: place.hardness },
    pins: [],
    notes: '',
  };
}
