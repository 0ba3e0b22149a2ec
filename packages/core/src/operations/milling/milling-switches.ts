import { entryPlan } from '../../physics/path/entry-plan.ts';
import { say } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import { ENTRY_METHODS } from '../operation.ts';
import { heldOtherwise } from '../lathe/held-otherwise.ts';
import { type MillingOperation } from './milling-operation.ts';
import type { Switch } from '../switch.ts';

/** Another way in, another path, arcs for lines, climb for conventional. */
export function millingSwitches(op: MillingOperation, context: OperationContext): Switch[] {
  const { path } = op;
  const to = (id: string, text: string, change: Partial<MillingOperation['path']>): Switch => ({
    id,
    title: say(text),
    after: { ...op, path: { ...path, ...change } },
  });
  const { inLathe } = op;
  const list: Switch[] = inLathe
    ? heldOtherwise(inLathe.support, true, (support) => ({ ...op, inLathe: { ...inLathe, support } }))
    : [];
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
