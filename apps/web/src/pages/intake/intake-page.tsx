import { type JobFields, jobFieldsSchema } from '@burl/contract';
import { EMPTY_JOB_PLAN, type Holding, type JobPlan, usualHolding } from '@burl/core';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { FeatureList } from './feature-list.tsx';
import { RequestFields } from './request-fields.tsx';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { messageOf } from '../../api/client.ts';
import { refreshJob, useCrib } from '../../api/hooks.ts';
import { PartDrawing } from '../../drawing/part/part-drawing.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { BlankAsked, BlankFields, tidyPlan } from '../../planning/blank-fields.tsx';
import { HoldingFields } from '../../planning/holding-fields.tsx';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { makeJob } from './make-job.ts';

const EMPTY: JobFields = {
  number: '',
  part: '',
  customer: '',
  alloyId: '',
  machineId: '',
  quantity: 1,
  heatLot: '',
  due: null,
  notes: '',
};

const CARD = 'space-y-3 rounded-lg border border-line bg-card p-3';

/** Take the request: part and blank, alloy, batch, machine, holding, features. What is known is entered; the rest can wait. */
export default function IntakePage() {
  const { data: crib } = useCrib();
  const system = useSystem();
  const navigate = useNavigate();
  const [plan, setPlan] = useState<JobPlan>(EMPTY_JOB_PLAN);
  const [holding, setHolding] = useState<Holding | null>(usualHolding('vice'));
  const [failed, setFailed] = useState<string | null>(null);
  const [doing, setDoing] = useState<string | null>(null);
  const form = useForm<JobFields>({ resolver: yupResolver(jobFieldsSchema) as never, defaultValues: EMPTY });
  if (!crib) return <Loading what="the crib" />;
  const put = (change: Partial<JobPlan>) => setPlan((p) => ({ ...p, ...change }));
  async function make(fields: JobFields): Promise<void> {
    if (!crib) return;
    setFailed(null);
    setDoing('Saving');
    try {
      const { detail, lacks } = await makeJob(fields, tidyPlan(plan), holding, crib, setDoing);
      await Promise.all([refreshJob(detail.job.id), mutate('/api/crib')]);
      if (lacks.length > 0) toast.warning(lacks.join('; '));
      await navigate(`/jobs/${detail.job.id}`);
    } catch (error) {
      setFailed(messageOf(error));
      setDoing(null);
    }
  }

  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[{ label: 'New job' }]} />
      <form
        noValidate
        aria-label="New job"
        onSubmit={(e) => void form.handleSubmit(make)(e)}
        className="grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]"
      >
        <div className="space-y-4">
          <h1 className="text-xl">New job</h1>
          <RequestFields form={form} crib={crib} plan={plan} onPut={put} />
          <FeatureList plan={plan} onPut={put} />
        </div>
        <div className="space-y-4">
          <div className="flex items-center justify-end gap-2">
            {doing && <span className="text-[13px] text-soft">{doing}</span>}
            <Button onClick={() => void navigate('/')}>Cancel</Button>
            <Button type="submit" look="main" disabled={doing !== null}>
              Create job
            </Button>
          </div>
          <FormError message={failed} />
          <section aria-label="Blank" className={CARD}>
            <PartDrawing plan={plan} system={system} />
            <BlankFields plan={plan} readOnly={false} onChange={put} />
            <div className="grid grid-cols-3 gap-2">
              <BlankAsked plan={plan} onChange={put} />
            </div>
          </section>
          <section aria-label="Holding" className={CARD}>
            <HoldingFields holding={holding} readOnly={false} onChange={setHolding} />
          </section>
        </div>
      </form>
    </div>
  );
}
