/** The hole one step makes: what the drawing asks of it and what is there already. */
export interface Hole {
  /** Diameter after this step, mm; of a thread its nominal (major) diameter. */
  readonly diameterMm: number;
  /** Depth with the full diameter, mm; of a thread the depth with full threads. */
  readonly depthMm: number;
  readonly through: boolean;
  /** Slope of the entry surface, degrees. */
  readonly entryAngleDeg: number;
  readonly entrySurface: 'flat' | 'curved';
  /** Slope of the surface it leaves by, degrees. */
  readonly exitAngleDeg: number;
  /** Cross holes it breaks into on the way. */
  readonly crossHoles: number;
  /** A pilot or spot at least as wide as the chisel edge is there. */
  readonly piloted: boolean;
  /** Hole already there, mm; 0 into solid. */
  readonly startMm: number;
  /** Depth of the hole already there, mm; null where it is not known or there is none. */
  readonly startDepthMm: number | null;
  /** Width of the diameter's tolerance, mm; null where this step does not make the size. */
  readonly toleranceMm: number | null;
  /** How far the axis may run off over the depth, mm; null where nobody asks. */
  readonly straightnessMm: number | null;
  /** Ra in µm; null where this step does not make the surface. */
  readonly raUm: number | null;
  /** Way from one hole to the next, mm. */
  readonly betweenMm: number;
  /** What the part is worth when this hole is made, in the shop's money; null is not stated. */
  readonly partValue: number | null;
}

/** The rest of a hole when only its size is known. */
export const PLAIN_HOLE = {
  through: false,
  entryAngleDeg: 0,
  entrySurface: 'flat',
  exitAngleDeg: 0,
  crossHoles: 0,
  piloted: false,
  startMm: 0,
  startDepthMm: null,
  toleranceMm: null,
  straightnessMm: null,
  raUm: null,
  betweenMm: 40,
  partValue: null,
} as const satisfies Partial<Hole>;

/** The profile of a thread by its standard; lengths in mm. */
export interface ThreadForm {
  readonly designation: string;
  readonly majorMm: number;
  readonly pitchMm: number;
  readonly flankDeg: 60 | 55;
  /** Growth of the diameter along the axis: 1/16 for pipe tapers, else 0. */
  readonly taper: number;
}
