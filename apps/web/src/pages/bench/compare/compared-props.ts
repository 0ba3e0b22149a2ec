import type { Operation, OperationContext } from '@burl/core';
import type { Crib } from '@burl/contract';

/** What a comparison is given: the cut as it is, and where one that is taken or kept goes. */
export interface ComparedProps<O extends Operation> {
  readonly op: O;
  readonly context: OperationContext;
  readonly crib: Crib;
  readonly readOnly: boolean;
  readonly onTake: (next: O) => void;
  readonly onKeep: (next: O) => void;
}
