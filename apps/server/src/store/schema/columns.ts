import { customType, timestamp } from 'drizzle-orm/pg-core';

/** Bytes as they are. */
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

export const moment = (name: string) => timestamp(name, { withTimezone: true }).notNull().defaultNow();
