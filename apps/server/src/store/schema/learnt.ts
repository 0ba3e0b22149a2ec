import { sql } from 'drizzle-orm';
import type { LearntConstant } from '@burl/core';
import type { FitQuestion, FittedNumber } from '@burl/contract';
import { index, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';

/** Constants learnt from trials and accepted; the newest of a key that was not reversed counts. */
export const learnt = pgTable(
  'learnt',
  {
    id: uuid().primaryKey().defaultRandom(),
    kind: text().$type<LearntConstant['kind']>().notNull(),
    /** Alloy, alloy and edge family, or machine. */
    key: text().notNull(),
    constant: jsonb().$type<LearntConstant>().notNull(),
    question: jsonb().$type<FitQuestion>().notNull(),
    numbers: jsonb().$type<readonly FittedNumber[]>().notNull(),
    trials: jsonb().$type<readonly string[]>().notNull(),
    note: text().notNull(),
    acceptedBy: text('accepted_by').notNull(),
    acceptedAt: moment('accepted_at'),
    reversedBy: text('reversed_by'),
    reversedAt: timestamp('reversed_at', { withTimezone: true }),
    reverseReason: text('reverse_reason'),
  },
  (t) => [
    index('learnt_counting')
      .on(t.kind, t.key, t.acceptedAt)
      .where(sql`reversed_at is null`),
  ],
);
