import type { ThreadForm } from '../physics/holes/hole.ts';
import type { HoleBase } from './hole-base.ts';
import type { Operation } from './operation.ts';

/** A step of a hole, of any kind. */
export type HoleOperation = Extract<Operation, HoleBase>;
export type HoleKind = HoleOperation['kind'];

/** A step that makes a thread. */
export type ThreadOperation = Extract<HoleOperation, { readonly thread: ThreadForm }>;

/** Feeds down its axis; what is fed per tooth runs along or round instead. */
export const feedsDown = ({ cut }: { readonly cut: object }): boolean => !('feedPerToothMm' in cut);

export const hasThread = (op: object): op is ThreadOperation => 'thread' in op;

/** Is the operation a step of a hole? */
export const isHole = <T extends { readonly kind: string }>(op: T): op is Extract<T, HoleOperation> =>
  'hole' in op;
