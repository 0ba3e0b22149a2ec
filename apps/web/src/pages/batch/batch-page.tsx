import { type Crib, type JobDetail, mayEdit } from '@burl/contract';
import { batchPlan, type RouteChoice } from '@burl/core';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useCrib, useJob, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { amount, duration } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { judgedJob } from '../../judging/judged-job.ts';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { FirstCard } from './first-card.tsx';
import { HoldingCard } from './holding-card.tsx';
import { MinutesCard } from './minutes-card.tsx';
import { MoneyCard } from './money-card.tsx';
import { type Confidence, NightCard } from './night-card.tsx';
import { RatesDialog } from './rates-dialog.tsx';
import { RiskCard } from './risk-card.tsx';
import { RoutesCard } from './routes-card.tsx';
import { takeRoute } from './take-route.ts';
import { ToolsCard } from './tools-card.tsx';

/** The job of the address as a batch: minutes, cost, risk, holding, first piece, what may run alone, other routes. */
export default function BatchPage() {
  const { job: jobId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: crib } = useCrib();
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (!detail || !crib) return <Loading what="the batch" />;
  return <BatchView detail={detail} crib={crib} />;
}

function Answer({ name, children, more }: { name: string; children: string; more: string }) {
  return (
    <div className="rounded-lg border border-line bg-card px-3 py-2">
      <dt className="text-[12.5px] text-soft">{name}</dt>
      <dd>
        <span className="text-xl font-bold">{children}</span>
        <span className="block text-[12.5px] text-soft">{more}</span>
      </dd>
    </div>
  );
}

function BatchView({ detail, crib }: { detail: JobDetail; crib: Crib }) {
  const { job } = detail;
  const { data: session } = useSession();
  const [confidence, setConfidence] = useState<Confidence>(0.9);
  const [rates, setRates] = useState(false);
  const may = session?.person ? mayEdit(session.person.role) : false;
  const readOnly = job.status !== 'draft' || !may;
  const judged = useMemo(() => judgedJob(detail, crib), [detail, crib]);
  const plan = useMemo(() => judged && batchPlan(judged, confidence), [judged, confidence]);
  const names = new Map(detail.setups.flatMap((s) => s.operations.map((o) => [o.id, o.name] as const)));

  async function run(work: () => Promise<unknown>, done: string): Promise<void> {
    try {
      await work();
      toast.success(done);
    } catch (error) {
      toast.error(messageOf(error));
    }
    await refreshJob(job.id);
  }
  const order = (next: readonly (readonly string[])[]) =>
    run(
      () =>
        call(
          'PUT',
          '/api/jobs/:id/order',
          { id: job.id },
          {
            setups: detail.setups.map((s, i) => ({
              id: s.id,
              operations: next[i] ?? s.operations.map((o) => o.id),
            })),
          },
        ),
      'The order was changed.',
    );
  const take = (route: RouteChoice) =>
    run(() => takeRoute(detail, route), `${route.name}: taken as new variants, chosen.`);

  const used = plan && judged?.setups.some((s) => s.operations.length > 0);
  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[{ label: job.number, to: `/jobs/${job.id}` }, { label: 'Batch' }]} />
      <h1 className="mb-3 text-xl">
        Batch of {job.quantity} {job.part}
      </h1>
      {!plan || !used ? (
        <p className="text-soft">Nothing to plan yet: add the first operation on the route.</p>
      ) : (
        <div className="space-y-4">
          <dl className="grid grid-cols-2 gap-3 lg:grid-cols-4">
            <Answer name="A part" more={`${duration(plan.minutes.runningPerPart)} of it running`}>
              {duration(plan.minutes.perPart)}
            </Answer>
            <Answer
              name="The batch"
              more={`${plan.minutes.blanks} blanks in ${detail.setups.length} ${detail.setups.length === 1 ? 'setup' : 'setups'}`}
            >
              {duration(plan.minutes.batch)}
            </Answer>
            <Answer name="Cost a part" more={`${amount(plan.money.batch, plan.money.currency)} the batch`}>
              {amount(plan.money.perPart, plan.money.currency)}
            </Answer>
            <Answer
              name="Lost, each part"
              more={`${job.plan.spares > 0 ? 'the spares are enough' : 'all good without a spare'} ${Math.round(100 * plan.risk.sparesEnough)}% of the time`}
            >
              {shareOfParts(plan.risk.lost)}
            </Answer>
          </dl>
          <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-2">
            <div className="space-y-4">
              <MinutesCard plan={plan} />
              <RiskCard
                quantity={job.quantity}
                plan={plan}
                names={names}
                onOrder={readOnly ? null : (next) => void order(next)}
              />
              <NightCard plan={plan} confidence={confidence} onConfidence={setConfidence} />
              <ToolsCard plan={plan} />
            </div>
            <div className="space-y-4">
              <MoneyCard plan={plan} onRates={may ? () => setRates(true) : null} />
              <HoldingCard plan={plan} />
              <FirstCard plan={plan} />
            </div>
          </div>
          <RoutesCard
            job={judged!}
            crib={crib}
            confidence={confidence}
            onTake={readOnly ? null : (route) => void take(route)}
          />
        </div>
      )}
      {rates && <RatesDialog crib={crib} machineId={job.machineId} onClose={() => setRates(false)} />}
    </div>
  );
}
