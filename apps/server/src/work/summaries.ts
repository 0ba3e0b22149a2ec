import type { Database } from '../store/client.ts';
import { cribNaming } from '../store/crib-store.ts';
import { documentsOf, judgedOperations } from '../store/judged-operations.ts';
import { jobOf, routesOf } from '../store/job-store.ts';
import { keepSummary, staleJobs } from '../store/summary-store.ts';
import type { Work } from './work.ts';

/** Jobs worked out together: their routes are read with three queries. */
const AT_ONCE = 25;

/** Keeps what the list of jobs shows up to date, beside the requests. */
export interface Summaries {
  /** Works out what no longer holds; resolves when nothing is left. One run serves all who ask meanwhile. */
  refresh(): Promise<void>;
  /** The same, waited for so long at most. */
  settle(ms: number): Promise<void>;
  /** Refreshes now and every so often, until stopped. */
  start(everyMs: number, onError: (error: Error) => void): void;
  stop(): void;
}

export function summaries(db: Database, work: Work, physics: string): Summaries {
  let running: Promise<void> | null = null;
  let timer: NodeJS.Timeout | null = null;

  async function some(): Promise<boolean> {
    const stale = await staleJobs(db, physics, AT_ONCE);
    if (stale.length === 0) return false;
    const routes = await routesOf(
      db,
      stale.map((s) => s.row.id),
    );
    const crib = await cribNaming(db, [...routes.values()].flatMap(documentsOf));
    await Promise.all(
      stale.map(async ({ row, since }) => {
        const job = jobOf(row);
        const setups = routes.get(row.id) ?? [];
        const operations = judgedOperations(job, setups, crib);
        const route = setups.map(({ id, name, plan, operations: of }) => ({
          id,
          name,
          plan,
          operations: of.map((o) => o.id),
        }));
        // One job that cannot be judged, or takes too long, is one marked row.
        const found = await work.run('summary', [job, operations, route]).catch(() => ({
          operations: operations.length,
          minutes: 0,
          governing: {
            state: 'over' as const,
            limit: 'cannot be judged',
            operation: operations[0]?.name ?? '',
            operationId: operations[0]?.id ?? '',
          },
        }));
        await keepSummary(db, row.id, physics, since, found);
      }),
    );
    return true;
  }

  async function all(): Promise<void> {
    if ((await staleJobs(db, physics, 1)).length === 0) return;
    while (await some());
  }

  const refresh = (): Promise<void> => (running ??= all().finally(() => (running = null)));
  return {
    refresh,
    async settle(ms) {
      let timeout: NodeJS.Timeout | undefined;
      const enough = new Promise<void>((done) => (timeout = setTimeout(done, ms)));
      await Promise.race([refresh(), enough]).finally(() => clearTimeout(timeout));
    },
    start(everyMs, onError) {
      const again = (): void => {
        refresh()
          .catch(onError)
          .finally(() => {
            if (timer) timer = setTimeout(again, everyMs).unref();
          });
      };
      timer = setTimeout(again, 0);
    },
    stop() {
      if (timer) clearTimeout(timer);
      timer = null;
    },
  };
}
