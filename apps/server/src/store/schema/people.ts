import type { Role, PersonState } from '@burl/contract';
import { bigint, index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';

export const people = pgTable('people', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  email: text().notNull().unique(),
  role: text().$type<Role>().notNull(),
  state: text().$type<PersonState>().notNull().default('active'),
  /** Null until a password is set by a one-time link. */
  passwordHash: text('password_hash'),
  /** Sessions opened under an earlier epoch are over. */
  epoch: integer().notNull().default(0),
  demo: integer().notNull().default(0),
  version: integer().notNull().default(1),
  createdAt: moment('created_at'),
});

/** Who is signed in where. The id is kept as its hash: who reads this table can take over no session. */
export const sessions = pgTable(
  'sessions',
  {
    idHash: text('id_hash').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    epoch: integer().notNull(),
    createdAt: moment('created_at'),
    seenAt: moment('seen_at'),
  },
  (t) => [index('sessions_person').on(t.personId), index('sessions_seen').on(t.seenAt)],
);

/** One-time links that set a password, by their hash. */
export const passwordLinks = pgTable('password_links', {
  tokenHash: text('token_hash').primaryKey(),
  personId: uuid('person_id')
    .notNull()
    .references(() => people.id, { onDelete: 'cascade' }),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
});

/** Guesses per account, kept by the rate limiter for every server alike. */
export const signInLimits = pgTable('sign_in_limits', {
  key: text().primaryKey(),
  points: integer().notNull().default(0),
  expire: bigint({ mode: 'number' }),
});
