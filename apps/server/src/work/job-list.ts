import type { JobSummary } from '@burl/contract';
import type { Database } from '../store/client.ts';
import { summariesOfAll } from '../store/summary-store.ts';
import type { Summaries } from './summaries.ts';

/** So few are worked out while one waits; with more the list comes as it is and says which are still being worked out. */
const FEW = 40;
const WAIT_MS = 120;

export interface JobList {
  readonly of: () => Promise<JobSummary[]>;
}

/** The list of jobs from what was worked out before; nothing is judged where requests are answered, nor at all without `summaries`. */
export const jobList = (db: Database, summaries: Summaries | null, physics: string): JobList => ({
  async of() {
    const list = await summariesOfAll(db, physics);
    const open = list.filter((j) => j.pending).length;
    if (open === 0 || !summaries) return list;
    if (open > FEW) {
      // Whoever asks again finds more of them.
      void summaries.refresh().catch(() => undefined);
      return list;
    }
    await summaries.settle(WAIT_MS).catch(() => undefined);
    return summariesOfAll(db, physics);
  },
});
