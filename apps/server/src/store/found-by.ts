import { type CribDocuments, type CribKind, wordsOfEntry } from '@burl/contract';
import { wordsOf } from '@burl/core';

/** The words an entry is found by, each after a blank, as its column keeps them. */
export function foundBy(kind: CribKind, document: CribDocuments[CribKind]): string {
  const { id, name } = document;
  const words = wordsOfEntry[kind](document as never);
  return ` ${[...new Set(wordsOf({ id, name, words }))].join(' ')} `;
}
