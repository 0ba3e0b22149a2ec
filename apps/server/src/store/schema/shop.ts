import type { ShopRates } from '@burl/core';
import { boolean, integer, jsonb, pgTable, text } from 'drizzle-orm/pg-core';
import { moment } from './columns.ts';

/** What time and money come to here: one row, of the whole shop. */
export const shopRates = pgTable('shop_rates', {
  only: boolean().primaryKey().default(true),
  rates: jsonb().$type<ShopRates>().notNull(),
  version: integer().notNull().default(1),
  updatedAt: moment('updated_at'),
  updatedBy: text('updated_by').notNull(),
});
