import type { PartSupport } from '../lathe/held-part.ts';
import type { OperationBase } from '../operation-base.ts';
import type { TurnedProfile } from './profile/turned-profile.ts';

/** Which way the tool goes: along outside, along a bore, or across a face. */
export const TURNING_WAYS = ['outside', 'inside', 'face'] as const;
export type TurningWay = (typeof TURNING_WAYS)[number];

/** A stretch of a turned part and how it stands in the lathe. Lengths in mm. */
export interface TurnedStretch {
  readonly way: TurningWay;
  /** Diameter before; of a face the diameter it begins at. */
  readonly startMm: number;
  /** Diameter after; of a face the diameter it ends at, 0 at the centre. */
  readonly endMm: number;
  /** Along the axis; of a face what is taken off along the axis. */
  readonly lengthMm: number;
  /** From the jaws to the free end of the part, or to its tailstock. */
  readonly overhangMm: number;
  /** Bore through the part; 0 is solid. */
  readonly boreMm: number;
  /** Outside of a part that is bored; absent or null where nobody states it. */
  readonly outerMm?: number | null;
  /** Steps, cones and arcs in place of one diameter; absent or null is one diameter. `endMm` and `lengthMm` follow from it. */
  readonly profile?: TurnedProfile | null;
  readonly support: PartSupport;
  /** Slot, flat, scale or hole that the edge comes over every turn. */
  readonly interrupted: boolean;
  /** Width of the tolerance on the diameter; null where any will do. */
  readonly toleranceMm: number | null;
  /** Roughness asked for, Ra in µm; null where any will do. */
  readonly raUm: number | null;
}

/** A stretch one would begin with. */
export const PLAIN_STRETCH: TurnedStretch = {
  way: 'outside',
  startMm: 55,
  endMm: 48,
  lengthMm: 60,
  overhangMm: 80,
  boreMm: 0,
  support: 'chuck',
  interrupted: false,
  toleranceMm: null,
  raUm: null,
};

/** The largest and the smallest diameter a stretch is cut at, mm. */
export const largestDiameter = ({ startMm, endMm }: TurnedStretch): number => Math.max(startMm, endMm);
export const smallestDiameter = ({ way, startMm, endMm }: TurnedStretch): number =>
  way === 'face' ? endMm : Math.min(startMm, endMm);

/** What is taken off, on the radius; of a face along the axis, mm. */
export const stockOf = ({ way, startMm, endMm, lengthMm, profile }: TurnedStretch): number =>
  profile?.skinMm ?? (way === 'face' ? lengthMm : Math.abs(startMm - endMm) / 2);

/** A bore is taken as standing in a part so many times its size: nobody states the outside. */
const WALL_OF_BORE = 1.4;
/** Diameter of the part outside, where it is held, mm. */
export const outsideDiameter = ({ way, startMm, endMm, outerMm }: TurnedStretch): number =>
  way === 'inside' ? (outerMm ?? WALL_OF_BORE * endMm) : startMm;

/** Turning along or across at constant surface speed. */
export interface TurningOperation extends OperationBase {
  readonly kind: 'turning';
  readonly stretch: TurnedStretch;
  readonly cut: {
    /** Where the diameter is largest; smaller ones turn faster, up to the cap. */
    readonly speedRpm: number;
    /** The spindle turns no faster than this. */
    readonly capRpm: number;
    readonly feedPerRevMm: number;
    /** Depth of cut on the radius, of a face along the axis; of varied ones the deepest. */
    readonly depthMm: number;
    /** Depth differs from pass to pass, so that no two meet the edge in one place. */
    readonly varied?: boolean;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    turning: TurningOperation;
  }
}
