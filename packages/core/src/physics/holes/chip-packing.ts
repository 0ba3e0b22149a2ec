import type { Peck } from './peck.ts';

/** Torque added by chips after one reach of drilling without clearing, over the cutting torque. */
const AT_REACH = 0.07;
/** Share of the chips that stays in the flutes after a chip-break retract: broken chips, carried off or not. */
const LEFT_AFTER_BREAK = { through: 0.2, outside: 0.6 } as const;

/**
 * Torque over the cutting torque after `stretch` diameters without clearing where `reach` is what clears by itself.
 * Chips in a flute push each other against its wall, so their drag grows exponentially with the column's length
 * (Mellinger, Kapoor & DeVor 2002).
 */
export const packingFactor = (stretch: number, reach: number): number =>
  1 + AT_REACH * Math.expm1(Math.max(0, stretch) / reach);

/** One stroke with the chips it begins and ends with, in diameters. */
export interface LoadedPeck extends Peck {
  readonly beginsWith: number;
  readonly endsWith: number;
}

/** Column of chips along the pecks: a full retract empties the flutes, a chip-break retract leaves some. */
export function loadedPecks(
  pecks: readonly Peck[],
  diameterMm: number,
  coolantThrough: boolean,
): LoadedPeck[] {
  let column = 0;
  return pecks.map((peck) => {
    const beginsWith = column;
    const endsWith = beginsWith + (peck.toMm - peck.fromMm) / diameterMm;
    column =
      peck.retract === 'full'
        ? 0
        : endsWith * (coolantThrough ? LEFT_AFTER_BREAK.through : LEFT_AFTER_BREAK.outside);
    return { ...peck, beginsWith, endsWith };
  });
}

/** Longest column of chips on the way down, in diameters. */
export const longestColumn = (pecks: readonly LoadedPeck[]): number =>
  pecks.reduce((longest, s) => Math.max(longest, s.endsWith), 0);
