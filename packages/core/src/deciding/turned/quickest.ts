import type { OperationContext } from '../../operations/context.ts';
import type { TurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import { cutOf, type WayCut } from '../ways/way.ts';
import { kindOf } from '../../evaluation/registry.ts';

/** What a lathe cut is chosen by: minutes with its edge changes, or money. */
export type TurnedAim = 'minutes' | 'cost';

/** A lathe cut that was worked out. */
export type TurnedCut = WayCut<TurnedOperation>;

/** Feeds tried between the thin and the thick end of the window, and halvings of the speed for each. */
const FEEDS = 5;
const HALVINGS = 6;
/** Speeds looked at lie between these shares of the first one. */
const SPEEDS = [0.4, 2.2] as const;

const allowed = ({ evaluation }: TurnedCut): boolean => evaluation.state !== 'over';

/** How far the worst limit is used; a plain no counts as twice. */
const worstShare = ({ evaluation }: TurnedCut): number =>
  Math.max(...evaluation.limits.map((l) => l.share?.value ?? (l.state === 'over' ? 2 : 0)));

/** Feeds a kind may take, mm a turn; none where the pitch is the feed. */
function feedsOf(op: TurnedOperation, { cutter }: OperationContext): readonly (number | null)[] {
  if (op.kind === 'thread-turning') return [null];
  const [thin, thick] = cutter.extended.f_window_mm_per_rev ?? [0.05, 0.25];
  const most = op.kind === 'turning' ? Math.min(thick, 0.68 * (cutter.properties.RE ?? 0.8)) : thick;
  const wider = Array.from({ length: FEEDS }, (_, i) => thin + ((0.94 * most - thin) * i) / (FEEDS - 1));
  return [op.cut.feedPerRevMm, ...wider.filter((f) => f > 0)];
}

/**
 * The same cut with the speed and feed that come out best with no limit over; the first numbers where every one breaks some. Depth,
 * way and tools stay. Minutes fall with speed until edges are changed more often than they gain, so both ends of a halving are looked at.
 */
export function quickest(
  start: TurnedOperation,
  context: OperationContext,
  aim: TurnedAim = 'minutes',
): TurnedCut {
  const first = cutOf(start, context);
  // Where both break a limit, the one that breaks it less leads out.
  const better = (a: TurnedCut, b: TurnedCut): TurnedCut => {
    if (allowed(a) !== allowed(b)) return allowed(a) ? a : b;
    return allowed(a) ? (a[aim] <= b[aim] ? a : b) : worstShare(a) <= worstShare(b) ? a : b;
  };
  const at = (rpm: number, feed: number | null): TurnedCut => {
    let op = kindOf(start).set(start, context, 'n', Math.max(1, Math.round(rpm))) as TurnedOperation;
    if (op.kind !== 'thread-turning' && op.cut.speedRpm > op.cut.capRpm)
      op = { ...op, cut: { ...op.cut, speedRpm: op.cut.capRpm } } as TurnedOperation;
    if (feed !== null && op.kind !== 'thread-turning')
      op = { ...op, cut: { ...op.cut, feedPerRevMm: feed } } as TurnedOperation;
    return cutOf(op, context);
  };
  let best = first;
  const rpm = start.cut.speedRpm;
  for (const feed of feedsOf(start, context)) {
    let [low, high] = [SPEEDS[0] * rpm, SPEEDS[1] * rpm];
    for (let i = 0; i < HALVINGS; i++) {
      const [left, right] = [low + (high - low) / 3, high - (high - low) / 3].map((n) => at(n, feed)) as [
        TurnedCut,
        TurnedCut,
      ];
      best = better(better(left, right), best);
      if (better(left, right) === left) high -= (high - low) / 3;
      else low += (high - low) / 3;
    }
  }
  return best;
}
