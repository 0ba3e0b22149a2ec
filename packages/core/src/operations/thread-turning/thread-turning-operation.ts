import type { ThreadForm } from '../../physics/holes/hole.ts';
import type { Infeed } from '../../physics/threads/turned-passes.ts';
import { basicDiameters } from '../../physics/threads/thread-geometry.ts';
import type { PartSupport } from '../lathe/held-part.ts';
import type { OperationBase } from '../operation-base.ts';

/** A thread cut on a lathe, and how the part stands in it. Lengths in mm. */
export interface TurnedThread {
  readonly internal: boolean;
  readonly lengthMm: number;
  /** From the free end of the part to where the thread begins. */
  readonly fromEndMm: number;
  /** Room behind its end: an undercut, or nothing. */
  readonly runOutMm: number;
  /** Absent is right-hand. */
  readonly leftHand?: boolean;
  readonly overhangMm: number;
  readonly boreMm: number;
  readonly support: PartSupport;
}

/** A thread one would begin with. */
export const PLAIN_TURNED_THREAD: TurnedThread = {
  internal: false,
  lengthMm: 20,
  fromEndMm: 0,
  runOutMm: 4,
  overhangMm: 60,
  boreMm: 0,
  support: 'chuck',
};

/** Turning a thread, at one speed all through. */
export interface ThreadTurningOperation extends OperationBase {
  readonly kind: 'thread-turning';
  readonly thread: ThreadForm;
  readonly turned: TurnedThread;
  readonly cut: {
    readonly speedRpm: number;
    readonly passes: number;
    readonly springPasses: number;
    readonly infeed: Infeed;
  };
}

/** Does the edge go towards the jaws? A right-hand thread does while the part turns forward. */
export const towardsJaws = ({ seat, turned }: Pick<ThreadTurningOperation, 'seat' | 'turned'>): boolean =>
  (seat?.rotation !== 'reverse') !== (turned.leftHand === true);

/** Depth of the groove over the pitch: outside to the rounded root (ISO 68-1), inside to the crest; 55° as it stands. */
const DEPTH = { outside: 0.6134, inside: 0.5413, pipe: 0.6403 } as const;
export const threadDepth = ({ thread, turned }: ThreadTurningOperation): number =>
  thread.pitchMm * (thread.flankDeg === 55 ? DEPTH.pipe : turned.internal ? DEPTH.inside : DEPTH.outside);

/** Diameter before the thread is cut, mm: outside the major one, inside the bore. */
export const threadStart = ({ thread, turned }: ThreadTurningOperation): number =>
  turned.internal ? basicDiameters(thread).minorMm : thread.majorMm;

declare module '../operation.ts' {
  interface OperationTypes {
    'thread-turning': ThreadTurningOperation;
  }
}
