import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { type Operation, type OperationContext, workingHolders, workingRange } from '@burl/core';
import { operationsOf, parseJobFile } from '@burl/contract';
import { shippedCrib } from '../../../packages/contract/test/shipped-crib.ts';
import { contextOf } from '../src/judging/context.ts';

const root = resolve(import.meta.dirname, '../../..');
/** The shipped crib as the interface gets it. */
export const CRIB = shippedCrib(resolve(root, 'packages/core/data'));
/** The crib of a new shop, with the working range that follows from families. */
export const WHOLE_CRIB: typeof CRIB = {
  ...CRIB,
  cutters: [...CRIB.cutters.map((c) => c.document), ...workingRange()].map((document) => ({
    ...CRIB.cutters[0]!,
    id: document.id,
    document,
  })),
  holders: [...CRIB.holders.map((h) => h.document), ...workingHolders()].map((document) => ({
    ...CRIB.holders[0]!,
    id: document.id,
    document,
  })),
};
/** Twelve parts of no particular lot. */
export const BATCH = { quantity: 12, heatLot: '' };
const file = parseJobFile(readFileSync(resolve(root, 'docs/examples/wellhead-bonnet.burl.json'), 'utf8'));

/** An operation of the example job by a part of its name, with its context. */
export function example(name: string): { op: Operation; context: OperationContext } {
  const found = operationsOf(file).find((o) => o.name.includes(name));
  if (!found) throw new Error(`no operation named ${name}`);
  return { op: found.operation, context: contextOf(CRIB, found.operation, file.job)! };
}
