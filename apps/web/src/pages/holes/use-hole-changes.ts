import type { HoleDemand } from '@burl/core';
import type { HoleKindRecord, JobDetail } from '@burl/contract';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { backOf } from '../../api/put-back.ts';

/** Adding and removing hole groups; a removed one can be brought back with its steps where they stood. */
export function useHoleChanges(
  { job, setups }: JobDetail,
  show: (id: string | null) => void,
): { readonly add: (demand: HoleDemand) => void; readonly remove: (gone: HoleKindRecord) => void } {
  const at = { id: job.id };
  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toast.error(messageOf(error));
    }
    await refreshJob(job.id);
  }
  const bringBack = async ({ id: old, demand, chosen, changes }: HoleKindRecord): Promise<void> => {
    const { id, version } = await call('POST', '/api/jobs/:id/holes', at, { demand });
    await call('PUT', '/api/holes/:id', { id }, { demand, chosen, changes, version });
    for (const o of setups.flatMap((s) => s.operations)) {
      if (o.holeId === old) await call('POST', '/api/jobs/:id/operations/back', at, backOf(o, setups, id));
    }
    show(id);
  };
  return {
    add: (demand) =>
      void attempt(async () => {
        const made = await call('POST', '/api/jobs/:id/holes', at, { demand });
        await refreshJob(job.id);
        show(made.id);
      }),
    remove: (gone) =>
      void attempt(async () => {
        await call('DELETE', '/api/holes/:id', { id: gone.id });
        show(null);
        toast(`${gone.demand.name} was removed.`, {
          action: { label: 'Undo', onClick: () => void attempt(() => bringBack(gone)) },
        });
      }),
  };
}
