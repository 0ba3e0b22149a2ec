import { wordsOfAlloy, wordsOfCutter, wordsOfHolder, wordsOfMachine } from '@burl/core';
import type { CribDocuments } from './crib.ts';
import type { CribKind } from './crib-kinds.ts';

/** Words an entry of each kind is found by beside those of its name. */
export const wordsOfEntry: {
  readonly [K in CribKind]: (document: CribDocuments[K]) => readonly string[];
} = {
  alloys: wordsOfAlloy,
  cutters: wordsOfCutter,
  holders: wordsOfHolder,
  machines: wordsOfMachine,
};
