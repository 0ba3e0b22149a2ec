import {
  type Crib,
  CRIB,
  CRIB_KINDS,
  type CribDocuments,
  type CribEntry,
  type CribKind,
  MOST_FOUND,
} from '@burl/contract';
import { CRIB_FILE_FORMAT } from '@burl/contract/crib-files/json-rows';
import { cribCsv } from '@burl/contract/crib-files/write-csv';
import { setImmediate } from 'node:timers/promises';
import type { FastifyInstance } from 'fastify';
import * as yup from 'yup';
import { checked, serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import {
  addAssembly,
  addEntry,
  changeAssembly,
  changeEntry,
  copyEntry,
  removeEntry,
  retireEntry,
} from '../store/crib-changes.ts';
import { historyOf } from '../store/crib-history.ts';
import { importEntries, knownTo } from '../store/crib-import.ts';
import { searchCrib } from '../store/crib-search.ts';
import { countShelf } from '../store/crib-shelf.ts';
import { keepRates } from '../store/shop-rates.ts';
import { cribText } from '../store/crib-text.ts';
import { entriesOf, stockOf, toolMaterialsOf, wholeCrib } from '../store/crib-store.ts';
import { notFound } from '../store/refusal.ts';
import { partnersIn } from '../work/try-entry.ts';
import type { Work } from '../work/work.ts';

/** A cut is judged in a thousandth of it; an entry that takes longer would hold up whoever uses it. */
const TRY_SECONDS = 10;
/** The largest file is read in a few. */
const READ_SECONDS = 30;

const searchSchema = yup.object({
  q: yup.string().max(200).default(''),
  most: yup.number().integer().min(1).max(MOST_FOUND).default(MOST_FOUND),
});
const exportSchema = yup.object({
  format: yup.string().oneOf(['csv', 'json']).default('csv'),
  origin: yup.string().oneOf(['shop', 'all']).default('shop'),
});

function kindOf(given: string): CribKind {
  const kind = CRIB_KINDS.find((k) => k === given);
  if (!kind) throw notFound('This table');
  return kind;
}

/** A long text made piece by piece, so that others are answered meanwhile. */
async function inPieces(pieces: Iterable<string>): Promise<string> {
  const all: string[] = [];
  for (const piece of pieces) {
    all.push(piece);
    await setImmediate();
  }
  return all.join('');
}

/** Entries as a JSON file, each in a line of its own. */
function* cribJson(kind: CribKind, entries: readonly CribEntry[]): Generator<string> {
  yield `{"format":"${CRIB_FILE_FORMAT}","version":1,"${kind}":[`;
  for (const [i, { document }] of entries.entries()) {
    const line = `${i === 0 ? '' : ','}\n${JSON.stringify(document)}`;
    yield line;
  }
  yield '\n]}\n';
}

/** What a shop cuts with: alloys, machines, cutters, holders, assemblies. */
export function cribRoutes(app: FastifyInstance, db: Database, work: Work): void {
  const whole = cribText(db);
  serve(app, CRIB.rates, ({ person, body }) => keepRates(db, person, body));
  serve(app, CRIB.whole, async ({ request, reply }) => {
    const { tag, text, packed } = await whole();
    reply.type('application/json; charset=utf-8').header('etag', tag).header('vary', 'accept-encoding');
    const takesPacked = /\bgzip\b/.test(String(request.headers['accept-encoding'] ?? ''));
    if (takesPacked) reply.header('content-encoding', 'gzip');
    return (takesPacked ? packed : text) as unknown as Crib;
  });
  serve(app, CRIB.entries, ({ at }) => entriesOf(db, kindOf(at.kind)));
  serve(app, CRIB.copy, ({ at, person, body }) => copyEntry(db, person, kindOf(at.kind), body));
  /** Refuses an entry that Burl cannot judge in time, or at all. */
  const tried = async (kind: CribKind, document: unknown): Promise<void> => {
    const partners = partnersIn(await wholeCrib(db, 'built-in'));
    await work.run('tryEntry', [kind, document as CribDocuments[CribKind], partners], TRY_SECONDS);
  };
  for (const kind of CRIB_KINDS) {
    serve(app, CRIB.change[kind], async ({ at, person, body }) => {
      await tried(kind, body.document);
      return changeEntry(db, person, kind, at.entry, body);
    });
    serve(app, CRIB.add[kind], async ({ person, body }) => {
      await tried(kind, body.document);
      return addEntry(db, person, kind, body);
    });
  }
  serve(app, CRIB.retire, ({ at, person, body }) => retireEntry(db, person, kindOf(at.kind), at.entry, body));
  serve(app, CRIB.history, ({ at }) => historyOf(db, kindOf(at.kind), at.entry));
  serve(app, CRIB.stock, ({ at, person, body }) => countShelf(db, person, at.entry, body));
  serve(app, CRIB.search, async ({ at, request }) => {
    const { q, most } = await checked(searchSchema, request.query, { strict: false });
    return searchCrib(db, kindOf(at.kind), q, most);
  });
  serve(app, CRIB.importFile, async ({ at, person, body: { dryRun, ...file } }) => {
    const kind = kindOf(at.kind);
    const known = await knownTo(db, kind, await work.run('namedInCrib', [kind, file], READ_SECONDS));
    const read = await work.run(
      'readCrib',
      [kind, file, known, await toolMaterialsOf(db), dryRun],
      READ_SECONDS,
    );
    return 'saved' in read ? read : importEntries(db, person, kind, read);
  });
  serve(app, CRIB.exportFile, async ({ at, request, reply }) => {
    const kind = kindOf(at.kind);
    const { format, origin } = await checked(exportSchema, request.query, { strict: false });
    const all = await entriesOf(db, kind);
    const entries = origin === 'all' ? all : all.filter((e) => e.origin === 'shop');
    reply.header('content-disposition', `attachment; filename="burl-${kind}.${format}"`);
    reply.type(format === 'csv' ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8');
    return inPieces(
      format === 'csv'
        ? cribCsv(kind, entries, kind === 'cutters' ? await stockOf(db) : [])
        : cribJson(kind, entries),
    );
  });
  serve(app, CRIB.remove, async ({ at, person }) => {
    await removeEntry(db, person, kindOf(at.kind), at.entry);
    return { removed: at.entry };
  });
  serve(app, CRIB.addAssembly, ({ person, body }) => addAssembly(db, person, body));
  serve(app, CRIB.changeAssembly, ({ at, person, body }) => changeAssembly(db, person, at.id, body));
}
