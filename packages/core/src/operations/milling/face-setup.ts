/** How the inserts of a face mill stand, and how the spindle leans. */
export interface FaceSetup {
  /** Inserts with a wiper's flat; null: every insert as the record has it. */
  readonly wipers: number | null;
  /** How far those stand over the others, µm. */
  readonly wiperUm: number;
  /** Highest to lowest insert, µm; null is not measured, and a usual one is taken. */
  readonly axialRunoutUm: number | null;
  /** Lean of the spindle along the feed, so that the back of the cutter clears, and across it, µm on a metre. */
  readonly alongUmPerM: number;
  readonly acrossUmPerM: number;
  /** How far the axis stands off the middle of the pass, towards the side where teeth leave, mm; absent: the pass ends flush with the cutter. */
  readonly offsetMm?: number | null;
  /** Bores, slots or gaps interrupt the face; absent: it is whole. */
  readonly interrupted?: boolean;
  /** Of a thin plate: its thickness under the cut and the span between what supports it, mm; null or absent is solid. */
  readonly plateMm?: number | null;
  readonly spanMm?: number | null;
}

/** Trammed, every insert as its record has it. */
export const PLAIN_FACE: FaceSetup = {
  wipers: null,
  wiperUm: 50,
  axialRunoutUm: null,
  alongUmPerM: 0,
  acrossUmPerM: 0,
};
