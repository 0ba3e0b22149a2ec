import type { HeldPart } from '../../physics/holding/holding-model.ts';
import type { Holding } from '../../physics/holding/holdings.ts';

export const SIDES = ['top', 'bottom', 'left', 'right', 'front', 'back'] as const;
export type Side = (typeof SIDES)[number];

export const PART_FEATURES = ['pocket', 'slot', 'wall', 'boss', 'face', 'hole'] as const;
export type PartFeatureKind = (typeof PART_FEATURES)[number];

/** A feature of the part, entered once; it offers the operations that make it. Lengths in mm. */
export interface PartFeature {
  readonly name: string;
  readonly kind: PartFeatureKind;
  /** Side of the part it is cut from. */
  readonly side: Side;
  readonly count: number;
  /** Across a pocket, slot, boss or face; the stock beside a wall. */
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  /** Internal corner radius; null where there is none. */
  readonly cornerRadiusMm: number | null;
  /** Ends of a slot that are open: the cutter comes in from outside there. */
  readonly openEnds: number;
  readonly through: boolean;
  /** Of a hole. */
  readonly diameterMm: number;
  /** Designation of a thread in a hole; null for a plain one. */
  readonly thread: string | null;
  /** Width of the tolerance that governs, mm; null where any will do. */
  readonly toleranceMm: number | null;
  /** Roughness asked for, Ra in µm; null where any will do. */
  readonly raUm: number | null;
}

/** What a job says of its part, its blank and its batch. */
export interface JobPlan {
  /** Finished part; null where nobody entered it. */
  readonly part: HeldPart | null;
  /** Left to take off on each side of the blank, mm. */
  readonly stock: Readonly<Record<Side, number>>;
  /** Measured, in the scale of the alloy's table. */
  readonly hardness: number | null;
  readonly toleranceMm: number | null;
  readonly raUm: number | null;
  /** Blanks beyond the quantity. */
  readonly spares: number;
  /** Price of a blank, in the shop's currency. */
  readonly blankPrice: number | null;
  /** The first piece goes through every setup before the batch goes through the first. */
  readonly firstThroughAll: boolean;
  readonly features: readonly PartFeature[];
}

/** What a setup says of how its parts stand and are held. */
export interface SetupPlan {
  /** Another machine than the job's; null is the job's. */
  readonly machineId: string | null;
  /** Side of the part that faces the spindle. */
  readonly up: Side;
  /** Where the zero is, in words: “fixed jaw, left, top of the stock”. */
  readonly datum: string;
  /** Like G54. */
  readonly workOffset: string;
  readonly holding: Holding | null;
  readonly fixturePrice: number | null;
  /** Parts loaded at once. */
  readonly partsPerLoad: number;
  /** Each tool cuts all parts of the load, or each part is finished before the next. */
  readonly order: 'by-tool' | 'by-part';
  /** What has to be finished before this setup can locate on it, in words. */
  readonly locatesOn: string;
  /** The sub-spindle takes the part over from the setup before; absent is loaded by hand. */
  readonly takenOver?: boolean;
  /** Somebody marked that it may run with nobody there. */
  readonly alone: boolean;
}

export const EMPTY_JOB_PLAN: JobPlan = {
  part: null,
  stock: { top: 0, bottom: 0, left: 0, right: 0, front: 0, back: 0 },
  hardness: null,
  toleranceMm: null,
  raUm: null,
  spares: 0,
  blankPrice: null,
  firstThroughAll: false,
  features: [],
};

export const EMPTY_SETUP_PLAN: SetupPlan = {
  machineId: null,
  up: 'top',
  datum: '',
  workOffset: '',
  holding: null,
  fixturePrice: null,
  partsPerLoad: 1,
  order: 'by-tool',
  locatesOn: '',
  alone: false,
};

/** A feature one would begin with. */
export const PLAIN_PART_FEATURE: PartFeature = {
  name: '',
  kind: 'pocket',
  side: 'top',
  count: 1,
  lengthMm: 60,
  widthMm: 40,
  depthMm: 20,
  cornerRadiusMm: 8,
  openEnds: 0,
  through: false,
  diameterMm: 8,
  thread: null,
  toleranceMm: null,
  raUm: null,
};

/** The blank a plan asks for, mm; null where the part's size is not known. */
export function blankOf({ part, stock }: JobPlan): HeldPart | null {
  return (
    part && {
      lengthMm: part.lengthMm + stock.left + stock.right,
      widthMm: part.widthMm + stock.front + stock.back,
      heightMm: part.heightMm + stock.top + stock.bottom,
    }
  );
}
