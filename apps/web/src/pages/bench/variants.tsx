import type { JobOperation, VariantLabel } from '@burl/contract';
import { Plus } from 'lucide-react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';

/** Variants of the operation by letter; the chosen one is on the bench and goes into the release. */
export function Variants({
  operation,
  jobId,
  readOnly,
}: {
  operation: JobOperation;
  jobId: string;
  readOnly: boolean;
}) {
  async function run(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toast.error(messageOf(error));
    }
    await refreshJob(jobId);
  }
  const choose = (selected: VariantLabel): Promise<void> =>
    run(() =>
      call(
        'PUT',
        '/api/operations/:id',
        { id: operation.id },
        {
          name: operation.name,
          selected,
          version: operation.version,
        },
      ),
    );
  return (
    <div role="group" aria-label="Variants" className="flex overflow-hidden rounded-md border border-line">
      {operation.variants.map((v) => (
        <button
          key={v.id}
          type="button"
          aria-pressed={v.label === operation.selected}
          aria-label={`Variant ${v.label}`}
          disabled={readOnly}
          onClick={() => void choose(v.label)}
          className={`min-h-8 px-2.5 font-semibold ${v.label === operation.selected ? 'bg-accent text-on-accent' : 'bg-card hover:bg-accent-soft'}`}
        >
          {v.label}
        </button>
      ))}
      {operation.variants.length < 4 && !readOnly && (
        <button
          type="button"
          aria-label="Add a variant"
          onClick={() => void run(() => call('POST', '/api/operations/:id/variants', { id: operation.id }))}
          className="min-h-8 bg-card px-2 hover:bg-accent-soft"
        >
          <Plus size={14} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}
