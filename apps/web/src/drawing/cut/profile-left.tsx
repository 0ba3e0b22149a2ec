import {
  beforeProfile,
  contourOf,
  type OperationContext,
  profilingEdge,
  reachOf,
  type TurningOperation,
} from '@burl/core';
import type { SectionPlace } from './half-section.tsx';

/** Left over the profile from which it is shown, mm. */
export const SHOWN = 0.01;

/** What the edges of the tool leave of a profile, filled. */
export function ProfileLeft({
  op,
  context,
  endMm,
  place: { x, y },
}: {
  op: TurningOperation;
  context: OperationContext;
  /** Where the free end stands, mm from the jaws. */
  endMm: number;
  place: Pick<SectionPlace, 'x' | 'y'>;
}) {
  const { stretch: s } = op;
  if (!s.profile) return null;
  const inside = s.way === 'inside';
  const contour = contourOf(s.profile, inside);
  const { left, uncutMm, cornerMm } = reachOf(
    s.profile,
    inside,
    beforeProfile(s),
    profilingEdge(context.cutter),
  );
  if (Math.max(uncutMm, cornerMm) < SHOWN) return null;
  const at = (p: { readonly z: number; readonly r: number }): string =>
    `${x(endMm - p.z).toFixed(2)} ${y(p.r).toFixed(2)}`;
  const outline = [...left.map(at), ...contour.toReversed().map(at)].join(' L');
  return (
    <g data-left={uncutMm.toFixed(3)}>
      <path
        d={`M${outline} Z`}
        fill={uncutMm < SHOWN ? 'var(--soft)' : 'var(--over)'}
        fillOpacity={0.65}
        aria-hidden="true"
      />
    </g>
  );
}
