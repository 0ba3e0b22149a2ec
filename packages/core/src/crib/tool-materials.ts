import type { InputProblem } from '../units/input-error.ts';
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

/** What a cutter is made of that is not there, field by field, with what is. */
export const missingMaterials = ({ extended }: Cutter, materials: ToolMaterials): InputProblem[] =>
  (['substrate', 'coating'] as const)
    .filter((part) => !Object.hasOwn(materials[`${part}s`], extended[part]))
    .map((part) => ({
      field: `extended.${part}`,
      value: extended[part],
      allowed: Object.keys(materials[`${part}s`]).join(', ') || 'none is there',
    }));
