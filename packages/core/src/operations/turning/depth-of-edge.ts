import type { Cutter } from '../../crib/cutter.ts';

/** A round grooving insert goes sideways in layers no deeper than this share of its width. */
const OF_WIDTH = 0.4;

/** Deepest an edge is long enough for, mm; undefined where its record does not say. */
export function deepestOfEdge({ properties: p, extended }: Cutter): number | undefined {
  const width = p['CW'];
  return extended.ap_window_mm?.[1] ?? p.APMX ?? (width === undefined ? undefined : OF_WIDTH * Number(width));
}
