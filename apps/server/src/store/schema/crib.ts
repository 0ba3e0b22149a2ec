import { sql } from 'drizzle-orm';
import type { CribDocuments, CribKind } from '@burl/contract';
import {
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
import { moment } from './columns.ts';

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
