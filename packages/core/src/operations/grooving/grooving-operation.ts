import type { Cutter } from '../../crib/cutter.ts';
import type { PartSupport } from '../lathe/held-part.ts';
import type { OperationBase } from '../operation-base.ts';

/** Where a groove goes: in from outside, out into a bore, into a face, or through to the centre. */
export const GROOVE_WAYS = ['outside', 'inside', 'face', 'part-off'] as const;
export type GrooveWay = (typeof GROOVE_WAYS)[number];

/** How a groove wider than its blade is widened: plunge beside plunge, or sideways in layers. */
export const WIDENINGS = ['plunges', 'side'] as const;
export type Widening = (typeof WIDENINGS)[number];

/** What takes a parted part. */
export const CATCHES = ['nothing', 'catcher', 'sub-spindle'] as const;
export type Catch = (typeof CATCHES)[number];

/** A groove, or where a part is parted, and how the part stands in the lathe. Lengths in mm. */
export interface Groove {
  readonly way: GrooveWay;
  /** Diameter before; of a groove in a face its outer diameter. */
  readonly startMm: number;
  /** Diameter at the bottom, 0 at the centre; of a groove in a face its inner diameter. */
  readonly endMm: number;
  /** Width along the axis; of a groove in a face its depth; of nothing in parting. */
  readonly lengthMm: number;
  /** From the free end of the part to the nearer wall; of a part that is parted its length. */
  readonly fromEndMm: number;
  /** From the jaws to the free end of the part, or to its tailstock. */
  readonly overhangMm: number;
  /** Bore through the part; 0 is solid. */
  readonly boreMm: number;
  readonly support: PartSupport;
  /** Radius allowed in the corners of the bottom; null where the blade's own does. */
  readonly cornerMm: number | null;
  /** Width of the tolerance on the groove's width; null where any will do. */
  readonly toleranceMm: number | null;
  /** Roughness asked for of the walls, Ra in µm; null where any will do. */
  readonly raUm: number | null;
  /** What takes the part that is parted. */
  readonly caughtBy: Catch;
}

/** A groove one would begin with. */
export const PLAIN_GROOVE: Groove = {
  way: 'outside',
  startMm: 44,
  endMm: 38,
  lengthMm: 4,
  fromEndMm: 12,
  overhangMm: 80,
  boreMm: 0,
  support: 'chuck',
  cornerMm: null,
  toleranceMm: null,
  raUm: null,
  caughtBy: 'nothing',
};

/** How deep the blade goes, mm. */
export const grooveDepth = ({ way, startMm, endMm, lengthMm }: Groove): number =>
  way === 'face' ? lengthMm : Math.abs(startMm - endMm) / 2;

/** How wide the groove is, mm: a parted one is as wide as its blade. */
export const grooveWidth = ({ way, startMm, endMm, lengthMm }: Groove, bladeMm: number): number =>
  way === 'part-off' ? bladeMm : way === 'face' ? (startMm - endMm) / 2 : lengthMm;

/** Cutting width of the blade, mm. */
export const cuttingWidth = ({ properties }: Pick<Cutter, 'properties'>): number =>
  Number(properties['CW'] ?? 3);

/** Diameter of the part in the jaws, mm: nobody states the outside of a bore or of a face. */
const WALL = 1.4;
export const grippedDiameter = ({ way, startMm, endMm }: Groove): number =>
  way === 'inside' ? WALL * endMm : way === 'face' ? 1.2 * startMm : startMm;

/** Which end of a groove in a face is plunged first. */
export const FACE_ORDERS = ['outer', 'inner'] as const;
export type FaceOrder = (typeof FACE_ORDERS)[number];

/** Grooving and parting at constant surface speed. */
export interface GroovingOperation extends OperationBase {
  readonly kind: 'grooving';
  readonly groove: Groove;
  readonly cut: {
    /** Where the diameter is largest; smaller ones turn faster, up to the cap. */
    readonly speedRpm: number;
    readonly capRpm: number;
    /** Into the groove. */
    readonly feedPerRevMm: number;
    /** Depth between two lifts that break the chip, and of a layer that is widened sideways. */
    readonly depthMm: number;
    /** Sideways from plunge to plunge. */
    readonly stepMm: number;
    readonly widenBy: Widening;
    readonly firstPlunge: FaceOrder;
    /** Parting: below this diameter the feed is this share. */
    readonly slowBelowMm: number;
    readonly slowShare: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    grooving: GroovingOperation;
  }
}
