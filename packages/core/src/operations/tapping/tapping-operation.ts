import type { ThreadForm } from '../../physics/holes/hole.ts';
import type { HoleBase } from '../hole-base.ts';

/** A thread cut or formed by a tap. */
export interface TappingOperation extends HoleBase {
  readonly kind: 'tapping';
  readonly thread: ThreadForm;
  readonly cut: {
    readonly speedRpm: number;
    /** Feed and speed coupled by the control. */
    readonly synchronous: boolean;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    tapping: TappingOperation;
  }
}
