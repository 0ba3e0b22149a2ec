import type { Operation } from '@burl/core';
import type { JobOperation } from '@burl/contract';
import { toast } from 'sonner';
import { call, messageOf } from '../../../api/client.ts';
import { refreshJob } from '../../../api/hooks.ts';

/** Keeps a cut as another variant of its operation, and says so. */
export const useKeep = (operation: JobOperation, jobId: string) => (next: Operation) => {
  const keep = async () => {
    try {
      const made = await call('POST', '/api/operations/:id/variants', { id: operation.id });
      await call('PUT', '/api/variants/:id', { id: made.id }, { document: next, version: made.version });
      toast.success(`Kept as variant ${made.label}.`);
    } catch (e) {
      toast.error(messageOf(e));
    }
    await refreshJob(jobId);
  };
  void keep();
};
