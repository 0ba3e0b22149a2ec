import type { Alloy } from './alloy.ts';

/** What people call an alloy beside its designations, by its number in the unified system. */
const CALLED: Readonly<Record<string, readonly string[]>> = {
  R56400: ['ti64', 'ti-64', '6-4', '6al4v', 'grade5', 'gr5', 'tc4'],
  R50400: ['grade2', 'gr2', 'cpti'],
  N07718: ['in718', 'ni718'],
  N06625: ['ni625'],
  S17400: ['17-4ph', '174ph', '630'],
  S15500: ['15-5ph'],
  S13800: ['13-8ph'],
  S30403: ['304', '18-8'],
  S31603: ['316'],
  S31803: ['2205'],
  S32750: ['2507'],
  G43400: ['34crnimo6'],
  G10450: ['c45', 'mild'],
  A96061: ['alu', 'aluminum'],
  A97075: ['alu', 'aluminum'],
};

/** Every word an alloy is searched by: its numbers in each system, its family, what people call it. */
export const wordsOfAlloy = ({ uns, en, family, condition }: Alloy): readonly string[] =>
  [
    ...`${uns ?? ''} ${en ?? ''} ${family} ${condition ?? ''}`.toLowerCase().split(/[\s/,()]+/),
    ...(CALLED[uns ?? ''] ?? []),
  ].filter(Boolean);
