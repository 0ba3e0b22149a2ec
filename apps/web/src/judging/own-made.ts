import type { Cutter, Unit } from '@burl/core';

/** Sizes of what is cut, as they are typed. Lengths in mm. */
export interface TypedSizes {
  /** Diameters before and after, and how far the part stands out of the jaws. */
  readonly startMm: number;
  readonly endMm: number;
  readonly overhangMm: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly diameterMm: number;
  /** Of a groove, a thread, a parted part: how far from the free end. */
  readonly fromEndMm: number;
  /** Of a curved surface: slope to a floor, degrees, and ridges that may stay. */
  readonly slopeDeg: number;
  readonly scallopMm: number;
  /** Thread by its designation. */
  readonly thread: string;
}

type AskedKey = Exclude<keyof TypedSizes, 'thread'>;

/** Something that is made with sizes and tools of its own: what is asked, what it becomes, which tools make it, what it is called. */
export interface OwnMade<Size> {
  /** Lengths in mm where no unit is said. */
  readonly asks: readonly (readonly [key: AskedKey, label: string, unit?: Unit])[];
  readonly threaded?: true;
  /** Lengths one would begin with where they differ from those of other features. */
  readonly begins?: Partial<TypedSizes>;
  readonly size: (n: TypedSizes) => Size;
  readonly tool: (c: Cutter, n: TypedSizes) => boolean;
  /** Lower is nearer. */
  readonly near: (c: Cutter, n: TypedSizes) => number;
  readonly name: (n: TypedSizes) => string;
}
