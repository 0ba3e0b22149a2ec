import type { Alloy } from '../../crib/alloy.ts';
import type { Machine } from '../../crib/machine.ts';
import type { MillingFeatureKind } from '../../physics/path/feature.ts';
import { plainText } from './plain-text.ts';
import { PATTERNS, speaksInch, type SpokenField, type SpokenKey } from './spoken-fields.ts';
import { alloysMeant, type Meant, machinesMeant } from './spoken-names.ts';
import { type Symptom, SYMPTOMS } from '../diagnosis/symptoms.ts';

/** Shape of the tool as far as somebody says it. */
export type SpokenTool = 'end mill' | 'ball nose' | 'face mill' | 'drill';

/** What somebody's words say of a cut that is being run. */
export interface SpokenCut {
  readonly system: 'metric' | 'inch';
  readonly fields: readonly SpokenField[];
  readonly tool: SpokenTool;
  readonly toolSupposed: boolean;
  readonly feature: MillingFeatureKind | 'hole';
  readonly featureSupposed: boolean;
  /** Likeliest first; empty where none was named. */
  readonly alloys: readonly Meant[];
  readonly machines: readonly Meant[];
  readonly symptoms: readonly Symptom[];
  /** Words with a number in them that nothing was made of. */
  readonly unread: readonly string[];
}

const TOOLS: readonly (readonly [RegExp, SpokenTool])[] = [
  [/\bdrill/, 'drill'],
  [/\bball/, 'ball nose'],
  [/\bface ?mill|\bshell ?mill|\bfacing/, 'face mill'],
  [/\bend ?mill|\bflutes?\b|\brougher|\bbull/, 'end mill'],
];
const FEATURES: readonly (readonly [RegExp, MillingFeatureKind | 'hole'])[] = [
  [/\bhole|\bdrill/, 'hole'],
  [/\bslot(?:ting)?\b|full[\s-]width/, 'slot'],
  [/\bpocket/, 'pocket'],
  [/\bfac(?:e|ing)\b/, 'face'],
  [/\bboss/, 'boss'],
  [/\bwall|\bside|\bprofil|\bcontour|\bshoulder/, 'side'],
];
const FULL_WIDTH = /\bfull[\s-](?:slot|width)\b|\bslotting\b/;

/** Reads spoken words: numbers by their unit and the words beside them, tool, feature, alloy, machine, what was seen. Never throws. */
export function readSpoken(
  said: string,
  { alloys, machines }: { readonly alloys: readonly Alloy[]; readonly machines: readonly Machine[] },
): SpokenCut {
  const text = plainText(said);
  const inch = speaksInch(text);
  let rest = text;
  const read = new Map<SpokenKey, SpokenField & { readonly timesD: boolean }>();
  // Names with figures in them are no numbers of the cut.
  const named =
    rest.match(
      /\b(?:grade \d|gr ?\d|17[\s-]4|15[\s-]5|13[\s-]8|ti[\s-]?6[\s-]?4|6al[\s-]?4v|bt ?\d0|cat ?\d0|\d0[\s-]taper|hsk[\s-]?a?\d+|(?:d2|a2|m2|h13)(?!\s?mm))\b/g,
    ) ?? [];
  for (const name of named) rest = rest.replace(name, ' ; ');
  for (const p of PATTERNS) {
    if (read.has(p.key)) continue;
    const match = rest.match(p.is);
    if (!match) continue;
    const value = p.value(match, inch);
    if (!Number.isFinite(value) || value <= 0) continue;
    read.set(p.key, {
      key: p.key,
      value,
      from: match[0].trim(),
      supposed: p.supposed?.(match, inch) ?? null,
      timesD: p.timesD === true,
    });
    rest = rest.replace(match[0], ' ; ');
  }
  const words = `${rest} ${named.join(' ')}`;
  const d = read.get('diameterMm')?.value ?? null;
  if (FULL_WIDTH.test(text) && d !== null && !read.has('radialDepthMm'))
    read.set('radialDepthMm', {
      key: 'radialDepthMm',
      value: d,
      from: text.match(FULL_WIDTH)![0],
      supposed: null,
      timesD: false,
    });
  const fields = [...read.values()]
    .filter((f) => !f.timesD || d !== null)
    .map(({ timesD, ...f }) => (timesD ? { ...f, value: f.value * d! } : f));
  const tool = TOOLS.find(([is]) => is.test(text));
  const feature = FEATURES.find(([is]) => is.test(text));
  const kind =
    tool?.[1] ??
    (feature?.[1] === 'hole' ? 'drill' : feature?.[1] === 'face' && (d ?? 0) > 30 ? 'face mill' : 'end mill');
  const hardness = read.get('hardnessHrc')?.value ?? null;
  const symptoms = SYMPTOMS.filter((s) => s.said.test(rest)).map((s) => s.id);
  return {
    system: inch ? 'inch' : 'metric',
    fields,
    tool: kind,
    toolSupposed: !tool,
    feature: feature?.[1] ?? (kind === 'drill' ? 'hole' : kind === 'face mill' ? 'face' : 'side'),
    featureSupposed: !feature,
    alloys: alloysMeant(words, alloys, hardness),
    machines: machinesMeant(words, machines),
    symptoms,
    unread: unreadOf(rest, alloys),
  };
}

/** Numbers nobody made anything of, with the word beside them; figures of an alloy's name are none. */
function unreadOf(rest: string, alloys: readonly Alloy[]): string[] {
  const names = new Set(
    alloys.flatMap((a) => `${a.name} ${a.uns ?? ''} ${a.en ?? ''}`.toLowerCase().split(/[^a-z0-9.]+/)),
  );
  return (rest.match(/[a-z]*\s?\d+(?:\.\d+)?(?:\s?[a-z%/]+)?/g) ?? [])
    .map((w) => w.trim())
    .filter(
      (w) =>
        w &&
        !w.split(/\s/).some((part) => names.has(part)) &&
        ![...names].some((n) => n && n.length > 2 && w.includes(n)),
    );
}
