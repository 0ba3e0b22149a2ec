import type { Crib } from '@burl/contract';
import type { Offer } from '@burl/core';

/** What the crib offers, for the core. */
export const offerOf = (crib: Crib): Offer => ({
  cutters: crib.cutters.map((c) => c.document),
  holders: crib.holders.map((h) => h.document),
  substrates: crib.materials.substrates,
  coatings: crib.materials.coatings,
});
