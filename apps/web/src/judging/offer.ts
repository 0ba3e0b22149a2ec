import { type Crib, type CribEntry, type CribKind, wordsOfEntry } from '@burl/contract';
import { type Offer, wordsOfAlloy, wordsOfCutter } from '@burl/core';

/** Entries to choose from: those that are not retired, and the one that is chosen. */
export const offered = <E extends CribEntry>(list: readonly E[], chosen?: string): readonly E[] =>
  list.filter((e) => !e.retired || e.id === chosen);

/** Entries of a kind that are not retired, ready to be searched. */
export const searchableEntries = <K extends CribKind>(crib: Crib, kind: K) =>
  offered<CribEntry<K>>(crib[kind] as readonly CribEntry<K>[]).map(({ id, document }) => ({
    id,
    name: document.name,
    words: wordsOfEntry[kind](document),
  }));

/** Cutters as a searchable list shows them. */
export const searchable = (list: readonly CribEntry<'cutters'>[]) =>
  list.map((c) => ({ id: c.id, name: c.document.name, words: wordsOfCutter(c.document) }));

/** Alloys likewise, by any of their designations. */
export const searchableAlloys = (list: readonly CribEntry<'alloys'>[]) =>
  list.map(({ id, document: a }) => ({
    id,
    name: a.name,
    words: wordsOfAlloy(a),
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
