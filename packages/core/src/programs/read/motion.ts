export type Point = readonly [x: number, y: number, z: number];

/** Planes by the G code that chooses them, each as the two axes in it and the one across; the first turns to the second anticlockwise. */
export const PLANES = {
  17: { name: 'XY', first: 0, second: 1, across: 2 },
  18: { name: 'ZX', first: 2, second: 0, across: 1 },
  19: { name: 'YZ', first: 1, second: 2, across: 0 },
} as const;
export type PlaneCode = keyof typeof PLANES;

/** A circle or helix: centre in the plane's two axes, mm; `sweep` rad, positive anticlockwise as seen against the axis across. */
export interface Arc {
  readonly plane: PlaneCode;
  readonly centre: readonly [first: number, second: number];
  readonly radiusMm: number;
  readonly sweep: number;
}

export type FeedMode = 'per-minute' | 'per-revolution' | 'inverse-time';
export type SpindleTurn = 'clockwise' | 'anticlockwise' | 'stopped';

/** What holds while a motion runs, as the program last said it. */
export interface Setting {
  readonly tool: number;
  /** H of the tool length in force; null where none is. */
  readonly lengthOffset: number | null;
  /** Like G54. */
  readonly workOffset: string;
  readonly spindle: SpindleTurn;
  readonly coolant: boolean;
  readonly compensation: 'off' | 'left' | 'right';
  readonly feedMode: FeedMode;
  /** How positions and feeds are written here. */
  readonly inch: boolean;
  readonly absolute: boolean;
}

/** One straight, arc or dwell as the axes run it; coordinates in mm in the work offset. */
export interface Motion {
  readonly kind: 'rapid' | 'line' | 'arc' | 'dwell';
  /** Line of the file, from 1. */
  readonly line: number;
  readonly from: Point;
  readonly to: Point;
  readonly arc: Arc | null;
  readonly lengthMm: number;
  /** Of the tool's reference point; null in a rapid, or where the program has not said one. */
  readonly feedMmMin: number | null;
  readonly speedRpm: number;
  /** Of a dwell, s. */
  readonly seconds: number;
  /** G code of the canned cycle it belongs to; 0 where it belongs to none. */
  readonly cycle: number;
  readonly setting: Setting;
}

/** Something the reader does not follow, takes for granted, or cannot make sense of, and what that means for the result. */
export interface Note {
  readonly kind: 'not followed' | 'assumed' | 'error';
  /** The word or text it is about. */
  readonly what: string;
  readonly means: string;
  readonly count: number;
  /** The first lines it stands on. */
  readonly lines: readonly number[];
}
