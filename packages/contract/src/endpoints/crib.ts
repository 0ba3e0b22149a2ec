import { CRIB_KINDS, type CribKind } from '../crib-kinds.ts';
import {
  type Assembly,
  assemblySchema,
  assemblyUpdateSchema,
  copyEntrySchema,
  type Crib,
  type CribEntry,
  type EntryDeed,
  entrySchema,
  MOST_FOUND,
  newEntrySchema,
  retiredSchema,
  type Stock,
  stockSchema,
} from '../crib.ts';
import { type KeptRates, keptRatesSchema } from '../shop-rates-schema.ts';
import { type ImportReport, importSchema, MOST_IMPORT_BYTES } from '../crib-files/import-report.ts';
import { endpoint } from '../endpoint.ts';
import type { Removed } from './answers.ts';

const changeEntry = <K extends CribKind>(kind: K) =>
  endpoint<CribEntry>()({
    method: 'PUT',
    path: `/api/crib/${kind}/:entry`,
    access: 'editor',
    tag: 'crib',
    summary: 'Update a shop entry',
    body: entrySchema(kind),
  });

const addEntry = <K extends CribKind>(kind: K) =>
  endpoint<CribEntry>()({
    method: 'POST',
    path: `/api/crib/${kind}/new`,
    access: 'editor',
    tag: 'crib',
    summary: 'New shop entry',
    body: newEntrySchema(kind),
  });

export const CRIB = {
  whole: endpoint<Crib>()({
    method: 'GET',
    path: '/api/crib',
    access: 'person',
    tag: 'crib',
    summary: 'The whole crib',
  }),
  rates: endpoint<KeptRates>()({
    method: 'PUT',
    path: '/api/shop-rates',
    access: 'editor',
    tag: 'crib',
    summary: 'Rates of the shop: currency, hours, minutes',
    body: keptRatesSchema,
    success: 200,
  }),
  entries: endpoint<CribEntry[]>()({
    method: 'GET',
    path: '/api/crib/:kind',
    access: 'person',
    tag: 'crib',
    summary: 'Entries of one kind',
  }),
  copy: endpoint<CribEntry>()({
    method: 'POST',
    path: '/api/crib/:kind',
    access: 'editor',
    tag: 'crib',
    summary: 'Copy an entry under a new id',
    body: copyEntrySchema,
  }),
  /** What an entry must be hangs on its kind, so each has an endpoint of its own. */
  change: Object.fromEntries(CRIB_KINDS.map((kind) => [kind, changeEntry(kind)])) as {
    readonly [K in CribKind]: ReturnType<typeof changeEntry<K>>;
  },
  add: Object.fromEntries(CRIB_KINDS.map((kind) => [kind, addEntry(kind)])) as {
    readonly [K in CribKind]: ReturnType<typeof addEntry<K>>;
  },
  retire: endpoint<CribEntry>()({
    method: 'PUT',
    path: '/api/crib/:kind/:entry/retired',
    access: 'editor',
    tag: 'crib',
    summary:
      'Retire an entry, or bring it back: it is not offered any more, and nothing that names it breaks',
    body: retiredSchema,
  }),
  history: endpoint<EntryDeed[]>()({
    method: 'GET',
    path: '/api/crib/:kind/:entry/history',
    access: 'person',
    tag: 'crib',
    summary: 'Who changed which value of an entry, when and why',
  }),
  stock: endpoint<Stock>()({
    method: 'PUT',
    path: '/api/crib/cutters/:entry/stock',
    access: 'editor',
    tag: 'crib',
    summary: 'Count the shelf of a cutter: edges, place, price',
    body: stockSchema,
  }),
  search: endpoint<CribEntry[]>()({
    method: 'GET',
    path: '/api/crib/:kind/search',
    access: 'person',
    tag: 'crib',
    summary: `Entries in which everything typed is found, ${MOST_FOUND} at most: ?q=&most=`,
  }),
  importFile: endpoint<ImportReport>()({
    method: 'POST',
    path: '/api/crib/:kind/import',
    access: 'editor',
    tag: 'crib',
    summary: 'Entries from a CSV or JSON file: whole or not at all; dryRun only tells what would happen',
    body: importSchema,
    most: MOST_IMPORT_BYTES,
    success: 200,
  }),
  exportFile: endpoint<string>()({
    method: 'GET',
    path: '/api/crib/:kind/export',
    access: 'person',
    tag: 'crib',
    summary: 'Entries of one kind as a file: ?format=csv or json, ?origin=shop or all',
  }),
  remove: endpoint<Removed>()({
    method: 'DELETE',
    path: '/api/crib/:kind/:entry',
    access: 'editor',
    tag: 'crib',
    summary: 'Remove a shop entry that nothing uses',
  }),
  addAssembly: endpoint<Assembly>()({
    method: 'POST',
    path: '/api/assemblies',
    access: 'editor',
    tag: 'crib',
    summary: 'Create an assembly',
    body: assemblySchema,
  }),
  changeAssembly: endpoint<Assembly>()({
    method: 'PUT',
    path: '/api/assemblies/:id',
    access: 'editor',
    tag: 'crib',
    summary: 'Change an assembly',
    body: assemblyUpdateSchema,
  }),
};
