import type { OperationContext } from '../domain/context.ts';
import { InputError } from '../domain/input-error.ts';
import type { DrillingOperation, MillingCut, MillingOperation, Operation } from '../domain/operation.ts';
import { chipFactor, diameterInCut, edgeProfile } from '../milling/edge-profile.ts';
import { spindleSpeed } from '../milling/spindle-speed.ts';

/** Parameters that can be typed, dragged and pinned. */
export const MILLING_PARAMETERS = ['n', 'vc', 'fz', 'vf', 'hex', 'ap', 'ae', 'Q'] as const;
export const DRILLING_PARAMETERS = ['n', 'vc', 'fn', 'vf'] as const;
export type Parameter = (typeof MILLING_PARAMETERS)[number] | (typeof DRILLING_PARAMETERS)[number];

const pinnedTogether = (field: string, value: number, pins: string): InputError =>
  new InputError([{ field, value, allowed: `nothing else: ${pins} are pinned; release one` }]);

/** Chip per unit of feed at this depth and width; 0 when the engagement is impossible, which the check reports. */
function chipPerFeed(cut: MillingCut, { cutter }: OperationContext): number {
  const widest = diameterInCut(cutter, cut.axialDepthMm);
  if (!(cut.axialDepthMm > 0 && cut.radialEngagementMm > 0)) return 0;
  return chipFactor(
    edgeProfile(cutter, cut.axialDepthMm, Math.min(cut.radialEngagementMm, widest), cut.direction),
  );
}

function setMilling(
  op: MillingOperation,
  context: OperationContext,
  key: Parameter,
  value: number,
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
    const before = chipPerFeed(cut, context);
    const after = chipPerFeed(next, context);
    const feed = pinned('hex') && after > 0 ? (cut.feedPerToothMm * before) / after : cut.feedPerToothMm;
    const d0 = diameterInCut(context.cutter, cut.axialDepthMm);
    const d1 = diameterInCut(context.cutter, next.axialDepthMm);
    const speed = pinned('vc') && d1 > 0 ? (cut.speedRpm * d0) / d1 : cut.speedRpm;
    return { ...next, feedPerToothMm: feed, speedRpm: speed };
  };

  switch (key) {
    case 'n':
      return withSpeed(value);
    case 'vc':
      return withSpeed(spindleSpeed(value, diameterInCut(context.cutter, cut.axialDepthMm)));
    case 'fz':
      return withFeed(value);
    case 'hex':
      return withFeed(value / chipPerFeed(cut, context));
    case 'vf':
      return withTableFeed(value);
    case 'Q':
      return withTableFeed((value * 1000) / (cut.axialDepthMm * cut.radialEngagementMm));
    case 'ap':
      return withEngagement({ axialDepthMm: value });
    case 'ae':
      return withEngagement({ radialEngagementMm: value });
    default:
      throw new InputError([{ field: 'parameter', value: key, allowed: MILLING_PARAMETERS.join(', ') }]);
  }
}

function setDrilling(
  op: DrillingOperation,
  context: OperationContext,
  key: Parameter,
  value: number,
): DrillingOperation['cut'] {
  const { cut } = op;
  const pinned = (name: string): boolean => op.pins.includes(name) && name !== key;
  const vf = cut.speedRpm * cut.feedPerRevMm;
  switch (key) {
    case 'n':
    case 'vc': {
      const speed =
        key === 'n' ? value : spindleSpeed(value, context.cutter.properties.DC ?? op.hole.diameterMm);
      if (!pinned('vf')) return { ...cut, speedRpm: speed };
      if (pinned('fn')) throw pinnedTogether(key, value, 'feed per turn and feed');
      return { ...cut, speedRpm: speed, feedPerRevMm: vf / speed };
    }
    case 'fn':
      if (!pinned('vf')) return { ...cut, feedPerRevMm: value };
      if (pinned('n') || pinned('vc')) throw pinnedTogether(key, value, 'speed and feed');
      return { ...cut, feedPerRevMm: value, speedRpm: vf / value };
    case 'vf':
      if (!pinned('fn')) return { ...cut, feedPerRevMm: value / cut.speedRpm };
      if (pinned('n') || pinned('vc')) throw pinnedTogether(key, value, 'speed and feed per turn');
      return { ...cut, speedRpm: value / cut.feedPerRevMm };
    default:
      throw new InputError([{ field: 'parameter', value: key, allowed: DRILLING_PARAMETERS.join(', ') }]);
  }
}

/**
 * The operation with one parameter moved; the others follow so that kinematics hold and pinned ones stay.
 * When speed moves the feed per tooth is kept, so table feed moves with it and the chip stays as it is.
 * Throws an InputError for a value not above zero, or when pins leave nothing to move.
 */
export function setParameter(
  op: Operation,
  context: OperationContext,
  key: Parameter,
  value: number,
): Operation {
  if (!(value > 0 && Number.isFinite(value)))
    throw new InputError([{ field: key, value, allowed: 'a number above 0' }]);
  return op.kind === 'milling'
    ? { ...op, cut: setMilling(op, context, key, value) }
    : { ...op, cut: setDrilling(op, context, key, value) };
}
