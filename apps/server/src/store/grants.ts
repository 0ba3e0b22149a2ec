import { sql } from 'drizzle-orm';
import type { Database } from './client.ts';

/** Tables whose rows the application may add and read, and nothing else. */
const APPEND_ONLY = ['audit_events', 'trials', 'prove_out_steps'];
/** Tables it may only read. */
const READ_ONLY = ['audit_chain'];

/**
 * Lets the application's role read and write, but neither change a table nor take back what the trail says. `db` is the owner's,
 * `applicationUrl` names the role; nothing is done where both are the same.
 */
export async function grantApplication(db: Database, applicationUrl: string): Promise<void> {
  const role = decodeURIComponent(new URL(applicationUrl).username);
  const found = await db.execute<{ me: string; known: boolean }>(
    sql`select current_user as me, exists (select 1 from pg_roles where rolname = ${role}) as known`,
  );
  const { me, known } = found.rows[0]!;
  if (me === role || !known) return;
  const as = sql.identifier(role);
  await db.execute(sql`grant usage on schema public to ${as}`);
  await db.execute(sql`grant select, insert, update, delete on all tables in schema public to ${as}`);
  await db.execute(sql`grant usage, select on all sequences in schema public to ${as}`);
  for (const table of APPEND_ONLY)
    await db.execute(sql`revoke update, delete, truncate on ${sql.identifier(table)} from ${as}`);
  // A trial is marked with the one that puts it right.
  await db.execute(sql`grant update (corrected_by) on trials to ${as}`);
  for (const table of READ_ONLY)
    await db.execute(sql`revoke insert, update, delete, truncate on ${sql.identifier(table)} from ${as}`);
}
