import type { SessionStore } from '@fastify/session';
import { eq, lt, sql } from 'drizzle-orm';
import type { Database } from '../store/client.ts';
import { sessions } from '../store/schema.ts';

export const SESSION_HOURS = 12;

type StoredSession = Parameters<SessionStore['set']>[1];

/** Sessions in PostgreSQL, so that any server process knows them and a restart signs nobody out. */
export class PostgresSessionStore implements SessionStore {
  readonly #db: Database;

  constructor(db: Database) {
    this.#db = db;
  }

  set(id: string, session: StoredSession, done: (error?: unknown) => void): void {
    const expiresAt = new Date(Date.now() + SESSION_HOURS * 3600_000);
    const data = JSON.parse(JSON.stringify(session)) as object;
    this.#db
      .insert(sessions)
      .values({ id, data, expiresAt })
      .onConflictDoUpdate({ target: sessions.id, set: { data, expiresAt } })
      .then(() => done(), done);
  }

  get(id: string, done: (error: unknown, session?: StoredSession | null) => void): void {
    this.#db
      .select()
      .from(sessions)
      .where(eq(sessions.id, id))
      .then(
        ([row]) => done(null, row && row.expiresAt > new Date() ? (row.data as StoredSession) : null),
        (error: unknown) => done(error),
      );
  }

  destroy(id: string, done: (error?: unknown) => void): void {
    this.#db
      .delete(sessions)
      .where(eq(sessions.id, id))
      .then(() => done(), done);
  }

  /** Removes sessions that ran out. */
  async sweep(): Promise<void> {
    await this.#db.delete(sessions).where(lt(sessions.expiresAt, sql`now()`));
  }
}
