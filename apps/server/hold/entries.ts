import { performance } from 'node:perf_hooks';
import { type Crib, type CribKind, entrySchema, malformed } from '@burl/contract';
import { InputError, missingMaterials, type Cutter } from '@burl/core';
import { ValidationError } from 'yup';
import { tryEntry } from '../src/work/try-entry.ts';
import { mutatedEntries } from './mutated-entries.ts';

export interface EntriesHeld {
  readonly kind: CribKind;
  readonly tried: number;
  readonly refused: number;
  /** Longest any took, ms, and what it was. */
  readonly longestMs: number;
  readonly longest: string;
  /** Errors that are no refusal. */
  readonly uncaught: readonly string[];
}

/** Tries mutated entries of a kind as the server does before it saves one. */
export function holdEntries(kind: CribKind, partners: Crib, all: Crib, count: number, seed = 1): EntriesHeld {
  const uncaught: string[] = [];
  let [refused, longestMs, tried] = [0, 0, 0];
  let longest = '';
  for (const document of mutatedEntries(
    (all[kind] as unknown as readonly { document: never }[]).map((e) => e.document),
    count,
    seed,
  )) {
    tried++;
    const began = performance.now();
    try {
      if (malformed(document)) throw new InputError([]);
      entrySchema(kind).validateSync({ version: 1, document }, { strict: true, abortEarly: false });
      if (kind === 'cutters' && missingMaterials(document as unknown as Cutter, all.materials).length > 0)
        throw new InputError([]);
      tryEntry(kind, document, partners);
    } catch (error) {
      if (error instanceof InputError || error instanceof ValidationError) refused++;
      else uncaught.push(`${(error as Error).stack?.split('\n').slice(0, 3).join(' | ')}`);
    }
    const took = performance.now() - began;
    if (took > longestMs) [longestMs, longest] = [took, JSON.stringify(document).slice(0, 3000)];
  }
  return { kind, tried, refused, longestMs, longest, uncaught };
}
