import { type HolePlan, PLAIN_DEMAND, planPart, type PartPlan, type Shop, InputError } from '@burl/core';
import { type Crib, type HoleKindRecord, type JobDetail, mayEdit } from '@burl/contract';
import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useCrib, useJob, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { offerOf } from '../../judging/offer.ts';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { HoleKind } from './hole-kind.tsx';
import { useHoleChanges } from './use-hole-changes.ts';
import { demandInWords, shareOfParts } from '../../judging/hole-words.ts';

export default function HolesPage() {
  const { job: jobId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib, error: cribError, mutate: again } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (cribError && !crib)
    return <Failed what="the crib" message={cribError.message} retry={() => void again()} />;
  if (!detail || !crib) return <Loading what="the holes" />;
  const alloy = crib.alloys.find((a) => a.id === detail.job.alloyId)?.document;
  const machine = crib.machines.find((m) => m.id === detail.job.machineId)?.document;
  if (!alloy || !machine)
    return <Failed what="the holes" message="The job’s alloy or machine is not in the crib (any more)." />;
  return <Holes detail={detail} crib={crib} alloy={alloy} machine={machine} />;
}

function Holes({
  detail,
  crib,
  alloy,
  machine,
}: {
  detail: JobDetail;
  crib: Crib;
  alloy: Shop['alloy'];
  machine: Shop['machine'];
}) {
  const { job, holes } = detail;
  const { data: session } = useSession();
  const readOnly = job.status !== 'draft' || !session?.person || !mayEdit(session.person.role);
  const [search, setSearch] = useSearchParams();
  const record = holes.find((h) => h.id === search.get('kind')) ?? holes[0];
  const shop = useMemo((): Shop => {
    // Hardness and cutting force measured on this lot hold for its holes as well.
    const measured = detail.setups
      .flatMap((s) => s.operations)
      .map((o) => o.variants.find((v) => v.label === o.selected)?.document.measured)
      .find((m) => m && (m.hardness !== null || m.kc11NMm2 !== null));
    return {
      alloy,
      machine,
      offer: offerOf(crib),
      quantity: job.quantity,
      ...(measured ? { measured } : {}),
    };
  }, [alloy, machine, crib, job.quantity, detail.setups]);
  const part = useMemo(() => partOf(shop, holes), [shop, holes]);

  const { add, remove } = useHoleChanges(detail, (kind) => setSearch(kind ? { kind } : {}));
  const trail = [{ label: job.number, to: `/jobs/${job.id}` }, { label: 'Holes' }];
  return (
    <div className="mx-auto max-w-[1500px] p-4">
      <Crumbs trail={trail} />
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-xl">Holes of {job.number}</h1>
          <p className="text-soft">
            {alloy.name} on {machine.name}
          </p>
        </div>
        {part && part.holes > 0 && <Totals part={part} />}
      </div>
      <div className="grid grid-cols-1 gap-4 lg:grid-cols-[220px_minmax(0,1fr)]">
        <aside className="min-w-0 space-y-3">
          <HoleGroups holes={holes} part={part} shown={record?.id} onShow={(kind) => setSearch({ kind })} />
          {holes.length === 0 && <p className="text-soft">No holes yet.</p>}
          {!readOnly && (
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => void add({ ...PLAIN_DEMAND, name: `Hole ${holes.length + 1}` })}>
                <Plus size={15} aria-hidden="true" /> Hole
              </Button>
              <Button
                onClick={() =>
                  void add({ ...PLAIN_DEMAND, name: `Thread ${holes.length + 1}`, thread: 'M8', depthMm: 16 })
                }
              >
                <Plus size={15} aria-hidden="true" /> Thread
              </Button>
            </div>
          )}
          {part && part.tools.length > 0 && <SharedTools part={part} holes={holes} />}
        </aside>
        {record && (
          <HoleKind
            key={record.id}
            record={record}
            detail={detail}
            shop={shop}
            readOnly={readOnly}
            onRemove={() => void remove(record)}
          />
        )}
      </div>
    </div>
  );
}

/** What all holes of the part come to. */
function Totals({ part }: { part: PartPlan }) {
  return (
    <p aria-label="All holes" className="flex flex-wrap gap-x-5 gap-y-1">
      <span>
        <strong>{part.holes}</strong> holes
      </span>
      <span>
        <strong>{part.minutes.toFixed(1)}</strong> min per part
      </span>
      <span>
        <strong>{part.tools.length}</strong> tools
      </span>
      <span>
        <strong>{shareOfParts(part.lost)}</strong> scrap risk
      </span>
    </p>
  );
}

/** Hole groups to choose from, each with its state. */
function HoleGroups({
  holes,
  part,
  shown,
  onShow,
}: {
  holes: readonly HoleKindRecord[];
  part: PartPlan | null;
  shown: string | undefined;
  onShow: (id: string) => void;
}) {
  const system = useSystem();
  return (
    <nav aria-label="Hole groups">
      <ul className="space-y-1.5">
        {holes.map((h) => (
          <li key={h.id}>
            <button
              type="button"
              aria-current={h.id === shown}
              onClick={() => onShow(h.id)}
              className={`w-full rounded-lg border bg-card p-2 text-left ${h.id === shown ? 'border-2 border-accent' : 'border-line hover:bg-accent-soft'}`}
            >
              <span className="flex items-center gap-1.5 font-semibold">
                <KindState plan={part?.plans.get(h.id)} chosen={h.chosen} />
                {h.demand.name}
              </span>
              <span className="block text-[12.5px] text-soft">{demandInWords(h.demand, system)}</span>
            </button>
          </li>
        ))}
      </ul>
    </nav>
  );
}

/** All kinds together; null where one of them cannot be. */
function partOf(shop: Shop, holes: readonly HoleKindRecord[]): PartPlan | null {
  try {
    return planPart(shop, holes);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

function KindState({ plan, chosen }: { plan: HolePlan | undefined; chosen: string | null }) {
  const taken = plan?.alternatives.find((a) => a.id === (chosen ?? plan.recommended));
  return <StateMark state={taken && taken.refused === null ? taken.state : 'over'} />;
}

/** Tools with the holes they serve; one that serves several is loaded once. */
function SharedTools({ part, holes }: { part: PartPlan; holes: readonly HoleKindRecord[] }) {
  return (
    <section aria-label="Tools of the holes" className="rounded-lg border border-line bg-card p-2.5">
      <h2 className="mb-1 text-[15px]">Tools</h2>
      <ul className="space-y-1 text-[12.5px]">
        {part.tools.map((t) => (
          <li key={t.cutterId}>
            {t.name}
            <span className="block text-soft">
              {t.serves
                .map((s) => `${s.step}, ${holes.find((h) => h.id === s.kindId)?.demand.name ?? ''}`)
                .join('; ')}
            </span>
          </li>
        ))}
      </ul>
      {part.savedMin > 0 && (
        <p className="mt-1 text-[12.5px]">
          Tools that serve several kinds are loaded once: {part.savedMin.toFixed(2)} min per part saved when
          their steps run together.
        </p>
      )}
    </section>
  );
}
