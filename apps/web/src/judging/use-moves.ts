import {
  InputError,
  movableOf,
  type Operation,
  type OperationContext,
  type Parameter,
  parametersOf,
  problemInWords,
  setParameter,
} from '@burl/core';
import { useSystem } from '../frame/preferences.tsx';
import { useCallback } from 'react';
import { toast } from 'sonner';

/** Ways to move numbers of the operation; what cannot be moved is said and stays. */
export interface Moves {
  /** A parameter as if typed: the others follow. */
  readonly parameter: (key: Parameter, value: number, gesture?: string) => void;
  /** Several, one after the other. */
  readonly several: (changes: readonly (readonly [string, number])[]) => void;
  readonly pin: (key: string) => void;
}

/** One number moved: a parameter drives the others, any other number stands for itself. */
function moved(op: Operation, context: OperationContext, key: string, value: number): Operation {
  const parameter = parametersOf(op).find((p) => p === key);
  return parameter
    ? setParameter(op, context, parameter, value)
    : movableOf(op, context, key).write(op, value);
}

export function useMoves(
  op: Operation,
  contextOf: (op: Operation) => OperationContext | null,
  set: (next: Operation, gesture?: string) => void,
): Moves {
  const system = useSystem();
  const attempt = useCallback(
    (change: (context: OperationContext) => Operation, gesture?: string) => {
      const context = contextOf(op);
      if (!context) return;
      try {
        set(change(context), gesture);
      } catch (e) {
        if (!(e instanceof InputError)) throw e;
        // One at a time: a drag beyond the end says so once.
        toast.error(e.problems.map((p) => problemInWords(p, system)).join('; '), { id: gesture ?? 'typed' });
      }
    },
    [op, contextOf, set, system],
  );
  const parameter = useCallback(
    (key: Parameter, value: number, gesture?: string) =>
      attempt((context) => setParameter(op, context, key, value), gesture),
    [attempt, op],
  );
  const several = useCallback(
    (changes: readonly (readonly [string, number])[]) =>
      attempt((context) => changes.reduce((o, [key, value]) => moved(o, context, key, value), op), 'map'),
    [attempt, op],
  );
  const pin = useCallback(
    (key: string) =>
      set({ ...op, pins: op.pins.includes(key) ? op.pins.filter((k) => k !== key) : [...op.pins, key] }),
    [op, set],
  );
  return { parameter, several, pin };
}
