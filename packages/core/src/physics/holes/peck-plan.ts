import type { Peck, PeckList } from './peck.ts';

export interface PeckConditions {
  readonly depthMm: number;
  readonly diameterMm: number;
  readonly carbide: boolean;
  /** Pressure that reaches the point through the tool, bar; 0 when coolant comes from outside. */
  readonly throughBar: number;
  /** Chips come as strings, or the alloy work-hardens and welds. */
  readonly difficult: boolean;
}

/** Pressure, bar, a through-coolant drill of this diameter needs to lift its chips: small drills have small channels. */
export const pressureNeeded = (diameterMm: number): number =>
  diameterMm >= 8 ? 20 : diameterMm >= 3 ? 40 : 70;

/** Depth in diameters that one uninterrupted stroke reaches, and the pecks after it. */
export interface ChipReach {
  readonly first: number;
  readonly following: number;
  readonly retract: 'chip-break' | 'full';
  readonly why: string;
}

/**
 * How deep chips leave by themselves. Judgement rules G-60 and G-62, smoothed: pressure beyond need adds no reach,
 * pressure below it takes reach away in proportion, so more pressure never asks for more pecks.
 */
export function chipReach({ diameterMm, carbide, throughBar, difficult }: PeckConditions): ChipReach {
  if (throughBar > 0) {
    const share = Math.min(1, throughBar / pressureNeeded(diameterMm));
    const full = difficult ? 8 : 12;
    const outside = carbide ? (difficult ? 1 : 2.5) : difficult ? 1 : 2.5;
    return {
      first: outside + (full - outside) * share,
      following: difficult ? 0.5 : 1,
      retract: 'chip-break',
      why:
        share < 1 ? 'pressure is below what this diameter needs' : 'coolant through the tool lifts the chips',
    };
  }
  return difficult
    ? {
        first: 1,
        following: carbide ? 1 : 0.5,
        retract: 'full',
        why: 'chips pack without coolant at the point',
      }
    : {
        first: carbide ? 2.5 : 3,
        following: carbide ? 1 : 0.75,
        retract: 'full',
        why: 'chips leave by the flutes alone',
      };
}

/** Share of the reach a planned stroke uses, so that its band stays inside. */
const PLAN_SHARE = 0.85;

/** Pecks from the surface to the bottom, in order; a single one when chips leave by themselves. */
export function planPecks(c: PeckConditions): Peck[] {
  const reach = chipReach(c);
  const first = PLAN_SHARE * reach.first * c.diameterMm;
  if (c.depthMm <= first + 1e-9) return [{ fromMm: 0, toMm: c.depthMm, retract: 'none' }];
  const pecks: Peck[] = [];
  let at = 0;
  let step = first;
  const least = 0.3 * c.diameterMm;
  let following = Math.min(first, reach.following * c.diameterMm);
  while (at < c.depthMm - 1e-9) {
    const to = Math.min(c.depthMm, at + step);
    const last = to >= c.depthMm - 1e-9;
    pecks.push({ fromMm: at, toMm: to, retract: last ? 'none' : reach.retract });
    at = to;
    step = following;
    // Each following peck is a little shorter: the way out for the chip grows.
    following = Math.max(least, following * 0.92);
  }
  return pecks;
}

/** Even pecks of a length the engineer chose. */
export function evenPecks(depthMm: number, peckMm: number, retract: 'chip-break' | 'full'): Peck[] {
  const count = Math.ceil(depthMm / peckMm - 1e-9);
  return Array.from({ length: count }, (_, i) => ({
    fromMm: i * peckMm,
    toMm: Math.min(depthMm, (i + 1) * peckMm),
    retract: i === count - 1 ? ('none' as const) : retract,
  }));
}

/** Longest stretch drilled without clearing chips, in diameters. */
export const longestStretch = (pecks: readonly Peck[], diameterMm: number): number =>
  pecks.reduce((longest, p) => Math.max(longest, p.toMm - p.fromMm), 0) / diameterMm;

/** Pecks somebody set one by one; the last goes to the bottom whatever the list says. */
export function listedPecks(depthMm: number, { toMm, retract }: PeckList): Peck[] {
  const stops = [...toMm.filter((d) => d > 0 && d < depthMm - 1e-9)].sort((a, b) => a - b);
  return [...stops, depthMm].map((to, i) => ({
    fromMm: stops[i - 1] ?? 0,
    toMm: to,
    retract: i === stops.length ? ('none' as const) : retract,
  }));
}

/** The pecks as a list that can be changed one by one. */
export const asList = (pecks: readonly Peck[]): PeckList => ({
  toMm: pecks.slice(0, -1).map((p) => p.toMm),
  retract: pecks.some((p) => p.retract === 'chip-break') ? 'chip-break' : 'full',
});
