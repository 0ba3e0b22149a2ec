import { spindleSpeed } from '../physics/cutting/spindle-speed.ts';
import type { OperationContext } from './context.ts';
import type { Operation } from './operation.ts';
import type { Parameter } from './parameter.ts';
import { pinnedTogether } from './pinned-together.ts';

/** A cut with a speed, and a feed per turn or per tooth or none of its own. */
type Fed = Pick<Operation, 'pins'> & { readonly cut: { readonly speedRpm: number } };

/** The cut's feed per revolution, or per tooth times teeth: what one turn of the spindle moves. */
function feedOf(op: Fed, teeth: number): { readonly key: 'fn' | 'fz'; readonly perTurn: number } | null {
  if ('feedPerRevMm' in op.cut) return { key: 'fn', perTurn: Number(op.cut.feedPerRevMm) };
  if ('feedPerToothMm' in op.cut) return { key: 'fz', perTurn: Number(op.cut.feedPerToothMm) * teeth };
  return null;
}

const withCut = <O extends Fed>(op: O, change: object): O => ({
  ...op,
  cut: { ...op.cut, ...change },
});

/** The operation with one parameter moved and the others following; `diameterMm` is the one its speed is stated at. */
export function setSpeedAndFeed<O extends Fed>(
  op: O,
  context: OperationContext,
  key: Parameter,
  value: number,
  diameterMm: number,
): O {
  const pinned = (name: string): boolean => op.pins.includes(name) && name !== key;
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
    const speed = key === 'n' ? value : spindleSpeed(value, diameterMm);
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
