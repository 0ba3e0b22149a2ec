import type { Cutter, Operation } from '@burl/core';
import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useJob, useJobs } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** Tool and numbers of the question as a further variant of an operation that is a draft; its feature and holding stay. */
export function SaveVariant({
  op,
  cutter,
  onClose,
}: {
  op: Operation;
  /** A tool that is not in the crib yet, and goes in first. */
  cutter: Cutter | null;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const { data: jobs } = useJobs({ search, status: 'draft', most: 20 });
  const [jobId, setJobId] = useState('');
  const { data: detail } = useJob(jobId);
  const [failed, setFailed] = useState<string | null>(null);
  const operations = (detail?.setups ?? [])
    .flatMap((s) => s.operations)
    .filter((o) => o.variants.length < 4 && o.variants.some((v) => v.document.kind === op.kind));

  async function save(operationId: string): Promise<void> {
    setFailed(null);
    try {
      if (cutter) {
        await call(
          'POST',
          '/api/crib/cutters/new',
          {},
          {
            document: cutter as unknown as { [key: string]: unknown },
            madeBy: 'question',
          },
        );
        await mutate('/api/crib');
      }
      const made = await call('POST', '/api/operations/:id/variants', { id: operationId });
      const document = {
        ...made.document,
        tooling: op.tooling,
        cut: op.cut,
        workedOutFor: { ...made.document.workedOutFor, cutterId: op.tooling.cutterId },
      } as Operation;
      await call('PUT', '/api/variants/:id', { id: made.id }, { document, version: made.version });
      await refreshJob(jobId);
      await navigate(`/jobs/${jobId}/ops/${operationId}?view=variants`);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  return (
    <SheetDialog
      open
      onClose={onClose}
      title="Save as variant"
      description="Tool and numbers go into a further variant of a draft operation; its feature and holding stay."
    >
      <input
        aria-label="Search jobs"
        placeholder="Number, part, customer"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        className={FIELD_LOOK}
      />
      <ul aria-label="Drafts" className="mt-2 max-h-40 space-y-1 overflow-y-auto">
        {(jobs ?? []).map((j) => (
          <li key={j.id}>
            <Button
              look={j.id === jobId ? 'main' : 'quiet'}
              aria-pressed={j.id === jobId}
              onClick={() => setJobId(j.id)}
            >
              {j.number} {j.part}
            </Button>
          </li>
        ))}
        {jobs?.length === 0 && <li className="text-soft">No draft matches.</li>}
      </ul>
      {jobId && detail && (
        <ul aria-label="Operations" className="mt-2 space-y-1 border-t border-line pt-2">
          {operations.map((o) => (
            <li key={o.id} className="flex items-center justify-between gap-2">
              {o.name}
              <Button onClick={() => void save(o.id)} aria-label={`Save under ${o.name}`}>
                Save
              </Button>
            </li>
          ))}
          {operations.length === 0 && (
            <li className="text-soft">No operation of this kind has room for a variant.</li>
          )}
        </ul>
      )}
      <FormError message={failed} />
    </SheetDialog>
  );
}
