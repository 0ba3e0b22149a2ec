import type { Stock } from '../engage/stock.ts';
import type { Dialect } from './dialect.ts';
import type { Place } from './place.ts';

/** Programs that can be written for an operation. */
export const WRITTEN = [
  'holes',
  'round-pocket',
  'trochoidal-slot',
  'ramp',
  'helix',
  'ring-groove',
  'round-edge',
  'speed-ladder',
] as const;
export type Written = (typeof WRITTEN)[number];
export const WRITTEN_NAMES: Readonly<Record<Written, string>> = {
  holes: 'Holes',
  'round-pocket': 'Round pocket',
  'trochoidal-slot': 'Trochoidal slot',
  ramp: 'Ramp',
  helix: 'Helix',
  'ring-groove': 'Ring groove',
  'round-edge': 'Edge of a round opening',
  'speed-ladder': 'Speed ladder',
};

export interface WriteSettings {
  readonly what: Written;
  readonly dialect: Dialect;
  readonly places: readonly Place[];
  /** Title in the head of the program. */
  readonly title: string;
  readonly number: number;
  /** Speeds of a ladder, rpm; empty takes steps round the released one. */
  readonly speeds: readonly number[];
}

/** Program and the material it is meant for, so that it can be looked at at once. */
export interface WrittenProgram {
  readonly text: string;
  readonly stock: Stock;
}
