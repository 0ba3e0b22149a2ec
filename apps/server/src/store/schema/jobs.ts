import { sql } from 'drizzle-orm';
import {
  EMPTY_JOB_PLAN,
  EMPTY_SETUP_PLAN,
  type HoleDemand,
  type JobPlan,
  type Operation,
  type SetupPlan,
  type StepKey,
} from '@burl/core';
import type { HoleKindRecord, JobStatus, JobSummary, VariantLabel } from '@burl/contract';
import {
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';
import { people } from './people.ts';
import { alloys, machines } from './crib.ts';

export const jobs = pgTable(
  'jobs',
  {
    id: uuid().primaryKey().defaultRandom(),
    number: text().notNull(),
    part: text().notNull(),
    customer: text().notNull(),
    alloyId: text('alloy_id')
      .notNull()
      .references(() => alloys.id),
    machineId: text('machine_id')
      .notNull()
      .references(() => machines.id),
    quantity: integer().notNull(),
    heatLot: text('heat_lot').notNull(),
    due: date({ mode: 'string' }),
    notes: text().notNull(),
    plan: jsonb().$type<JobPlan>().notNull().default(EMPTY_JOB_PLAN),
    status: text().$type<JobStatus>().notNull().default('draft'),
    revision: integer().notNull().default(1),
    revisionReason: text('revision_reason'),
    version: integer().notNull().default(1),
    createdAt: moment('created_at'),
    updatedAt: moment('updated_at'),
    updatedBy: text('updated_by').notNull(),
  },
  (t) => [
    index('jobs_status').on(t.status, t.updatedAt, t.id),
    index('jobs_updated').on(t.updatedAt, t.id),
    index('jobs_found_by').using(
      'gin',
      sql`lower(${t.number} || ' ' || ${t.part} || ' ' || ${t.customer} || ' ' || ${t.heatLot}) gin_trgm_ops`,
    ),
  ],
);

export const setups = pgTable(
  'setups',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    position: integer().notNull(),
    plan: jsonb().$type<SetupPlan>().notNull().default(EMPTY_SETUP_PLAN),
    version: integer().notNull().default(1),
  },
  (t) => [index('setups_job').on(t.jobId)],
);

/** Hole groups of a job: what is asked, the way taken, and what was changed in its steps. */
export const holes = pgTable(
  'holes',
  {
    id: uuid().primaryKey().defaultRandom(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    position: integer().notNull(),
    demand: jsonb().$type<HoleDemand>().notNull(),
    chosen: text(),
    changes: jsonb().$type<HoleKindRecord['changes']>().notNull(),
    version: integer().notNull().default(1),
    updatedAt: moment('updated_at'),
    updatedBy: text('updated_by').notNull(),
  },
  (t) => [index('holes_job').on(t.jobId)],
);

export const operations = pgTable(
  'operations',
  {
    id: uuid().primaryKey().defaultRandom(),
    setupId: uuid('setup_id')
      .notNull()
      .references(() => setups.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    position: integer().notNull(),
    holeId: uuid('hole_id').references(() => holes.id, { onDelete: 'set null' }),
    holeStep: text('hole_step').$type<StepKey>(),
    selected: text().$type<VariantLabel>().notNull().default('A'),
    version: integer().notNull().default(1),
  },
  (t) => [index('operations_setup').on(t.setupId), index('operations_hole').on(t.holeId)],
);

export const variants = pgTable(
  'variants',
  {
    id: uuid().primaryKey().defaultRandom(),
    operationId: uuid('operation_id')
      .notNull()
      .references(() => operations.id, { onDelete: 'cascade' }),
    label: text().$type<VariantLabel>().notNull(),
    document: jsonb().$type<Operation>().notNull(),
    version: integer().notNull().default(1),
    updatedAt: moment('updated_at'),
    updatedBy: text('updated_by').notNull(),
  },
  (t) => [uniqueIndex('variants_label').on(t.operationId, t.label)],
);

/** What the list of jobs shows of each, worked out beside the requests when a job or an entry it names has changed. */
export const jobSummaries = pgTable(
  'job_summaries',
  {
    jobId: uuid('job_id')
      .primaryKey()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** Which physics worked it out; another one's is worked out again. */
    physics: text().notNull().default(''),
    /** Since when it no longer holds; null when it does. */
    staleSince: timestamp('stale_since', { withTimezone: true }),
    operations: integer().notNull().default(0),
    minutes: doublePrecision().notNull().default(0),
    governing: jsonb().$type<JobSummary['governing']>(),
  },
  (t) => [index('job_summaries_stale').on(t.staleSince)],
);

/** Who has an operation open now. */
export const presence = pgTable(
  'presence',
  {
    operationId: uuid('operation_id')
      .notNull()
      .references(() => operations.id, { onDelete: 'cascade' }),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    seenAt: moment('seen_at'),
  },
  (t) => [primaryKey({ columns: [t.operationId, t.personId] })],
);
