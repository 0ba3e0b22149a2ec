import { NOTHING_SEEN, type Seen } from '../../learning/trial.ts';

export const SYMPTOM_IDS = [
  'squeal',
  'glow',
  'broken-corner',
  'broken',
  'worn',
  'long-chips',
  'blue-chips',
  'powder',
  'wall-off',
  'stall',
  'poor-finish',
  'burr',
] as const;
export type Symptom = (typeof SYMPTOM_IDS)[number];

/** What a caller sees or hears, the words it is said with, and what that says of the cut. */
export interface SymptomKind {
  readonly id: Symptom;
  readonly name: string;
  readonly said: RegExp;
  readonly seen: Partial<Seen>;
}

export const SYMPTOMS: readonly SymptomKind[] = [
  {
    id: 'squeal',
    name: 'Squeals',
    said: /squeal|scream|chatter|sings|singing|howl|vibrat/,
    seen: { sound: 'squeal' },
  },
  { id: 'glow', name: 'Glows or sparks', said: /glow|red hot|spark|burn/, seen: { glow: true } },
  {
    id: 'broken-corner',
    name: 'Corner broken',
    said: /(?:br[eo]ak\w*|broken?|chip\w*|los[te]\w*)\s(?:\w+\s){0,2}corners?|corners?\s(?:\w+\s){0,2}(?:broke|chip|gone|lost)/,
    seen: { ending: 'chipped' },
  },
  {
    id: 'broken',
    name: 'Tool broken',
    said: /(?:tool|cutter|mill|drill|it|they?)\s(?:\w+\s)?(?:broke|breaks|snapp)|snapp(?:ed|ing)|breaking/,
    seen: { ending: 'broken' },
  },
  {
    id: 'worn',
    name: 'Wears too fast',
    said: /\bworn?\b|wears|wear(?:ing)? out|dull|short life|lasts? only/,
    seen: { ending: 'worn' },
  },
  {
    id: 'long-chips',
    name: 'Long chips',
    said: /long chips|string(?:y|s)|nest|bird ?nest|wrap/,
    seen: { chipForm: 'nest' },
  },
  {
    id: 'blue-chips',
    name: 'Blue chips',
    said: /blue chips?|chips?\s(?:\w+\s)?blue/,
    seen: { chipColour: 'blue' },
  },
  { id: 'powder', name: 'Chips like powder', said: /powder|dust|needles/, seen: { chipForm: 'powder' } },
  {
    id: 'wall-off',
    name: 'Wall off size or tapered',
    said: /wall(?:s|\sis)?\s(?:\w+\s){0,2}off|taper|bell ?mouth|out of (?:size|square)|deflect|oversize|undersize/,
    seen: {},
  },
  {
    id: 'stall',
    name: 'Spindle stalls or drops',
    said: /stall|bogs?|spindle (?:stops|drops|trips)|overload|alarm/,
    seen: {},
  },
  {
    id: 'poor-finish',
    name: 'Poor finish',
    said: /poor finish|bad finish|rough (?:finish|surface)|marks on/,
    seen: { finish: 'poor' },
  },
  { id: 'burr', name: 'Heavy burr', said: /burrs?/, seen: { burr: 'heavy' } },
];

/** What all of them together say; where two speak of one thing, the later one in the list. */
export const seenWith = (symptoms: readonly Symptom[], also: Partial<Seen> = {}): Seen => ({
  ...NOTHING_SEEN,
  ...Object.assign({}, ...SYMPTOMS.filter((s) => symptoms.includes(s.id)).map((s) => s.seen)),
  ...also,
});
