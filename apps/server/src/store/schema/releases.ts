import type { ReleaseSnapshot, ReleaseState } from '@burl/contract';
import { index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';
import { people } from './people.ts';
import { jobs } from './jobs.ts';

export const releases = pgTable(
  'releases',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    revision: integer().notNull(),
    revisionReason: text('revision_reason'),
    state: text().$type<ReleaseState>().notNull(),
    requestedById: uuid('requested_by_id')
      .notNull()
      .references(() => people.id),
    requestedAt: moment('requested_at'),
    requestNote: text('request_note').notNull(),
    decidedById: uuid('decided_by_id').references(() => people.id),
    decidedAt: timestamp('decided_at', { withTimezone: true }),
    reason: text(),
    snapshot: jsonb().$type<ReleaseSnapshot>().notNull(),
  },
  (t) => [index('releases_job').on(t.jobId)],
);
