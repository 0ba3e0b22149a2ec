import type { CribKind } from '@burl/contract';

/** One entry of a kind, as a word. */
export const SINGULAR: Readonly<Record<CribKind, string>> = {
  alloys: 'alloy',
  machines: 'machine',
  cutters: 'cutter',
  holders: 'holder',
};
