import { usualIdleKw } from '../learning/fit-load.ts';
import type { Band } from '../judging/result.ts';
import type { OperationContext } from '../operations/context.ts';
import type { Operation } from '../operations/operation.ts';
import { powerAt } from '../physics/cutting/spindle-curve.ts';
import type { Evaluation } from './evaluation.ts';
import { numberOf } from './evaluate.ts';

/** Power of the spindle that counts as 100% of its meter at a speed, kW: continuous rating. */
export const fullScaleKw = ({ machine }: Pick<OperationContext, 'machine'>, speedRpm: number): number =>
  powerAt(machine.power_torque.s1, speedRpm);

/** Load meter at a power and speed, % of the continuous power there, idle power counted. */
export function loadAtPower(power: Band, context: OperationContext, speedRpm: number): Band {
  const full = fullScaleKw(context, speedRpm);
  const idle = context.learnt?.drive?.idleKw ?? usualIdleKw(full);
  const percent = (kw: number): number => (100 * (idle + kw)) / full;
  return {
    value: percent(power.value),
    low: percent(power.low),
    high: percent(power.high),
    basis: power.basis,
  };
}

/** Load meter to expect in the cut of an operation that was evaluated. */
export const expectedLoad = (
  op: Operation,
  context: OperationContext,
  evaluation: Pick<Evaluation, 'numbers'>,
): Band => loadAtPower(numberOf(evaluation, 'P'), context, op.cut.speedRpm);
