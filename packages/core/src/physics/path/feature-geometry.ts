import type { MillingFeature } from './feature.ts';

/** Area to be cleared in plan, mm²: corners rounded, island left standing, ring around a boss. */
export function clearedArea(feature: MillingFeature): number {
  const { lengthMm: l, widthMm: w, kind } = feature;
  switch (kind) {
    case 'pocket': {
      const r = Math.min(feature.cornerRadiusMm ?? 0, w / 2, l / 2);
      const island = feature.island ? feature.island.lengthMm * feature.island.widthMm : 0;
      return Math.max(0, l * w - (4 - Math.PI) * r * r - island);
    }
    case 'boss': {
      const s = feature.stockMm ?? 0;
      return (l + 2 * s) * (w + 2 * s) - l * w;
    }
    default:
      return l * w;
  }
}

/** Width across the feed that is taken away, mm: what stepovers divide. */
export function widthAcross(feature: MillingFeature): number {
  if (feature.kind === 'boss') return feature.stockMm ?? 0;
  if (feature.kind === 'pocket' && feature.island) {
    // Between wall and island, on the wider side.
    return Math.max(feature.widthMm - feature.island.widthMm, feature.lengthMm - feature.island.lengthMm) / 2;
  }
  return feature.widthMm;
}

/** Narrowest passage a cutter has to go through, mm; Infinity where it is open. */
export function narrowest(feature: MillingFeature): number {
  if (feature.kind !== 'pocket' && feature.kind !== 'slot') return Infinity;
  const { island } = feature;
  if (!island) return Math.min(feature.widthMm, feature.lengthMm);
  return Math.min((feature.widthMm - island.widthMm) / 2, (feature.lengthMm - island.lengthMm) / 2);
}

export const isClosed = (feature: MillingFeature): boolean =>
  feature.kind === 'pocket' || feature.kind === 'slot';

/** Inside corners a pass runs round: none where the cutter stays outside. */
export const insideCorners = (feature: MillingFeature): number =>
  feature.kind === 'pocket' ? 4 : feature.cornerRadiusMm !== null && feature.kind === 'side' ? 2 : 0;

/** Length of wall a finishing pass runs along, mm. */
export function wallLength({ kind, lengthMm, widthMm }: MillingFeature): number {
  switch (kind) {
    case 'pocket':
    case 'boss':
      return 2 * (lengthMm + widthMm);
    case 'slot':
      return 2 * lengthMm;
    case 'side':
      return lengthMm;
    case 'face':
      return 0;
  }
}
