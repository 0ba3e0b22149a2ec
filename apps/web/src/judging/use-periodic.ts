import type { Crib } from '@burl/contract';
import { millingState, type Operation, type PeriodicVerdict, problemsOf } from '@burl/core';
import { useMemo } from 'react';
import { contextOf } from './context.ts';
import { question } from './question.ts';
import { useHeavy } from './use-heavy.ts';

/**
 * The periodic verdict of the cut on the bench, from a worker once the hand rests. Null for holes and where nobody has
 * measured or tried the combination: the library's guess is unproven either way.
 */
export function usePeriodic(op: Operation, crib: Crib, quantity: number): PeriodicVerdict | null {
  const { context, key } = useMemo(() => {
    const at = contextOf(crib, op, quantity);
    if (!at || op.kind !== 'milling' || op.path.strategy === 'plunge') return { context: null, key: null };
    const { machineId, tooling } = op;
    const told = [...crib.resonance.tips, ...crib.resonance.observations].some(
      (k) => k.machineId === machineId && k.holderId === tooling.holderId,
    );
    if (!told || problemsOf(op, at).length > 0) return { context: null, key: null };
    const { knowledge, testCuts } = millingState(op, at).stability;
    if (knowledge.trust === 'generic' && testCuts === 0) return { context: null, key: null };
    return { context: at, key: question('periodic', op, at) };
  }, [op, crib, quantity]);
  const heavy = useHeavy<PeriodicVerdict>(
    'periodic',
    key,
    (api) => api.periodic(op as Extract<Operation, { kind: 'milling' }>, context!),
    400,
  );
  return key ? heavy.data : null;
}
