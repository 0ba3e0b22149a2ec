import type { OperationContext } from '../operations/context.ts';
import type { Movable } from '../operations/movable.ts';
import type { Operation } from '../operations/operation.ts';
import type { Parameter } from '../operations/parameter.ts';
import { InputError } from '../units/input-error.ts';
import { kindOf } from './registry.ts';

/** Parameters of an operation, in the order they are read. */
export const parametersOf = (op: Operation): readonly Parameter[] => kindOf(op).parameters;

/** Every number of an operation that can be moved, with its range and step here. */
export const movablesOf = (op: Operation, context: OperationContext): readonly Movable[] =>
  kindOf(op).movables(op, context);

/** One of them. Throws a RangeError when the operation has no such number. */
export function movableOf(op: Operation, context: OperationContext, key: string): Movable {
  const all = movablesOf(op, context);
  const found = all.find((m) => m.key === key);
  if (!found) throw new RangeError(`invalid key; not one of ${all.map((m) => m.key).join(', ')}: ${key}`);
  return found;
}

/**
 * The operation with one parameter moved; the others follow so that kinematics hold and pinned ones stay.
 * When speed moves the feed per tooth is kept, so table feed moves with it and the chip stays as it is.
 * Throws an InputError for a value not above zero, or when pins leave nothing to move.
 */
export function setParameter(
  op: Operation,
  context: OperationContext,
  key: Parameter,
  value: number,
): Operation {
  if (!(value > 0 && Number.isFinite(value)))
    throw new InputError([{ field: key, value, allowed: 'a number above 0' }]);
  if (!parametersOf(op).includes(key))
    throw new InputError([{ field: 'parameter', value: key, allowed: parametersOf(op).join(', ') }]);
  return kindOf(op).set(op, context, key, value);
}
