import type { InLathe } from './lathe/in-lathe.ts';
import type { ToolSeat } from './lathe/tool-seat.ts';

export type CoolantKind = 'flood' | 'through-tool' | 'air' | 'mist' | 'dry';
export const COOLANT_KINDS: readonly CoolantKind[] = ['flood', 'through-tool', 'air', 'mist', 'dry'];

/** Cutter, holder and how far the cutter stands out of it. */
export interface Tooling {
  readonly cutterId: string;
  readonly holderId: string;
  /** From the holder's nose face to the tip, mm. */
  readonly stickOutMm: number;
}

/** What was measured here rather than taken from the library; null is not measured. */
export interface Measured {
  /** In the scale of the alloy's table. */
  readonly hardness: number | null;
  /** Total indicator reading at the tip, µm. */
  readonly runoutUm: number | null;
  /** Cutting speed that gave 30 minutes at the model's reference cut, from an own wear-measured trial, m/min. */
  readonly lifeSpeed30MMin: number | null;
  /** Specific cutting force kc1.1 identified from spindle power here, N/mm². */
  readonly kc11NMm2: number | null;
}

/** What the present speeds and feeds were worked out for; a mismatch means they were inherited. */
export interface WorkedOutFor {
  readonly alloyId: string;
  readonly cutterId: string;
  readonly hardness: number | null;
}

/** What a minute and an edge cost here, in the shop's own money; null is not stated and a usual value is assumed. */
export interface Economics {
  readonly machinePerHour: number | null;
  /** Price of one cutting edge (a solid tool's share of a regrind or purchase). */
  readonly edgePrice: number | null;
  /** Minutes the machine stands still for one edge change. */
  readonly edgeChangeMin: number | null;
  /** What the part is worth when it comes to this operation. */
  readonly partWorth: number | null;
  /** Hours the machine stands when an edge fails and nobody is there; null where somebody is. */
  readonly hoursLost: number | null;
}

/** Flank wear the forces are worked out for where nobody states it, mm: a roughing edge is used longer. */
export const USUAL_WEAR_MM = { roughing: 0.1, finishing: 0.05 } as const;

/** What every operation says, whatever it cuts. */
export interface OperationBase {
  readonly alloyId: string;
  readonly machineId: string;
  readonly tooling: Tooling;
  readonly coolant: CoolantKind;
  readonly measured: Measured;
  /** Flank wear assumed for the forces, mm. */
  readonly flankWearMm: number;
  /** Features or holes one edge has to last before somebody looks at it. */
  readonly featuresPerEdge: number;
  /** Features or holes of this kind on one part. */
  readonly featuresPerPart: number;
  /** Edges of this cutter on the shelf; null is not counted. */
  readonly edgesOnShelf: number | null;
  readonly economics: Economics;
  readonly workedOutFor: WorkedOutFor;
  /** Where a lathe mills or drills; absent on a milling machine. */
  readonly inLathe?: InLathe;
  /** Of a tool that turns a part: how it sits and which way the part turns; absent is the usual of its machine. */
  readonly seat?: ToolSeat;
  /** Parameters that must not move when another is edited. */
  readonly pins: readonly string[];
  readonly notes: string;
}

/** Economics nobody has stated. */
export const UNSTATED_ECONOMICS: Economics = {
  machinePerHour: null,
  edgePrice: null,
  edgeChangeMin: null,
  partWorth: null,
  hoursLost: null,
};
