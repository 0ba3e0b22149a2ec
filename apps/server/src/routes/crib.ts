import {
  type AssemblyInput,
  assemblySchema,
  type CopyEntry,
  copyEntrySchema,
  CRIB_KINDS,
  type CribKind,
  entrySchema,
  problemsFromYup,
} from '@burl/contract';
import { type Cutter, InputError, missingMaterials, type ToolMaterials } from '@burl/core';
import { and, eq, sql } from 'drizzle-orm';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import * as yup from 'yup';
import type { Database } from '../db/client.ts';
import { type alloys, assemblies } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { HttpProblem, invalid, locked, notFound, stale } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { CRIB_TABLES, entriesOf, toolMaterialsOf, wholeCrib } from '../jobs/crib-store.ts';

function kindOf(request: FastifyRequest): CribKind {
  const kind = (request.params as { kind: string }).kind;
  if (!(CRIB_KINDS as readonly string[]).includes(kind)) throw notFound('This table');
  return kind as CribKind;
}

const entryId = (request: FastifyRequest): string => (request.params as { id: string }).id;
/** The four tables are alike, so one of them stands for all in queries. */
const tableOf = (kind: CribKind): typeof alloys => CRIB_TABLES[kind] as typeof alloys;

export function cribRoutes(app: FastifyInstance, db: Database): void {
  app.get(
    '/api/crib',
    { config: { access: 'person' }, schema: { summary: 'The whole crib', tags: ['crib'] } },
    () => wholeCrib(db),
  );

  app.get(
    '/api/crib/:kind',
    { config: { access: 'person' }, schema: { summary: 'Entries of one kind', tags: ['crib'] } },
    (request) => entriesOf(db, kindOf(request)),
  );

  app.post(
    '/api/crib/:kind',
    {
      config: { access: 'editor', body: copyEntrySchema },
      schema: { summary: 'Copy an entry under a new id', tags: ['crib'] },
    },
    async (request, reply) => {
      const kind = kindOf(request);
      const { copyOf, id, name } = bodyOf<CopyEntry>(request);
      const table = tableOf(kind);
      const entry = await db.transaction(async (tx) => {
        const [original] = await tx.select().from(table).where(eq(table.id, copyOf));
        if (!original)
          throw new InputError([{ field: 'copyOf', value: copyOf, allowed: `an entry of ${kind}` }]);
        const document = { ...original.document, id, name };
        const [made] = await tx
          .insert(table)
          .values({ id, origin: 'shop', copiedFrom: copyOf, document })
          .onConflictDoNothing()
          .returning();
        if (!made) throw new InputError([{ field: 'id', value: id, allowed: 'an id nobody has yet' }]);
        await record(tx, personOf(request), {
          action: 'copied crib entry',
          subject: `${kind}/${id}`,
          detail: { copyOf },
        });
        return made;
      });
      return reply.status(201).send(entry);
    },
  );

  app.put(
    '/api/crib/:kind/:id',
    { config: { access: 'editor' }, schema: { summary: 'Change an entry of the shop', tags: ['crib'] } },
    async (request) => {
      const kind = kindOf(request);
      const table = tableOf(kind);
      const id = entryId(request);
      const { version, document } = await checkEntry(kind, request.body);
      if (document['id'] !== id)
        throw invalid([{ field: 'document.id', value: document['id'], allowed: id }]);
      return db.transaction(async (tx) => {
        if (kind === 'cutters') requireMaterials(document, await toolMaterialsOf(tx));
        const [before] = await tx.select().from(table).where(eq(table.id, id)).for('update');
        if (!before) throw notFound('This entry');
        if (before.origin === 'built-in')
          throw locked('Built-in entries stay as they are: copy it and change the copy.');
        if (before.version !== version) throw stale(before);
        const [after] = await tx
          .update(table)
          .set({ document: document as never, version: version + 1, updatedAt: new Date() })
          .where(eq(table.id, id))
          .returning();
        await record(tx, personOf(request), { action: 'changed crib entry', subject: `${kind}/${id}` });
        return after;
      });
    },
  );

  app.delete(
    '/api/crib/:kind/:id',
    {
      config: { access: 'editor' },
      schema: { summary: 'Remove an entry of the shop that nothing uses', tags: ['crib'] },
    },
    async (request) => {
      const kind = kindOf(request);
      const table = tableOf(kind);
      const id = entryId(request);
      await db.transaction(async (tx) => {
        const [entry] = await tx.select().from(table).where(eq(table.id, id)).for('update');
        if (!entry) throw notFound('This entry');
        if (entry.origin === 'built-in') throw locked('Built-in entries stay.');
        const field = {
          alloys: ['alloyId'],
          machines: ['machineId'],
          cutters: ['tooling', 'cutterId'],
          holders: ['tooling', 'holderId'],
        }[kind];
        const used = await tx.execute(
          sql`select 1 from variants where document #>> ${sql.param(`{${field.join(',')}}`)}::text[] = ${id} limit 1`,
        );
        if (used.rows.length > 0)
          throw new HttpProblem(409, 'in-use', 'An operation uses this entry; it stays.');
        await tx.delete(table).where(eq(table.id, id));
        await record(tx, personOf(request), { action: 'removed crib entry', subject: `${kind}/${id}` });
      });
      return { removed: id };
    },
  );

  app.post(
    '/api/assemblies',
    {
      config: { access: 'editor', body: assemblySchema },
      schema: { summary: 'Create an assembly', tags: ['crib'] },
    },
    async (request, reply) => {
      const input = bodyOf<AssemblyInput>(request);
      await requireEntries(db, input);
      const [made] = await db
        .insert(assemblies)
        .values({ ...input, runoutUm: input.runoutUm ?? null })
        .returning();
      await record(db, personOf(request), { action: 'made assembly', subject: input.name });
      return reply.status(201).send(made);
    },
  );

  app.put(
    '/api/assemblies/:id',
    {
      config: {
        access: 'editor',
        body: assemblySchema.shape({ version: yup.number().strict().integer().required() }),
      },
      schema: { summary: 'Change an assembly', tags: ['crib'] },
    },
    async (request) => {
      const { version, ...input } = bodyOf<AssemblyInput & { version: number }>(request);
      const id = idOf(request);
      await requireEntries(db, input);
      const [after] = await db
        .update(assemblies)
        .set({ ...input, runoutUm: input.runoutUm ?? null, version: version + 1, updatedAt: new Date() })
        .where(and(eq(assemblies.id, id), eq(assemblies.version, version)))
        .returning();
      if (after) return after;
      const [current] = await db.select().from(assemblies).where(eq(assemblies.id, id));
      throw current ? stale(current) : notFound('This assembly');
    },
  );
}

async function checkEntry(
  kind: CribKind,
  body: unknown,
): Promise<{ version: number; document: Record<string, unknown> }> {
  try {
    return await entrySchema(kind).validate(body, { strict: true, abortEarly: false });
  } catch (error) {
    if (error instanceof yup.ValidationError) throw invalid(problemsFromYup(error).problems, 400);
    throw error;
  }
}

/** A cutter is made of a substrate and a coating the crib has. */
function requireMaterials(document: Record<string, unknown>, materials: ToolMaterials): void {
  const problems = missingMaterials(document as unknown as Cutter, materials);
  if (problems.length > 0)
    throw new InputError(problems.map((p) => ({ ...p, field: `document.${p.field}` })));
}

async function requireEntries(db: Database, input: AssemblyInput): Promise<void> {
  for (const [field, kind, id] of [
    ['cutterId', 'cutters', input.cutterId],
    ['holderId', 'holders', input.holderId],
  ] as const) {
    const table = tableOf(kind);
    const [found] = await db.select({ id: table.id }).from(table).where(eq(table.id, id));
    if (!found) throw new InputError([{ field, value: id, allowed: 'an entry of the crib' }]);
  }
}
