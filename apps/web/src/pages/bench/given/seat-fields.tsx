import { EDGE_SIDES, type OperationContext, ROTATIONS, seatOf, type TurnedOperation } from '@burl/core';
import { Choice } from '../../../ui/form-parts.tsx';

/** Which way the part turns, and which way the edge looks. */
export function SeatFields<O extends TurnedOperation>({
  op,
  context,
  readOnly,
  onChange,
}: {
  op: O;
  context: OperationContext;
  readOnly: boolean;
  onChange: (next: O) => void;
}) {
  const seat = seatOf(op, context.machine);
  return (
    <>
      <Choice
        label="Spindle turns"
        value={seat.rotation}
        options={ROTATIONS}
        readOnly={readOnly}
        onTake={(rotation) => onChange({ ...op, seat: { ...seat, rotation } })}
      />
      <Choice
        label="Edge faces"
        value={seat.edge}
        options={EDGE_SIDES}
        readOnly={readOnly}
        onTake={(edge) => onChange({ ...op, seat: { ...seat, edge } })}
      />
    </>
  );
}
