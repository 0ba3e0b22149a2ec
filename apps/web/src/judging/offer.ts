import { type Crib, type CribEntry, findable } from '@burl/contract';
import type { Offer } from '@burl/core';

/** Entries to choose from: those that are not retired, and the one that is chosen. */
export const offered = <E extends CribEntry>(list: readonly E[], chosen?: string): readonly E[] =>
  list.filter((e) => !e.retired || e.id === chosen);

/** Cutters as a searchable list shows them. */
export const searchable = (list: readonly CribEntry<'cutters'>[]) =>
  list.map((c) => findable('cutters', c.document));

/** Alloys likewise, by any of their designations. */
export const searchableAlloys = (list: readonly CribEntry<'alloys'>[]) =>
  list.map(({ document: a }) => ({
    ...findable('alloys', a),
    note: [a.uns, a.en, `ISO ${a.iso513_group}`].filter(Boolean).join(' · '),
  }));

/** What the crib offers, for the core. */
export const offerOf = (crib: Crib): Offer => ({
  cutters: offered(crib.cutters).map((c) => c.document),
  holders: offered(crib.holders).map((h) => h.document),
  substrates: crib.materials.substrates,
  coatings: crib.materials.coatings,
  shelves: Object.fromEntries(crib.stock.map((s) => [s.cutterId, { edges: s.edges, edgePrice: s.price }])),
});
