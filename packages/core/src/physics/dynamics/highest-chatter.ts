import { averagedAtAnyPhase } from './any-phase.ts';
import type { ChatterCut } from './chatter-cut.ts';
import { polesOf, risingPlaces } from './response-change.ts';
import type { TipStructure } from './tip-structure.ts';

/** Frequencies are looked at from this many times the highest mode down. */
const BEYOND = 3;
/** How near two frequencies are: two in a half-width of a mode, at its peak. */
const NEARNESS = { share: 0.01, perHalfWidth: 2 };

/** Where nothing chatters as deep as asked, what may up to so many times the least depth at which something may is taken. */
const NEXT = 2;

/**
 * Highest frequency, Hz, at which the averaged cut may chatter at some depth up to `mostMm`, whatever the phase from wave to
 * wave: with the damping of the land at this speed, for teeth of any spacing. Where nothing chatters as deep as that it is what would
 * when cutting deeper; 0 where nothing does at any depth.
 */
export function highestChatter(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
  mostMm: number,
): number {
  const modes = [...structure.x, ...structure.y];
  const top = BEYOND * Math.max(...modes.map((m) => m.hz));
  const lowest = Math.min(...modes.map((m) => m.hz)) / BEYOND;
  const inverse = averagedAtAnyPhase(cut, structure, rpm);
  const asked = 1 / mostMm;
  const frequencies = risingPlaces(polesOf(structure), lowest, top, NEARNESS).reverse();
  const found = frequencies.find((hz) => inverse(hz, asked) >= asked);
  if (found !== undefined) return found;
  let largest = 0;
  const deeper: { readonly hz: number; readonly perMm: number }[] = [];
  for (const hz of frequencies) {
    const perMm = inverse(hz, largest / NEXT);
    if (perMm > 0) deeper.push({ hz, perMm });
    largest = Math.max(largest, perMm);
  }
  return deeper.find(({ perMm }) => perMm >= largest / NEXT)?.hz ?? 0;
}
