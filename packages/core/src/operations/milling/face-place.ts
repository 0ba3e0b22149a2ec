import type { EdgeBand } from '../../physics/cutting/edge-profile.ts';
import type { Immersion } from '../../physics/cutting/engagement.ts';
import type { MillingOperation } from './milling-operation.ts';

/** How far the axis may stand off the middle of a pass, mm, before an edge of the pass leaves the cutter. */
export const mostOffset = (radialMm: number, diameterMm: number): number =>
  Math.max(0, (diameterMm - radialMm) / 2);

/**
 * Arc of a pass whose middle lies `offsetMm` from the axis: teeth come in at the far edge and leave at the near one. Angles from the
 * normal to the feed, rad; mirrored for conventional. Circle geometry.
 */
export function placedArc(
  radialMm: number,
  diameterMm: number,
  offsetMm: number,
  direction: 'climb' | 'conventional',
): Immersion {
  const r = diameterMm / 2;
  const off = Math.min(
    mostOffset(radialMm, diameterMm),
    Math.max(-mostOffset(radialMm, diameterMm), offsetMm),
  );
  // Teeth of a climb cut leave at the negative side: the axis moved there brings that border nearer.
  const middle = off;
  const angle = (across: number): number => Math.acos(Math.min(1, Math.max(-1, across / r)));
  const [entry, exit] = [angle(middle + radialMm / 2), angle(middle - radialMm / 2)];
  return direction === 'climb' ? { entry, exit } : { entry: Math.PI - exit, exit: Math.PI - entry };
}

/** Bands of a face's pass where somebody said how its axis stands; as they are of every other cut. */
export function placedOnFace(
  op: Pick<MillingOperation, 'feature' | 'cut' | 'face'>,
  bands: readonly EdgeBand[],
): readonly EdgeBand[] {
  const offset = op.face?.offsetMm;
  if (op.feature.kind !== 'face' || offset === undefined || offset === null) return bands;
  const { radialEngagementMm: ae, direction } = op.cut;
  return bands.map((b) => ({
    ...b,
    arc: placedArc(Math.min(ae, 2 * b.radiusMm), 2 * b.radiusMm, offset, direction),
  }));
}
