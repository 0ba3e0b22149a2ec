import type { TipStructure } from './tip-structure.ts';

/** How near lines have to be. */
export interface Nearness {
  /** Most a line is apart from the next, as a share of its frequency. */
  readonly share: number;
  /** Lines in a half-width of a mode, at its peak; so many times fewer where the pole is so many times further. */
  readonly perHalfWidth: number;
}

/** A mode without any damping would ask for lines without end. */
const LEAST_DAMPING = 1e-7;

/** Frequency and half-width at its peak of each mode, Hz: where the poles of a response lie. */
export const polesOf = ({ x, y }: TipStructure): Float64Array =>
  Float64Array.from([...x, ...y].flatMap(({ hz, damping }) => [hz, Math.max(LEAST_DAMPING, damping) * hz]));

/**
 * Distance over which the response changes little anywhere between two frequencies, Hz. Near a mode it is 1/(2k(1 − r + iζ)), which
 * changes by its own size over the distance from the pole. Only near a sharp mode lines have to be close, so that of a mode of hardly
 * any damping a grid takes a few lines more, not a thousand times as many.
 */
export function changesWithin(
  poles: Float64Array,
  fromHz: number,
  toHz: number,
  { share, perHalfWidth }: Nearness,
): number {
  let least = Infinity;
  for (let i = 0; i < poles.length; i += 2) {
    const hz = poles[i]!;
    const half = poles[i + 1]!;
    const away = fromHz > hz ? fromHz - hz : toHz < hz ? hz - toHz : 0;
    const square = away * away + half * half;
    if (square < least) least = square;
  }
  return Math.min(share * fromHz, Math.sqrt(least) / perHalfWidth);
}

/** Rising frequencies from one to beyond another between which the response changes little, Hz. */
export function risingPlaces(
  poles: Float64Array,
  fromHz: number,
  toHz: number,
  { share, perHalfWidth }: Nearness,
): Float64Array {
  const places = [fromHz];
  // On the way to a pole the next place is nearer to it by a step: there the step is near enough too.
  const near = { share, perHalfWidth: perHalfWidth + 1 };
  for (let hz = fromHz; hz < toHz; places.push(hz)) hz += changesWithin(poles, hz, hz, near);
  return Float64Array.from(places);
}
