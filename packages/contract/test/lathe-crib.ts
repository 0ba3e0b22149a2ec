import { drivenHolders, drivenLathes, latheTools } from '@burl/core';
import type { Crib } from '../src/crib.ts';

const entry = (document: { readonly id: string }) =>
  ({ id: document.id, origin: 'built-in', copiedFrom: null, version: 1, document }) as never;

/** A crib with what a lathe has beside its reference tools. */
export const withLatheTools = (crib: Crib): Crib => ({
  ...crib,
  cutters: [...crib.cutters, ...latheTools().map(entry)],
  holders: [...crib.holders, ...drivenHolders().map(entry)],
  machines: [...crib.machines, ...drivenLathes().map(entry)],
});
