import { sql } from 'drizzle-orm';
import type { Heard, TipMode } from '@burl/core';
import type { StoredResponse } from '@burl/contract';
import {
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes, moment } from './columns.ts';
import { people } from './people.ts';
import { alloys, machines, cutters, holders } from './crib.ts';

/** Spindle, holder, cutter and stick-out: what chatter is remembered under. */
export const combinations = pgTable(
  'combinations',
  {
    id: uuid().primaryKey().defaultRandom(),
    machineId: text('machine_id')
      .notNull()
      .references(() => machines.id),
    machineSerial: text('machine_serial').notNull(),
    holderId: text('holder_id')
      .notNull()
      .references(() => holders.id),
    cutterId: text('cutter_id')
      .notNull()
      .references(() => cutters.id),
    stickOutMm: doublePrecision('stick_out_mm').notNull(),
    note: text().notNull(),
    madeBy: text('made_by').notNull(),
    madeAt: moment('made_at'),
    version: integer().notNull().default(1),
    /** Taken out of use; what was measured stays, and it can be brought back. */
    removedAt: timestamp('removed_at', { withTimezone: true }),
  },
  (t) => [
    uniqueIndex('combinations_key')
      .on(t.machineSerial, t.machineId, t.holderId, t.cutterId, t.stickOutMm)
      .where(sql`${t.removedAt} is null`),
  ],
);

/** Tap tests and tables of modes; the newest of a direction counts, older ones stay. */
export const tipRecords = pgTable(
  'tip_records',
  {
    id: uuid().primaryKey().defaultRandom(),
    combinationId: uuid('combination_id')
      .notNull()
      .references(() => combinations.id, { onDelete: 'cascade' }),
    axis: text().$type<'x' | 'y'>().notNull(),
    source: text().$type<'measured' | 'table'>().notNull(),
    modes: jsonb().$type<readonly TipMode[]>().notNull(),
    receptance: jsonb().$type<StoredResponse | null>(),
    coherence: jsonb().$type<readonly number[] | null>(),
    misfit: doublePrecision(),
    origin: text().notNull(),
    madeBy: text('made_by').notNull(),
    madeAt: moment('made_at'),
  },
  (t) => [index('tip_records_combination').on(t.combinationId, t.axis, t.madeAt)],
);

/** The notebook: cuts as they were run and what was heard. */
export const testCuts = pgTable(
  'test_cuts',
  {
    id: uuid().primaryKey().defaultRandom(),
    combinationId: uuid('combination_id')
      .notNull()
      .references(() => combinations.id, { onDelete: 'cascade' }),
    alloyId: text('alloy_id')
      .notNull()
      .references(() => alloys.id),
    heard: text().$type<Heard>().notNull(),
    rpm: doublePrecision().notNull(),
    overridePercent: doublePrecision('override_percent').notNull(),
    axialDepthMm: doublePrecision('axial_depth_mm').notNull(),
    radialEngagementMm: doublePrecision('radial_engagement_mm').notNull(),
    feedPerToothMm: doublePrecision('feed_per_tooth_mm').notNull(),
    direction: text().$type<'climb' | 'conventional'>().notNull(),
    hz: doublePrecision(),
    /** Heard of a simulation: on practice serials only. */
    simulated: boolean().notNull().default(false),
    note: text().notNull(),
    attachmentName: text('attachment_name'),
    attachmentType: text('attachment_type'),
    madeBy: text('made_by').notNull(),
    madeAt: moment('made_at'),
  },
  (t) => [index('test_cuts_combination').on(t.combinationId, t.madeAt)],
);

/** Recordings and pictures of test cuts, apart from the tables that are read all day. */
export const attachments = pgTable(
  'attachments',
  {
    testCutId: uuid('test_cut_id')
      .primaryKey()
      .references(() => testCuts.id, { onDelete: 'cascade' }),
    /** Whose share of the room it takes; null once that person is gone. */
    personId: uuid('person_id').references(() => people.id, { onDelete: 'set null' }),
    size: integer().notNull(),
    bytes: bytes('bytes').notNull(),
  },
  (t) => [index('attachments_person').on(t.personId)],
);
