import type { HoleBase } from '../hole-base.ts';

/** An edge broken by a chamfer mill running round the hole. */
export interface ChamferingOperation extends HoleBase {
  readonly kind: 'chamfering';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerToothMm: number;
    /** Width of the chamfer, mm. */
    readonly widthMm: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    chamfering: ChamferingOperation;
  }
}
