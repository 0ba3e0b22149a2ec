import type { Alloy } from '../../crib/alloy.ts';
import type { Machine } from '../../crib/machine.ts';

/** What people say for what the designations call otherwise. */
const SAID: readonly (readonly [said: RegExp, words: string])[] = [
  [/\bti[\s-]?64\b|\bti[\s-]?6[\s-]4\b|\b6al[\s-]?4v\b|\bgrade 5\b|\bgr\.? ?5\b/, 'ti 6al 4v grade5'],
  [/\bgrade 2\b|\bgr\.? ?2\b|\bcp ti(?:tanium)?\b/, 'titanium grade2 commercially pure'],
  [/\b5553\b/, 'ti 5al 5v 5mo 3cr'],
  [/\btitanium\b/, 'titanium ti 6al 4v'],
  [/\b17[\s-]?4\b/, '17-4'],
  [/\b15[\s-]?5\b/, '15-5'],
  [/\b13[\s-]?8\b/, '13-8mo'],
  [/\b304\b/, '304l'],
  [/\b316\b/, '316l'],
  [/\bstainless\b/, 'stainless 316l'],
  [/\b2205\b/, 'duplex s31803'],
  [/\b2507\b/, 'super duplex s32750'],
  [/\balumini?um\b|\balu\b/, 'aluminium 6061'],
  [/\bcast iron\b|\bgrey iron\b|\bgray iron\b/, 'grey cast iron'],
  [/\bmild steel\b|\bcarbon steel\b|\bc45\b|\b1018\b/, 'carbon steel 1045'],
  [/\bcobalt chrome\b|\bcocr\b/, 'co 28cr 6mo'],
];

const normal = (text: string): string =>
  text
    .toLowerCase()
    .replace(/grade (\d)/g, 'grade$1')
    .replace(/[^a-z0-9.-]+/g, ' ');

const tokens = (text: string): readonly string[] =>
  normal(text)
    .split(/[\s]+/)
    .flatMap((w) => [w, ...(w.includes('-') ? w.split('-') : [])])
    .filter((w) => w.length > 1);

/** Words that name no alloy: they only part those of one family. */
const DULL = new Set([
  'alloy',
  'and',
  'the',
  'type',
  'steel',
  'solution',
  'treated',
  'class',
  'high',
  'speed',
  'in',
  'on',
  'with',
  'mill',
  'drill',
  'tap',
  'rpm',
  'inch',
  'mm',
  'face',
  'carbon',
  'al',
  'ti',
]);
/** Whoever does not say a condition means the first of these that there is. */
const USUAL_CONDITION = /annealed|t6|h1025|28 hrc|tf00/i;

/** An entry somebody may mean, with how many of its words were said, by their weight. */
export interface Meant {
  readonly id: string;
  readonly weight: number;
}

function weigh(
  said: string,
  entries: readonly { readonly id: string; readonly words: readonly string[] }[],
): Meant[] {
  const heard = new Set(tokens(said));
  const common = new Map<string, number>();
  for (const e of entries) for (const w of new Set(e.words)) common.set(w, (common.get(w) ?? 0) + 1);
  return entries
    .map(({ id, words }) => ({
      id,
      weight: [...new Set(words)]
        .filter((w) => heard.has(w) && !DULL.has(w))
        .reduce((sum, w) => sum + 1 / common.get(w)!, 0),
    }))
    .filter((m) => m.weight > 0)
    .sort((a, b) => b.weight - a.weight);
}

/**
 * Alloys the words may mean, likeliest first. A hardness that was said parts the conditions of one alloy; without it the usual
 * condition comes first.
 */
export function alloysMeant(
  text: string,
  alloys: readonly Alloy[],
  hardnessHrc: number | null,
): readonly Meant[] {
  let said = text;
  for (const [is, words] of SAID) if (is.test(text)) said += ` ${words}`;
  const list = weigh(
    said,
    alloys.map((a) => ({
      id: a.id,
      words: tokens(`${a.name} ${a.uns ?? ''} ${a.en ?? ''} ${a.family} ${a.id.replace(/^[a-z]\d{5}/, '')}`),
    })),
  );
  const best = list[0]?.weight ?? 0;
  const of = new Map(alloys.map((a) => [a.id, a]));
  const rank = ({ id, weight }: Meant): number => {
    const a = of.get(id)!;
    const fits =
      hardnessHrc === null
        ? Number(USUAL_CONDITION.test(a.name))
        : a.hardness.scale === 'HRC'
          ? 2 - Math.abs(a.hardness.typical - hardnessHrc) / 10
          : 0;
    // Conditions of one alloy share most of their words.
    return weight > 0.6 * best ? weight / best + fits : weight / best - 1;
  };
  return [...list].sort((a, b) => rank(b) - rank(a));
}

/** Machines the words may mean, likeliest first. */
export const machinesMeant = (text: string, machines: readonly Machine[]): readonly Meant[] =>
  weigh(
    text.replace(/\bbt[\s-]?(\d0)\b|\bcat[\s-]?(\d0)\b|\b(\d0)[\s-]?taper\b/g, '$1$2$3 taper'),
    machines.map((m) => ({ id: m.id, words: tokens(`${m.name} ${m.id} ${m.spindle_interface}`) })),
  );
