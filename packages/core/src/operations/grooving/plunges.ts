import {
  minutesAcross,
  minutesAlong,
  spindleAt,
  type SurfaceSpeed,
} from '../../physics/turning/surface-speed.ts';
import { grooveDepth, grooveWidth, type GroovingOperation } from './grooving-operation.ts';

/** Clearance before a plunge, mm. */
const CLEAR = 1;
/** A lift that breaks the chip: back a hair, and in again. Seconds. */
const LIFT_S = 0.4;
/** From plunge to plunge, s. */
const BESIDE_S = 0.8;

/** How a groove is gone into. */
export interface Plunges {
  /** Plunges side by side, and lifts in each of them. */
  readonly count: number;
  readonly lifts: number;
  /** Layers that are widened sideways; 0 where it is plunged only. */
  readonly layers: number;
  /** Edge in the cut in a layer, mm; 0 without. */
  readonly layerMm: number;
}

/** Plunges and layers of a groove with a blade of a width, mm. */
export function plungesOf({ groove, cut }: GroovingOperation, bladeMm: number): Plunges {
  const depth = grooveDepth(groove);
  const beside = Math.max(0, grooveWidth(groove, bladeMm) - bladeMm);
  const sideways = cut.widenBy === 'side' && beside > 0.05;
  const layers = sideways ? Math.max(1, Math.ceil(depth / cut.depthMm - 1e-6)) : 0;
  return {
    count: sideways ? 1 : 1 + Math.ceil(beside / cut.stepMm - 1e-6),
    lifts: sideways ? 0 : Math.max(0, Math.ceil(depth / cut.depthMm - 1e-6) - 1),
    layers,
    layerMm: sideways ? depth / layers : 0,
  };
}

/** Minutes in the cut and in the air; walls and bottom are gone along once more where size or surface is asked. */
export function grooveMinutes(
  op: GroovingOperation,
  bladeMm: number,
  set: SurfaceSpeed,
  p: Plunges,
): { readonly cutting: number; readonly air: number } {
  const { groove: g, cut } = op;
  const feed = cut.feedPerRevMm;
  const depth = grooveDepth(g);
  const width = grooveWidth(g, bladeMm);
  const mean = Math.max(1, (g.startMm + g.endMm) / 2);
  const plunge =
    g.way === 'face'
      ? minutesAlong(set, mean, depth + CLEAR, feed)
      : g.way === 'part-off'
        ? partingMinutes(op, set)
        : minutesAcross(set, g.startMm + (g.way === 'inside' ? -2 : 2) * CLEAR, g.endMm, feed);
  const dwell = 1 / spindleAt(set, mean);
  const sideways = p.layers * minutesAlong(set, mean, Math.max(0, width - bladeMm), feed);
  const finished = g.way !== 'part-off' && (g.toleranceMm !== null || g.raUm !== null);
  const finishing = finished ? minutesAlong(set, mean, 2 * depth + width, feed) : 0;
  return {
    cutting: p.count * (plunge + dwell) + sideways + finishing,
    air: (p.count * (BESIDE_S + p.lifts * LIFT_S) + p.layers * BESIDE_S) / 60,
  };
}

/** In from the clearance, with the feed reduced below a diameter. */
function partingMinutes({ groove: g, cut }: GroovingOperation, set: SurfaceSpeed): number {
  const end = Math.max(g.endMm, g.boreMm);
  const slow = Math.min(g.startMm, Math.max(end, cut.slowBelowMm));
  return (
    minutesAcross(set, g.startMm + 2 * CLEAR, slow, cut.feedPerRevMm) +
    minutesAcross(set, slow, end, cut.feedPerRevMm * cut.slowShare)
  );
}
