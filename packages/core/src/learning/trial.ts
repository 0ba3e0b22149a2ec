/** What a machinist can say of a cut that was run: short lists, each answered with one tap. */
export const SOUNDS = ['quiet', 'hum', 'squeal'] as const;
export const CHIP_FORMS = ['short', 'curled', 'long', 'nest', 'powder'] as const;
export const CHIP_COLOURS = ['silver', 'straw', 'brown', 'blue'] as const;
export const BURRS = ['none', 'light', 'heavy'] as const;
export const FINISHES = ['good', 'fair', 'poor'] as const;
/** Coolant as it was, against what the sheet says. */
export const COOLANT_SEEN = ['as stated', 'weak', 'interrupted', 'off'] as const;
/** How it went with the edge; the first is still in use. */
export const ENDINGS = ['running', 'changed', 'worn', 'chipped', 'broken'] as const;
/** Where on the path an edge broke or chipped. */
export const BREAK_PLACES = ['entry', 'straight', 'corner', 'exit', 'floor', 'pecking'] as const;
export const PART_FATES = ['good', 'reworked', 'scrapped'] as const;

export type Ending = (typeof ENDINGS)[number];
export type BreakPlace = (typeof BREAK_PLACES)[number];

/** What was seen of one cut at the machine. Null is not looked at. */
export interface Seen {
  /** Overrides the control stood at, %: real speed and feed follow from them. */
  readonly speedOverride: number;
  readonly feedOverride: number;
  /** Load meter in the cut and at the same speed out of it, %. */
  readonly loadPercent: number | null;
  readonly idlePercent: number | null;
  readonly sound: (typeof SOUNDS)[number] | null;
  readonly chipForm: (typeof CHIP_FORMS)[number] | null;
  readonly chipColour: (typeof CHIP_COLOURS)[number] | null;
  readonly glow: boolean | null;
  readonly burr: (typeof BURRS)[number] | null;
  readonly finish: (typeof FINISHES)[number] | null;
  readonly coolantSeen: (typeof COOLANT_SEEN)[number] | null;
  /** Flank wear measured, mm. */
  readonly wearMm: number | null;
  /** Roughness measured on the part, Ra and Rz in µm, and how far the size was off its nominal, mm. */
  readonly raUm: number | null;
  readonly rzUm: number | null;
  readonly sizeErrorMm: number | null;
  readonly ending: Ending;
  readonly brokeAt: BreakPlace | null;
  readonly part: (typeof PART_FATES)[number] | null;
}

/** Whether the life of the edge ended in the cut; an edge changed in time or still in use has not. */
export const hasEnded = (ending: Ending): boolean => ending !== 'running' && ending !== 'changed';

/** Nothing looked at yet: overrides at 100%, the edge still in use. */
export const NOTHING_SEEN: Seen = {
  speedOverride: 100,
  feedOverride: 100,
  loadPercent: null,
  idlePercent: null,
  sound: null,
  chipForm: null,
  chipColour: null,
  glow: null,
  burr: null,
  finish: null,
  coolantSeen: null,
  wearMm: null,
  raUm: null,
  rzUm: null,
  sizeErrorMm: null,
  ending: 'running',
  brokeAt: null,
  part: null,
};

/** What was seen, out of something that says more. */
export const seenOf = (said: Seen): Seen =>
  Object.fromEntries(
    Object.entries(NOTHING_SEEN).map(([key, unsaid]) => [key, said[key as keyof Seen] ?? unsaid]),
  ) as unknown as Seen;
