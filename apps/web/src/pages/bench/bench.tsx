import {
  type FreeParameter,
  InputError,
  type MillingOperation,
  type Operation,
  type Parameter,
  type PeckList,
  setParameter,
  problemInWords,
  writeFree,
} from '@burl/core';
import { type JobDetail, type JobOperation, mayEdit, type Variant } from '@burl/contract';
import { useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import useSWR from 'swr';
import { call } from '../../api/client.ts';
import { Comparison } from './compare/comparison.tsx';
import { keepSaved, useCrib, useJob, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { useLatest } from '../../ui/use-latest.ts';
import { useThrottled } from '../../ui/use-throttled.ts';
import type { Crib } from '@burl/contract';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { offerOf } from '../../judging/offer.ts';
import { resonancePath } from './chatter-path.ts';
import { usePeriodic } from '../../workers/use-periodic.ts';
import { useRemedies } from '../../workers/use-remedies.ts';
import { Bar, type View, VIEWS } from './bar.tsx';
import { Charts } from './panels/charts.tsx';
import { ConflictDialog } from './conflict-dialog.tsx';
import { ElevationView } from './drawings/elevation-view.tsx';
import { Given } from './given/given.tsx';
import { Governing } from './limits/governing.tsx';
import { HoleSection } from './drawings/hole-section.tsx';
import { Ladder } from './limits/ladder.tsx';
import { Notices, type Preview } from './notices.tsx';
import { Numbers } from './numbers.tsx';
import { Parameters } from './parameters.tsx';
import { PlanView } from './drawings/plan-view.tsx';
import { Stations } from './stations.tsx';
import { rebase } from './rebase.ts';
import { useOperation } from './use-operation.ts';

/** Undo works on handles and in numbers too; a number being typed keeps it for itself. */
const HOTKEY = { preventDefault: true, enableOnFormTags: ['slider', 'INPUT'] } as const;

/** How often chart and cards follow while a handle is dragged, ms; unequal, so that they seldom share a frame. */
const CHART_MS = 130;
const CARDS_MS = 290;

/** Tells the server that one is here, and shows who else is. */
function usePresence(operationId: string): readonly string[] {
  const { data } = useSWR(
    `presence/${operationId}`,
    () => call('PUT', '/api/operations/:id/presence', { id: operationId }),
    {
      refreshInterval: 10_000,
    },
  );
  return data?.others ?? [];
}

export default function Bench() {
  const { job: jobId = '', op: opId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib, error: cribError, mutate: again } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (cribError && !crib)
    return <Failed what="the crib" message={cribError.message} retry={() => void again()} />;
  if (!detail || !crib) return <Loading what="the bench" />;
  const operation = detail.setups.flatMap((s) => s.operations).find((o) => o.id === opId);
  const variant = operation?.variants.find((v) => v.label === operation.selected) ?? operation?.variants[0];
  if (!operation || !variant)
    return <Failed what="the operation" message="It is not part of this job (any more)." />;
  return <Workplace key={variant.id} detail={detail} crib={crib} operation={operation} variant={variant} />;
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
  const allowed = session?.person ? mayEdit(session.person.role) : false;
  const readOnly = !allowed || job.status !== 'draft';
  const others = usePresence(operation.id);
  const possible = useCallback(
    (op: Operation) => judge(op, contextOf(crib, op, job.quantity)).evaluation !== null,
    [crib, job.quantity],
  );
  // The stations and the route show what was saved here.
  const onSaved = useCallback((saved: Variant) => void keepSaved(job.id, saved), [job.id]);
  const editing = useOperation(variant, possible, readOnly, onSaved);
  const { op, save, set } = editing;

  const [preview, setPreview] = useState<Preview | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const [large, setLarge] = useState(false);
  const shownOp = preview?.operation ?? op;
  const periodic = usePeriodic(op, crib, job.quantity);
  const at = useCallback(
    (o: Operation) => {
      const plain = contextOf(crib, o, job.quantity);
      return plain && periodic ? { ...plain, periodic } : plain;
    },
    [crib, job.quantity, periodic],
  );
  const context = useMemo(() => at(shownOp), [at, shownOp]);
  const { evaluation: fresh, problems } = useMemo(() => judge(shownOp, context), [shownOp, context]);
  // Without a preview both are one: judging twice would cost every frame of a drag.
  const present = useMemo(
    () => (shownOp === op ? fresh : judge(op, at(op)).evaluation),
    [shownOp, op, fresh, at],
  );

  // While the input is impossible the last good drawing stays, dimmed.
  const { past } = editing;
  const drawn = useMemo(() => {
    if (fresh) return { op: shownOp, evaluation: fresh };
    const good = past.findLast(possible);
    const evaluation = good && judge(good, contextOf(crib, good, job.quantity)).evaluation;
    return good && evaluation ? { op: good, evaluation } : null;
  }, [fresh, shownOp, past, possible, crib, job.quantity]);
  const drawnContext = useMemo(() => (drawn ? at(drawn.op) : null), [at, drawn]);

  // Vibration is looked at even where it is clear: from there the way leads to the notebook.
  const focus =
    opened && present?.limits.some((l) => l.id === opened && (l.state !== 'clear' || l.group === 'vibration'))
      ? opened
      : (present?.governing ?? null);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const searchContext = useMemo(() => at(op), [at, op]);
  const wanted = focus && present?.limits.find((l) => l.id === focus)?.state !== 'clear' ? focus : null;
  const { remedies, stale } = useRemedies(op, searchContext, wanted, offer);
  // Drawing, parameters and limits follow the hand in its frame; cards and chart a few times a second.
  const now = useMemo(
    () => ({ op, present, context: searchContext, drawn, drawnContext }),
    [op, present, searchContext, drawn, drawnContext],
  );
  const later = useThrottled(now, CHART_MS);
  const cards = useThrottled(now, CARDS_MS);

  const parameter = useCallback(
    (key: Parameter, value: number, gesture?: string) => {
      const at = contextOf(crib, op, job.quantity);
      if (!at) return;
      try {
        set(setParameter(op, at, key, value), gesture);
      } catch (e) {
        if (!(e instanceof InputError)) throw e;
        toast.error(e.problems.map(problemInWords).join('; '));
      }
    },
    [crib, op, job.quantity, set],
  );
  const stickOut = (mm: number) => set({ ...op, tooling: { ...op.tooling, stickOutMm: mm } }, 'stick-out');
  const pecks = (peck: PeckList) => {
    if (op.kind === 'drilling') set({ ...op, cut: { ...op.cut, peck } }, 'pecks');
  };
  const pin = (key: string) =>
    set({ ...op, pins: op.pins.includes(key) ? op.pins.filter((k) => k !== key) : [...op.pins, key] });
  const apply = (r: Preview) => {
    setPreview(null);
    setOpened(null);
    set(r.operation);
  };
  const [search, setSearch] = useSearchParams();
  const view =
    op.kind === 'milling' ? (VIEWS.find(([id]) => id === search.get('view'))?.[0] ?? 'cut') : 'cut';
  const show = (id: View) => setSearch(id === 'cut' ? {} : { view: id });
  const take = (next: Operation) => {
    apply({ id: 'taken', operation: next });
    show('cut');
    toast.success('Applied. Undo restores the previous cut.');
  };
  /** Moves free parameters one after the other, each driving the others as if it were typed. */
  const move = (changes: readonly (readonly [FreeParameter, number])[]) => {
    const at = contextOf(crib, op, job.quantity);
    if (!at || op.kind !== 'milling') return;
    try {
      const next = changes.reduce<Operation>(
        (o, [key, value]) =>
          key === 'stickOut' ? writeFree(o as MillingOperation, key, value) : setParameter(o, at, key, value),
        op,
      );
      set(next, 'map');
    } catch (e) {
      if (!(e instanceof InputError)) throw e;
      toast.error(e.problems.map(problemInWords).join('; '), { id: 'map' });
    }
  };
  const toSpeed = useLatest((rpm: number) => parameter('n', rpm, 'n'));
  const toMove = useLatest(move);
  const toParameter = useLatest(parameter);
  const toPin = useLatest(pin);
  const fromCard = useLatest((next: Operation) => set(rebase(cards.op, next, op)));
  const fromChart = useLatest((next: Operation) => set(rebase(later.drawn?.op ?? op, next, op)));

  const { undo, redo } = editing;
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

  const trail = [{ label: job.number, to: `/jobs/${job.id}` }, { label: operation.name }];
  return (
    <div className="flex flex-col gap-2 p-3 min-[901px]:h-[calc(100dvh-3rem)]">
      <Crumbs trail={trail} />
      <h1 className="sr-only">
        {operation.name}, {job.number} {job.part}
      </h1>
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <Stations detail={detail} crib={crib} current={operation.id} />
        </div>
        <Bar
          detail={detail}
          operation={operation}
          milling={op.kind === 'milling'}
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
        problems={problems}
        found={preview && !remedies.some((r) => r.id === preview.id) ? preview : null}
        previewing={preview !== null}
        onApply={apply}
        onBack={() => setPreview(null)}
      />
      {view !== 'cut' && op.kind === 'milling' && searchContext ? (
        <Comparison
          view={view}
          op={op}
          context={searchContext}
          crib={crib}
          detail={detail}
          operation={operation}
          readOnly={readOnly}
          onTake={take}
        />
      ) : drawn && drawnContext && context ? (
        <div
          className={`grid min-h-0 flex-1 grid-cols-[212px_minmax(0,1fr)_326px] gap-2.5 max-[1100px]:grid-cols-[186px_minmax(0,1fr)_290px] max-[900px]:grid-cols-1 ${fresh ? '' : 'opacity-60'}`}
        >
          <section aria-label="Inputs" tabIndex={0} className="min-h-0 min-w-0 overflow-y-auto">
            <Given
              op={cards.op}
              context={cards.context ?? context}
              crib={crib}
              evaluation={cards.present}
              readOnly={readOnly || preview !== null}
              onChange={fromCard}
            />
          </section>
          <div className="flex min-h-0 min-w-0 flex-col gap-2.5 overflow-y-auto">
            <section
              aria-label="The cut"
              hidden={large}
              className="grid shrink-0 [[hidden]]:hidden grid-cols-[9fr_8fr] overflow-hidden rounded-lg border border-line bg-card"
            >
              {drawn.op.kind === 'milling' ? (
                <>
                  <div className="border-r border-line">
                    <PlanView
                      op={drawn.op}
                      context={drawnContext}
                      evaluation={drawn.evaluation}
                      readOnly={readOnly || preview !== null}
                      onWidth={(v) => parameter('ae', v, 'ae')}
                    />
                  </div>
                  <ElevationView
                    op={drawn.op}
                    context={drawnContext}
                    evaluation={drawn.evaluation}
                    readOnly={readOnly || preview !== null}
                    onDepth={(v) => parameter('ap', v, 'ap')}
                    onStickOut={stickOut}
                  />
                </>
              ) : (
                <div className="col-span-2">
                  <HoleSection
                    op={drawn.op}
                    context={drawnContext}
                    evaluation={drawn.evaluation}
                    readOnly={readOnly || preview !== null}
                    onStickOut={stickOut}
                    onPecks={pecks}
                  />
                </div>
              )}
            </section>
            <Parameters
              op={drawn.op}
              evaluation={drawn.evaluation}
              compared={preview ? present : null}
              readOnly={readOnly || preview !== null}
              onSet={toParameter}
              onPin={toPin}
            />
            {!large && (
              <Numbers op={(cards.drawn ?? drawn).op} evaluation={(cards.drawn ?? drawn).evaluation} />
            )}
            {later.drawn && later.drawnContext && (
              <Charts
                op={later.drawn.op}
                context={later.drawnContext}
                evaluation={later.drawn.evaluation}
                readOnly={readOnly || preview !== null}
                onSpeed={toSpeed}
                onMove={toMove}
                onPreview={setPreview}
                onChange={fromChart}
                large={large}
                onLarge={setLarge}
              />
            )}
          </div>
          <aside
            aria-label="What limits it"
            tabIndex={0}
            className="min-h-0 min-w-0 space-y-2.5 overflow-y-auto"
          >
            {present && focus && (
              <Governing
                evaluation={preview ? drawn.evaluation : present}
                limitId={focus}
                remedies={remedies}
                stale={stale}
                previewing={preview?.id ?? null}
                readOnly={readOnly}
                onPreview={setPreview}
                onApply={apply}
                resonance={resonancePath(job.id, operation.id, op)}
              />
            )}
            <Ladder evaluation={drawn.evaluation} opened={opened} onOpen={setOpened} />
            <section aria-label="Cautions" className="rounded-lg border border-line bg-card p-3">
              <h2 className="mb-1">Cautions</h2>
              <ul className="list-outside list-disc space-y-1 pl-4 text-[13px]">
                {drawn.evaluation.cautions.map((c) => (
                  <li key={c}>{c}</li>
                ))}
              </ul>
            </section>
          </aside>
        </div>
      ) : (
        <div className="grid grid-cols-[212px_minmax(0,1fr)] gap-2.5">
          {context && (
            <section aria-label="Inputs">
              <Given
                op={op}
                context={context}
                crib={crib}
                evaluation={null}
                readOnly={readOnly}
                onChange={set}
              />
            </section>
          )}
          <Failed
            what="the cut"
            message={
              problems.map(problemInWords).join('; ') || 'The crib lacks an entry this operation names.'
            }
          />
        </div>
      )}
      {save.is === 'conflict' && <ConflictDialog mine={op} theirs={save.theirs} onSettle={editing.settle} />}
    </div>
  );
}
