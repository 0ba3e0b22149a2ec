import type { OperationContext } from '../context.ts';
import type { Inspection } from '../inspection.ts';
import { isLathe } from './lathe-spindle.ts';

/** Longest a lathe reaches, mm. */
const LONGEST = 5000;

/** What a part in a lathe may be; `leastOutMm` has to stand out of the jaws. */
export function checkHeldPart(
  path: string,
  part: { readonly overhangMm: number },
  leastOutMm: number,
  { machine }: OperationContext,
  see: Inspection,
): void {
  if (!isLathe(machine)) see.say('machineId', machine.name, 'a lathe or a mill-turn centre');
  see.within(`${path}.overhangMm`, part.overhangMm, leastOutMm, LONGEST, 'mm');
}
