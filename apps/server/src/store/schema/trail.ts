import { bigint, bigserial, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';

/** Append-only: a trigger refuses change and removal. */
export const auditEvents = pgTable(
  'audit_events',
  {
    id: bigserial({ mode: 'number' }).primaryKey(),
    at: moment('at'),
    personId: uuid('person_id'),
    personName: text('person_name').notNull(),
    action: text().notNull(),
    jobId: uuid('job_id'),
    subject: text().notNull(),
    detail: jsonb().notNull(),
  },
  (t) => [index('audit_events_job').on(t.jobId, t.id), index('audit_events_subject').on(t.subject, t.id)],
);

/**
 * The trail as a chain: each event with the hash of what it says and of the link before it. Written by a trigger that belongs to the
 * owner of the tables; `npm run audit` works it out again.
 */
export const auditChain = pgTable('audit_chain', {
  seq: bigint({ mode: 'number' }).primaryKey(),
  eventId: bigint('event_id', { mode: 'number' }).notNull().unique(),
  hash: text().notNull(),
});
