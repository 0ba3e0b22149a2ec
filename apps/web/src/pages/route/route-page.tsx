import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { broughtEarly, groupByTool, routeRisk, toolLoads } from '@burl/core';
import { type Crib, type JobDetail, type JobOperation, mayEdit, type Setup } from '@burl/contract';
import { Download, Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useCrib, useEvents, useJob, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { backOf } from '../../api/put-back.ts';
import { RiskCard, ToolChangesCard } from './hole-cards.tsx';
import { type Judged, Station } from './station.tsx';
import { NewOperationDialog } from './new-operation-dialog.tsx';

const STATUS_WORD = {
  draft: 'Draft',
  requested: 'release asked for',
  released: 'released',
} as const;

export default function RoutePage() {
  const { job: jobId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (!detail || !crib) return <Loading what="the route" />;
  return <RouteView detail={detail} crib={crib} />;
}

function RouteView({ detail, crib }: { detail: JobDetail; crib: Crib }) {
  const { job } = detail;
  const { data: session } = useSession();
  const { data: events } = useEvents(job.id);
  const navigate = useNavigate();
  const [adding, setAdding] = useState<string | null>(null);
  const [setups, setSetups] = useState<readonly Setup[] | null>(null);
  const shown = setups ?? detail.setups;
  const readOnly = job.status !== 'draft' || !session?.person || !mayEdit(session.person.role);
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;

  const judged = useMemo(
    () =>
      new Map(
        detail.setups
          .flatMap((s) => s.operations)
          .map((operation): [string, Judged] => {
            const document = (
              operation.variants.find((v) => v.label === operation.selected) ?? operation.variants[0]
            )?.document;
            return [
              operation.id,
              {
                operation,
                document: document ?? null,
                evaluation: document
                  ? judge(document, contextOf(crib, document, job.quantity)).evaluation
                  : null,
              },
            ];
          }),
      ),
    [detail.setups, crib, job.quantity],
  );
  const route = detail.setups.flatMap((s) =>
    s.operations.flatMap((o) => {
      const { evaluation, document } = judged.get(o.id) ?? {};
      return evaluation && document
        ? [{ id: o.id, name: o.name, setup: s.id, holeId: o.holeId, document, evaluation }]
        : [];
    }),
  );
  const risk = routeRisk(route);
  const uses = (s: Setup) =>
    s.operations.map((o) => ({
      id: o.id,
      holeId: o.holeId,
      cutterId: judged.get(o.id)?.document?.tooling.cutterId ?? '',
    }));
  const loads = detail.setups.reduce((sum, s) => sum + toolLoads(uses(s)), 0);
  const grouped = detail.setups.map((s) => ({ id: s.id, operations: groupByTool(uses(s)) }));
  const fewest = detail.setups.reduce((sum, s, i) => {
    const list = uses(s);
    return sum + toolLoads(grouped[i]!.operations.map((id) => list.find((u) => u.id === id)!));
  }, 0);
  const minutes = [...judged.values()].map((j) => j.evaluation?.time.perPart ?? 0);
  const total = minutes.reduce((a, b) => a + b, 0);
  const widest = Math.max(0, ...minutes);
  const cutters = new Map<string, { name: string; edges: number }>();
  for (const { operation, evaluation } of judged.values()) {
    const document = operation.variants.find((v) => v.label === operation.selected)?.document;
    const cutter = crib.cutters.find((c) => c.id === document?.tooling.cutterId)?.document;
    if (!document || !cutter) continue;
    const perEdge = evaluation?.featuresPerEdge?.value;
    const edges = perEdge ? (job.quantity * document.featuresPerPart) / perEdge : 0;
    const known = cutters.get(cutter.id);
    cutters.set(cutter.id, { name: cutter.name, edges: (known?.edges ?? 0) + edges });
  }

  const actions = useMemo<Action[]>(
    () =>
      readOnly
        ? []
        : [
            {
              id: 'add-operation',
              label: 'Add an operation',
              keys: 'A',
              run: () => setAdding(detail.setups[0]?.id ?? null),
            },
          ],
    [readOnly, detail.setups],
  );
  useOffer('route', actions);
  useHotkeys('a', () => !readOnly && setAdding(detail.setups[0]?.id ?? null), { preventDefault: true }, [
    readOnly,
    detail.setups,
  ]);

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  async function run(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toast.error(messageOf(error));
    }
    await refreshJob(job.id);
    setSetups(null);
  }

  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const next = shown.map((s) => {
      const from = s.operations.findIndex((o) => o.id === active.id);
      const to = s.operations.findIndex((o) => o.id === over.id);
      return from < 0 || to < 0 ? s : { ...s, operations: arrayMove([...s.operations], from, to) };
    });
    setSetups(next);
    void run(() =>
      call(
        'PUT',
        '/api/jobs/:id/order',
        { id: job.id },
        {
          setups: next.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id) })),
        },
      ),
    );
  }

  const reorder = (
    next: readonly { readonly id: string; readonly operations: readonly string[] }[],
  ): Promise<void> => {
    const old = detail.setups.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id) }));
    return run(async () => {
      await call('PUT', '/api/jobs/:id/order', { id: job.id }, { setups: next });
      toast('The order was changed.', {
        action: {
          label: 'Undo',
          onClick: () => void run(() => call('PUT', '/api/jobs/:id/order', { id: job.id }, { setups: old })),
        },
      });
    });
  };
  const bringEarly = (o: JobOperation): void => {
    const earlier = risk.risks.get(o.id)?.earlier;
    if (!earlier) return;
    void reorder(
      detail.setups.map((s) => ({
        id: s.id,
        operations:
          s.id === o.setupId
            ? broughtEarly(
                s.operations,
                o.id,
                Math.max(
                  0,
                  s.operations.findIndex((x) => x.id === earlier.before),
                ),
              )
            : s.operations.map((x) => x.id),
      })),
    );
  };
  const remove = (o: JobOperation): Promise<void> =>
    run(async () => {
      await call('DELETE', '/api/operations/:id', { id: o.id });
      toast(`${o.name} was removed.`, {
        action: {
          label: 'Undo',
          onClick: () =>
            void run(() =>
              call('POST', '/api/jobs/:id/operations/back', { id: job.id }, backOf(o, detail.setups)),
            ),
        },
      });
    });

  let number = 0;
  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[{ label: job.number }]} />
      <div className="mb-4 flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1">
          <h1 className="text-xl">
            {job.number} {job.part}
          </h1>
          <p className="text-soft">
            Qty {job.quantity} · {alloy?.name} · {machine?.name}
            {job.heatLot && ` · lot ${job.heatLot}`} · revision {job.revision}, {STATUS_WORD[job.status]}
          </p>
        </div>
        <div className="flex items-center gap-2">
          <a
            href={`/api/jobs/${job.id}/export`}
            className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft"
          >
            <Download size={15} aria-hidden="true" /> Job file
          </a>
          <a
            href={`/api/jobs/${job.id}/operations.csv`}
            className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft"
          >
            CSV
          </a>
          <Link
            to={`/jobs/${job.id}/holes`}
            className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft"
          >
            Holes{detail.holes.length > 0 ? ` (${detail.holes.length})` : ''}
          </Link>
          <Link
            to={`/jobs/${job.id}/release`}
            className="inline-flex min-h-8 items-center rounded-md border border-accent bg-accent px-3 py-1 font-semibold text-on-accent"
          >
            {job.status === 'draft' ? 'Request release' : 'Release'}
          </Link>
        </div>
      </div>
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_300px]">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <div className="space-y-5">
            {shown.map((s) => (
              <section key={s.id} aria-label={s.name}>
                <h2 className="mb-2 flex items-center justify-between border-b-2 border-ink pb-1">
                  {s.name}
                  {!readOnly && (
                    <Button look="quiet" onClick={() => setAdding(s.id)}>
                      <Plus size={15} aria-hidden="true" /> Operation
                    </Button>
                  )}
                </h2>
                {s.operations.length === 0 && (
                  <p className="py-2 text-soft">
                    No operation yet.{readOnly ? '' : ' Add the first: a pocket, a face, a hole.'}
                  </p>
                )}
                <SortableContext items={s.operations.map((o) => o.id)} strategy={verticalListSortingStrategy}>
                  <ol className="space-y-1.5">
                    {s.operations.map((o) => {
                      number++;
                      return (
                        <Station
                          key={o.id}
                          judged={judged.get(o.id) ?? { operation: o, evaluation: null, document: null }}
                          risk={risk.risks.get(o.id) ?? null}
                          before={
                            route.find((r) => r.id === risk.risks.get(o.id)?.earlier?.before)?.name ?? ''
                          }
                          onEarly={() => bringEarly(o)}
                          number={number}
                          jobId={job.id}
                          widest={widest}
                          readOnly={readOnly}
                          onRemove={() => void remove(o)}
                        />
                      );
                    })}
                  </ol>
                </SortableContext>
              </section>
            ))}
            {!readOnly && (
              <Button
                onClick={() =>
                  void run(() =>
                    call(
                      'POST',
                      '/api/jobs/:id/setups',
                      { id: job.id },
                      { name: `Setup ${detail.setups.length + 1}` },
                    ),
                  )
                }
              >
                <Plus size={15} aria-hidden="true" /> Setup
              </Button>
            )}
          </div>
        </DndContext>
        <aside className="space-y-4">
          <section aria-label="The part" className="rounded-lg border border-line bg-card p-3">
            <h2 className="mb-1">One part</h2>
            <p>
              <span className="text-2xl font-bold">{total.toFixed(1)}</span> min cycle time
            </p>
            <p className="text-soft">
              {((total * job.quantity) / 60).toFixed(1)} h for {job.quantity}
            </p>
          </section>
          {route.some((r) => r.evaluation.risk) && <RiskCard risk={risk} />}
          <ToolChangesCard
            loads={loads}
            fewest={fewest}
            readOnly={readOnly}
            onGroup={() => void reorder(grouped)}
          />
          <section aria-label="Tools" className="rounded-lg border border-line bg-card p-3">
            <h2 className="mb-1">Edges for the batch</h2>
            <ul className="space-y-1">
              {[...cutters].map(([id, c]) => (
                <li key={id} className="flex justify-between gap-2">
                  <span className="min-w-0 text-[13px]">{c.name}</span>
                  <span className="font-semibold">{c.edges > 0 ? Math.max(1, Math.ceil(c.edges)) : '?'}</span>
                </li>
              ))}
            </ul>
            {cutters.size === 0 && <p className="text-soft">None yet.</p>}
          </section>
          <section aria-label="Record" className="rounded-lg border border-line bg-card p-3">
            <h2 className="mb-1">Record</h2>
            <ol className="space-y-1 text-[13px]">
              {(events ?? []).slice(0, 8).map((e) => (
                <li key={e.id}>
                  <span className="text-soft">
                    {new Date(e.at).toLocaleDateString('en-GB', { dateStyle: 'medium' })}
                  </span>{' '}
                  {e.person} {e.action} {e.subject}
                </li>
              ))}
            </ol>
          </section>
        </aside>
      </div>
      {adding && (
        <NewOperationDialog
          crib={crib}
          job={job}
          setupId={adding}
          onClose={() => setAdding(null)}
          onMade={(id) => void refreshJob(job.id).then(() => navigate(`/jobs/${job.id}/ops/${id}`))}
        />
      )}
    </div>
  );
}
