import { type Cutter, isUndercutter, outerDiameter } from '../../crib/cutter.ts';
import { depthNames, diameterEngaged } from './engaged-edge.ts';
import { SPEED, STICK_OUT } from '../common-movables.ts';
import type { OperationContext } from '../context.ts';
import { type Movable, movable, numberAt, type NumberAt, tidyStep } from '../movable.ts';
import { capital } from '../../units/capital.ts';
import { undercutsBoth } from '../../physics/path/undercut.ts';
import { mostOffset } from './face-place.ts';
import type { MillingOperation } from './milling-operation.ts';

/** What of a milling cut a search or a map may move. */
export type FreeParameter = 'n' | 'fz' | 'ap' | 'ae' | 'stickOut';
export const FREE_PARAMETERS: readonly FreeParameter[] = ['n', 'fz', 'ap', 'ae', 'stickOut'];

/** Where they stand in the operation. */
export const FREE_AT: Readonly<Record<FreeParameter, NumberAt>> = {
  n: SPEED,
  fz: numberAt('cut.feedPerToothMm'),
  ap: numberAt('cut.axialDepthMm'),
  ae: numberAt('cut.radialEngagementMm'),
  stickOut: STICK_OUT,
};

export const readFree = (op: MillingOperation, key: FreeParameter): number => FREE_AT[key].read(op);
export const writeFree = (op: MillingOperation, key: FreeParameter, value: number): MillingOperation =>
  FREE_AT[key].write(op, value);

/** Least depth anybody sets, mm. */
const LEAST_DEPTH = 0.05;
/** Narrowest stepover over the diameter. */
const NARROWEST = 0.02;
/** Small tools are fed by half microns. */
const SMALL_MM = 3;
/** Steps of depth and width over the diameter. */
const DEPTH_STEP = 1 / 200;
const WIDTH_STEP = 1 / 400;

const engagedAt = (op: MillingOperation, cutter: Cutter, axialDepthMm: number): number =>
  diameterEngaged({ ...op, cut: { ...op.cut, axialDepthMm } }, cutter);

/** What can be moved in a milling cut besides speed, stick-out and inspection. */
export function millingMovables(op: MillingOperation, context: OperationContext): Movable[] {
  const { cutter } = context;
  const diameter = outerDiameter(cutter);
  const edge = Math.min(cutter.properties.APMX ?? Infinity, op.tooling.stickOutMm);
  const depth = op.cut.axialDepthMm;
  const widest = depth > 0 ? engagedAt(op, cutter, Math.min(depth, edge)) : diameter;
  const [depthName, width] = depthNames(op);
  const radial = op.cut.radialEngagementMm;
  const stays = widthFollows(op);
  return [
    movable(
      {
        key: 'ae',
        name: capital(width),
        unit: 'mm',
        at: FREE_AT.ae,
        heldBy: ['ae', 'hex'],
        ofTheCut: true,
      },
      {
        least: 0,
        above: true,
        most: Math.max(widest, diameter),
        low: stays ? radial : NARROWEST * diameter,
        high: stays ? radial : diameter,
        step: tidyStep(WIDTH_STEP * diameter),
      },
    ),
    movable(
      { key: 'ap', name: capital(depthName), unit: 'mm', at: FREE_AT.ap, heldBy: ['ap'], ofTheCut: true },
      {
        least: 0,
        above: true,
        most: edge,
        // A head in its groove cuts its whole height.
        low: isUndercutter(cutter) ? depth : LEAST_DEPTH,
        high: isUndercutter(cutter) ? depth : Math.min(cutter.properties.APMX ?? 0, op.tooling.stickOutMm),
        step: tidyStep(DEPTH_STEP * diameter),
      },
    ),
    movable(
      {
        key: 'fz',
        name: 'Feed per tooth',
        unit: 'mm/tooth',
        at: FREE_AT.fz,
        heldBy: ['fz', 'vf', 'hex'],
        ofTheCut: true,
      },
      { least: 0, above: true, most: 5, low: 0.002, high: 3, step: diameter < SMALL_MM ? 0.0005 : 0.001 },
    ),
    ...pathMovables(op, diameter),
    ...offsetMovable(op, diameter),
    ...tiltMovable(op),
    movable(
      { key: 'allowance', name: 'Stock to leave', unit: 'mm', at: numberAt('feature.allowanceMm') },
      {
        least: 0,
        most: 10,
        low: op.feature.allowanceMm,
        high: Math.min(op.feature.allowanceMm * 3, 1.5),
        step: 0.05,
      },
    ),
  ];
}

