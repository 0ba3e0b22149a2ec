import { kindOf } from '../../evaluation/registry.ts';
import { withSpeedAndFeed } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Switch } from '../../operations/switch.ts';
import { say } from '../../units/sentence.ts';

/** Changes of kind rather than amount: confirm or rework numbers, coolant, and what its kind offers. */
export function switches(op: Operation, context: OperationContext): Switch[] {
  const list: Switch[] = [];
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  list.push({
    id: 'rework',
    title: say(
      op.kind === 'milling'
        ? 'Recalculate speed and feed for this alloy and cutter; depth and stepover stay'
        : 'Recalculate speed and feed for this alloy and cutter',
    ),
    after: withSpeedAndFeed(op, context),
  });
  list.push({
    id: 'confirm',
    title: say('Confirm these speeds and feeds for this alloy and cutter'),
    after: { ...op, workedOutFor },
  });
  for (const coolant of ['flood', 'through-tool', 'air'] as const) {
    if (coolant !== op.coolant)
      list.push({
        id: `coolant-${coolant}`,
        title: say(`Switch coolant to ${coolant}`),
        after: { ...op, coolant },
      });
  }
  list.push(...kindOf(op).switches(op, context));
  return list;
}
