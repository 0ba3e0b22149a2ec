import type { Operation } from '@burl/core';
import {
  chosenVariant,
  batchAt,
  type Crib,
  type JobDetail,
  type JobOperation,
  mayEdit,
  type Variant,
} from '@burl/contract';
import { useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { keepSaved, useCrib, useJob, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { Bar, type View, VIEWS } from './bar.tsx';
import { chatterPath } from './chatter-path.ts';
import { ConflictDialog } from './conflict-dialog.tsx';
import { CutColumns } from './cut-columns.tsx';
import { KIND_VIEWS } from './kind-views.tsx';
import { Notices, type Preview } from './notices.tsx';
import { Stations } from './stations.tsx';
import { useJudged } from './use-judged.ts';
import { useMoves } from '../../judging/use-moves.ts';
import { type Editing, useOperation } from './use-operation.ts';
import { usePresence } from './use-presence.ts';

/** Undo works on handles and in numbers too; a number being typed keeps it for itself. */
const HOTKEY = { preventDefault: true, enableOnFormTags: ['slider', 'INPUT'] } as const;

/** The operation of a job that the address names, on the bench. */
export default function Bench() {
  const { job: jobId = '', op: opId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib, error: cribError, mutate: again } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (cribError && !crib)
    return <Failed what="the crib" message={cribError.message} retry={() => void again()} />;
  if (!detail || !crib) return <Loading what="the bench" />;
  const operation = detail.setups.flatMap((s) => s.operations).find((o) => o.id === opId);
  const variant = operation && chosenVariant(operation);
  if (!operation || !variant)
    return <Failed what="the operation" message="It is not part of this job (any more)." />;
  return <Workplace key={variant.id} detail={detail} crib={crib} operation={operation} variant={variant} />;
}

/** Undo and redo by key, and in the list of commands. */
function useUndo({ undo, redo }: Editing): void {
  const actions = useMemo<Action[]>(
    () => [
      { id: 'undo', label: 'Undo', keys: 'Ctrl Z', run: undo },
      { id: 'redo', label: 'Redo', keys: 'Ctrl Shift Z', run: redo },
    ],
    [undo, redo],
  );
  useOffer('bench', actions);
  useHotkeys('ctrl+z, meta+z', undo, HOTKEY, [undo]);
  useHotkeys('ctrl+shift+z, meta+shift+z, ctrl+y', redo, HOTKEY, [redo]);
}

/** What the bench shows: the cut, or a comparison where the kind has any. Kept in the address. */
function useView(compares: boolean): [View, (id: View) => void] {
  const [search, setSearch] = useSearchParams();
  const asked = VIEWS.find(([id]) => id === search.get('view'))?.[0] ?? 'cut';
  return [compares ? asked : 'cut', (id) => setSearch(id === 'cut' ? {} : { view: id })];
}

function Workplace({
  detail,
  crib,
  operation,
  variant,
}: {
  detail: JobDetail;
  crib: Crib;
  operation: JobOperation;
  variant: Variant;
}) {
  const { job } = detail;
  const { data: session } = useSession();
  const readOnly = !session?.person || !mayEdit(session.person.role) || job.status !== 'draft';
  const others = usePresence(operation.id);
  const { quantity, heatLot } = job;
  const setup = detail.setups.find((s) => s.id === operation.setupId)!;
  const batch = useMemo(() => batchAt({ quantity, heatLot }, setup), [quantity, heatLot, setup]);
  const contextFor = useCallback((op: Operation) => contextOf(crib, op, batch), [crib, batch]);
  const possible = useCallback(
    (op: Operation) => judge(op, contextFor(op)).evaluation !== null,
    [contextFor],
  );
  // The stations and the route show what was saved here.
  const onSaved = useCallback((saved: Variant) => void keepSaved(job.id, saved), [job.id]);
  const editing = useOperation(variant, possible, readOnly, onSaved);
  const { op, save, set, past } = editing;
  useUndo(editing);
  const [preview, setPreview] = useState<Preview | null>(null);
  const judged = useJudged(op, preview?.operation ?? null, past, crib, batch);
  const moves = useMoves(op, contextFor, set);
  const { Compare, views } = KIND_VIEWS[op.kind];
  const [view, show] = useView(Compare !== null);
  const apply = (taken: Preview) => {
    setPreview(null);
    set(taken.operation);
  };
  const take = (next: Operation) => {
    apply({ id: 'taken', operation: next });
    show('cut');
    toast.success('Applied. Undo restores the previous cut.');
  };
  const trail = [{ label: job.number, to: `/jobs/${job.id}` }, { label: operation.name }];
  return (
    <div className="flex flex-col gap-2 p-3 min-[901px]:h-[calc(100dvh-var(--above))]">
      <Crumbs trail={trail} />
      <h1 className="sr-only">
        {operation.name}, {job.number} {job.part}
      </h1>
      <div className="flex items-start gap-2 max-[900px]:flex-wrap">
        <div className="min-w-0 flex-1 max-[900px]:basis-full">
          <Stations detail={detail} crib={crib} current={operation.id} />
        </div>
        <Bar
          detail={detail}
          operation={operation}
          views={Compare ? views : []}
          editing={editing}
          readOnly={readOnly}
          view={view}
          onView={show}
        />
      </div>
      <Notices
        job={job}
        others={others}
        save={save}
        problems={judged.problems}
        periodicFailed={judged.periodicFailed}
        // A remedy has its buttons beside it; what a search found has none once another chart is shown.
        found={preview?.id === 'search' ? preview : null}
        previewing={preview !== null}
        onApply={apply}
        onBack={() => setPreview(null)}
      />
      {Compare && view !== 'cut' && judged.context ? (
        <Compare
          view={view}
          op={op}
          context={judged.context}
          crib={crib}
          detail={detail}
          operation={operation}
          readOnly={readOnly}
          onTake={take}
        />
      ) : (
        <CutColumns
          op={op}
          crib={crib}
          judged={judged}
          preview={preview}
          readOnly={readOnly}
          moves={moves}
          chatter={chatterPath(job.id, operation.id, op)}
          onChange={set}
          onPreview={setPreview}
          onApply={apply}
        />
      )}
      {save.is === 'conflict' && <ConflictDialog mine={op} theirs={save.theirs} onSettle={editing.settle} />}
    </div>
  );
}
