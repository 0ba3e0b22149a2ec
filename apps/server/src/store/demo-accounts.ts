import { eq } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database } from './client.ts';
import { people } from './schema/people.ts';
import { closeAllOf } from './sessions.ts';

/** Takes password and sessions from the accounts everybody knows the password of; what they did keeps their names. Returns how many. */
export const disableDemo = (db: Database): Promise<number> =>
  db.transaction(async (tx) => {
    const found = await tx.select().from(people).where(eq(people.demo, 1)).for('update');
    for (const { id, email } of found) {
      await tx
        .update(people)
        .set({ demo: 0, state: 'disabled', passwordHash: null })
        .where(eq(people.id, id));
      await closeAllOf(tx, id);
      await record(tx, null, { action: 'removed demo account', subject: email });
    }
    return found.length;
  });
