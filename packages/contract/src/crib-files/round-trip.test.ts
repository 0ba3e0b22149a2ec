import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { shippedCrib } from '../../test/shipped-crib.ts';
import { withValueAt } from '../crib-fields/entry-fields.ts';
import type { CribEntry } from '../crib.ts';
import { CRIB_KINDS, type CribKind } from '../crib-kinds.ts';
import { CRIB_FILE_FORMAT } from './json-rows.ts';
import { namedIn } from './named-in.ts';
import { type Known, readCribFile } from './read-crib-file.ts';
import { changedBy, isNew } from './report.ts';
import { cribCsv } from './write-csv.ts';

const crib = shippedCrib(join(import.meta.dirname, '../../../core/data'));

const ofTheShop = (kind: CribKind): CribEntry[] =>
  crib[kind].map((e) => ({
    ...e,
    id: `own-${e.id}`,
    origin: 'shop',
    document: { ...e.document, id: `own-${e.id}` },
  }));
const known = (entries: readonly CribEntry[]): Known[] =>
  entries.map(({ id, origin, version, document }) => ({ id, origin, version, document }));
const csvOf = (kind: CribKind, entries: readonly CribEntry[]) =>
  ({ format: 'csv', text: [...cribCsv(kind, entries)].join('') }) as const;

describe.each(CRIB_KINDS)('%s written as CSV and read again', (kind) => {
  const entries = ofTheShop(kind);
  const file = csvOf(kind, entries);

  it('are what they were, every one', () => {
    const read = readCribFile(kind, file, known(entries), crib.materials);
    expect(read.problems).toEqual([]);
    expect(read.unread).toEqual([]);
    expect([...read.same].sort()).toEqual(entries.map((e) => e.id).sort());
  });

  it('show the one value that was changed meanwhile, and nothing else', () => {
    const meanwhile = entries.map((e, i) =>
      i === 1
        ? { ...e, document: withValueAt(e.document as never, 'name', 'renamed meanwhile') as never }
        : e,
    );
    const read = readCribFile(kind, file, known(meanwhile), crib.materials);
    expect(read.same.size).toBe(entries.length - 1);
    const changes = changedBy(read);
    expect(changes.map((c) => c.document)).toEqual([entries[1]!.document]);
  });

  it('name all that has to be known to read it', () => {
    const named = namedIn(kind, file);
    expect(entries.every((e) => named.ids.includes(e.id) && named.names.includes(e.document.name))).toBe(
      true,
    );
  });

  it('come in new from JSON where nothing of the kind stands, and are the same again from the file of that', () => {
    const text = JSON.stringify({
      format: CRIB_FILE_FORMAT,
      version: 1,
      [kind]: entries.map((e) => e.document),
    });
    const first = readCribFile(kind, { format: 'json', text }, [], crib.materials);
    expect(first.problems).toEqual([]);
    expect(first.entries.filter(isNew).map((e) => e.document)).toEqual(entries.map((e) => e.document));
    const again = readCribFile(kind, { format: 'json', text }, known(entries), crib.materials);
    expect(again.same.size).toBe(entries.length);
  });

  it('leaves a built-in entry alone that the file has otherwise', () => {
    const builtIn = entries.map((e) => ({ ...e, origin: 'built-in' as const }));
    const other = entries.map((e, i) =>
      i === 0 ? { ...e, document: withValueAt(e.document as never, 'name', 'another name') as never } : e,
    );
    const read = readCribFile(kind, csvOf(kind, other), known(builtIn), crib.materials);
    expect(read.problems).toEqual([
      expect.objectContaining({ row: 2, value: entries[0]!.id, allowed: expect.stringMatching(/built-in/) }),
    ]);
    expect(read.entries.map((e) => e.document.id)).not.toContain(entries[0]!.id);
  });
});

it('keeps a name a spreadsheet would run as text in the file and as itself in the crib', () => {
  const [entry] = ofTheShop('holders');
  for (const name of ['=1+1', '@home', ' -3 mm chuck', '＝2']) {
    const odd = { ...entry!, document: { ...entry!.document, name } };
    const file = csvOf('holders', [odd]);
    expect(file.text).toContain(`'${name}`);
    const read = readCribFile('holders', file, known([odd]), crib.materials);
    expect([...read.same]).toEqual([odd.id]);
  }
});
