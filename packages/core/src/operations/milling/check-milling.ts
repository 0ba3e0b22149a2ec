import { outerDiameter } from '../../crib/cutter.ts';
import { undercutsBoth } from '../../physics/path/undercut.ts';
import { mostOffset } from './face-place.ts';
import type { OperationContext } from '../context.ts';
import type { Inspection } from '../inspection.ts';
import type { MillingOperation } from './milling-operation.ts';

/** Sizes of the feature's rest, the holding and the path. */
function checkPath({ feature, workholding, path }: MillingOperation, see: Inspection): void {
  if (feature.island) {
    see.within('feature.island.lengthMm', feature.island.lengthMm, 0.1, feature.lengthMm - 0.1, 'mm');
    see.within('feature.island.widthMm', feature.island.widthMm, 0.1, feature.widthMm - 0.1, 'mm');
    if (feature.kind !== 'pocket')
      see.say('feature.island', feature.kind, 'none: only a pocket has an island');
  }
  if (feature.kind === 'boss') see.measured('feature.stockMm', feature.stockMm ?? 0, 0.01, 500, 'mm');
  see.within('feature.slopeDeg', feature.slopeDeg, 0, 90, 'deg');
  see.measured('feature.raUm', feature.raUm, 0.01, 50, 'um');
  see.measured('feature.scallopMm', feature.scallopMm, 0.0001, 5, 'mm');
  see.measured('workholding.liftCapacityN', workholding.liftCapacityN, 1, 1e7, 'N');
  see.measured('workholding.releaseC', workholding.releaseC, 25, 1000, 'degC');
  see.within('path.entry.taperDeg', path.entry.taperDeg, 0, 10, 'deg');
  see.measured('path.leadInRadiusMm', path.leadInRadiusMm, 0, 2000, 'mm');
  see.within('path.toleranceMm', path.toleranceMm, 0.0001, 1, 'mm');
  see.within('path.springPasses', path.springPasses, 0, 5, 'ratio');
}

/** How the inserts of a face mill stand. */
function checkFace(op: MillingOperation, { cutter }: OperationContext, see: Inspection): void {
  const { face, feature } = op;
  if (!face) return;
  if (feature.kind !== 'face')
    see.say('face', feature.kind, 'nothing: only a face is told how inserts stand');
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
  see.measured('face.wipers', face.wipers, 0, teeth, 'pieces');
  see.within('face.wiperUm', face.wiperUm, 0, 500, 'um');
  see.measured('face.axialRunoutUm', face.axialRunoutUm, 0, 500, 'um');
  see.within('face.alongUmPerM', face.alongUmPerM, 0, 5000, 'um');
  see.within('face.acrossUmPerM', face.acrossUmPerM, 0, 5000, 'um');
  see.measured('face.plateMm', face.plateMm ?? null, 0.2, 1000, 'mm');
  see.measured('face.spanMm', face.spanMm ?? null, 1, 10000, 'mm');
  const off = mostOffset(op.cut.radialEngagementMm, outerDiameter(cutter));
  see.measured('face.offsetMm', face.offsetMm ?? null, -off - 0.005, off + 0.005, 'mm');
}

/** What a finishing cut finds. */
function checkFinishing({ feature }: MillingOperation, see: Inspection): void {
  const { finishing } = feature;
  if (!finishing) return;
  const floor = finishing.face === 'floor';
  if (feature.kind !== (floor ? 'pocket' : 'side'))
    see.say(
      'feature.kind',
      feature.kind,
      floor ? 'pocket: its floor is finished' : 'side: a wall is finished',
    );
  see.within('feature.finishing.floorMm', finishing.floorMm, feature.depthMm, 2000, 'mm');
  see.within('feature.finishing.floorStockMm', finishing.floorStockMm, 0, 20, 'mm');
  see.within('feature.finishing.floorAreaMm2', finishing.floorAreaMm2, 0, 1e8, 'mm2');
  see.measured('feature.finishing.rougherMm', finishing.rougherMm, 0.1, 500, 'mm');
  see.measured('feature.finishing.ribMm', finishing.ribMm, 0.05, 500, 'mm');
  see.within('feature.finishing.pastFloorMm', finishing.pastFloorMm, 0, 50, 'mm');
  // Past its flank or past its tip no cutter leans.
  const tilt = finishing.surface?.tiltDeg ?? null;
  const { slopeDeg } = feature;
  see.measured(
    'feature.finishing.surface.tiltDeg',
    tilt,
    Math.max(-60, -slopeDeg),
    Math.min(60, 90 - slopeDeg),
    'deg',
  );
  see.measured('feature.finishing.surface.hollowMm', finishing.surface?.hollowMm ?? null, 0.1, 20000, 'mm');
  if (finishing.face === 'rib' && finishing.ribMm === null)
    see.say('feature.finishing.ribMm', null, 'a number: the thickness the rib is left with');
}

/** A groove under a wall or round a ring. */
function checkUndercut({ feature }: MillingOperation, see: Inspection): void {
  const { undercut } = feature;
  if (!undercut) return;
  const ring = undercut.form === 'face-ring';
  if (feature.kind !== (ring ? 'slot' : 'side'))
    see.say(
      'feature.kind',
      feature.kind,
      ring ? 'slot: a ring in a face is one' : 'side: the groove goes into a wall',
    );
  see.within('feature.undercut.floorMm', undercut.floorMm, feature.depthMm, 2000, 'mm');
  see.measured('feature.undercut.ringMm', undercut.ringMm, 0.5, 20000, 'mm');
  see.measured('feature.undercut.openingMm', undercut.openingMm, 0.2, 20000, 'mm');
  see.measured('feature.undercut.throatMm', undercut.throatMm, 0.2, 2000, 'mm');
  if (undercutsBoth(undercut) && undercut.throatMm === null)
    see.say('feature.undercut.throatMm', null, 'a number: the width of the slot above');
  if (ring && undercut.ringMm === null)
    see.say('feature.undercut.ringMm', null, 'a number: the mean diameter of the ring');
}

/** What a milling operation may be: feature, holding, path and cut. */
export function checkMilling(op: MillingOperation, context: OperationContext, see: Inspection): void {
  const { cutter } = context;
  const { feature } = op;
  see.above('feature.lengthMm', feature.lengthMm, 'mm');
  see.above('feature.widthMm', feature.widthMm, 'mm');
  see.above('feature.depthMm', feature.depthMm, 'mm');
  if (feature.cornerRadiusMm !== null) see.above('feature.cornerRadiusMm', feature.cornerRadiusMm, 'mm');
  see.above('feature.wallToleranceMm', feature.wallToleranceMm, 'mm');
  if (op.workholding.capacityN !== null) see.above('workholding.capacityN', op.workholding.capacityN, 'N');
  checkPath(op, see);
  checkFace(op, context, see);
  checkUndercut(op, see);
  checkFinishing(op, see);
  if (op.forceLaw === 'orthogonal' && !context.alloy.id.startsWith('ti-6al-4v')) {
    see.say('forceLaw', 'orthogonal', 'kienzle or linear-edge: orthogonal data are known for Ti-6Al-4V only');
  }
  const inside = feature.kind === 'pocket' || feature.kind === 'slot';
  if (inside && feature.widthMm < outerDiameter(cutter) - 1e-6) {
    see.say(
      'feature.widthMm',
      feature.widthMm,
      `${outerDiameter(cutter)} mm or more: the cutter has to fit in`,
    );
  }
}
