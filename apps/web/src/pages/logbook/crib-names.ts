import { type Crib, CUTTER_TYPES } from '@burl/contract';
import { useMemo } from 'react';
import { useCrib } from '../../api/hooks.ts';

/** Names of crib entries by id; an id nobody knows is shown as it is. */
export interface CribNames {
  readonly alloy: (id: string) => string;
  readonly cutter: (id: string) => string;
  readonly machine: (id: string) => string;
  /** Type, substrate and coating of an edge family in words. */
  readonly family: (edgeFamily: string) => string;
}

const named = (list: readonly { readonly id: string; readonly document: { readonly name: string } }[]) => {
  const names = new Map(list.map((e) => [e.id, e.document.name]));
  return (id: string): string => names.get(id) ?? id;
};

/** What a material is called before its figures. */
const short = (name: string): string => name.split(/[,(]/)[0]!.trim();

function namesOf(crib: Crib | undefined): CribNames {
  const materials = crib?.materials;
  return {
    alloy: named(crib?.alloys ?? []),
    cutter: named(crib?.cutters ?? []),
    machine: named(crib?.machines ?? []),
    family: (edgeFamily) => {
      const [type = '', substrate = '', coating = ''] = edgeFamily.split('/');
      return [
        CUTTER_TYPES[type] ?? type,
        short(materials?.substrates[substrate]?.name ?? substrate).toLowerCase(),
        short(materials?.coatings[coating]?.name ?? coating),
      ].join(', ');
    },
  };
}

export function useCribNames(): CribNames {
  const { data: crib } = useCrib();
  return useMemo(() => namesOf(crib), [crib]);
}
