import type { HoleBase } from '../hole-base.ts';

/** A cone sunk into the mouth of a hole by a tool as wide as it. */
export interface CountersinkingOperation extends HoleBase {
  readonly kind: 'countersinking';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerRevMm: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    countersinking: CountersinkingOperation;
  }
}
