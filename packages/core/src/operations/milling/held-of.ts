import type { HoldingKind } from '../../physics/holding/holdings.ts';
import type { OperationContext } from '../context.ts';
import type { MillingOperation, Workholding } from './milling-operation.ts';

/** What holds the part of a cut, and whether the setup says so. */
export interface HeldWork extends Omit<Workholding, 'kind'> {
  readonly kind: HoldingKind;
  readonly bySetup: boolean;
}

/** A force that the operation declares counts; else what its setup holds with. */
export function heldOf(
  { workholding }: MillingOperation,
  { held }: Pick<OperationContext, 'held'>,
): HeldWork {
  if (!held || workholding.capacityN !== null) return { ...workholding, bySetup: false };
  return {
    kind: held.kind,
    capacityN: held.slideN,
    liftCapacityN: workholding.liftCapacityN ?? held.liftN,
    releaseC: workholding.releaseC ?? held.releaseC,
    bySetup: true,
  };
}
