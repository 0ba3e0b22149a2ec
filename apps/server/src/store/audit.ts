import type { Person } from '@burl/contract';
import { type Difference, differencesOf } from '@burl/core';
import type { Database, Transaction } from './client.ts';
import { auditEvents } from './schema/trail.ts';

/** What a deed changed, field by field: from what to what. */
export const changed = (before: unknown, after: unknown): { readonly changes: readonly Difference[] } => ({
  changes: differencesOf(before, after).slice(0, MOST_CHANGES),
});
/** More say that nearly everything is another. */
const MOST_CHANGES = 60;

export interface AuditEntry {
  readonly action: string;
  readonly jobId?: string | null;
  readonly subject: string;
  readonly detail?: unknown;
}

/** Writes down who did what. In the same transaction as the deed. */
export async function record(
  db: Database | Transaction,
  person: Person | null,
  entry: AuditEntry,
): Promise<void> {
  await db.insert(auditEvents).values({
    personId: person?.id ?? null,
    personName: person?.name ?? 'nobody signed in',
    action: entry.action,
    jobId: entry.jobId ?? null,
    subject: entry.subject,
    detail: entry.detail ?? {},
  });
}