/** How the axis stands over the pass of a face, where somebody said. */
function offsetMovable({ face, feature, cut }: MillingOperation, diameter: number): Movable[] {
  if (feature.kind !== 'face' || face?.offsetMm === undefined || face.offsetMm === null) return [];
  const most = mostOffset(cut.radialEngagementMm, diameter);
  return [
    movable(
      {
        key: 'axisOff',
        name: 'Axis off the middle of the pass',
        unit: 'mm',
        at: numberAt('face.offsetMm'),
        verbs: ['Move', 'Move'],
      },
      { least: -500, most: 500, low: -most, high: most, step: 0.5 },
    ),
  ];
}

/** Tilt over a curved surface, where the operation has one. */
function tiltMovable({ feature: { finishing, slopeDeg } }: MillingOperation): Movable[] {
  if (!finishing?.surface) return [];
  return [
    movable(
      {
        key: 'tilt',
        name: 'Tilt of the cutter',
        unit: 'deg',
        at: numberAt('feature.finishing.surface.tiltDeg'),
        verbs: ['Tilt', 'Tilt'],
      },
      { least: -60, most: 60, low: -Math.min(60, slopeDeg), high: Math.min(60, 90 - slopeDeg), step: 1 },
    ),
  ];
}

/** A slot is as wide as its cutter, unless it is milled in loops: its width is not there to be moved. */
export const widthFollows = (op: MillingOperation): boolean =>
  (op.feature.kind === 'slot' && op.path.strategy !== 'trochoidal') || undercutsBoth(op.feature.undercut);

/** Radius the tool's path turns corners with; the least it can have where nobody has said one. */
const cornerPath = (low: number, high: number): Movable =>
  movable(
    {
      key: 'cornerPath',
      name: 'Corner path radius',
      unit: 'mm',
      at: numberAt('path.cornerPathRadiusMm', low),
    },
    { least: 0, most: 2000, low, high, step: 0.1 },
  );

/** Radius in corners, slope and hole of the entry, start height: what the path can be eased by. */
function pathMovables({ path, feature }: MillingOperation, diameter: number): Movable[] {
  const list: Movable[] = [];
  const corner = feature.kind === 'pocket' ? feature.cornerRadiusMm : null;
  const here = path.cornerPathRadiusMm;
  if (corner === null && here !== null) list.push(cornerPath(here, here));
  if (corner !== null) {
    const low = Math.max(0.1, corner - diameter / 2);
    list.push(cornerPath(low, Math.min(feature.widthMm, feature.lengthMm) / 3));
  }
  const { rampAngleDeg, helixDiameterMm, startHeightMm } = path.entry;
  if (rampAngleDeg !== null)
    list.push(
      movable(
        { key: 'ramp', name: 'Ramp angle', unit: 'deg', at: numberAt('path.entry.rampAngleDeg') },
        { least: 0.05, most: 90, low: 0.2, high: rampAngleDeg, step: 0.1 },
      ),
    );
  if (helixDiameterMm !== null)
    list.push(
      movable(
        { key: 'helix', name: 'Helix diameter', unit: 'mm', at: numberAt('path.entry.helixDiameterMm') },
        { least: 0.1, most: 2000, low: diameter * 1.05, high: diameter * 2, step: 0.1 },
      ),
    );
  if (path.entry.method === 'helix')
    list.push(
      movable(
        { key: 'taper', name: 'Taper of the helix', unit: 'deg', at: numberAt('path.entry.taperDeg') },
        { least: 0, most: 10, low: path.entry.taperDeg, high: Math.max(2, path.entry.taperDeg), step: 0.25 },
      ),
    );
  list.push(
    movable(
      { key: 'start', name: 'Feed-start height', unit: 'mm', at: numberAt('path.entry.startHeightMm') },
      { least: 0, most: 100, low: Math.min(0.3, startHeightMm), high: startHeightMm, step: 0.1 },
    ),
  );
  return list;
}
