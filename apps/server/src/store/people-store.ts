import type { Person, SessionInfo } from '@burl/contract';
import { eq } from 'drizzle-orm';
import type { Database } from './client.ts';
import { people } from './schema.ts';

/** A person by email, with the hash of the password; null when nobody has it. */
export async function personByEmail(
  db: Database,
  email: string,
): Promise<{ person: Person; passwordHash: string } | null> {
  const [row] = await db.select().from(people).where(eq(people.email, email.toLowerCase()));
  if (!row) return null;
  const { id, name, role, passwordHash } = row;
  return { person: { id, name, email: row.email, role }, passwordHash };
}

export const demoPeople = async (db: Database): Promise<SessionInfo['demo']> =>
  db
    .select({ name: people.name, email: people.email, role: people.role })
    .from(people)
    .where(eq(people.demo, 1));
