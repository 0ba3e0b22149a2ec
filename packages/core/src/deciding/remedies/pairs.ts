import type { OperationContext } from '../../operations/context.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { Operation } from '../../operations/operation.ts';
import { measure, say } from '../../units/sentence.ts';
import type { Movable } from '../../operations/movable.ts';
import { changeOf } from './lever.ts';
import { attempt, clears, type Remedy, remedyFrom } from './remedy.ts';
import { smallestMove } from './smallest-move.ts';

/** Levers tried two at a time, the first by steps and the second as far as it has to go. */
const PAIRS: readonly (readonly [string, string])[] = [
  ['ap', 'ae'],
  ['ae', 'fz'],
  ['ap', 'fz'],
  ['ap', 'n'],
  ['ae', 'n'],
  ['fz', 'n'],
  ['fn', 'n'],
  ['stickOut', 'ap'],
  ['stickOut', 'ae'],
  ['ae', 'featuresPerEdge'],
  ['fz', 'ae'],
];
/** Steps of the first lever: down for load, up for feed, where a thin chip is the trouble. */
const STEPS = [0.75, 0.6, 0.45, 0.3, 1.4];
/** Pairs offered. */
const OFFERED = 3;

/**
 * What the second lever has to clear after the first has moved: the limit itself, or, where the first was enough for that,
 * what it pushed over in turn. Null where nothing is left to do, so that a single change is enough, or it is impossible.
 */
function aimOf(
  half: Operation,
  context: OperationContext,
  limitId: string,
  before: Evaluation,
): string | null {
  if (!clears(half, context, limitId)) return limitId;
  const after = attempt(half, context);
  const wasOver = new Set(before.limits.filter((l) => l.state === 'over').map((l) => l.id));
  return after?.limits.find((l) => l.state === 'over' && !wasOver.has(l.id))?.id ?? null;
}

/**
 * The best pairs of changes that clear a limit, one for each pair of levers: those that push nothing else over first, then
 * the smallest. For when no single change is enough, or every one spoils something else.
 */
export function pairsFor(
  levers: readonly Movable[],
  op: Operation,
  context: OperationContext,
  limitId: string,
  before: Evaluation,
): Remedy[] {
  const found: Remedy[] = [];
  for (const [a, b] of PAIRS) {
    const first = levers.find((l) => l.key === a);
    const second = levers.find((l) => l.key === b);
    if (!first || !second) continue;
    let best: Remedy | null = null;
    for (const share of STEPS) {
      const moved = Math.min(first.high, Math.max(first.low, first.read(op) * share));
      if (moved === first.read(op)) continue;
      const half = first.write(op, Number(moved.toPrecision(3)));
      const aim = aimOf(half, context, limitId, before);
      if (aim === null) continue;
      for (const end of [second.low, second.high]) {
        const value = smallestMove(second, half, context, aim, end);
        if (value === null || value === second.read(op)) continue;
        const after = second.write(half, value);
        if (!clears(after, context, limitId)) continue;
        const size = Math.abs(Math.log(moved / first.read(op))) + Math.abs(Math.log(value / second.read(op)));
        const title = say(
          `${changeOf(first, first.read(op), first.read(half))} {0} → {1} and ${changeOf(second, second.read(op), value).replace(/^./, (c) => c.toLowerCase())} {2} → {3}`,
          measure(first.read(op), first.unit),
          measure(first.read(half), first.unit),
          measure(second.read(op), second.unit),
          measure(value, second.unit),
        );
        const remedy = remedyFrom(`${a}+${b}`, title, after, context, before, size);
        if (remedy && (!best || better(remedy, best) < 0)) best = remedy;
      }
    }
    if (best) found.push(best);
  }
  return found.sort(better).slice(0, OFFERED);
}

/** Remedies that spoil less come first, then the smaller ones. */
export const better = (a: Remedy, b: Remedy): number =>
  a.pushesOver.length - b.pushesOver.length || a.tightens.length - b.tightens.length || a.size - b.size;
