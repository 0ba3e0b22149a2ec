import type { CribDocuments, CribKind } from '@burl/contract';
import { type Cutter, wordsOf, wordsOfCutter } from '@burl/core';

/** The words an entry is found by, each after a blank, as its column keeps them. */
export function foundBy(kind: CribKind, document: CribDocuments[CribKind]): string {
  const { id, name } = document;
  const words = kind === 'cutters' ? wordsOfCutter(document as Cutter) : [];
  return ` ${[...new Set(wordsOf({ id, name, words }))].join(' ')} `;
}
