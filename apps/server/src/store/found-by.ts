import { type CribDocuments, type CribKind, findable } from '@burl/contract';
import { wordsOf } from '@burl/core';

/** The words an entry is found by, each after a blank, as its column keeps them. */
export function foundBy(kind: CribKind, document: CribDocuments[CribKind]): string {
  return ` ${[...new Set(wordsOf(findable(kind, document)))].join(' ')} `;
}
