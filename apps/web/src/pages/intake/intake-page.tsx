import { type JobFields, jobFieldsSchema } from '@burl/contract';
import {
  EMPTY_JOB_PLAN,
  type Holding,
  type JobPlan,
  PLAIN_PART_FEATURE,
  type PartFeature,
  usualHolding,
} from '@burl/core';
import { yupResolver } from '@hookform/resolvers/yup';
import { Plus, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { messageOf } from '../../api/client.ts';
import { refreshJob, useCrib } from '../../api/hooks.ts';
import { PartDrawing } from '../../drawing/part/part-drawing.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { offered, searchableAlloys } from '../../judging/offer.ts';
import { BlankFields, tidyPlan } from '../../planning/blank-fields.tsx';
import { FeatureFields, featureLine } from '../../planning/feature-fields.tsx';
import { HoldingFields } from '../../planning/holding-fields.tsx';
import { Button } from '../../ui/button.tsx';
import { ComboBox } from '../../ui/combo-box.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { TextField } from '../../ui/text-field.tsx';
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
  const [feature, setFeature] = useState<PartFeature>(PLAIN_PART_FEATURE);
  const [failed, setFailed] = useState<string | null>(null);
  const [doing, setDoing] = useState<string | null>(null);
  const form = useForm<JobFields>({ resolver: yupResolver(jobFieldsSchema) as never, defaultValues: EMPTY });
  const { errors } = form.formState;
  const [alloyId, machineId] = form.watch(['alloyId', 'machineId']);
  const alloys = useMemo(() => (crib ? searchableAlloys(offered(crib.alloys)) : []), [crib]);
  const machines = useMemo(
    () => (crib ? offered(crib.machines).map((m) => ({ id: m.id, name: m.document.name })) : []),
    [crib],
  );
  if (!crib) return <Loading what="the crib" />;
  const put = (change: Partial<JobPlan>) => setPlan((p) => ({ ...p, ...change }));
  const hardness = crib.alloys.find((a) => a.id === alloyId)?.document.hardness;
  const outside =
    hardness && plan.hardness !== null && (plan.hardness < hardness.low || plan.hardness > hardness.high);

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
          <section
            aria-label="Request"
            className={`${CARD} grid grid-cols-2 gap-x-3 gap-y-2 space-y-0 sm:grid-cols-4 [&>*]:sm:col-span-2 [&>.narrow]:sm:col-span-1`}
          >
            <TextField
              label="Number"
              error={errors.number && 'A number or name people will look for'}
              field={form.register('number')}
            />
            <TextField
              label="Part"
              error={errors.part && 'What the part is called'}
              field={form.register('part')}
            />
            <div>
              <ComboBox
                label="Alloy"
                list={alloys}
                value={alloyId}
                placeholder="Name, UNS or EN number"
                onTake={(id) => form.setValue('alloyId', id, { shouldValidate: true })}
              />
              {errors.alloyId && (
                <p role="alert" className="text-[12.5px] text-over">
                  Choose the alloy with its condition
                </p>
              )}
            </div>
            <div>
              <ComboBox
                label="Machine"
                list={machines}
                value={machineId}
                placeholder="Choose"
                onTake={(id) => form.setValue('machineId', id, { shouldValidate: true })}
              />
              {errors.machineId && (
                <p role="alert" className="text-[12.5px] text-over">
                  Choose the machine it runs on
                </p>
              )}
            </div>
            <div className="narrow">
              <TextField
                label="Quantity"
                error={errors.quantity && 'A whole number, 1 to 100 000'}
                field={form.register('quantity', { valueAsNumber: true })}
                type="number"
                min={1}
              />
            </div>
            <div className="narrow">
              <Num
                label="Spare blanks"
                value={plan.spares}
                unit="pieces"
                readOnly={false}
                onTake={(v) => put({ spares: Math.max(0, Math.round(v ?? 0)) })}
              />
            </div>
            <div className="narrow">
              <Num
                label={`Hardness${hardness ? `, ${hardness.scale}` : ''}`}
                value={plan.hardness}
                unit="ratio"
                empty
                readOnly={false}
                onTake={(v) => put({ hardness: v })}
              />
              {outside && (
                <p role="alert" className="text-[12.5px] text-tight">
                  Outside the alloy’s table: {hardness.low} to {hardness.high} {hardness.scale}. Check alloy
                  and condition.
                </p>
              )}
            </div>
            <div className="narrow">
              <TextField
                label="Due"
                error={errors.due?.message}
                field={form.register('due', { setValueAs: (v: string | null) => v || null })}
                type="date"
              />
            </div>
            <TextField label="Customer" field={form.register('customer')} />
            <TextField label="Heat lot" field={form.register('heatLot')} />
          </section>
          <section aria-label="Features" className={CARD}>
            <h2>Features</h2>
            <p className="text-[13px] text-soft">
              Each offers its operations, roughing and finishing, worked out with the best tool of the crib.
            </p>
            <ul className="space-y-1">
              {plan.features.map((f, i) => (
                <li
                  key={i}
                  className="flex items-center justify-between gap-2 rounded bg-accent-soft px-2 py-1"
                >
                  {featureLine(f)}
                  <button
                    type="button"
                    aria-label={`Remove ${f.name || f.kind}`}
                    onClick={() => put({ features: plan.features.filter((_, k) => k !== i) })}
                    className="flex size-8 items-center justify-center rounded text-soft hover:text-over touch:size-11"
                  >
                    <Trash2 size={15} aria-hidden="true" />
                  </button>
                </li>
              ))}
            </ul>
            <FeatureFields feature={feature} onChange={setFeature} />
            <Button
              onClick={() => {
                put({ features: [...plan.features, feature] });
                setFeature({ ...feature, name: '' });
              }}
            >
              <Plus size={15} aria-hidden="true" /> Add feature
            </Button>
          </section>
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
              <Num
                label="Tolerance"
                value={plan.toleranceMm}
                unit="mm-fine"
                empty
                readOnly={false}
                onTake={(v) => put({ toleranceMm: v })}
              />
              <Num
                label="Ra"
                value={plan.raUm}
                unit="um"
                empty
                readOnly={false}
                onTake={(v) => put({ raUm: v })}
              />
              <Num
                label={`Blank price, ${crib.rates.rates.currency}`}
                value={plan.blankPrice}
                unit="money"
                empty
                readOnly={false}
                onTake={(v) => put({ blankPrice: v })}
              />
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
