import type { Measure } from '../units/sentence.ts';
import type { Sentence } from '../units/sentence.ts';
import type { Unit } from '../units/unit.ts';

export type LimitState = 'clear' | 'tight' | 'over' | 'unproven';

export const LIMIT_GROUPS = [
  'machine',
  'cutter',
  'strength',
  'accuracy',
  'vibration',
  'heat and life',
  'path',
  'process',
] as const;
export type LimitGroup = (typeof LIMIT_GROUPS)[number];

/** Middle and 10/90% band of a predicted number, and the ids of the sources it rests on. */
export interface Band {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly basis: readonly string[];
}

/** How a number came about: formula, this case's values, where the method was published. */
export interface Explanation {
  readonly formula: string;
  readonly inputs: readonly (Measure & { readonly symbol: string; readonly name: string })[];
  readonly source: string;
}

export interface Quantity extends Band, Explanation {
  readonly key: string;
  readonly symbol: string;
  readonly name: string;
  readonly unit: Unit;
}

export interface LimitResult extends Explanation {
  readonly id: string;
  readonly group: LimitGroup;
  readonly name: string;
  readonly state: LimitState;
  /** Predicted value, or null where the limit is a yes-or-no matter. */
  readonly predicted: (Band & { readonly unit: Unit }) | null;
  readonly allowed: { readonly value: number; readonly unit: Unit; readonly from: string } | null;
  /** Share of the allowed value used, with its band; null where nothing can be divided. */
  readonly share: { readonly value: number; readonly low: number; readonly high: number } | null;
  readonly why: Sentence;
}

export interface CycleTime {
  /** Minutes in the cut, one feature. */
  readonly cutting: number;
  /** Minutes moving without cutting, one feature. */
  readonly linking: number;
  /** Minutes for all such features of one part. */
  readonly perPart: number;
}

/** What may go wrong in a hole, and what it costs the part. */
export interface HoleRisk {
  /** Chance that the numbers themselves are too much for the tool: all holes of the lot share it. */
  readonly lot: number;
  /** Chance of a mishap in one hole. */
  readonly each: number;
  /** Share of such events that cost the part. */
  readonly loses: number;
  /** Why, in shop language. */
  readonly because: readonly string[];
}
