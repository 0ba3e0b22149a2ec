import type { OperationContext } from '../../operations/context.ts';
import type { MillingOperation, Operation } from '../../operations/operation.ts';
import { ENTRY_METHODS } from '../../operations/operation.ts';
import { entryPlan } from '../../physics/path/entry-plan.ts';
import { say, type Sentence } from '../../units/sentence.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';

/** A change of kind rather than amount. */
export interface Switch {
  readonly id: string;
  readonly title: Sentence;
  readonly after: Operation;
}

/** Another way in, another path, arcs for lines, climb for conventional. */
function pathSwitches(op: MillingOperation, context: OperationContext): Switch[] {
  const { path } = op;
  const to = (id: string, text: string, change: Partial<MillingOperation['path']>): Switch => ({
    id,
    title: say(text),
    after: { ...op, path: { ...path, ...change } },
  });
  const list: Switch[] = [];
  if (path.strategy === 'levels' && op.feature.kind === 'pocket')
    list.push(
      to('constant-engagement', 'Use constant engagement in corners', {
        strategy: 'constant-engagement',
      }),
    );
  if (path.blocks === 'lines')
    list.push(to('arcs', 'Output arcs instead of short lines', { blocks: 'arcs' }));
  if (path.leadInRadiusMm !== null)
    list.push(to('lead-in', 'Lead in on an arc of half the cutter diameter', { leadInRadiusMm: null }));
  if (path.entry.rampAngleDeg !== null || path.entry.helixDiameterMm !== null)
    list.push(
      to('entry-usual', 'Use calculated ramp angle and helix diameter', {
        entry: { ...path.entry, rampAngleDeg: null, helixDiameterMm: null },
      }),
    );
  for (const method of ENTRY_METHODS) {
    if (method === path.entry.method) continue;
    const entry = { ...path.entry, method, rampAngleDeg: null, helixDiameterMm: null };
    const plan = entryPlan(entry, {
      cutter: context.cutter,
      alloy: context.alloy,
      feature: op.feature,
      axialDepthMm: op.cut.axialDepthMm,
      toolChangeS: context.machine.tool_change_s,
    });
    const words = {
      outside: 'Enter from outside',
      helix: 'Enter on a helix',
      ramp: 'Enter on a ramp',
      plunge: 'Plunge in',
      predrilled: 'Drill a hole to enter through',
    };
    if (plan.impossible === null) list.push(to(`entry-${method}`, words[method], { entry }));
  }
  return list;
}

/** Changes of kind rather than amount: confirm or rework numbers, pecks, a pilot, coolant, climb. */
export function switches(op: Operation, context: OperationContext): Switch[] {
  const list: Switch[] = [];
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  list.push({
    id: 'rework',
    title: say('Recalculate speeds and feeds for this alloy and cutter'),
    after: withStartingCut(op, context),
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
  if (op.kind === 'milling') list.push(...pathSwitches(op, context));
  if (op.kind === 'tapping' && !op.cut.synchronous)
    list.push({
      id: 'synchronous',
      title: say('Use rigid tapping'),
      after: { ...op, cut: { ...op.cut, synchronous: true } },
    });
  if (op.kind === 'drilling') {
    if (op.cut.peck !== 'plan')
      list.push({
        id: 'peck-plan',
        title: say('Use planned pecks for this depth and coolant'),
        after: { ...op, cut: { ...op.cut, peck: 'plan' } },
      });
    if (!op.hole.piloted)
      list.push({
        id: 'pilot',
        title: say('Drill a pilot first'),
        after: { ...op, hole: { ...op.hole, piloted: true } },
      });
  }
  return list;
}
