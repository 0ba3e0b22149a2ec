import { commonMovables } from '../operations/common-movables.ts';
import type { OperationContext } from '../operations/context.ts';
import { checkInLathe } from '../operations/lathe/check-in-lathe.ts';
import { Inspection } from '../operations/inspection.ts';
import type { Operation } from '../operations/operation.ts';
import { InputError, type InputProblem } from '../units/input-error.ts';
import { kindOf } from './registry.ts';

/** What no operation may be, whatever its kind. */
function checkCommon(op: Operation, context: OperationContext, see: Inspection): void {
  const { alloy, cutter, machine } = context;
  const { low, high, scale } = alloy.hardness;
  const point = scale === 'HB' ? 9 : 1;
  see.measured('measured.hardness', op.measured.hardness, low - 3 * point, high + 3 * point, scale);
  see.measured('measured.runoutUm', op.measured.runoutUm, 0.1, 200, 'um');
  see.measured('measured.lifeSpeed30MMin', op.measured.lifeSpeed30MMin, 0.5, 3000, 'm/min');
  see.measured('measured.kc11NMm2', op.measured.kc11NMm2, 10, 10000, 'N/mm2');
  see.within('flankWearMm', op.flankWearMm, 0, 1, 'mm');
  see.within('featuresPerPart', op.featuresPerPart, 1, 100000, 'ratio');
  if (op.edgesOnShelf !== null) see.within('edgesOnShelf', op.edgesOnShelf, 0, 100000, 'ratio');
  see.measured('economics.machinePerHour', op.economics.machinePerHour, 0.01, 1e6, 'money');
  see.measured('economics.edgePrice', op.economics.edgePrice, 0, 1e6, 'money');
  see.measured('economics.edgeChangeMin', op.economics.edgeChangeMin, 0, 600, 'min');
  see.measured('economics.partWorth', op.economics.partWorth, 0, 1e7, 'money');
  see.measured('economics.hoursLost', op.economics.hoursLost, 0, 100, 'hours');
  checkInLathe(op, machine, see);
  for (const m of commonMovables(op, context)) see.number(m, op);
  for (const [name, curve] of Object.entries(machine.power_torque)) {
    if (curve.length < 2) see.say(`machine.power_torque.${name}`, curve.length, 'two points or more');
  }
  if (kindOf(op).tool.toothless) return;
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF;
  if (!teeth || teeth < 1) see.say('cutter.properties.ZEFP', teeth, '1 or more');
  if (!(cutter.properties.DC && cutter.properties.DC > 0))
    see.say('cutter.properties.DC', cutter.properties.DC, 'above 0 mm');
}

/** Is this the kind of tool the operation needs? */
export const toolFits = (
  op: Operation,
  cutter: Pick<OperationContext['cutter'], 'type' | 'properties'>,
): boolean => kindOf(op).tool.fits(cutter, op);

/** What speaks against a tool that fits, in a few words; null where nothing does. */
export const toolDoubt = (
  op: Operation,
  cutter: Pick<OperationContext['cutter'], 'type' | 'properties'>,
): string | null => kindOf(op).tool.doubt?.(cutter, op) ?? null;

/** Everything impossible in an operation, one entry a field; empty when it can be evaluated. */
export function problemsOf(op: Operation, context: OperationContext): InputProblem[] {
  const see = new Inspection();
  checkCommon(op, context, see);
  kindOf(op).check(op, context, see);
  return see.problems.filter((p, i, all) => all.findIndex((q) => q.field === p.field) === i);
}

/** Throws an InputError that names every field, value and range when the operation is impossible. */
export function requirePossible(op: Operation, context: OperationContext): void {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
}
