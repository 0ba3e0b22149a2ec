import type { GroovingOperation } from '../grooving/grooving-operation.ts';
import type { Operation } from '../operation.ts';
import type { ThreadTurningOperation } from '../thread-turning/thread-turning-operation.ts';
import type { TurningOperation } from '../turning/turning-operation.ts';

/** An operation in which the part turns and the tool stands. */
export type TurnedOperation = TurningOperation | GroovingOperation | ThreadTurningOperation;

const TURNED: Readonly<Record<TurnedOperation['kind'], true>> = {
  turning: true,
  grooving: true,
  'thread-turning': true,
};

export const isTurnedKind = (kind: Operation['kind']): kind is TurnedOperation['kind'] => kind in TURNED;
export const isTurnedOperation = (op: Operation): op is TurnedOperation => isTurnedKind(op.kind);

/** How far along the axis one cuts, mm. */
export function turnedLength(op: TurnedOperation): number {
  if (op.kind === 'turning') return op.stretch.lengthMm;
  return op.kind === 'grooving' ? op.groove.lengthMm : op.turned.lengthMm;
}
