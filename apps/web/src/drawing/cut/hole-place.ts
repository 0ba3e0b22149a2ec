import type { HoleOperation, OperationContext } from '@burl/core';
import { type ScaleLinear, scaleLinear } from 'd3-scale';

/** What stands where in the section of a hole, in the drawing's own units. */
export interface HolePlace {
  readonly cx: number;
  readonly top: number;
  readonly bottom: number;
  /** From the surface down, mm. */
  readonly y: ScaleLinear<number, number>;
  /** Units to a millimetre down, and across, where a slender hole is drawn wider than it is. */
  readonly scale: number;
  readonly wide: number;
  /** Half the hole. */
  readonly half: number;
  readonly noseY: number;
  readonly floor: number;
  /** Depth drawn, mm; the hole's, or enough of it to show its rim. */
  readonly depth: number;
  /** How far the drill's point goes beyond the depth, mm. */
  readonly point: number;
  /** Width of a chamfer, mm; 0 where the whole hole is made. */
  readonly rim: number;
}

/** Narrowest and widest half of a hole. */
const NARROW = 6;
const WIDE = 70;

/** Where a step of a hole stands between `top` and `bottom`, its middle at `cx`. */
export function holePlace(
  op: HoleOperation,
  { cutter }: OperationContext,
  { cx, top, bottom }: Pick<HolePlace, 'cx' | 'top' | 'bottom'>,
): HolePlace {
  const { hole } = op;
  // A chamfer is a rim: the hole below it is drawn as well, deep enough for one scale both ways.
  const rim = 'widthMm' in op.cut ? op.cut.widthMm : 0;
  const depth = rim > 0 ? Math.max(rim, 1.2 * hole.diameterMm) : hole.depthMm;
  const pointed = 'peck' in op.cut;
  const point = pointed ? (cutter.properties.PL ?? 0.2 * hole.diameterMm) : 0;
  const beyond = Math.max(0, (hole.startDepthMm ?? 0) - depth);
  const below = Math.max(point, beyond);
  const low = bottom - 10;
  const y = scaleLinear()
    .domain([0, depth + below])
    .range([top, low]);
  const scale = (low - top) / (depth + below);
  const half = Math.min(WIDE, Math.max(NARROW, (hole.diameterMm / 2) * scale));
  return {
    cx,
    top,
    bottom,
    y,
    scale,
    wide: half / Math.max(1e-6, hole.diameterMm / 2),
    half,
    noseY: Math.max(22, y(depth - op.tooling.stickOutMm)),
    floor: y(depth + (pointed ? 0 : beyond)),
    depth,
    point,
    rim,
  };
}
