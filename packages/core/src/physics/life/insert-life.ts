import type { Alloy, IsoGroup, MillingLifeModel } from '../../crib/alloy.ts';

/**
 * Thirty-minute speed of a coated insert in face milling over that of a solid coated end mill in the crib's reference cut, by
 * what is cut. An insert's edge is thick, its chip too, and nothing of it is thinner than its seat: steels are faced at 150 to 250 m/min, stainless
 * steels at 120 to 200, where a solid mill runs 100 to 150. In titanium and nickel heat decides, and the wide arc takes back what the
 * thick edge gives. Judgement of the trade, marked as a guess in the band.
 */
const OVER_SOLID: Readonly<Record<IsoGroup, number>> = { P: 1.08, M: 1.5, K: 1.2, N: 1.15, S: 1, H: 0.8 };
const BY_FAMILY: Readonly<Record<string, number>> = {
  ph_stainless: 1.25,
  titanium: 0.9,
  nickel: 1.1,
  cobalt: 1.1,
};
/** Coatings put on hot and thick keep longer where the cut is steady and hot. */
const CVD = 1.15;
/** Width an insert's speed is quoted at, of the diameter. */
const REFERENCE_WIDTH = 0.65;

/** Log standard deviation the step from solid mill to insert adds. */
export const INSERT_SIGMA = 0.15;

/** What a coated insert adds to the speed in this alloy. */
export const insertFactor = (alloy: Alloy, coatingId: string): number =>
  (BY_FAMILY[alloy.family] ?? OVER_SOLID[alloy.iso513_group]) *
  (coatingId.startsWith('cvd') && 'PK'.includes(alloy.iso513_group) ? CVD : 1);

/** The life model with an insert's own reference cut: its chip window, a wide face, a depth that does not count. */
export function insertModel(model: MillingLifeModel, alloy: Alloy): MillingLifeModel {
  const [thin, thick] = alloy.hm_window.indexable_hmax_mm;
  const chip = (thin + thick) / 2;
  return {
    ...model,
    ap_exponent: 0,
    reference: { ...model.reference, hmax_mm: chip, ae_over_d: REFERENCE_WIDTH },
    valid: { ...model.valid, hmax_over_ref: [(0.6 * thin) / chip, (1.6 * thick) / chip], ap_over_d: [0, 10] },
  };
}

/** Speed of an indexable drill over a solid one of the same window, by what is drilled. */
export const INDEXABLE_DRILL: Readonly<Record<IsoGroup, number>> = {
  P: 1.7,
  M: 1.6,
  K: 1.5,
  N: 1.4,
  S: 1,
  H: 1,
};
