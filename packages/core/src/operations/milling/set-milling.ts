import { chipFactor } from '../../physics/cutting/edge-profile.ts';
import { spindleSpeed } from '../../physics/cutting/spindle-speed.ts';
import { diameterEngaged, edgeEngaged } from './engaged-edge.ts';
import type { OperationContext } from '../context.ts';
import type { MillingCut, MillingOperation } from './milling-operation.ts';
import type { Parameter } from '../parameter.ts';
import { pinnedTogether } from '../pinned-together.ts';

/** Chip per unit of feed at this depth and width; 0 when the engagement is impossible, which the check reports. */
function chipPerFeed(op: MillingOperation, { cutter }: OperationContext): number {
  const { axialDepthMm, radialEngagementMm } = op.cut;
  return axialDepthMm > 0 && radialEngagementMm > 0
    ? chipFactor(edgeEngaged(op, cutter, radialEngagementMm))
    : 0;
}

/** The cut with one parameter moved and the others following; `diameterMm` is the one its speed is stated at. */
export function setMilling(
  op: MillingOperation,
  context: OperationContext,
  key: Parameter,
  value: number,
  diameterMm: number,
): MillingOperation {
  return { ...op, cut: movedCut(op, context, key, value, diameterMm) };
}

function movedCut(
  op: MillingOperation,
  context: OperationContext,
  key: Parameter,
  value: number,
  diameterMm: number,
): MillingCut {
  const { cut } = op;
  const pinned = (name: string): boolean => op.pins.includes(name) && name !== key;
  const teeth = context.cutter.properties.ZEFP ?? context.cutter.properties.NOF ?? 1;
  const speedPinned = pinned('n') || pinned('vc');
  const feedPinned = pinned('fz') || pinned('hex');
  const vf = cut.speedRpm * teeth * cut.feedPerToothMm;

  const withSpeed = (speed: number): MillingCut => {
    if (!pinned('vf')) return { ...cut, speedRpm: speed };
    if (feedPinned) throw pinnedTogether(key, value, 'feed per tooth and table feed');
    return { ...cut, speedRpm: speed, feedPerToothMm: vf / (speed * teeth) };
  };
  const withFeed = (feed: number): MillingCut => {
    if (!pinned('vf')) return { ...cut, feedPerToothMm: feed };
    if (speedPinned) throw pinnedTogether(key, value, 'speed and table feed');
    return { ...cut, feedPerToothMm: feed, speedRpm: vf / (feed * teeth) };
  };
  const withTableFeed = (feed: number): MillingCut => {
    if (!feedPinned) return { ...cut, feedPerToothMm: feed / (cut.speedRpm * teeth) };
    if (speedPinned) throw pinnedTogether(key, value, 'speed and feed per tooth');
    return { ...cut, speedRpm: feed / (cut.feedPerToothMm * teeth) };
  };
  /** Depth or width moved: a pinned chip keeps its thickness, a pinned cutting speed its speed. */
  const withEngagement = (change: Partial<MillingCut>): MillingCut => {
    const next = { ...cut, ...change };
    const before = chipPerFeed(op, context);
    const after = chipPerFeed({ ...op, cut: next }, context);
    const feed = pinned('hex') && after > 0 ? (cut.feedPerToothMm * before) / after : cut.feedPerToothMm;
    const d0 = diameterEngaged(op, context.cutter);
    const d1 = diameterEngaged({ ...op, cut: next }, context.cutter);
    const speed = pinned('vc') && d1 > 0 ? (cut.speedRpm * d0) / d1 : cut.speedRpm;
    return { ...next, feedPerToothMm: feed, speedRpm: speed };
  };

  switch (key) {
    case 'n':
      return withSpeed(value);
    case 'vc':
      return withSpeed(spindleSpeed(value, diameterMm));
    case 'fz':
      return withFeed(value);
    case 'hex':
      return withFeed(value / chipPerFeed(op, context));
    case 'vf':
      return withTableFeed(value);
    case 'Q':
      return withTableFeed((value * 1000) / (cut.axialDepthMm * cut.radialEngagementMm));
    case 'ap':
      return withEngagement({ axialDepthMm: value });
    case 'ae':
      return withEngagement({ radialEngagementMm: value });
    default:
      throw new RangeError(`invalid parameter; not one of a milling cut: ${key}`);
  }
}
