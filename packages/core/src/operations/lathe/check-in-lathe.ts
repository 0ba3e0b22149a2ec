import { isHole } from '../hole-operation.ts';
import type { Inspection } from '../inspection.ts';
import type { Machine } from '../../crib/machine.ts';
import type { Operation } from '../operation.ts';
import { hasToTurn, isLathe } from './lathe-spindle.ts';

/** What may be milled and drilled where parts are turned. */
export function checkInLathe(op: Operation, machine: Machine, see: Inspection): void {
  const { inLathe } = op;
  const noDriven = machine.kind === 'lathe' && machine.driven_tools === undefined;
  if (noDriven && (hasToTurn(op) || inLathe?.turns === 'tool'))
    see.say('machineId', machine.name, 'a machine that turns its tools: this lathe has no driven ones');
  if (!inLathe) return;
  if (!isLathe(machine))
    see.say('inLathe', machine.name, 'nothing on a milling machine: no part stands in its jaws');
  if (inLathe.turns === 'part' && (!isHole(op) || hasToTurn(op)))
    see.say('inLathe.turns', 'part', 'tool: only a tool on the axis stands still');
  see.above('inLathe.diameterMm', inLathe.diameterMm, 'mm');
  see.within('inLathe.diameterMm', inLathe.diameterMm, 0, 3000, 'mm');
  see.within('inLathe.boreMm', inLathe.boreMm, 0, 0.98 * inLathe.diameterMm, 'mm');
  see.within('inLathe.overhangMm', inLathe.overhangMm, 0.5, 5000, 'mm');
}
