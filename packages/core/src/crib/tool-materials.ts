import type { Coating, Cutter, Substrate } from './cutter.ts';

/** What cutters are made of, by id. */
export interface ToolMaterials {
  readonly substrates: Readonly<Record<string, Substrate>>;
  readonly coatings: Readonly<Record<string, Coating>>;
}

/** Substrate and coating of a cutter; null where one is not there. Own keys only: every object has a "constructor". */
export function madeOf(
  { extended }: Cutter,
  { substrates, coatings }: ToolMaterials,
): { readonly substrate: Substrate; readonly coating: Coating } | null {
  const substrate = Object.hasOwn(substrates, extended.substrate) && substrates[extended.substrate];
  const coating = Object.hasOwn(coatings, extended.coating) && coatings[extended.coating];
  return substrate && coating ? { substrate, coating } : null;
}
