import { type Findable, wordsOfAlloy, wordsOfCutter, wordsOfHolder, wordsOfMachine } from '@burl/core';
import type { CribDocuments } from './crib.ts';
import type { CribKind } from './crib-kinds.ts';

const WORDS: { readonly [K in CribKind]: (document: CribDocuments[K]) => readonly string[] } = {
  alloys: wordsOfAlloy,
  cutters: wordsOfCutter,
  holders: wordsOfHolder,
  machines: wordsOfMachine,
};

/** An entry as it is searched for: by its name, and by what else one of its kind is asked for. */
export const findable = <K extends CribKind>(kind: K, document: CribDocuments[K]): Findable => ({
  id: document.id,
  name: document.name,
  words: WORDS[kind](document),
});
