import type { CribKind, EntryDeed } from '@burl/contract';
import type { Difference } from '@burl/core';
import { and, desc, eq, or, sql } from 'drizzle-orm';
import type { Database } from './client.ts';
import { auditEvents } from './schema/trail.ts';

/** Deeds of one entry that are told, the last first. */
const MOST_DEEDS = 200;

/** Who did what to an entry, when and why, from the trail; the last deed first. */
export async function historyOf(db: Database, kind: CribKind, id: string): Promise<EntryDeed[]> {
  const rows = await db
    .select()
    .from(auditEvents)
    .where(
      or(
        eq(auditEvents.subject, `${kind}/${id}`),
        // A file brings in many at once and is one deed.
        and(eq(auditEvents.subject, kind), sql`${auditEvents.detail} -> 'added' ? ${id}`),
      ),
    )
    .orderBy(desc(auditEvents.id))
    .limit(MOST_DEEDS);
  return rows.map(({ at, personName, action, detail }) => {
    const said = detail as { reason?: unknown; changes?: readonly Difference[] };
    return {
      at: new Date(at).toISOString(),
      person: personName,
      action,
      reason: typeof said.reason === 'string' ? said.reason : null,
      changes: said.changes ?? [],
    };
  });
}
