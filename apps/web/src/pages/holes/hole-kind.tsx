import { chosenOf, type HoleDemand, type Shop, type StepChange, type StepKey } from '@burl/core';
import type { HoleKindRecord, JobDetail } from '@burl/contract';
import { ChevronDown, Trash2, Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { AlternativeCard } from './alternative-card.tsx';
import { DemandForm } from './demand-form.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { demandInWords } from '../../judging/hole-words.ts';
import { planOf } from './plan-of.ts';
import { useHoleEdits } from './use-hole-edits.ts';

/** What is asked, in a line; behind it the form. A group that stands nowhere in the route yet is stated first. */
function Requirement({
  demand,
  unplaced,
  readOnly,
  onUndo,
  onRemove,
  onChange,
}: {
  demand: HoleDemand;
  unplaced: boolean;
  readOnly: boolean;
  /** Null where there is nothing to undo. */
  onUndo: (() => void) | null;
  onRemove: () => void;
  onChange: (demand: HoleDemand) => void;
}) {
  const system = useSystem();
  const [editing, setEditing] = useState(unplaced);
  return (
    <section aria-label="Requirement" className="rounded-lg border border-line bg-card px-3 py-2">
      <div className="flex items-center justify-between gap-2">
        <button
          type="button"
          aria-expanded={editing}
          onClick={() => setEditing(!editing)}
          className="flex min-h-8 min-w-0 flex-1 items-center gap-2 rounded text-left hover:bg-accent-soft touch:min-h-11"
        >
          <ChevronDown size={15} aria-hidden="true" className={`shrink-0 ${editing ? 'rotate-180' : ''}`} />
          <h2>Requirement</h2>
          <span className="truncate text-soft">{demandInWords(demand, system)}</span>
        </button>
        {!readOnly && (
          <span className="flex">
            <Button look="quiet" aria-label="Undo" disabled={onUndo === null} onClick={() => onUndo?.()}>
              <Undo2 size={15} aria-hidden="true" />
            </Button>
            <Button look="quiet" aria-label={`Remove ${demand.name}`} onClick={onRemove}>
              <Trash2 size={15} aria-hidden="true" />
            </Button>
          </span>
        )}
      </div>
      {editing && (
        <div className="mt-2 [&>div]:grid-cols-4 max-[700px]:[&>div]:grid-cols-2">
          <DemandForm demand={demand} readOnly={readOnly} onChange={onChange} />
        </div>
      )}
    </section>
  );
}

/** One kind of hole: what is asked, the ways to it side by side, and its place in the route. */
export function HoleKind({
  record,
  detail,
  shop,
  readOnly,
  onRemove,
}: {
  record: HoleKindRecord;
  detail: JobDetail;
  shop: Shop;
  readOnly: boolean;
  onRemove: () => void;
}) {
  const { now, set, undo, canUndo } = useHoleEdits(record, detail.job.id);
  useHotkeys('ctrl+z, meta+z', undo, { preventDefault: true }, [undo]);
  const system = useSystem();
  const result = useMemo(
    () => planOf(shop, now.demand, now.changes, system),
    [shop, now.demand, now.changes, system],
  );
  const plan = 'plan' in result ? result.plan : null;
  const taken = plan ? chosenOf(plan, now.chosen) : null;

  const step = (way: string) => (key: StepKey, change: StepChange) =>
    void set({
      ...now,
      changes: {
        ...now.changes,
        [way]: { ...now.changes[way], [key]: { ...now.changes[way]?.[key], ...change } },
      },
    });
  const choose = (id: string) => void set({ ...now, chosen: id === plan?.recommended ? null : id });

  return (
    <div className="min-w-0 space-y-3">
      <div className="grid min-w-0 grid-cols-1 gap-3">
        <Requirement
          demand={now.demand}
          unplaced={!detail.setups.some((s) => s.operations.some((o) => o.holeId === record.id))}
          readOnly={readOnly}
          onUndo={canUndo ? undo : null}
          onRemove={onRemove}
          onChange={(demand) => void set({ ...now, demand })}
        />
        <div className="min-w-0 space-y-3">
          {'wrong' in result && (
            <p role="alert" className="rounded-lg border-2 border-over bg-card p-3">
              {result.wrong}
            </p>
          )}
          {plan && (
            <>
              <section aria-label="Recommendation" className="rounded-lg border border-line bg-card p-3">
                <h2 className="mb-1">
                  {plan.recommended
                    ? `Recommended: ${plan.alternatives.find((a) => a.id === plan.recommended)!.name.toLowerCase()}`
                    : 'No method with tools in the crib'}
                </h2>
                <ul className="list-outside list-disc space-y-0.5 pl-4">
                  {plan.because.map((b) => (
                    <li key={b}>{b}</li>
                  ))}
                </ul>
              </section>
              <section
                aria-label="Methods"
                className="grid grid-cols-[repeat(auto-fit,minmax(min(235px,100%),1fr))] gap-3"
              >
                {plan.alternatives
                  .filter((a) => a.refused === null)
                  .map((a) => (
                    <AlternativeCard
                      key={a.id}
                      alternative={a}
                      count={plan.count}
                      recommended={a.id === plan.recommended}
                      chosen={a.id === taken?.id}
                      readOnly={readOnly}
                      onChoose={() => choose(a.id)}
                      onStep={step(a.id)}
                    />
                  ))}
              </section>
              {taken && <InRoute record={record} detail={detail} taken={taken} readOnly={readOnly} />}
              {plan.alternatives.some((a) => a.refused !== null) && (
                <section aria-label="Not possible here" className="rounded-lg border border-line bg-card p-3">
                  <h2 className="mb-1 text-[15px]">Not with this crib</h2>
                  <ul className="space-y-0.5 text-[13px]">
                    {plan.alternatives
                      .filter((a) => a.refused !== null)
                      .map((a) => (
                        <li key={a.id}>
                          <strong className="font-semibold">{a.name}</strong>: {a.refused}.
                        </li>
                      ))}
                  </ul>
                </section>
              )}
            </>
          )}
        </div>
      </div>
    </div>
  );
}

/** Where the steps stand in the route, and the button that puts them there. */
function InRoute({
  record,
  detail,
  taken,
  readOnly,
}: {
  record: HoleKindRecord;
  detail: JobDetail;
  taken: NonNullable<ReturnType<typeof chosenOf>>;
  readOnly: boolean;
}) {
  const there = detail.setups.flatMap((s) =>
    s.operations.filter((o) => o.holeId === record.id).map((o) => ({ ...o, setup: s.name })),
  );
  const [setupId, setSetupId] = useState(there[0]?.setupId ?? detail.setups[0]?.id ?? '');
  const steps = taken.steps.filter((s) => !s.leftOut);
  const asPlanned =
    there.length === steps.length &&
    steps.every((s, i) => {
      const at = there[i]!;
      const document = at.variants.find((v) => v.label === at.selected)?.document;
      return (
        document !== undefined &&
        at.holeStep === s.key &&
        document.kind === s.op.kind &&
        document.tooling.cutterId === s.op.tooling.cutterId &&
        document.featuresPerPart === s.op.featuresPerPart &&
        JSON.stringify(
          'hole' in document
            ? [document.hole.diameterMm, document.hole.depthMm, document.hole.startMm]
            : null,
        ) === JSON.stringify([s.op.hole.diameterMm, s.op.hole.depthMm, s.op.hole.startMm])
      );
    });
  async function put(): Promise<void> {
    try {
      await call(
        'POST',
        '/api/holes/:id/steps',
        { id: record.id },
        {
          setupId,
          steps: steps.map((s) => ({
            name: `${s.name}, ${record.demand.name}`,
            step: s.key,
            document: s.op,
          })),
        },
      );
      await refreshJob(detail.job.id);
      toast.success(`${steps.length} steps are in the route.`);
    } catch (error) {
      toast.error(messageOf(error));
    }
  }
  return (
    <section aria-label="In the route" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1 text-[15px]">In the route</h2>
      <p className="mb-1">{taken.placement}</p>
      {there.length > 0 && (
        <ul className="mb-1.5 flex flex-wrap gap-x-3 gap-y-1">
          {there.map((o) => (
            <li key={o.id}>
              <Link to={`/jobs/${detail.job.id}/ops/${o.id}`} className="underline underline-offset-2">
                {o.name}
              </Link>{' '}
              <span className="text-soft">{o.setup}</span>
            </li>
          ))}
        </ul>
      )}
      {asPlanned ? (
        <p className="text-soft">The steps of the chosen method are in the route; edit them there.</p>
      ) : (
        !readOnly && (
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label="Setup"
              value={setupId}
              onChange={(e) => setSetupId(e.target.value)}
              className={`${FIELD_LOOK} !w-44`}
            >
              {detail.setups.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
            <Button look="main" disabled={!setupId} onClick={() => void put()}>
              {there.length > 0 ? 'Put these in their place' : 'Put into the route'}
            </Button>
            {there.length > 0 && (
              <span className="text-[13px] text-soft">The route differs from the method chosen here.</span>
            )}
          </div>
        )
      )}
      {there.length === 0 && readOnly && <p className="text-soft">Not in the route.</p>}
    </section>
  );
}
