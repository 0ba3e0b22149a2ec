import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** Height and mean deviation of a surface profile, mm. */
export interface Marks {
  readonly rzMm: number;
  readonly raMm: number;
}

/** Ra of a cusped profile over its height; exact for the parabola: 0.2566. */
export const RA_OF_RZ = 0.2566;

/** Marks of a round corner of radius `r` fed by `f` a mark, parabola: Rz = f²/8r, Ra = f²/(18√3·r). ISO 21920-2 terms. */
export function cornerMarks(feedMm: number, cornerRadiusMm: number): Marks {
  requirePositive('feed per mark', feedMm);
  requirePositive('corner radius', cornerRadiusMm);
  return {
    rzMm: feedMm ** 2 / (8 * cornerRadiusMm),
    raMm: feedMm ** 2 / (18 * Math.sqrt(3) * cornerRadiusMm),
  };
}

/** The same on true circles: Rz exact, Ra by Simpson's rule over half a mark. Throws when the marks do not meet. */
export function cornerMarksExact(feedMm: number, cornerRadiusMm: number): Marks {
  requirePositive('corner radius', cornerRadiusMm);
  requireWithin('feed per mark', feedMm, 0, 2 * cornerRadiusMm);
  const r = cornerRadiusMm;
  const half = feedMm / 2;
  const depth = (x: number): number => r - Math.sqrt(r * r - x * x);
  const simpson = (f: (x: number) => number, from: number, to: number, n = 400): number => {
    const h = (to - from) / n;
    let sum = f(from) + f(to);
    for (let i = 1; i < n; i++) sum += f(from + i * h) * (i % 2 ? 4 : 2);
    return (sum * h) / 3;
  };
  const mean = simpson(depth, 0, half) / half;
  // The profile crosses its mean once in half a mark: split there, so that the corner of |·| costs no digits.
  const cross = Math.sqrt(r * r - (r - mean) ** 2);
  const below = simpson((x) => mean - depth(x), 0, cross);
  const above = simpson((x) => depth(x) - mean, cross, half);
  return { rzMm: depth(half), raMm: (below + above) / half };
}

/**
 * Marks a peripheral cutter leaves on a wall, mm: fz²/(8·(R ± z·fz/π)), conventional the longer trochoid. Where the tool
 * runs out one tooth makes the wall, so the feed of a whole turn counts. Martellotti 1941.
 */
export function wallMarks(
  feedPerMarkMm: number,
  diameterMm: number,
  teeth: number,
  feedPerToothMm: number,
  direction: 'climb' | 'conventional',
): number {
  requirePositive('feed per mark', feedPerMarkMm);
  const longer = (direction === 'conventional' ? 1 : -1) * ((teeth * feedPerToothMm) / Math.PI);
  const radius = diameterMm / 2 + longer;
  requirePositive('radius of the trochoid', radius);
  return feedPerMarkMm ** 2 / (8 * radius);
}

/** Does the wiper's flat cover the feed of a turn? Then theory leaves no mark. Rule G-85 keeps 0.7 of it. */
export const wiperCovers = (feedPerRevMm: number, flatMm: number): boolean => flatMm >= feedPerRevMm;
