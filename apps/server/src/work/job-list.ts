import { type Desk, DESK_PAGE, JOB_STATUSES, type JobQuestion, type JobSummary } from '@burl/contract';
import type { Database } from '../store/client.ts';
import { countsOf, summariesOf } from '../store/summary-store.ts';
import type { Summaries } from './summaries.ts';

/** So few are worked out while one waits; with more the list comes as it is and says which are still being worked out. */
const FEW = 40;
const WAIT_MS = 120;

export interface JobList {
  readonly of: (question: JobQuestion) => Promise<JobSummary[]>;
  readonly desk: (question: JobQuestion) => Promise<Desk>;
}

/** Lists of jobs from what was worked out before; nothing is judged where requests are answered, nor at all without `summaries`. */
export function jobList(db: Database, summaries: Summaries | null, physics: string): JobList {
  /** Reads once more what a moment of patience brings up to date. */
  async function settled<T>(read: () => Promise<T>, listed: (read: T) => readonly JobSummary[]): Promise<T> {
    const first = await read();
    const open = listed(first).filter((j) => j.pending).length;
    if (open === 0 || !summaries) return first;
    if (open > FEW) {
      // Whoever asks again finds more of them.
      void summaries.refresh().catch(() => undefined);
      return first;
    }
    await summaries.settle(WAIT_MS).catch(() => undefined);
    return read();
  }

  async function columns(question: JobQuestion): Promise<Desk> {
    const [totals, ...lists] = await Promise.all([
      countsOf(db, question),
      ...JOB_STATUSES.map((status) => summariesOf(db, physics, { ...question, status, most: DESK_PAGE })),
    ]);
    return Object.fromEntries(
      JOB_STATUSES.map((status, i) => [status, { jobs: lists[i]!, total: totals[status] }]),
    ) as unknown as Desk;
  }

  return {
    of: (question) =>
      settled(
        () => summariesOf(db, physics, question),
        (list) => list,
      ),
    desk: (question) =>
      settled(
        () => columns(question),
        (desk) => JOB_STATUSES.flatMap((s) => desk[s].jobs),
      ),
  };
}
