import { type Crib, type Job, type JobFields, jobFieldsOf } from '@burl/contract';
import type { JobPlan } from '@burl/core';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { PartDrawing } from '../../drawing/part/part-drawing.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { AlloyAndMachine } from '../../planning/alloy-and-machine.tsx';
import { BlankAsked, BlankFields, Spares, tidyPlan } from '../../planning/blank-fields.tsx';
import { featureLine } from '../../planning/feature-fields.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { FormDialog } from '../../ui/form-dialog.tsx';

const WORDS = [
  ['number', 'Number', 40],
  ['part', 'Part', 200],
  ['customer', 'Customer', 200],
  ['heatLot', 'Heat lot', 80],
] as const;

/** Number, alloy, machine, quantity, and what is known of the blank. */
function BatchFields({
  fields,
  plan,
  crib,
  onSay,
  onPut,
}: {
  fields: JobFields;
  plan: JobPlan;
  crib: Crib;
  onSay: (change: Partial<JobFields>) => void;
  onPut: (change: Partial<JobPlan>) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {WORDS.map(([key, label, most]) => (
        <Field key={key} label={label}>
          {(p) => (
            <input
              {...p}
              value={fields[key]}
              maxLength={most}
              onChange={(e) => onSay({ [key]: e.target.value })}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      ))}
      <AlloyAndMachine crib={crib} {...fields} onTake={onSay} />
      <Num
        label="Quantity"
        value={fields.quantity}
        unit="pieces"
        readOnly={false}
        onTake={(v) => onSay({ quantity: Math.max(1, Math.round(v ?? 1)) })}
      />
      <Spares plan={plan} onChange={onPut} />
      <Num
        label="Hardness measured"
        value={plan.hardness}
        unit="ratio"
        empty
        readOnly={false}
        onTake={(v) => onPut({ hardness: v })}
      />
      <BlankAsked plan={plan} onChange={onPut} />
    </div>
  );
}

/** What the job says of itself, its part, its blank and its batch. */
export function JobDialog({ job, crib, onClose }: { job: Job; crib: Crib; onClose: () => void }) {
  const system = useSystem();
  const [fields, setFields] = useState(() => jobFieldsOf(job));
  const [plan, setPlan] = useState<JobPlan>(job.plan);
  const put = (change: Partial<JobPlan>) => setPlan((p) => ({ ...p, ...change }));
  const say = (change: Partial<typeof fields>) => setFields((f) => ({ ...f, ...change }));

  const save = async (): Promise<void> => {
    await call(
      'PUT',
      '/api/jobs/:id',
      { id: job.id },
      { ...fields, plan: tidyPlan(plan), version: job.version },
    );
    await refreshJob(job.id);
  };
  return (
    <FormDialog title="Part and batch" size="widest" does="Save" save={save} onClose={onClose}>
      <div className="grid grid-cols-1 gap-4 md:grid-cols-2">
        <div className="space-y-2">
          <BatchFields fields={fields} plan={plan} crib={crib} onSay={say} onPut={put} />
          <label className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              checked={plan.firstThroughAll}
              onChange={(e) => put({ firstThroughAll: e.target.checked })}
            />
            First piece through every setup before the batch
          </label>
          {plan.features.length > 0 && (
            <ul aria-label="Features" className="list-inside list-disc text-[13px]">
              {plan.features.map((f, i) => (
                <li key={i}>{featureLine(f)}</li>
              ))}
            </ul>
          )}
        </div>
        <div className="space-y-3">
          <PartDrawing plan={plan} system={system} />
          <BlankFields plan={plan} readOnly={false} onChange={put} />
        </div>
      </div>
    </FormDialog>
  );
}
