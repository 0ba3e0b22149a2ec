import type { SessionStore } from '@fastify/session';
import type { Database } from '../store/client.ts';
import { closeSession, personOfSession, type SessionSpan } from '../store/sessions.ts';

type StoredSession = Parameters<SessionStore['set']>[1];

/**
 * Sessions in PostgreSQL, so that any server process knows them and a restart signs nobody out. Only signing in opens one: the
 * library's own saving does nothing, and a request on its way cannot bring back a session that was ended meanwhile.
 */
export class PostgresSessionStore implements SessionStore {
  readonly #db: Database;
  readonly #span: SessionSpan;

  constructor(db: Database, span: SessionSpan) {
    this.#db = db;
    this.#span = span;
  }

  set(_id: string, _session: StoredSession, done: (error?: unknown) => void): void {
    done();
  }

  get(id: string, done: (error: unknown, session?: StoredSession | null) => void): void {
    personOfSession(this.#db, id, this.#span).then(
      (person) => done(null, person ? ({ person } as StoredSession) : null),
      (error: unknown) => done(error),
    );
  }

  destroy(id: string, done: (error?: unknown) => void): void {
    closeSession(this.#db, id).then(() => done(), done);
  }
}
