import type { OperationContext } from '../../operations/context.ts';
import type { Holder } from '../../crib/holder.ts';
import type { Operation } from '../../operations/operation.ts';
import { say, measure, type Sentence } from '../../units/sentence.ts';
import { evaluate, judgeLimit, limitOf } from '../../evaluation/evaluate.ts';
import type { Movable } from '../../operations/movable.ts';
import { changeOf, leversOf } from './lever.ts';
import { better, pairsFor } from './pairs.ts';
import { type CutterShelf, otherCutters } from './other-cutters.ts';
import { otherInserts } from './other-inserts.ts';
import { lobedCut, pocketSpeeds } from './pocket-speeds.ts';
import { clears, type Remedy, remedyFrom } from './remedy.ts';
import { smallestMove } from './smallest-move.ts';
import { switches } from './switches.ts';

function describe(lever: Movable, op: Operation, after: Operation): Sentence {
  const from = measure(lever.read(op), lever.unit);
  const to = measure(lever.read(after), lever.unit);
  const keeps = lever.keeps ? ` ${lever.keeps}` : '';
  return say(`${changeOf(lever, lever.read(op), lever.read(after))} {0} → {1}${keeps}`, from, to);
}

/** Limits of a turned profile that another insert clears. */
const OF_THE_EDGE = ['profile-reach', 'profile-corner'];

/** A change that pushes more limits over than this is no advice. */
const MOST_SPOILT = 1;

/**
 * Single changes that make a limit clear, smallest first; one that pushes another limit over comes last and says so.
 * When no single one suffices without pushing something over, the best pairs too. Pinned parameters are not moved. `holders` are others to try the
 * cutter in, `shelf` other cutters, looked at where chatter is the matter. Empty when the limit is clear. Throws on an impossible operation or a limit that does not apply.
 */
export function remediesFor(
  op: Operation,
  context: OperationContext,
  limitId: string,
  holders: readonly Holder[] = [],
  shelf: CutterShelf | null = null,
): Remedy[] {
  const before = evaluate(op, context);
  const { state, group } = limitOf(before, limitId);
  if (state === 'clear') return [];
  // What nobody has measured is not mended by another number: it is measured.
  if (state === 'unproven' && group === 'vibration') return [];
  const list = leversOf(op, context);
  const found: Remedy[] = [];
  for (const s of [...switches(op, context), ...pocketSpeeds(op, context, limitId)]) {
    if (!clears(s.after, context, limitId)) continue;
    const remedy = remedyFrom(s.id, s.title, s.after, context, before, s.id === 'rework' ? 0.4 : 0.2);
    if (remedy) found.push(remedy);
  }
  for (const lever of list) {
    for (const end of [lever.low, lever.high]) {
      const value = smallestMove(lever, op, context, limitId, end);
      if (value === null || value === lever.read(op)) continue;
      const after = lever.write(op, value);
      if (!clears(after, context, limitId)) continue;
      const size = Math.abs(Math.log(value / lever.read(op)));
      const remedy = remedyFrom(lever.key, describe(lever, op, after), after, context, before, size);
      if (remedy) found.push(remedy);
    }
  }
  for (const holder of holders) {
    if (holder.id === op.tooling.holderId) continue;
    const after: Operation = { ...op, tooling: { ...op.tooling, holderId: holder.id } };
    const inIt = { ...context, holder };
    if (judgeLimit(after, inIt, 'holder-fit')?.state !== 'clear' || !clears(after, inIt, limitId)) continue;
    const remedy = remedyFrom(`holder-${holder.id}`, say(`Use ${holder.name}`), after, inIt, before, 0.5);
    if (remedy) found.push(remedy);
  }
  const lobed = lobedCut(op, limitId);
  if (shelf) {
    const others = lobed
      ? otherCutters(lobed, context, shelf)
      : op.kind === 'turning' && OF_THE_EDGE.includes(limitId)
        ? otherInserts(op, context, shelf)
        : [];
    for (const other of others) {
      if (!clears(other.after, other.context, limitId)) continue;
      const remedy = remedyFrom(other.id, say(other.title), other.after, other.context, before, 0.6);
      if (remedy) found.push(remedy);
    }
  }
  if (!found.some((r) => r.pushesOver.length === 0))
    found.push(...pairsFor(list, op, context, limitId, before));
  return found.filter((r) => r.pushesOver.length <= MOST_SPOILT).sort(better);
}
