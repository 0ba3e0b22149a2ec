import { sql } from 'drizzle-orm';
import type { Ending, Seen } from '@burl/core';
import {
  bigint,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes, moment } from './columns.ts';
import { people } from './people.ts';
import { jobs } from './jobs.ts';
import { releases } from './releases.ts';

/**
 * Cuts as they were run at the machine, with what they are held against. Append-only: a trigger lets a row only be marked as corrected
 * by a later one. Everything the logbook filters by stands in a column of its own.
 */
export const trials = pgTable(
  'trials',
  {
    id: uuid().primaryKey(),
    at: timestamp({ withTimezone: true }).notNull(),
    receivedAt: moment('received_at'),
    jobId: uuid('job_id').references(() => jobs.id),
    jobNumber: text('job_number').notNull(),
    releaseId: uuid('release_id').references(() => releases.id),
    operationId: uuid('operation_id'),
    operation: text().notNull(),
    kind: text().notNull(),
    alloyId: text('alloy_id').notNull(),
    heatLot: text('heat_lot').notNull(),
    machineId: text('machine_id').notNull(),
    machineSerial: text('machine_serial').notNull(),
    cutterId: text('cutter_id').notNull(),
    edgeFamily: text('edge_family').notNull(),
    edge: integer().notNull(),
    features: doublePrecision().notNull(),
    minutes: doublePrecision().notNull(),
    ending: text().$type<Ending>().notNull(),
    speedRpm: doublePrecision('speed_rpm').notNull(),
    cuttingSpeedMMin: doublePrecision('cutting_speed').notNull(),
    feedPerEdgeMm: doublePrecision('feed_per_edge').notNull(),
    depthMm: doublePrecision('depth').notNull(),
    widthMm: doublePrecision('width'),
    /** Cutting speed over the library's thirty-minute speed of the cut. */
    speedRatio: doublePrecision('speed_ratio'),
    taylorN: doublePrecision('taylor_n'),
    speedSd: doublePrecision('speed_sd'),
    expectedLife: doublePrecision('expected_life'),
    expectedLifeLow: doublePrecision('expected_life_low'),
    expectedLifeHigh: doublePrecision('expected_life_high'),
    expectedLoad: doublePrecision('expected_load'),
    /** Roughness expected, Ra in µm. */
    expectedRaUm: doublePrecision('expected_ra'),
    loadPercent: doublePrecision('load_percent'),
    edgeKw: doublePrecision('edge_kw').notNull(),
    fullKw: doublePrecision('full_kw').notNull(),
    wearMm: doublePrecision('wear_mm'),
    /** The rest of what was seen. */
    seen: jsonb().$type<Omit<Seen, 'ending' | 'wearMm' | 'loadPercent'>>().notNull(),
    note: text().notNull(),
    corrects: uuid(),
    correctedBy: uuid('corrected_by'),
    madeById: uuid('made_by_id').references(() => people.id),
    madeBy: text('made_by').notNull(),
  },
  // What the logbook filters by is indexed in the migration: those indexes carry every other word along, which only SQL can say.
  (t) => [
    index('trials_job').on(t.jobId, t.at),
    index('trials_release').on(t.releaseId, t.operationId),
    index('trials_family')
      .on(t.alloyId, t.edgeFamily, t.at, t.id)
      .where(sql`corrected_by is null`),
  ],
);

/** How many trials stand under each word the logbook is asked by; kept by triggers of the trials. */
export const trialSums = pgTable(
  'trial_sums',
  {
    dimension: text().notNull(),
    key: text().notNull(),
    trials: bigint({ mode: 'number' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.dimension, t.key] })],
);

/** Photos and recordings from the floor, apart from the tables that are read all day. */
export const floorFiles = pgTable(
  'floor_files',
  {
    /** The trial or step it belongs to. */
    ofId: uuid('of_id').notNull(),
    slot: text().$type<'photo' | 'recording'>().notNull(),
    name: text().notNull(),
    type: text().notNull(),
    personId: uuid('person_id').references(() => people.id, { onDelete: 'set null' }),
    size: integer().notNull(),
    bytes: bytes('bytes').notNull(),
  },
  (t) => [primaryKey({ columns: [t.ofId, t.slot] }), index('floor_files_person').on(t.personId)],
);

/** Steps of prove-outs as they were signed. Append-only. */
export const proveOutSteps = pgTable(
  'prove_out_steps',
  {
    id: uuid().primaryKey(),
    releaseId: uuid('release_id')
      .notNull()
      .references(() => releases.id),
    operationId: uuid('operation_id'),
    step: text().notNull(),
    result: text().$type<'done' | 'failed'>().notNull(),
    word: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull(),
    receivedAt: moment('received_at'),
    byId: uuid('by_id')
      .notNull()
      .references(() => people.id),
    by: text().notNull(),
  },
  (t) => [index('prove_out_steps_release').on(t.releaseId, t.receivedAt)],
);

/** What the floor found that an engineer answers. */
export const findings = pgTable(
  'findings',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    releaseId: uuid('release_id')
      .notNull()
      .references(() => releases.id),
    operationId: uuid('operation_id'),
    operation: text().notNull(),
    kind: text().$type<'step' | 'trial'>().notNull(),
    sourceId: uuid('source_id').notNull().unique(),
    text: text().notNull(),
    at: timestamp({ withTimezone: true }).notNull(),
    by: text().notNull(),
    answer: text(),
    answeredBy: text('answered_by'),
    answeredAt: timestamp('answered_at', { withTimezone: true }),
  },
  (t) => [
    index('findings_open')
      .on(t.at)
      .where(sql`answered_at is null`),
    index('findings_job').on(t.jobId, t.at),
  ],
);
