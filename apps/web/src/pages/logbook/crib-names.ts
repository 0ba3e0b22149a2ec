import type { Crib } from '@burl/contract';
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

const TYPE_WORDS: Readonly<Record<string, string>> = {
  end_mill_flat: 'Square end mill',
  end_mill_bull: 'Bull-nose end mill',
  end_mill_ball: 'Ball-nose end mill',
  end_mill_barrel: 'Barrel mill',
  high_feed_mill: 'High-feed mill',
  face_mill_round: 'Round-insert face mill',
  face_mill_45: '45° face mill',
  face_mill_45_wiper: '45° face mill with wiper',
  face_mill_90: 'Shoulder mill',
  drill_solid: 'Solid drill',
  drill_hss: 'HSS drill',
  drill_indexable: 'Indexable drill',
};
/** What a material is called before its figures. */
const short = (name: string): string => name.split(/[,(]/)[0]!.trim();
const asWords = (id: string): string => {
  const words = id.replaceAll('_', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};

function namesOf(crib: Crib | undefined): CribNames {
  const materials = crib?.materials;
  return {
    alloy: named(crib?.alloys ?? []),
    cutter: named(crib?.cutters ?? []),
    machine: named(crib?.machines ?? []),
    family: (edgeFamily) => {
      const [type = '', substrate = '', coating = ''] = edgeFamily.split('/');
      return [
        TYPE_WORDS[type] ?? asWords(type),
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
