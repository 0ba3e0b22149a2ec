import { MILLING_FEATURES } from '@burl/core';
import { FIRST, type Made, type NewOperation } from '../../judging/new-operation.ts';

/** Numbers of the cut somebody changed by hand, in the core's units. */
export const TAKEN = ['n', 'feed', 'ap', 'ae', 'out'] as const;
export type Taken = (typeof TAKEN)[number];

/** What is cut, milled or drilled. */
export type Wanted = NewOperation & { readonly made: Made };

/** A question without a job: what is cut in what on what, with which tool, and what was changed by hand. */
export interface QuickQuestion {
  readonly alloyId: string;
  readonly machineId: string;
  readonly what: Wanted;
  readonly taken: Readonly<Partial<Record<Taken, number>>> | null;
}

export const WANTS: readonly { readonly made: Made; readonly label: string }[] = [
  { made: 'pocket', label: 'Rough a pocket' },
  { made: 'slot', label: 'Cut a slot' },
  { made: 'side', label: 'Mill along a wall' },
  { made: 'boss', label: 'Mill around a boss' },
  { made: 'face', label: 'Face' },
  { made: 'hole', label: 'Drill a hole' },
];

/** Sizes one begins with for each want, mm. */
const SIZES: Readonly<Record<Made, Partial<Omit<NewOperation, 'made'>>>> = {
  pocket: { lengthMm: 60, widthMm: 40, depthMm: 20, cornerRadiusMm: 8 },
  slot: { lengthMm: 60, widthMm: 12, depthMm: 10, cornerRadiusMm: null },
  side: { lengthMm: 100, widthMm: 3, depthMm: 20, cornerRadiusMm: null },
  boss: { lengthMm: 60, widthMm: 40, depthMm: 20, cornerRadiusMm: null },
  face: { lengthMm: 100, widthMm: 80, depthMm: 2, cornerRadiusMm: null },
  hole: { diameterMm: 8.5, depthMm: 25 },
};

/** What one begins with for a want; a tool chosen for another want is none for this. */
export const whatFor = (made: Made): Wanted => ({ ...FIRST, ...SIZES[made], made, cutterId: '' });

/** How far a size may go in a link, mm: what no machine of the crib could hold is a slip. */
const MOST_MM = 5000;
const LENGTHS = ['lengthMm', 'widthMm', 'depthMm', 'cornerRadiusMm', 'diameterMm'] as const;

const positive = (text: string | null, most: number): number | null => {
  const value = Number(text);
  return text !== null && text.trim() !== '' && Number.isFinite(value) && value > 0 && value <= most
    ? value
    : null;
};

/** A question as an address carries it; what is as one begins with is left out. */
export function toSearch({ alloyId, machineId, what, taken }: QuickQuestion): URLSearchParams {
  const search = new URLSearchParams({ alloy: alloyId, machine: machineId, want: what.made });
  const usual = whatFor(what.made);
  for (const key of LENGTHS)
    if (what[key] !== usual[key] && what[key] !== null) search.set(key.replace('Mm', ''), String(what[key]));
  if (what.through) search.set('through', '1');
  if (what.cutterId) search.set('tool', what.cutterId);
  for (const key of TAKEN) {
    const value = taken?.[key];
    if (value !== undefined) search.set(key, String(Number(value.toPrecision(6))));
  }
  return search;
}

/** The question of an address. What is missing or cannot be read is what one begins with. */
export function fromSearch(
  search: URLSearchParams,
  usual: Pick<QuickQuestion, 'alloyId' | 'machineId'>,
): QuickQuestion {
  const asked = search.get('want');
  const made: Made = [...MILLING_FEATURES, 'hole' as const].find((m) => m === asked) ?? 'pocket';
  const what: Record<string, unknown> = { ...whatFor(made) };
  for (const key of LENGTHS) {
    const value = positive(search.get(key.replace('Mm', '')), MOST_MM);
    if (value !== null) what[key] = value;
  }
  what['through'] = search.get('through') === '1';
  what['cutterId'] = search.get('tool') ?? '';
  const taken: Partial<Record<Taken, number>> = {};
  for (const key of TAKEN) {
    const value = positive(search.get(key), 1e6);
    if (value !== null) taken[key] = value;
  }
  return {
    alloyId: search.get('alloy') ?? usual.alloyId,
    machineId: search.get('machine') ?? usual.machineId,
    what: what as unknown as Wanted,
    taken: Object.keys(taken).length > 0 ? taken : null,
  };
}
