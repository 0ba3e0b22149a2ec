import { type CombinationInput, mayEdit } from '@burl/contract';
import { formatMeasure, type ResonancePicture } from '@burl/core';
import { Plus } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useCombinations, useCrib, useJob, useSession } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { question } from '../../workers/question.ts';
import { useHeavy } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { CombinationDialog } from './combination-dialog.tsx';
import { askedOf, type CutAsked, NOTHING_ASKED, operationOf } from './cut-asked.ts';
import { LobesPanel, rangeOf } from './lobes-panel.tsx';
import { NotebookPanel } from './test-cuts-panel.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { SoundPanel } from './sound-panel.tsx';
import { SlenderPanel } from './slender-panel.tsx';
import { TapPanel } from './tap-panel.tsx';

const TABS = [
  ['tip', 'Tap test'],
  ['lobes', 'Lobes'],
  ['notebook', 'Test cuts'],
  ['sound', 'Sound'],
  ['plan', 'Plan'],
  ['slender', 'Bars and drills'],
] as const;
type Tab = (typeof TABS)[number][0];

/** Spindles and combinations: how the tip moves, where it chatters, what was tried and heard. */
export default function ResonancePage() {
  const { combination: id } = useParams();
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const system = useSystem();
  const { data: crib, error: cribError } = useCrib();
  const { data: all, error, mutate } = useCombinations();
  const { data: session } = useSession();
  const jobId = search.get('job');
  const operationId = search.get('op');
  const { data: job } = useJob(jobId ?? '');
  const [asked, setAsked] = useState<CutAsked | null>(null);
  const [making, setMaking] = useState(false);
  const [dismissed, setDismissed] = useState(false);
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const wish = wished(search);
  const meant =
    wish &&
    all?.find(
      (c) =>
        c.machineId === wish.machineId &&
        c.holderId === wish.holderId &&
        c.cutterId === wish.cutterId &&
        Math.abs(c.stickOutMm - wish.stickOutMm) <= 0.5,
    );
  const chosen = all?.find((c) => c.id === id) ?? (id ? undefined : (meant ?? all?.[0]));
  const asking = making || (wish !== null && !meant && !id && !dismissed && edit);
  const now = asked ?? (jobId ? askedOf(job, operationId) : null) ?? NOTHING_ASKED;
  const tab = (TABS.find(([t]) => t === search.get('tab'))?.[0] ?? 'tip') satisfies Tab;
  const cut = useMemo(() => (crib && chosen ? operationOf(crib, chosen, now) : null), [crib, chosen, now]);
  const range = cut
    ? rangeOf(
        cut.op.cut.speedRpm,
        Math.min(cut.context.machine.max_rpm, cut.context.cutter.properties.RPMX ?? Infinity),
        cut.op.tooling.stickOutMm,
        cut.op.cut.axialDepthMm,
      )
    : null;
  const picture = useHeavy<ResonancePicture>(
    'resonance',
    cut && range && (tab === 'lobes' || tab === 'plan')
      ? question('resonance', cut.op, cut.context, range)
      : null,
    async (api, progress) => {
      const { proxy } = await import('comlink');
      return api.resonance(cut!.op, cut!.context, range!, proxy(progress.early), proxy(progress.part));
    },
    250,
  );
  if (error && !all)
    return <Failed what="the combinations" message={error.message} retry={() => void mutate()} />;
  if (cribError && !crib) return <Failed what="the crib" message={cribError.message} />;
  if (!all || !crib) return <Loading what="the combinations" />;
  const nameOf = (list: readonly { id: string; document: { name: string } }[], of: string): string =>
    list.find((e) => e.id === of)?.document.name ?? of;
  const go = (to: string): void => void navigate({ pathname: `/resonance/${to}`, search: search.toString() });
  const title = chosen
    ? `${nameOf(crib.machines, chosen.machineId)}, serial ${chosen.machineSerial}; ${nameOf(crib.holders, chosen.holderId)}; ${nameOf(crib.cutters, chosen.cutterId)}; ${formatMeasure(chosen.stickOutMm, 'mm', system)} stick-out`
    : '';
  return (
    <div className="flex flex-col gap-2 p-3">
      <Crumbs trail={[{ label: 'Chatter' }]} />
      <div className="grid gap-3 lg:grid-cols-[230px_minmax(0,1fr)] print:block">
        <nav aria-label="Combinations" className="no-print space-y-2">
          <div className="flex items-center justify-between">
            <h1 className="text-lg font-semibold">Chatter</h1>
            {edit && (
              <Button onClick={() => setMaking(true)} aria-label="New combination">
                <Plus size={15} aria-hidden="true" /> New
              </Button>
            )}
          </div>
          <ul className="space-y-1.5">
            {all.map((c) => (
              <li key={c.id}>
                <Link
                  to={{ pathname: `/resonance/${c.id}`, search: search.toString() }}
                  aria-current={c.id === chosen?.id ? 'page' : undefined}
                  className={`block rounded-lg border p-2 text-[13px] ${c.id === chosen?.id ? 'border-accent bg-accent-soft' : 'border-line bg-card hover:bg-accent-soft'}`}
                >
                  <b>
                    {c.machineSerial}, {formatMeasure(c.stickOutMm, 'mm', system)}
                  </b>
                  <span className="block">{nameOf(crib.cutters, c.cutterId)}</span>
                  <span className="block text-soft">{nameOf(crib.holders, c.holderId)}</span>
                  <span className="block text-soft">
                    {c.tips.length > 0
                      ? `tap-tested in ${c.tips.map((t) => t.axis).join(' and ')}`
                      : 'not measured here'}
                    , {c.cuts.length} {c.cuts.length === 1 ? 'cut' : 'cuts'}
                  </span>
                </Link>
              </li>
            ))}
            {all.length === 0 && <li className="text-soft">No combination yet.</li>}
          </ul>
          {jobId && operationId && (
            <Link to={`/jobs/${jobId}/ops/${operationId}`} className="block underline">
              Back to the bench
            </Link>
          )}
        </nav>
        {chosen && cut ? (
          <section aria-label="Combination" className="min-w-0">
            <h2 className="mb-1 text-[14px] leading-snug font-semibold">{title}</h2>
            <Tabs.Root
              value={tab}
              onValueChange={(t) => {
                const next = new URLSearchParams(search);
                next.set('tab', t);
                setSearch(next, { replace: true });
              }}
            >
              <Tabs.List
                aria-label="About the combination"
                className="no-print mb-2 flex border-b border-line"
              >
                {TABS.map(([t, name]) => (
                  <Tabs.Trigger
                    key={t}
                    value={t}
                    className="border-b-2 border-transparent px-3 py-1 font-semibold text-soft hover:text-ink data-[state=active]:border-accent data-[state=active]:text-ink"
                  >
                    {name}
                  </Tabs.Trigger>
                ))}
              </Tabs.List>
              <Tabs.Content value="tip">
                <TapPanel key={chosen.id} combination={chosen} crib={crib} edit={edit} />
              </Tabs.Content>
              <Tabs.Content value="lobes">
                <LobesPanel
                  crib={crib}
                  combination={chosen}
                  asked={now}
                  onAsk={setAsked}
                  cut={cut}
                  picture={picture}
                />
              </Tabs.Content>
              <Tabs.Content value="notebook">
                <NotebookPanel key={chosen.id} combination={chosen} cut={cut} edit={edit} />
              </Tabs.Content>
              <Tabs.Content value="sound">
                <SoundPanel key={chosen.id} combination={chosen} cut={cut} />
              </Tabs.Content>
              <Tabs.Content value="slender">
                <SlenderPanel crib={crib} />
              </Tabs.Content>
              <Tabs.Content value="plan">
                <PlanPanel title={title} picture={picture} asked={now} onAsk={setAsked} />
              </Tabs.Content>
            </Tabs.Root>
          </section>
        ) : (
          <p className="rounded-lg border border-line bg-card p-4 text-soft">
            {chosen
              ? 'The crib lacks an entry of this combination, or the cut asked for is impossible with it.'
              : 'Create a combination of spindle, holder, tool and stick-out to begin.'}
          </p>
        )}
      </div>
      {asking && (
        <CombinationDialog
          crib={crib}
          start={wish ?? {}}
          onClose={() => {
            setMaking(false);
            setDismissed(true);
          }}
          onMade={(made) => {
            setMaking(false);
            go(made);
          }}
        />
      )}
    </div>
  );
}

/** What a bench sent along, to be remembered as a new combination. */
function wished(
  search: URLSearchParams,
): Pick<CombinationInput, 'machineId' | 'holderId' | 'cutterId' | 'stickOutMm'> | null {
  const [machineId, holderId, cutterId] = ['machine', 'holder', 'cutter'].map((k) => search.get(k));
  const stickOutMm = Number(search.get('out'));
  if (!machineId || !holderId || !cutterId || !(stickOutMm > 0)) return null;
  return { machineId, holderId, cutterId, stickOutMm };
}
