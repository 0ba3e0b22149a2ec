import type { Evaluation, Operation, OperationContext } from '@burl/core';
import type { Preview } from '../notices.tsx';

/** What every chart under the cut gets. */
export interface PanelProps<O extends Operation = Operation> {
  readonly op: O;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  readonly readOnly: boolean;
  readonly onSpeed: (rpm: number) => void;
  /** Moves free parameters one after the other, as if they were typed. */
  readonly onMove: (changes: readonly (readonly [string, number])[]) => void;
  readonly onPreview: (found: Preview) => void;
  readonly onChange: (next: Operation) => void;
}
