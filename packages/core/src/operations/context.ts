import type { Alloy } from '../crib/alloy.ts';
import type { Coating, Cutter, Substrate } from '../crib/cutter.ts';
import type { Holder } from '../crib/holder.ts';
import type { ShopRates } from '../crib/shop-rates.ts';
import type { ResonanceBook } from '../physics/dynamics/resonance-book.ts';
import type { Machine } from '../crib/machine.ts';
import type { Held } from '../physics/holding/holdings.ts';
import type { LearntHere } from '../learning/learnt.ts';

/** Edges that lie ready of a cutter, and what one costs; null where nobody said. */
export interface Shelf {
  readonly edges: number;
  readonly edgePrice: number | null;
}

/** The number that is approved: the periodic solution at one cut, and what it was worked out for. */
export interface PeriodicVerdict {
  /** The cut and structure it belongs to; a verdict of another one is not used. */
  readonly key: string;
  /** Stability limit along the tool, mm; null where no depth in reach chatters. */
  readonly depthMm: number | null;
  readonly hz: number | null;
  /** ln of the periodic over the averaged border, mean over the speeds the lobes may be shifted to. */
  readonly overAveraged: number;
}

/** The crib entries an operation names, and what the job adds: all that `evaluate` may look at. */
export interface OperationContext {
  readonly alloy: Alloy;
  readonly machine: Machine;
  readonly cutter: Cutter;
  readonly holder: Holder;
  readonly substrate: Substrate;
  readonly coating: Coating;
  /** Parts in the batch. */
  readonly quantity: number;
  /** What time and money come to in this shop; absent where nobody said. */
  readonly rates?: ShopRates;
  /** What the setup holds its parts with; absent where nobody said. */
  readonly held?: Held;
  /** What lies on the shelf of this cutter; absent where nobody counted. */
  readonly shelf?: Shelf;
  /** What was measured of tips and seen at the machine; absent where nobody keeps it. */
  readonly resonance?: ResonanceBook;
  /** What trials here taught about edges, forces and the drive; absent where nothing was accepted. */
  readonly learnt?: LearntHere;
  /** Stability limit of this very cut by the periodic solution, where a worker or the server has worked it out. */
  readonly periodic?: PeriodicVerdict;
}

/** Cut with high-speed steel rather than carbide: another speed window applies. */
export const isHighSpeedSteel = ({ cutter }: OperationContext): boolean =>
  cutter.extended.substrate.startsWith('hss');
