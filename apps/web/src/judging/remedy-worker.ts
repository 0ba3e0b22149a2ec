import { type Holder, type Operation, type OperationContext, remediesFor, type Remedy } from '@burl/core';
import { expose } from 'comlink';

const api = {
  remedies: (
    op: Operation,
    context: OperationContext,
    limitId: string,
    holders: readonly Holder[],
  ): Remedy[] => remediesFor(op, context, limitId, holders),
};

export type RemedyWorker = typeof api;
expose(api);
