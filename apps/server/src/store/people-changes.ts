import { randomBytes } from 'node:crypto';
import type { Invitation, InvitationInput, Person, PersonRecord, PersonUpdate } from '@burl/contract';
import { InputError } from '@burl/core';
import { and, count, eq, gt, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { personOfRow, personRecord } from './people-store.ts';
import { present, Refusal, stale } from './refusal.ts';
import { passwordLinks, people } from './schema/people.ts';
import { closeAllOf, hashOf } from './sessions.ts';

/** Long enough for a shift that begins tomorrow. */
const LINK_HOURS = 48;

/** A fresh link for a person; an earlier one no longer works. */
async function newLink(tx: Transaction, personId: string): Promise<Pick<Invitation, 'link' | 'expiresAt'>> {
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(Date.now() + LINK_HOURS * 3600_000);
  await tx.delete(passwordLinks).where(eq(passwordLinks.personId, personId));
  await tx.insert(passwordLinks).values({ tokenHash: hashOf(token), personId, expiresAt });
  // After the #: never sent to a server, nor written into anybody's log of addresses.
  return { link: `/password#${token}`, expiresAt: expiresAt.toISOString() };
}

/** Adds somebody who sets the password by the link that is answered. */
export const invitePerson = (db: Database, by: Person, input: InvitationInput): Promise<Invitation> =>
  db.transaction(async (tx) => {
    const [row] = await tx
      .insert(people)
      .values({ ...input, email: input.email.toLowerCase() })
      .onConflictDoNothing()
      .returning();
    if (!row)
      throw new InputError([
        { field: 'email', value: input.email, allowed: 'an address nobody here has yet' },
      ]);
    const link = await newLink(tx, row.id);
    await record(tx, by, { action: 'invited person', subject: row.email, detail: { role: row.role } });
    return { person: await personRecord(tx, row), ...link };
  });

async function locked(tx: Transaction, id: string): Promise<typeof people.$inferSelect> {
  const [found] = await tx.select().from(people).where(eq(people.id, id)).for('update');
  return present(found, 'This person');
}

/** Somebody has to be left who can let others in. */
async function requireAdministrator(tx: Transaction): Promise<void> {
  const [left] = await tx
    .select({ n: count() })
    .from(people)
    .where(and(eq(people.role, 'administrator'), eq(people.state, 'active')));
  if (!left || left.n === 0)
    throw new Refusal('state', 'The last administrator stays: make another person administrator first.');
}

/** Changes name, role or state; who is disabled is signed out everywhere at once. */
export const changePerson = (
  db: Database,
  by: Person,
  id: string,
  { version, name, role, state }: PersonUpdate,
): Promise<PersonRecord> =>
  db.transaction(async (tx) => {
    // One after the other, so that two administrators cannot remove each other.
    await tx.execute(sql`select pg_advisory_xact_lock(7061518)`);
    const before = await locked(tx, id);
    if (before.version !== version) throw stale(await personRecord(tx, before));
    const [after] = await tx
      .update(people)
      .set({ name, role, state, version: version + 1 })
      .where(eq(people.id, id))
      .returning();
    if (before.role === 'administrator') await requireAdministrator(tx);
    if (state === 'disabled') await closeAllOf(tx, id);
    await record(tx, by, {
      action: 'changed person',
      subject: before.email,
      detail: {
        before: { name: before.name, role: before.role, state: before.state },
        after: { name, role, state },
      },
    });
    return personRecord(tx, after!);
  });

export const endSessions = (db: Database, by: Person, id: string): Promise<PersonRecord> =>
  db.transaction(async (tx) => {
    const row = await locked(tx, id);
    await closeAllOf(tx, id);
    await record(tx, by, { action: 'ended sessions', subject: row.email });
    return personRecord(tx, row);
  });

/** Takes the password away; the person sets another by the link that is answered. */
export const resetPassword = (db: Database, by: Person, id: string): Promise<Invitation> =>
  db.transaction(async (tx) => {
    const row = await locked(tx, id);
    const [after] = await tx
      .update(people)
      .set({ passwordHash: null, version: row.version + 1 })
      .where(eq(people.id, id))
      .returning();
    await closeAllOf(tx, id);
    const link = await newLink(tx, id);
    await record(tx, by, { action: 'made password link', subject: row.email });
    return { person: await personRecord(tx, after!), ...link };
  });

/** Sets a password, ends every session of the person, and forgets open links. */
export async function setPassword(tx: Transaction, personId: string, passwordHash: string): Promise<void> {
  await tx.update(people).set({ passwordHash }).where(eq(people.id, personId));
  await closeAllOf(tx, personId);
  await tx.delete(passwordLinks).where(eq(passwordLinks.personId, personId));
}

/** Sets the password of whoever a link was made for. Refuses a link that was used, replaced or ran out. */
export const redeemLink = (db: Database, token: string, passwordHash: string): Promise<Person> =>
  db.transaction(async (tx) => {
    const [link] = await tx
      .delete(passwordLinks)
      .where(and(eq(passwordLinks.tokenHash, hashOf(token)), gt(passwordLinks.expiresAt, sql`now()`)))
      .returning();
    if (!link)
      throw new Refusal(
        'state',
        'This link was used, replaced or ran out. Ask an administrator for another.',
      );
    const row = await locked(tx, link.personId);
    if (row.state !== 'active') throw new Refusal('state', 'This account is disabled.');
    await setPassword(tx, row.id, passwordHash);
    const person = personOfRow(row);
    await record(tx, person, { action: 'set password by link', subject: row.email });
    return person;
  });
