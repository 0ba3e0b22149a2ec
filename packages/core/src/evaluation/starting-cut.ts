import type { OperationContext } from '../operations/context.ts';
import type { Operation } from '../operations/operation.ts';
import { kindOf } from './registry.ts';

/** The same operation with first numbers worked out for its alloy, cutter and hardness, and recorded as such. */
export function withStartingCut(op: Operation, context: OperationContext): Operation {
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  return { ...kindOf(op).start(op, context), workedOutFor };
}

/** The same operation with speed and feed worked out anew for its alloy, cutter and hardness; its engagement stays. */
export function withSpeedAndFeed(op: Operation, context: OperationContext): Operation {
  const workedOutFor = { alloyId: op.alloyId, cutterId: op.tooling.cutterId, hardness: op.measured.hardness };
  return { ...kindOf(op).renew(op, context), workedOutFor };
}

/** Stick-out to begin with, mm: the shortest the cutter's record recommends that still reaches the floor. */
export function startingStickOut({ cutter }: Pick<OperationContext, 'cutter'>, depthMm: number): number {
  const p = cutter.properties;
  const shortest = p.LPR ?? p.LF ?? 2 * (p.DC ?? 10);
  return Math.min((p.OAL ?? Infinity) - 10, Math.max(shortest, depthMm + 2));
}

/** The same as one would set it, mm: in halves, with 2 mm to spare over the depth. */
export const setStickOut = (at: Pick<OperationContext, 'cutter'>, depthMm: number): number =>
  Math.ceil(startingStickOut(at, depthMm + 2) * 2) / 2;
