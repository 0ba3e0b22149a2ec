import { CRIB, CRIB_KINDS, type CribDocuments, type CribKind } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { addAssembly, changeAssembly, changeEntry, copyEntry, removeEntry } from '../store/crib-changes.ts';
import { entriesOf, wholeCrib } from '../store/crib-store.ts';
import { notFound } from '../store/refusal.ts';
import { partnersIn } from '../work/try-entry.ts';
import type { Work } from '../work/work.ts';

/** A cut is judged in a thousandth of it; an entry that takes longer would hold up whoever uses it. */
const TRY_SECONDS = 10;

function kindOf(given: string): CribKind {
  const kind = CRIB_KINDS.find((k) => k === given);
  if (!kind) throw notFound('This table');
  return kind;
}

/** What a shop cuts with: alloys, machines, cutters, holders, assemblies. */
export function cribRoutes(app: FastifyInstance, db: Database, work: Work): void {
  serve(app, CRIB.whole, () => wholeCrib(db));
  serve(app, CRIB.entries, ({ at }) => entriesOf(db, kindOf(at.kind)));
  serve(app, CRIB.copy, ({ at, person, body }) => copyEntry(db, person, kindOf(at.kind), body));
  for (const kind of CRIB_KINDS)
    serve(app, CRIB.change[kind], async ({ at, person, body }) => {
      const document = body.document as unknown as CribDocuments[CribKind];
      await work.run('tryEntry', [kind, document, partnersIn(await wholeCrib(db))], TRY_SECONDS);
      return changeEntry(db, person, kind, at.entry, body);
    });
  serve(app, CRIB.remove, async ({ at, person }) => {
    await removeEntry(db, person, kindOf(at.kind), at.entry);
    return { removed: at.entry };
  });
  serve(app, CRIB.addAssembly, ({ person, body }) => addAssembly(db, person, body));
  serve(app, CRIB.changeAssembly, ({ at, person, body }) => changeAssembly(db, person, at.id, body));
}
