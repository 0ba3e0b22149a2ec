import { costBasis } from '../../operations/cost.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { EdgeCosts } from '../../physics/life/change-point.ts';

/** Share of edges that fail in the cut and take the part along: with somebody who hears it, and with nobody. Judgement. */
const TAKES_PART = { attended: 0.15, unattended: 0.5 } as const;
/** Minutes a machine stands while somebody looks at a failed edge, sets the next and touches off again. */
const STOP_MIN = 15;
/** Hours lost where an edge fails and nobody is there until the next shift looks. */
const USUAL_HOURS_LOST = 4;
/** What a part is taken to be worth where nobody said, in hours of its machine. */
const USUAL_WORTH_HOURS = 4;

/** What edges cost here, attended or not. */
export interface FailureCosts extends EdgeCosts {
  /** What of it nobody stated. */
  readonly assumed: readonly string[];
}

/** Costs of a change and of a failure in the cut, counting edge, stop, scrapped part and lost hours. */
export function failureCosts(op: Operation, context: OperationContext, attended: boolean): FailureCosts {
  const basis = costBasis(op, context);
  // A sheet that was released earlier says neither.
  const { partWorth = null, hoursLost = null } = op.economics;
  const worth = partWorth ?? USUAL_WORTH_HOURS * 60 * basis.machinePerMin;
  const standing = attended ? STOP_MIN : STOP_MIN + 60 * (hoursLost ?? USUAL_HOURS_LOST);
  return {
    change: basis.edgePrice + basis.edgeChangeMin * basis.machinePerMin,
    failure: standing * basis.machinePerMin + TAKES_PART[attended ? 'attended' : 'unattended'] * worth,
    assumed: [
      ...basis.assumed,
      ...(partWorth === null ? ['part value'] : []),
      ...(!attended && hoursLost === null ? ['hours lost'] : []),
    ],
  };
}
