import { createHash } from 'node:crypto';
import type { Person } from '@burl/contract';
import { and, eq, gt, lt, or, sql } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { passwordLinks, people, sessions } from './schema/people.ts';

/** How long somebody stays signed in: at most, and without doing anything. */
export interface SessionSpan {
  readonly hours: number;
  readonly idleMinutes: number;
}
/** A shift, and what a break in it may take. */
export const USUAL_SPAN: SessionSpan = { hours: 12, idleMinutes: 180 };

export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Last use is written down no more often than this. */
const SEEN_EVERY = sql`now() - interval '1 minute'`;

const alive = ({ hours, idleMinutes }: SessionSpan) =>
  and(
    gt(sessions.createdAt, sql`now() - make_interval(secs => ${hours * 3600})`),
    gt(sessions.seenAt, sql`now() - make_interval(secs => ${idleMinutes * 60})`),
  );

/** Opens a session of a person, under the epoch the person has now. */
export async function openSession(db: Database, sessionId: string, personId: string): Promise<void> {
  await db.insert(sessions).select(
    db
      .select({
        idHash: sql<string>`${hashOf(sessionId)}`.as('id_hash'),
        personId: people.id,
        epoch: people.epoch,
        createdAt: sql<Date>`now()`.as('created_at'),
        seenAt: sql<Date>`now()`.as('seen_at'),
      })
      .from(people)
      .where(eq(people.id, personId)),
  );
}

/**
 * The person of a session as they are now: role and state are read each time, so that a right that was taken away is gone with the
 * next request. Null when the session is over, the person disabled, or signed out everywhere since.
 */
export async function personOfSession(
  db: Database,
  sessionId: string,
  span: SessionSpan,
): Promise<Person | null> {
  const idHash = hashOf(sessionId);
  const [row] = await db
    .select({
      id: people.id,
      name: people.name,
      email: people.email,
      role: people.role,
      stale: sql<boolean>`${sessions.seenAt} < ${SEEN_EVERY}`,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .where(
      and(
        eq(sessions.idHash, idHash),
        eq(people.state, 'active'),
        eq(people.epoch, sessions.epoch),
        alive(span),
      ),
    );
  if (!row) return null;
  const { stale, ...person } = row;
  if (stale)
    await db
      .update(sessions)
      .set({ seenAt: sql`now()` })
      .where(eq(sessions.idHash, idHash));
  return person;
}

export async function closeSession(db: Database, sessionId: string): Promise<void> {
  await db.delete(sessions).where(eq(sessions.idHash, hashOf(sessionId)));
}

/** Ends every session of a person, also those of requests on their way. */
export async function closeAllOf(tx: Database | Transaction, personId: string): Promise<void> {
  await tx
    .update(people)
    .set({ epoch: sql`${people.epoch} + 1` })
    .where(eq(people.id, personId));
  await tx.delete(sessions).where(eq(sessions.personId, personId));
}

/** Removes sessions and links that ran out. Returns how many sessions. */
export async function purgeSessions(db: Database, { hours, idleMinutes }: SessionSpan): Promise<number> {
  const gone = await db
    .delete(sessions)
    .where(
      or(
        lt(sessions.createdAt, sql`now() - make_interval(secs => ${hours * 3600})`),
        lt(sessions.seenAt, sql`now() - make_interval(secs => ${idleMinutes * 60})`),
      ),
    )
    .returning({ id: sessions.idHash });
  await db.delete(passwordLinks).where(lt(passwordLinks.expiresAt, sql`now()`));
  return gone.length;
}
