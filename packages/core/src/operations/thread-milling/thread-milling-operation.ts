import type { ThreadForm } from '../../physics/holes/hole.ts';
import type { HoleBase } from '../hole-base.ts';

/** A thread milled by a mill that runs round it. */
export interface ThreadMillingOperation extends HoleBase {
  readonly kind: 'thread-milling';
  readonly thread: ThreadForm;
  readonly cut: {
    readonly speedRpm: number;
    /** Where the edge cuts the major diameter, mm. */
    readonly feedPerToothMm: number;
    /** Radial passes that make the depth. */
    readonly passes: number;
    readonly springPasses: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    'thread-milling': ThreadMillingOperation;
  }
}
