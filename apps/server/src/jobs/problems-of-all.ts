import type { Crib } from '@burl/contract';
import { type InputProblem, type Operation, problemsOf } from '@burl/core';
import { contextInCrib } from './crib-store.ts';

/** What is impossible in operations of one request, each field under its place in the list. */
export const problemsOfAll = (
  list: readonly { readonly document: Operation }[],
  crib: Crib,
  quantity: number,
  name: string,
): InputProblem[] =>
  list.flatMap(({ document }, i) =>
    problemsOf(document, contextInCrib(crib, document, quantity)).map((p) => ({
      ...p,
      field: `${name}[${i}].document.${p.field}`,
    })),
  );
