import { countOf, type HoleDemand, formatMeasure, type System } from '@burl/core';

/** A chance as a share of parts, to two digits. */
export const shareOfParts = (share: number): string =>
  share < 0.0005 ? 'under 0.05%' : `${Number((100 * share).toPrecision(2))}%`;

/** A kind of hole in a few words. */
export function demandInWords(d: HoleDemand, system: System): string {
  const size = d.thread ?? `⌀ ${formatMeasure(d.diameterMm, 'mm', system)}`;
  const fine = d.grade === null ? '' : ` IT${d.grade}`;
  return `${countOf(d.pattern)} × ${size}${fine}, ${formatMeasure(d.depthMm, 'mm', system)} ${d.through ? 'through' : 'blind'}`;
}
