import {
  type Accepted,
  edgeFamilyOf,
  evaluate,
  type LearntConstant,
  learntFor,
  limitOf,
  numberOf,
  sigmaOfSpan,
  type OperationContext,
} from '@burl/core';
import type { Proposal, WouldChange } from '@burl/contract';
import type { FitCase, OpenOperation } from '../store/fit-case.ts';
import { fitForces, fitLife } from './fit-trials.ts';

const sameKey = (a: LearntConstant, b: LearntConstant): boolean => {
  if (a.kind === 'life') return b.kind === 'life' && a.alloyId === b.alloyId && a.edgeFamily === b.edgeFamily;
  if (a.kind === 'force') return b.kind === 'force' && a.alloyId === b.alloyId;
  return b.kind === 'drive' && a.machineId === b.machineId;
};

const withConstants = (
  context: OperationContext,
  heatLot: string,
  constants: readonly Accepted[],
): OperationContext => {
  const { learnt: _, ...plain } = context;
  const learnt = learntFor(constants, {
    alloyId: context.alloy.id,
    edgeFamily: edgeFamilyOf(context.cutter),
    machineId: context.machine.id,
    heatLot,
  });
  return learnt ? { ...plain, learnt } : plain;
};

/** Operations whose state or life would be another. */
function changesOf(
  open: readonly OpenOperation[],
  now: readonly Accepted[],
  then: readonly Accepted[],
): WouldChange[] {
  return open.flatMap(({ id, name, document, context, jobId, jobNumber, heatLot }): WouldChange[] => {
    if (!context) return [];
    try {
      const before = evaluate(document, withConstants(context, heatLot, now));
      const after = evaluate(document, withConstants(context, heatLot, then));
      const life = (e: typeof before): number | null =>
        e.numbers.some((n) => n.key === 'T') ? numberOf(e, 'T').value : null;
      const [lifeBefore, lifeAfter] = [life(before), life(after)];
      const moved =
        lifeBefore !== null && lifeAfter !== null && Math.abs(Math.log(lifeAfter / lifeBefore)) > 0.1;
      if (before.state === after.state && !moved) return [];
      return [
        {
          jobId,
          jobNumber,
          operationId: id,
          operation: name,
          before: before.state,
          after: after.state,
          limit: limitOf(after, after.governing).name,
          lifeBefore,
          lifeAfter,
        },
      ];
    } catch {
      // What cannot be judged at all changes nothing here; its job says so itself.
      return [];
    }
  });
}

/** Fits the trials and says which operations of open jobs would change. Nothing is kept. */
export function propose({ question, trials, alloy, alloys, open, accepted }: FitCase): Proposal {
  const kcSd = Object.fromEntries(
    alloys.map((a) => [a.id, sigmaOfSpan(a.kienzle.kc11_n_mm2.low, a.kienzle.kc11_n_mm2.high)]),
  );
  const fitted =
    question.kind === 'life' ? fitLife(question, trials, alloy) : fitForces(question, trials, alloy, kcSd);
  const proposed = fitted.constants.map((c) => ({
    ...c,
    id: 'proposed',
    acceptedAt: new Date(0).toISOString(),
    acceptedBy: '',
  }));
  const then = [...accepted.filter((a) => !proposed.some((p) => sameKey(a, p))), ...proposed];
  return {
    question,
    ...fitted,
    changes: changesOf(open, accepted, then),
    judged: open.filter((o) => o.context).length,
  };
}
