import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Operation, OperationContext } from '@burl/core';
import { type Crib, type CribEntry, type CribKind, operationsOf, parseJobFile } from '@burl/contract';
import { contextOf } from '../src/judging/context.ts';

const root = resolve(import.meta.dirname, '../../..');
const data = (name: string): Record<string, never> =>
  JSON.parse(readFileSync(resolve(root, `packages/core/data/${name}.json`), 'utf8')) as Record<string, never>;
const entries = <K extends CribKind>(kind: K): CribEntry<K>[] =>
  (data(kind)[kind] as unknown as { id: string }[]).map(
    (d) => ({ id: d.id, origin: 'built-in', copiedFrom: null, version: 1, document: d }) as never,
  );

/** The shipped crib as the interface gets it. */
export const CRIB: Crib = {
  alloys: entries('alloys'),
  machines: entries('machines'),
  cutters: entries('cutters'),
  holders: entries('holders'),
  materials: { substrates: data('cutters')['substrates']!, coatings: data('cutters')['coatings']! },
  assemblies: [],
  resonance: { serial: null, tips: [], observations: [] },
};

const file = parseJobFile(readFileSync(resolve(root, 'docs/examples/wellhead-bonnet.burl.json'), 'utf8'));

/** An operation of the example job by a part of its name, with its context. */
export function example(name: string): { op: Operation; context: OperationContext } {
  const found = operationsOf(file).find((o) => o.name.includes(name));
  if (!found) throw new Error(`no operation named ${name}`);
  return { op: found.operation, context: contextOf(CRIB, found.operation, file.job.quantity)! };
}
