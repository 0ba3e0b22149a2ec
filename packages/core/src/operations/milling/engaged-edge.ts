import type { Cutter } from '../../crib/cutter.ts';
import { diameterInCut, type EdgeBand, edgeLength, edgeProfile } from '../../physics/cutting/edge-profile.ts';
import { surfaceBands } from '../../physics/surface/surface-bands.ts';
import {
  type SurfaceContact,
  surfaceContact,
  turnedDiameter,
} from '../../physics/surface/surface-contact.ts';
import { placedOnFace } from './face-place.ts';
import type { MillingOperation } from './milling-operation.ts';

type Edged = Pick<MillingOperation, 'feature' | 'cut' | 'face'>;
type Shape = Pick<Cutter, 'type' | 'properties'>;

/** A curved surface is finished: depth is the stock along its normal, width the step along it. */
export const isSurface = ({ feature }: Pick<MillingOperation, 'feature'>): boolean =>
  feature.finishing?.face === 'surface';

/** What depth and width of a cut are called. */
export const depthNames = (op: Pick<MillingOperation, 'feature'>): readonly [depth: string, width: string] =>
  isSurface(op) ? ['stock', 'step'] : ['axial depth', 'radial depth'];

/** Lean of a curved surface's normal from the cutter's axis, degrees. */
export const leanOf = ({ feature: { slopeDeg, finishing } }: Pick<MillingOperation, 'feature'>): number =>
  Math.min(90, Math.max(0, slopeDeg + (finishing?.surface?.tiltDeg ?? 0)));

/** How the cutter touches a curved surface; null of everything else, and where nothing rounded of it does. */
export const contactOf = (op: Edged, cutter: Shape): SurfaceContact | null =>
  isSurface(op) ? surfaceContact(cutter, leanOf(op)) : null;

/** Largest diameter that takes part in the cut, mm; on a curved surface that of the contact. */
export function diameterEngaged(op: Edged, cutter: Cutter): number {
  const contact = contactOf(op, cutter);
  return contact ? turnedDiameter(contact, cutter) : diameterInCut(cutter, op.cut.axialDepthMm);
}

/** The edge in the cut, tip first, `radialMm` wide: a step on a curved surface, a side cut everywhere else. */
export function edgeEngaged(op: Edged, cutter: Cutter, radialMm: number): readonly EdgeBand[] {
  const contact = contactOf(op, cutter);
  if (contact) return surfaceBands(contact, op.cut.axialDepthMm, radialMm, op.cut.direction);
  const widest = diameterInCut(cutter, op.cut.axialDepthMm);
  return placedOnFace(
    op,
    edgeProfile(cutter, op.cut.axialDepthMm, Math.min(radialMm, widest), op.cut.direction),
  );
}

/** Height of the edge in the cut, mm along the tool: the axial depth, and over a surface more than its stock is thick. */
export const heightInCut = (op: Edged, bands: readonly EdgeBand[]): number =>
  isSurface(op) ? (bands.at(-1)?.toMm ?? 0) : op.cut.axialDepthMm;

/** Length of edge that takes the heat, mm: the axial depth, and over a surface all that is in its stock. */
export const edgeInCut = (op: Edged, bands: readonly EdgeBand[]): number =>
  isSurface(op) ? edgeLength(bands) : op.cut.axialDepthMm;
