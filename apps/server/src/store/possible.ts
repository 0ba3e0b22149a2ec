import type { Batch } from '@burl/contract';
import { InputError, type Operation, problemsOf } from '@burl/core';
import type { Transaction } from './client.ts';
import { contextForCheck, contextInCrib, cribNaming } from './crib-store.ts';

/** Refuses what the core calls impossible, with every field, value and range. */
export async function requirePossible(tx: Transaction, op: Operation, batch: Batch): Promise<void> {
  const problems = problemsOf(op, await contextForCheck(tx, op, batch));
  if (problems.length > 0) throw new InputError(problems);
}

/** The same of several operations of one request, each field under its place in the list. */
export async function requireAllPossible(
  tx: Transaction,
  list: readonly { readonly document: Operation }[],
  batch: Batch,
  name: string,
): Promise<void> {
  const crib = await cribNaming(
    tx,
    list.map((l) => l.document),
  );
  const problems = list.flatMap(({ document }, i) =>
    problemsOf(document, contextInCrib(crib, document, batch)).map((p) => ({
      ...p,
      field: `${name}[${i}].document.${p.field}`,
    })),
  );
  if (problems.length > 0) throw new InputError(problems);
}
