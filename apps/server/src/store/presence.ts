import type { Person } from '@burl/contract';
import { and, eq, gt, ne, sql } from 'drizzle-orm';
import type { Database } from './client.ts';
import { jobOfOperation } from './job-store.ts';
import { people } from './schema/people.ts';
import { presence } from './schema/jobs.ts';

/** Notes that somebody has an operation open; answers who else has had it in the last half minute. */
export async function reportPresence(db: Database, person: Person, operationId: string): Promise<string[]> {
  await jobOfOperation(db, operationId);
  await db
    .insert(presence)
    .values({ operationId, personId: person.id })
    .onConflictDoUpdate({ target: [presence.operationId, presence.personId], set: { seenAt: new Date() } });
  const others = await db
    .select({ name: people.name })
    .from(presence)
    .innerJoin(people, eq(people.id, presence.personId))
    .where(
      and(
        eq(presence.operationId, operationId),
        ne(presence.personId, person.id),
        gt(presence.seenAt, sql`now() - interval '30 seconds'`),
      ),
    );
  return others.map((o) => o.name);
}
