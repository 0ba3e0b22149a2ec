import type { Person, PersonRecord, SessionInfo } from '@burl/contract';
import { asc, count, eq } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { people, sessions } from './schema/people.ts';

type Row = typeof people.$inferSelect;

export const personOfRow = ({ id, name, email, role }: Row): Person => ({ id, name, email, role });

/** An active person by email, with the hash of the password; null when nobody has it or may sign in. */
export async function personByEmail(
  db: Database,
  email: string,
): Promise<{ person: Person; passwordHash: string } | null> {
  const [row] = await db.select().from(people).where(eq(people.email, email.toLowerCase()));
  if (!row || row.state !== 'active' || row.passwordHash === null) return null;
  return { person: personOfRow(row), passwordHash: row.passwordHash };
}

export const demoPeople = async (db: Database): Promise<SessionInfo['demo']> =>
  db
    .select({ name: people.name, email: people.email, role: people.role })
    .from(people)
    .where(eq(people.demo, 1))
    .orderBy(asc(people.createdAt));

const recordOf = (row: Row, open: number): PersonRecord => ({
  ...personOfRow(row),
  state: row.state,
  demo: row.demo === 1,
  invited: row.passwordHash === null,
  sessions: open,
  version: row.version,
  createdAt: row.createdAt.toISOString(),
});

/** Everybody, by name, with how many sessions each has open. */
export async function allPeople(db: Database): Promise<PersonRecord[]> {
  const rows = await db
    .select({ person: people, open: count(sessions.idHash) })
    .from(people)
    .leftJoin(sessions, eq(sessions.personId, people.id))
    .groupBy(people.id)
    .orderBy(asc(people.name));
  return rows.map(({ person, open }) => recordOf(person, open));
}

/** One of them as it stands now. */
export async function personRecord(tx: Transaction, row: Row): Promise<PersonRecord> {
  const [found] = await tx.select({ n: count() }).from(sessions).where(eq(sessions.personId, row.id));
  return recordOf(row, found?.n ?? 0);
}
