import { evaluate, type Operation, type OperationContext, type ProgramOperation } from '@burl/core';
import { type AtMachine, type ReleaseSnapshot } from './releases.ts';

/** Number of a tool as people write a pocket: `4`, `T4`, `T04`; null where it is none. */
export function toolNumber(pocket: string): number | null {
  const digits = /^\s*T?\s*0*(\d{1,4})\s*$/i.exec(pocket)?.[1];
  return digits === undefined ? null : Number(digits);
}

const atMachine = (at: AtMachine | undefined): Pick<ProgramOperation, 'tool' | 'workOffset'> => ({
  tool: at ? toolNumber(at.pocket) : null,
  workOffset: at?.workOffset ?? '',
});

/** What a program is held against: the operations of a release. */
export const operationsOfRelease = ({
  operations,
}: Pick<ReleaseSnapshot, 'operations'>): readonly ProgramOperation[] =>
  operations.map((o) => ({
    id: o.operationId,
    name: o.name,
    document: o.document,
    context: o.context,
    evaluation: o.evaluation,
    ...atMachine(o.atMachine),
  }));

/** The same of a single operation before its release, judged now. Throws an InputError where it cannot be judged. */
export const operationAsItStands = (
  o: {
    readonly id: string;
    readonly name: string;
    readonly document: Operation;
    readonly workOffset: string;
  },
  context: OperationContext,
): ProgramOperation => ({ ...o, context, evaluation: evaluate(o.document, context), tool: null });
