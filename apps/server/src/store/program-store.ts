import type { Person, ProgramEntry, ProgramInput, ProgramText } from '@burl/contract';
import { InputError, type Stock } from '@burl/core';
import { and, desc, eq, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { present, Refusal } from './refusal.ts';
import { jobs, operations, setups } from './schema/jobs.ts';
import { programs } from './schema/programs.ts';

/** Everything but the text. */
const ENTRY = {
  id: programs.id,
  jobId: programs.jobId,
  operationId: programs.operationId,
  name: programs.name,
  size: programs.size,
  stock: programs.stock,
  rewrite: programs.rewrite,
  at: programs.at,
  by: programs.by,
} as const;

const entryOf = (row: { at: Date } & Omit<ProgramEntry, 'at'>): ProgramEntry => ({
  ...row,
  at: row.at.toISOString(),
});

/** Bytes of programs one job may keep. */
const ROOM = 400_000_000;

export const programsOf = async (db: Database | Transaction, jobId: string): Promise<ProgramEntry[]> =>
  (
    await db
      .select(ENTRY)
      .from(programs)
      .where(eq(programs.jobId, jobId))
      .orderBy(desc(programs.at), desc(programs.id))
  ).map(entryOf);

/** Text of a program. Throws when there is none. */
export async function programText(db: Database, id: string): Promise<ProgramText> {
  const [row] = await db.select({ bytes: programs.bytes }).from(programs).where(eq(programs.id, id));
  return { id, base64: present(row, 'This program').bytes.toString('base64') };
}

/** The bytes of a program. Throws when its content is no text of a control: such a file has a zero in it. */
function textBytes({ name, base64 }: ProgramInput['file']): Buffer {
  const bytes = Buffer.from(base64, 'base64');
  if (bytes.length === 0 || bytes.includes(0))
    throw new InputError([
      {
        field: 'file',
        value: name,
        allowed: bytes.length === 0 ? 'a file with text in it' : 'NC text, not a binary file',
      },
    ]);
  return bytes;
}

/** Keeps a program with its job. Throws an InputError, and a refusal where job, operation or source are not there. */
export const keepProgram = (
  db: Database,
  person: Person,
  jobId: string,
  input: ProgramInput,
): Promise<ProgramEntry> =>
  db.transaction(async (tx) => {
    const [job] = await tx.select({ number: jobs.number }).from(jobs).where(eq(jobs.id, jobId));
    present(job, 'This job');
    const bytes = textBytes(input.file);
    const [kept] = await tx
      .select({ size: sql<number>`coalesce(sum(${programs.size}), 0)::float8` })
      .from(programs)
      .where(eq(programs.jobId, jobId));
    if ((kept?.size ?? 0) + bytes.length > ROOM)
      throw new InputError([
        {
          field: 'file',
          value: `${(bytes.length / 1e6).toFixed(1)} MB`,
          allowed: `${ROOM / 1e6} MB of programs for one job; remove old ones first`,
        },
      ]);
    if (input.operationId) {
      const [operation] = await tx
        .select({ id: operations.id })
        .from(operations)
        .innerJoin(setups, eq(setups.id, operations.setupId))
        .where(and(eq(operations.id, input.operationId), eq(setups.jobId, jobId)));
      present(operation, 'This operation of the job');
    }
    if (input.rewrite) {
      const [source] = await tx
        .select({ id: programs.id })
        .from(programs)
        .where(and(eq(programs.id, input.rewrite.fromId), eq(programs.jobId, jobId)));
      present(source, 'The program it was rewritten from');
    }
    const [row] = await tx
      .insert(programs)
      .values({
        jobId,
        operationId: input.operationId,
        name: input.file.name,
        size: bytes.length,
        bytes,
        stock: input.stock,
        rewrite: input.rewrite,
        byId: person.id,
        by: person.name,
      })
      .returning(ENTRY);
    await record(tx, person, {
      action: input.rewrite ? 'kept rewritten program' : 'kept program',
      jobId,
      subject: input.file.name,
      detail: { bytes: bytes.length, ...(input.rewrite && { changes: input.rewrite.changes }) },
    });
    return entryOf(row!);
  });

/** Says what material a program begins with. */
export const keepStock = (db: Database, person: Person, id: string, stock: Stock): Promise<ProgramEntry> =>
  db.transaction(async (tx) => {
    const [row] = await tx.update(programs).set({ stock }).where(eq(programs.id, id)).returning(ENTRY);
    const entry = entryOf(present(row, 'This program'));
    await record(tx, person, {
      action: 'set stock of program',
      jobId: entry.jobId,
      subject: entry.name,
      detail: {},
    });
    return entry;
  });

/** Removes a program; refuses while another was rewritten from it, so that where that came from can be read. */
export const removeProgram = (db: Database, person: Person, id: string): Promise<ProgramEntry[]> =>
  db.transaction(async (tx) => {
    const [row] = await tx.select(ENTRY).from(programs).where(eq(programs.id, id));
    const entry = present(row, 'This program');
    const [child] = await tx
      .select({ name: programs.name })
      .from(programs)
      .where(and(eq(programs.jobId, entry.jobId), sql`${programs.rewrite}->>'fromId' = ${id}`));
    if (child) throw new Refusal('state', `${child.name} was rewritten from it: remove that first.`);
    await tx.delete(programs).where(eq(programs.id, id));
    await record(tx, person, {
      action: 'removed program',
      jobId: entry.jobId,
      subject: entry.name,
      detail: {},
    });
    return programsOf(tx, entry.jobId);
  });
