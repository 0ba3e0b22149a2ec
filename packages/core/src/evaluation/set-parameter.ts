import type { OperationContext } from '../operations/context.ts';
import { InputError } from '../units/input-error.ts';
import { outerDiameter } from '../crib/cutter.ts';
import type { HoleOperation } from '../operations/hole-operation.ts';
import type { MillingCut, MillingOperation, Operation } from '../operations/operation.ts';
import { chipFactor, diameterInCut, edgeProfile } from '../physics/cutting/edge-profile.ts';
import type { Parameter } from '../operations/parameter.ts';
import { kindOf } from './registry.ts';
import { chamferDiameter } from '../operations/chamfering/chamfering-state.ts';
import { spindleSpeed } from '../physics/cutting/spindle-speed.ts';

/** Parameters of an operation, in the order they are read. */
export const parametersOf = (op: Operation): readonly Parameter[] => kindOf(op).parameters;

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
      throw new InputError([{ field: 'parameter', value: key, allowed: parametersOf(op).join(', ') }]);
  }
}

/** Diameter a step's cutting speed is stated at, mm. */
export function speedDiameter(op: HoleOperation, { cutter }: Pick<OperationContext, 'cutter'>): number {
  const own = outerDiameter(cutter) || op.hole.diameterMm;
  switch (op.kind) {
    case 'boring':
    case 'tapping':
      return op.hole.diameterMm;
    case 'chamfering':
      return chamferDiameter(cutter.properties.DC ?? 0, op.cut.widthMm, own);
    case 'drilling':
      return op.role === 'spot' ? Math.min(op.hole.diameterMm, own) : own;
    case 'hole-milling':
      return diameterInCut(cutter, op.cut.pitchMm);
    default:
      return own;
  }
}

/** The cut's feed per revolution, or per tooth times teeth: what one turn of the spindle moves. */
function feedOf(
  op: HoleOperation,
  teeth: number,
): { readonly key: 'fn' | 'fz'; readonly perTurn: number } | null {
  if ('feedPerRevMm' in op.cut) return { key: 'fn', perTurn: op.cut.feedPerRevMm };
  if ('feedPerToothMm' in op.cut) return { key: 'fz', perTurn: op.cut.feedPerToothMm * teeth };
  return null;
}

const withCut = (op: HoleOperation, change: object): HoleOperation =>
  ({ ...op, cut: { ...op.cut, ...change } }) as HoleOperation;

function setHole(op: HoleOperation, context: OperationContext, key: Parameter, value: number): HoleOperation {
  const pinned = (name: string): boolean => op.pins.includes(name) && name !== key;
  if (!(parametersOf(op) as readonly string[]).includes(key))
    throw new InputError([{ field: 'parameter', value: key, allowed: parametersOf(op).join(', ') }]);
  if (key === 'pitch') return withCut(op, { pitchMm: value });
  const teeth = context.cutter.properties.ZEFP ?? context.cutter.properties.NOF ?? 1;
  const feed = feedOf(op, teeth);
  const { speedRpm } = op.cut;
  const fed = (perTurn: number): object =>
    feed?.key === 'fz' ? { feedPerToothMm: perTurn / teeth } : feed ? { feedPerRevMm: perTurn } : {};
  const vf = speedRpm * (feed?.perTurn ?? 0);
  const feedWord = feed?.key === 'fz' ? 'feed per tooth' : 'feed per revolution';
  const speedPinned = pinned('n') || pinned('vc');
  if (key === 'n' || key === 'vc') {
    const speed = key === 'n' ? value : spindleSpeed(value, speedDiameter(op, context));
    if (!pinned('vf') || !feed) return withCut(op, { speedRpm: speed });
    if (pinned(feed.key)) throw pinnedTogether(key, value, `${feedWord} and feed`);
    return withCut(op, { speedRpm: speed, ...fed(vf / speed) });
  }
  if (key === 'fn' || key === 'fz') {
    const perTurn = key === 'fz' ? value * teeth : value;
    if (!pinned('vf')) return withCut(op, fed(perTurn));
    if (speedPinned) throw pinnedTogether(key, value, 'speed and feed');
    return withCut(op, { ...fed(perTurn), speedRpm: vf / perTurn });
  }
  if (!feed || !pinned(feed.key)) return withCut(op, fed(value / speedRpm));
  if (speedPinned) throw pinnedTogether(key, value, `speed and ${feedWord}`);
  return withCut(op, { speedRpm: value / feed.perTurn });
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
    : setHole(op, context, key, value);
}
