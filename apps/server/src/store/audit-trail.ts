import { createHash } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Database } from './client.ts';

export interface TrailCheck {
  readonly events: number;
  /** What is wrong, a sentence each; empty when the trail is as it was written. */
  readonly broken: readonly string[];
  /** Hash of the last link: noted elsewhere, it also tells a trail that was cut off at its end. */
  readonly head: string | null;
}

const AT_ONCE = 2000;
const MOST_SAID = 50;

type Row = { seq: string; event_id: string; hash: string; said: string | null };

/** Works the chain out again from what the events say now. */
export async function verifyTrail(db: Database): Promise<TrailCheck> {
  const broken: string[] = [];
  const say = (what: string): void => {
    if (broken.length < MOST_SAID) broken.push(what);
  };
  let [events, last, hash] = [0, 0, ''];
  for (;;) {
    const { rows } = await db.execute<Row>(sql`
      select c.seq::text, c.event_id::text, c.hash, case when e.id is null then null else audit_event_text(e) end as said
      from audit_chain c left join audit_events e on e.id = c.event_id
      where c.seq > ${last} order by c.seq limit ${AT_ONCE}`);
    if (rows.length === 0) break;
    for (const row of rows) {
      const seq = Number(row.seq);
      if (seq !== last + 1) say(`links ${last + 1} to ${seq - 1} are missing`);
      if (row.said === null) say(`event ${row.event_id} is missing`);
      else if (
        createHash('sha256')
          .update(hash + row.said)
          .digest('hex') !== row.hash
      )
        say(`event ${row.event_id} is not as it was written`);
      [last, hash] = [seq, row.hash];
      events++;
    }
  }
  const loose = await db.execute<{ id: string }>(
    sql`select e.id::text from audit_events e left join audit_chain c on c.event_id = e.id where c.seq is null order by e.id limit ${MOST_SAID}`,
  );
  for (const { id } of loose.rows) say(`event ${id} is in no link`);
  return { events, broken, head: hash || null };
}
