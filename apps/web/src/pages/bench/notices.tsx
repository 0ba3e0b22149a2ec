import { problemInWords, type InputProblem, type Operation } from '@burl/core';
import type { JobDetail } from '@burl/contract';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import type { SaveState } from './use-operation.ts';

/** A change that is looked at before it is taken: a remedy, or what a search found. */
export interface Preview {
  readonly id: string;
  readonly operation: Operation;
}

/** What has to be said above the cut: locked, somebody else here, not saved, impossible, only a preview. */
export function Notices({
  job,
  others,
  save,
  problems,
  periodicFailed,
  found,
  previewing,
  onApply,
  onBack,
}: {
  job: JobDetail['job'];
  others: readonly string[];
  save: SaveState;
  problems: readonly InputProblem[];
  periodicFailed: string | null;
  /** A preview that has no buttons of its own elsewhere. */
  found: Preview | null;
  previewing: boolean;
  onApply: (preview: Preview) => void;
  onBack: () => void;
}) {
  const system = useSystem();
  return (
    <>
      {job.status !== 'draft' && (
        <p role="note" className="rounded-md border border-line bg-card px-3 py-1.5">
          {job.status === 'requested'
            ? 'Release requested; the numbers are locked until it is decided or withdrawn.'
            : `Revision ${job.revision} is released and locked. Open the next revision on the release page to change something.`}
        </p>
      )}
      {others.length > 0 && (
        <p role="status" className="rounded-md border border-tight bg-card px-3 py-1.5">
          {others.join(' and ')} {others.length === 1 ? 'is' : 'are'} in this operation too. Whoever saves
          second is asked which version to keep.
        </p>
      )}
      {(save.is === 'refused' || save.is === 'offline') && (
        <p role="alert" className="rounded-md border border-over bg-card px-3 py-1.5">
          {save.message}
        </p>
      )}
      {problems.length > 0 && (
        <div role="alert" className="rounded-md border border-over bg-card px-3 py-1.5">
          <span className="font-semibold">This cannot be cut as entered; it is not saved.</span>
          <ul className="list-inside list-disc">
            {problems.map((p) => (
              <li key={p.field}>{problemInWords(p, system)}</li>
            ))}
          </ul>
        </div>
      )}
      {periodicFailed !== null && (
        <p role="alert" className="rounded-md border border-tight bg-card px-3 py-1.5">
          The periodic solution could not be worked out ({periodicFailed}). Stability is judged by the
          averaged cut, an overview.
        </p>
      )}
      {previewing && (
        <p role="status" className="rounded-md border border-accent bg-accent-soft px-3 py-1.5">
          Preview: what changes is tinted. Apply it, or go back.
          {found && (
            <span className="ml-3 inline-flex gap-1.5">
              <Button look="main" onClick={() => onApply(found)}>
                Apply what was found
              </Button>
              <Button onClick={onBack}>Back</Button>
            </span>
          )}
        </p>
      )}
    </>
  );
}
