import { InputError, type InputProblem, outOfRange } from '../units/input-error.ts';
import type { Unit } from '../units/unit.ts';

/** What time and money come to in this shop. */
export interface ShopRates {
  /** ISO 4217, three letters. */
  readonly currency: string;
  /** Of a machine with its share of everything around it, by the hour. */
  readonly machinePerHour: number;
  /** Of machines that cost otherwise, by their id. */
  readonly byMachine: Readonly<Record<string, number>>;
  readonly setterPerHour: number;
  /** To set up once a batch: fixture, tools, offsets; minutes. */
  readonly setupMin: number;
  /** To unload one part and load the next; minutes. */
  readonly loadMin: number;
  /** To probe one part in the machine; minutes. */
  readonly probeMin: number;
  readonly edgeChangeMin: number;
  /** The first piece takes so many times as long as the others. */
  readonly proveOutFactor: number;
  /** From tool to tool beside the change itself: to the change position and back, spindle up; seconds. */
  readonly chipToChipS: number;
  /** Feed between cuts, share of the rapid rate. */
  readonly linkFeedShare: number;
}

export const USUAL_RATES: ShopRates = {
  currency: 'EUR',
  machinePerHour: 90,
  byMachine: {},
  setterPerHour: 45,
  setupMin: 45,
  loadMin: 2,
  probeMin: 1,
  edgeChangeMin: 3,
  proveOutFactor: 3,
  chipToChipS: 3,
  linkFeedShare: 0.3,
};

/** A number of the rates as it is asked for. */
export interface RateField {
  readonly key: Exclude<keyof ShopRates, 'currency' | 'byMachine'>;
  readonly label: string;
  readonly unit: Unit;
  readonly least: number;
  readonly most: number;
}

export const RATE_FIELDS: readonly RateField[] = [
  { key: 'machinePerHour', label: 'Machine hour', unit: 'money', least: 0.01, most: 1e6 },
  { key: 'setterPerHour', label: 'Setter hour', unit: 'money', least: 0, most: 1e6 },
  { key: 'setupMin', label: 'Set up, once a batch', unit: 'min', least: 0, most: 10_000 },
  { key: 'loadMin', label: 'Unload and load a part', unit: 'min', least: 0, most: 1000 },
  { key: 'probeMin', label: 'Probe a part', unit: 'min', least: 0, most: 1000 },
  { key: 'edgeChangeMin', label: 'Change an edge', unit: 'min', least: 0, most: 600 },
  { key: 'proveOutFactor', label: 'First piece, times as long', unit: 'ratio', least: 1, most: 20 },
  { key: 'chipToChipS', label: 'To the change and back', unit: 's', least: 0, most: 120 },
  { key: 'linkFeedShare', label: 'Feed between cuts, share of rapid', unit: 'ratio', least: 0.02, most: 1 },
];

export const CURRENCY = /^[A-Z]{3}$/;

/** Throws an InputError that names each rate out of its range. */
export function requireRates(rates: ShopRates): void {
  const problems: InputProblem[] = RATE_FIELDS.flatMap(({ key, least, most, unit }) =>
    rates[key] >= least && rates[key] <= most ? [] : [outOfRange(key, rates[key], { least, most, unit })],
  );
  for (const [id, perHour] of Object.entries(rates.byMachine))
    if (!(perHour >= 0.01 && perHour <= 1e6))
      problems.push(outOfRange(`byMachine.${id}`, perHour, { least: 0.01, most: 1e6, unit: 'money' }));
  if (!CURRENCY.test(rates.currency))
    problems.push({ field: 'currency', value: rates.currency, allowed: 'three letters like EUR' });
  if (problems.length > 0) throw new InputError(problems);
}

export const perHourOf = (rates: ShopRates, machineId: string): number =>
  rates.byMachine[machineId] ?? rates.machinePerHour;
