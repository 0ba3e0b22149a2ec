import type { OperationContext } from '../../operations/context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { MillingOperation, Operation } from '../../operations/operation.ts';
import type { Lever } from './lever.ts';
import { holeLevers } from './hole-levers.ts';

const cutLever = <K extends keyof MillingOperation['cut']>(key: K) => ({
  read: (op: Operation): number => Number((op as MillingOperation).cut[key]),
  write: (op: Operation, value: number): Operation =>
    ({ ...op, cut: { ...op.cut, [key]: value } }) as Operation,
});

/** Everything of an operation that can be moved by amount. */
export function levers(op: Operation, context: OperationContext): Lever[] {
  const { cutter, machine, holder } = context;
  const p = cutter.properties;
  const most = Math.min(machine.max_rpm, p.RPMX ?? Infinity, holder.max_rpm || Infinity);
  const speed: Lever = {
    id: 'speed',
    unit: 'rpm',
    label: 'Spindle speed',
    low: Math.max(10, machine.min_rpm ?? 0),
    high: most,
    step: 10,
    ...cutLever('speedRpm'),
  };
  const stickOut: Lever = {
    id: 'stick-out',
    unit: 'mm',
    label: 'Stick-out',
    verbs: ['Lengthen', 'Shorten'],
    low: Math.min(op.tooling.stickOutMm, p.LPR ?? op.tooling.stickOutMm),
    high: Math.max(op.tooling.stickOutMm, Math.min((p.OAL ?? 400) - 10, op.tooling.stickOutMm * 2)),
    step: 0.5,
    read: (o) => o.tooling.stickOutMm,
    write: (o, value) => ({ ...o, tooling: { ...o.tooling, stickOutMm: value } }),
  };
  const features: Lever = {
    id: 'looks',
    unit: 'pieces',
    label: op.kind === 'milling' ? 'Features per edge inspection' : 'Holes per edge inspection',
    low: 1,
    high: op.featuresPerEdge,
    step: 1,
    read: (o) => o.featuresPerEdge,
    write: (o, value) => ({ ...o, featuresPerEdge: value }),
  };
  if (op.kind !== 'milling') return [...holeLevers(op, context), speed, stickOut, features];
  const diameter = outerDiameter(cutter);
  // A slot is as wide as the cutter; its width is no lever.
  const width: Lever[] =
    op.feature.kind === 'slot'
      ? []
      : [
          {
            id: 'width',
            unit: 'mm',
            label: 'Radial depth',
            low: 0.02 * diameter,
            high: diameter,
            step: 0.02,
            ...cutLever('radialEngagementMm'),
          },
        ];
  return [
    ...width,
    {
      id: 'depth',
      unit: 'mm',
      label: 'Axial depth',
      low: 0.05,
      high: Math.min(p.APMX ?? 0, op.tooling.stickOutMm),
      step: 0.1,
      ...cutLever('axialDepthMm'),
    },
    {
      id: 'feed',
      unit: 'mm/tooth',
      label: 'Feed per tooth',
      low: 0.002,
      high: 3,
      step: 0.001,
      ...cutLever('feedPerToothMm'),
    },
    speed,
    stickOut,
    ...pathLevers(op, diameter),
    {
      id: 'allowance',
      unit: 'mm',
      label: 'Stock to leave',
      low: op.feature.allowanceMm,
      high: Math.min(op.feature.allowanceMm * 3, 1.5),
      step: 0.05,
      read: (o) => (o.kind === 'milling' ? o.feature.allowanceMm : 0),
      write: (o, value) =>
        o.kind === 'milling' ? { ...o, feature: { ...o.feature, allowanceMm: value } } : o,
    },
    features,
  ];
}

/** Radius in corners, slope and hole of the entry, start height: what the path can be eased by. */
function pathLevers(op: MillingOperation, diameter: number): Lever[] {
  const path = (o: Operation): MillingOperation['path'] => (o as MillingOperation).path;
  const withPath = (o: Operation, change: Partial<MillingOperation['path']>): Operation =>
    ({ ...o, path: { ...path(o), ...change } }) as Operation;
  const withEntry = (o: Operation, change: Partial<MillingOperation['path']['entry']>): Operation =>
    withPath(o, { entry: { ...path(o).entry, ...change } });
  const list: Lever[] = [];
  const corner = op.feature.cornerRadiusMm;
  if (corner !== null && op.feature.kind === 'pocket') {
    const least = Math.max(0.1, corner - diameter / 2);
    list.push({
      id: 'corner-path',
      unit: 'mm',
      label: 'Corner path radius',
      low: least,
      high: Math.min(op.feature.widthMm, op.feature.lengthMm) / 3,
      step: 0.1,
      read: (o) => Math.max(least, path(o).cornerPathRadiusMm ?? least),
      write: (o, value) => withPath(o, { cornerPathRadiusMm: value }),
    });
  }
  const { entry } = op.path;
  if (entry.rampAngleDeg !== null) {
    list.push({
      id: 'ramp',
      unit: 'deg',
      label: 'Ramp angle',
      low: 0.2,
      high: entry.rampAngleDeg,
      step: 0.1,
      read: (o) => path(o).entry.rampAngleDeg ?? 0.2,
      write: (o, value) => withEntry(o, { rampAngleDeg: value }),
    });
  }
  if (entry.helixDiameterMm !== null) {
    list.push({
      id: 'helix',
      unit: 'mm',
      label: 'Helix diameter',
      low: diameter * 1.05,
      high: diameter * 2,
      step: 0.1,
      read: (o) => path(o).entry.helixDiameterMm ?? diameter,
      write: (o, value) => withEntry(o, { helixDiameterMm: value }),
    });
  }
  if (entry.startHeightMm > 0.3) {
    list.push({
      id: 'start',
      unit: 'mm',
      label: 'Feed-start height',
      low: 0.3,
      high: entry.startHeightMm,
      step: 0.1,
      read: (o) => path(o).entry.startHeightMm,
      write: (o, value) => withEntry(o, { startHeightMm: value }),
    });
  }
  return list;
}

/** Pinned parameters a lever would move. */
export const MOVES: Readonly<Record<string, readonly string[]>> = {
  speed: ['n', 'vc', 'vf'],
  feed: ['fz', 'vf', 'hex', 'fn'],
  pitch: ['pitch'],
  depth: ['ap'],
  width: ['ae', 'hex'],
};
