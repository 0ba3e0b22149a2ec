import type { TipMode, TipStructure } from '../tip-structure.ts';
import type { Growth, GrowthAt } from './growth.ts';
import { heardFrequency } from './heard-frequency.ts';
import { type Found, ROUGH } from './level-search.ts';
import type { PeriodMap } from './period-map.ts';

/** Frequencies nearer than this are one. */
const SAME_HZ = 0.03;
/** So far above the border what grows is what chatters. */
const ABOVE = 1.005;

/**
 * What is heard at a border. Where the last depth looked at lies just below it something else may be dying more slowly there than
 * what chatters: if what grew at some depth sounds otherwise, a depth just above tells.
 */
export function heardAt(
  border: Found,
  growth: GrowthAt,
  structure: TipStructure,
): Growth & { readonly hz: number } {
  const heard = (g: Growth) => ({ ...g, hz: heardFrequency(g.map, g.top, structure) });
  const found = heard(border.found);
  const least = border.found.log < 0 ? growth.least() : null;
  if (!least || Math.abs(Math.log(heard(least).hz / found.hz)) < SAME_HZ) return found;
  return heard(growth(border.depthMm * ABOVE, border.level, ROUGH));
}

/** Decay between two teeth, nepers, after which nothing of a vibration is left to hand on. */
const SILENT = 10;

/** Decay of what is heard in the longest free flight, nepers. */
function decayInAir({ spans, period, perRadian }: PeriodMap, structure: TipStructure, hz: number): number {
  let last = (spans.at(-1)?.to ?? 0) - period / perRadian;
  let longest = 0;
  for (const { from, to } of spans) {
    longest = Math.max(longest, from - last);
    last = to;
  }
  const apart = (m: TipMode): number => Math.abs(Math.log(m.hz / hz));
  const heard = [...structure.x, ...structure.y].reduce((a, b) => (apart(b) < apart(a) ? b : a));
  return 2 * Math.PI * heard.hz * heard.damping * longest * perRadian;
}

/** Whether the tip falls silent between two teeth: then nothing of what is heard is handed on. */
export const fallsSilent = (map: PeriodMap, structure: TipStructure, hz: number): boolean =>
  decayInAir(map, structure, hz) > SILENT;
