import type { ProgramRewrite } from '@burl/contract';
import type { Stock } from '@burl/core';
import { index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { bytes, moment } from './columns.ts';
import { jobs } from './jobs.ts';
import { people } from './people.ts';

/** NC programs kept with jobs; the text as the bytes that came. */
export const programs = pgTable(
  'programs',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** No foreign key: a program outlives the operation it was made for. */
    operationId: uuid('operation_id'),
    name: text().notNull(),
    size: integer().notNull(),
    bytes: bytes('bytes').notNull(),
    stock: jsonb().$type<Stock>(),
    rewrite: jsonb().$type<ProgramRewrite>(),
    at: moment('at'),
    byId: uuid('by_id').references(() => people.id, { onDelete: 'set null' }),
    by: text().notNull(),
  },
  (t) => [index('programs_job').on(t.jobId, t.at)],
);
