import type { EdgeMillingOperation } from '../../operations/edge-milling/edge-milling-operation.ts';
import { edgePlaceOf } from '../../operations/edge-milling/edge-milling-state.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { entrySteepness } from '../../physics/path/entry-plan.ts';
import { InputError } from '../../units/input-error.ts';
import { framed } from './frame.ts';
import { writeBoreRing, writeFaceRing, writeRoundEdge } from './ring.ts';
import { around, ROOM, type WriteCase } from './write-case.ts';
import type { WrittenProgram } from './write-settings.ts';

/** A groove round a ring in a face, or in the wall of a bore. */
export const isRing = ({ feature: { undercut } }: MillingOperation): boolean =>
  undercut !== undefined &&
  undercut.ringMm !== null &&
  (undercut.form === 'face-ring' || (undercut.form === 'wall' && undercut.inside));

/** The groove of a ring at each place. */
export function ringGroove(c: WriteCase<MillingOperation>): WrittenProgram {
  const { feature, cut } = c.document;
  const undercut = feature.undercut!;
  const ring = undercut.ringMm!;
  const { topMm, startMm, clearMm } = c.frame;
  const { context } = c.operation;
  if (undercut.form === 'face-ring') {
    const steep = entrySteepness(context.alloy);
    const plan = {
      meanMm: ring,
      widthMm: feature.widthMm,
      depthMm: feature.depthMm,
      toolMm: c.toolMm,
      axialMm: cut.axialDepthMm,
      rampDeg: Math.min(context.cutter.properties.RMPX ?? 90, steep.rampDeg),
      feedMmMin: c.feedMmMin,
      rampFeedShare: steep.feedShare,
    };
    return {
      text: framed(c.frame, c.settings.dialect, (w) =>
        writeFaceRing(w, plan, c.settings.places, topMm, startMm, clearMm),
      ),
      stock: around(c.settings.places, ring / 2 + feature.widthMm + ROOM, -feature.depthMm - 5, []),
    };
  }
  const boreMm = ring - 2 * feature.widthMm;
  if (boreMm <= c.toolMm + 0.1)
    throw new InputError([
      {
        field: 'feature.undercut.ringMm',
        value: ring,
        allowed: `more than ${(c.toolMm + 0.1 + 2 * feature.widthMm).toFixed(1)} mm: the head has to turn in the bore`,
      },
    ]);
  const plan = {
    ringMm: ring,
    boreMm,
    floorMm: undercut.floorMm,
    widthMm: feature.depthMm,
    edgeMm: context.cutter.properties.APMX ?? feature.depthMm,
    toolMm: c.toolMm,
    radialMm: cut.radialEngagementMm,
    edgeFeedMmMin: c.feedMmMin,
  };
  return {
    text: framed(c.frame, c.settings.dialect, (w) =>
      writeBoreRing(w, plan, c.settings.places, topMm, startMm, clearMm),
    ),
    // A height field has no undercuts: the material begins where the groove ends.
    stock: around(
      c.settings.places,
      ring / 2 + ROOM,
      -undercut.floorMm - 5,
      c.settings.places.map((p) => ({ ...p, diameterMm: ring, floor: null })),
    ),
  };
}

/** Diameter of the round opening whose edge is broken, mm: what the tool goes through, or what the contour goes round. */
const openingOf = ({ edge }: EdgeMillingOperation): number =>
  edge.face === 'far' && edge.openingMm !== null ? edge.openingMm : edge.lengthMm / Math.PI;

/** The edge of a round opening at each place. */
export function roundEdge(c: WriteCase<EdgeMillingOperation>): WrittenProgram {
  const { edge, cut } = c.document;
  const place = edgePlaceOf(c.document, c.operation.context);
  const openingMm = openingOf(c.document);
  const widest = edge.face === 'far' ? c.toolMm : 2 * place.axisOffWallMm;
  if (openingMm <= widest + 0.1)
    throw new InputError([
      {
        field: edge.face === 'far' ? 'edge.openingMm' : 'edge.lengthMm',
        value: edge.face === 'far' ? openingMm : edge.lengthMm,
        allowed: `${(edge.face === 'far' ? widest + 0.1 : (widest + 0.1) * Math.PI).toFixed(1)} mm or more: the tool has to turn in the opening`,
      },
    ]);
  const plan = {
    openingMm,
    tipZMm: place.tipZMm,
    axisOffWallMm: place.axisOffWallMm,
    sizeMm: edge.sizeMm,
    passes: cut.passes,
    edgeFeedMmMin: c.feedMmMin,
  };
  const { topMm, startMm, clearMm } = c.frame;
  const reach = openingMm / 2 + edge.sizeMm;
  return {
    text: framed(c.frame, c.settings.dialect, (w) =>
      writeRoundEdge(w, plan, c.settings.places, topMm, startMm, clearMm),
    ),
    stock: around(
      c.settings.places,
      reach + ROOM,
      Math.min(-5, place.tipZMm - 5),
      // Of the back edge nothing is seen from above: the material begins beyond it.
      c.settings.places.map((p) => ({
        ...p,
        diameterMm: edge.face === 'far' ? 2 * reach : openingMm,
        floor: null,
      })),
    ),
  };
}
