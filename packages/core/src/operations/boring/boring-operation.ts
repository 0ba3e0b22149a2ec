import type { HoleBase } from '../hole-base.ts';

/** A hole brought to size by a boring bar. */
export interface BoringOperation extends HoleBase {
  readonly kind: 'boring';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerRevMm: number;
    /** Passes the allowance is divided into. */
    readonly passes: number;
    readonly springPasses: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    boring: BoringOperation;
  }
}
