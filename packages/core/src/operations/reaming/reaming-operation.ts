import type { HoleBase } from '../hole-base.ts';

/** A hole brought to size by a reamer. */
export interface ReamingOperation extends HoleBase {
  readonly kind: 'reaming';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerRevMm: number;
    /** Feed on the way out over the feed in. */
    readonly outFeed: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    reaming: ReamingOperation;
  }
}
