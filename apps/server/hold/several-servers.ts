import type { EmptyDatabase } from '../test/database.ts';
import { holdServer } from './held-server.ts';
import { none, type Row } from './row.ts';
import { jsonOf, signedIn } from './visitor.ts';

const AT_ONCE = 5;

/** Servers that start together on a fresh database: all come up, and the demo is there once. */
export async function holdSeveralServers(
  fresh: () => Promise<EmptyDatabase>,
  rounds: number,
): Promise<Row[]> {
  const down: string[] = [];
  for (let i = 0; i < rounds; i++) {
    const database = await fresh();
    const starts = await Promise.allSettled(Array.from({ length: AT_ONCE }, () => holdServer(database.url)));
    const up = starts.flatMap((s) => (s.status === 'fulfilled' ? [s.value] : []));
    for (const s of starts)
      if (s.status === 'rejected') down.push(`round ${i}: ${String(s.reason).slice(0, 120)}`);
    for (const server of up) {
      const engineer = await signedIn(server.url, 'engineer').catch(() => null);
      const jobs = engineer ? jsonOf<unknown[]>(await engineer('GET', '/api/jobs')).length : 0;
      if (jobs !== 6) down.push(`round ${i}: ${jobs} jobs`);
    }
    await Promise.all(up.map((s) => s.stop()));
    await database.drop();
  }
  return [none(`${AT_ONCE} servers at once on a fresh database: not up`, down, `${AT_ONCE * rounds}`)];
}
