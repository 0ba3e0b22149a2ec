import type { Evaluation, Operation, OperationContext, Parameter } from '@burl/core';

/** What every drawing of a cut gets. A change within one gesture is one step of undo. */
export interface DrawingProps<O extends Operation = Operation> {
  readonly op: O;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  readonly readOnly: boolean;
  /** Moves a parameter, the others following. */
  readonly onParameter: (key: Parameter, value: number) => void;
  /** Any other change, with the name of its gesture. */
  readonly onChange: (next: Operation, gesture: string) => void;
}
