import { sql } from 'drizzle-orm';
import type {
  Ending,
  Heard,
  HoleDemand,
  LearntConstant,
  Operation,
  Seen,
  StepKey,
  TipMode,
} from '@burl/core';
import type {
  CribDocuments,
  CribKind,
  FitQuestion,
  FittedNumber,
  HoleKindRecord,
  ReleaseSnapshot,
  ReleaseState,
  Role,
  JobStatus,
  JobSummary,
  PersonState,
  StoredResponse,
  VariantLabel,
} from '@burl/contract';
import {
  bigint,
  bigserial,
  boolean,
  customType,
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

/** Bytes as they are. */
const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
const moment = (name: string) => timestamp(name, { withTimezone: true }).notNull().defaultNow();

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

/** Crib tables are alike: an open JSON document with origin and version. */
function cribTable<K extends CribKind>(name: K) {
  return pgTable(
    name,
    {
      id: text().primaryKey(),
      origin: text().$type<'built-in' | 'shop'>().notNull(),
      copiedFrom: text('copied_from'),
      version: integer().notNull().default(1),
      document: jsonb().$type<CribDocuments[K]>().notNull(),
      /** Words it is found by, each after a blank: name, id, and what a cutter is asked for by. */
      foundBy: text('found_by').notNull().default(''),
      /** Since when nobody is to choose it; jobs and releases that name it keep it. */
      retiredAt: timestamp('retired_at', { withTimezone: true }),
      updatedAt: moment('updated_at'),
    },
    (t) => [
      index(`${name}_found_by`).using('gin', sql`${t.foundBy} gin_trgm_ops`),
      index(`${name}_name`).on(sql`(${t.document} ->> 'name')`),
    ],
  );
}

export const alloys = cribTable('alloys');
export const machines = cribTable('machines');
export const cutters = cribTable('cutters');
export const holders = cribTable('holders');

/** What lies on the shelf of a cutter: edges, where, and what one costs. */
export const stock = pgTable('stock', {
  cutterId: text('cutter_id')
    .primaryKey()
    .references(() => cutters.id, { onDelete: 'cascade' }),
  edges: integer().notNull(),
  place: text().notNull().default(''),
  price: doublePrecision(),
  version: integer().notNull().default(1),
  updatedAt: moment('updated_at'),
});

/** Substrates and coatings the cutters name. */
export const toolMaterials = pgTable(
  'tool_materials',
  {
    kind: text().$type<'substrate' | 'coating'>().notNull(),
    id: text().notNull(),
    document: jsonb().notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.id] })],
);

export const assemblies = pgTable('assemblies', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  cutterId: text('cutter_id')
    .notNull()
    .references(() => cutters.id),
  holderId: text('holder_id')
    .notNull()
    .references(() => holders.id),
  stickOutMm: doublePrecision('stick_out_mm').notNull(),
  runoutUm: doublePrecision('runout_um'),
  version: integer().notNull().default(1),
  updatedAt: moment('updated_at'),
});

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

/**
 * The trail as a chain: each event with the hash of what it says and of the link before it. Written by a trigger that belongs to the
 * owner of the tables; `npm run audit` works it out again.
 */
export const auditChain = pgTable('audit_chain', {
  seq: bigint({ mode: 'number' }).primaryKey(),
  eventId: bigint('event_id', { mode: 'number' }).notNull().unique(),
  hash: text().notNull(),
});

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
