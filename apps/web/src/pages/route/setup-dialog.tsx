import type { Crib, Setup } from '@burl/contract';
import { type Holding, type SetupPlan, SIDES } from '@burl/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { offered } from '../../judging/offer.ts';
import { HoldingFields } from '../../planning/holding-fields.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Choice, Num } from '../../ui/form-parts.tsx';
import { FormDialog } from '../../ui/form-dialog.tsx';

const ORDER = {
  'by-tool': 'each tool cuts all parts of the load',
  'by-part': 'each part is finished first',
} as const;

interface FieldsProps {
  plan: SetupPlan;
  crib: Crib;
  onChange: (change: Partial<SetupPlan>) => void;
}

/** Machine, place and datum. */
function PlaceFields({
  name,
  onName,
  plan,
  crib,
  onChange,
}: FieldsProps & { name: string; onName: (name: string) => void }) {
  const text = (label: string, key: 'datum' | 'workOffset' | 'locatesOn', placeholder: string) => (
    <Field label={label}>
      {(p) => (
        <input
          {...p}
          value={plan[key]}
          maxLength={key === 'workOffset' ? 20 : 200}
          placeholder={placeholder}
          onChange={(e) => onChange({ [key]: e.target.value })}
          className={FIELD_LOOK}
        />
      )}
    </Field>
  );
  return (
    <div className="space-y-2">
      <Field label="Name">
        {(p) => (
          <input
            {...p}
            value={name}
            maxLength={200}
            onChange={(e) => onName(e.target.value)}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      <Field label="Machine">
        {(p) => (
          <select
            {...p}
            value={plan.machineId ?? ''}
            onChange={(e) => onChange({ machineId: e.target.value || null })}
            className={FIELD_LOOK}
          >
            <option value="">as the job</option>
            {offered(crib.machines, plan.machineId ?? '').map((m) => (
              <option key={m.id} value={m.id}>
                {m.document.name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Choice
        label="Side towards the spindle"
        value={plan.up}
        options={SIDES}
        readOnly={false}
        onTake={(up) => onChange({ up })}
      />
      {text('Datum', 'datum', 'fixed jaw, left, top of the part')}
      {text('Work offset', 'workOffset', 'G54')}
      {text('Locates on, finished before', 'locatesOn', 'the two reamed holes of setup 1')}
    </div>
  );
}

/** Holding, load, order and what may run alone. */
function LoadFields({ plan, onChange }: Omit<FieldsProps, 'crib'>) {
  return (
    <div className="space-y-2">
      <HoldingFields
        holding={plan.holding}
        readOnly={false}
        onChange={(holding: Holding | null) => onChange({ holding })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Num
          label="Parts a load"
          value={plan.partsPerLoad}
          unit="pieces"
          readOnly={false}
          onTake={(v) => onChange({ partsPerLoad: Math.max(1, Math.round(v ?? 1)) })}
        />
        <Num
          label="Fixture price"
          value={plan.fixturePrice}
          unit="money"
          empty
          readOnly={false}
          onTake={(v) => onChange({ fixturePrice: v })}
        />
      </div>
      <Choice
        label="Order of the load"
        value={plan.order}
        options={['by-tool', 'by-part'] as const}
        nameOf={(o) => ORDER[o]}
        readOnly={false}
        onTake={(order) => onChange({ order })}
      />
      <label className="flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          checked={plan.takenOver ?? false}
          onChange={(e) => onChange({ takenOver: e.target.checked })}
        />
        Sub-spindle takes the part over from the setup before
      </label>
      <label className="flex min-h-9 items-center gap-2">
        <input type="checkbox" checked={plan.alone} onChange={(e) => onChange({ alone: e.target.checked })} />
        May run with nobody there
      </label>
    </div>
  );
}

/** Name, machine, place, holding and load of a setup. An empty one can be removed here. */
export function SetupDialog({
  jobId,
  setup,
  crib,
  only,
  onClose,
}: {
  jobId: string;
  setup: Setup;
  crib: Crib;
  /** It is the only setup of the job, and stays. */
  only: boolean;
  onClose: () => void;
}) {
  const [name, setName] = useState(setup.name);
  const [plan, setPlan] = useState<SetupPlan>(setup.plan);
  const put = (change: Partial<SetupPlan>) => setPlan((p) => ({ ...p, ...change }));
  const save = async (): Promise<void> => {
    await call(
      'PUT',
      '/api/setups/:id',
      { id: setup.id },
      { name: name.trim(), plan, version: setup.version },
    );
    await refreshJob(jobId);
  };
  const remove = async (): Promise<void> => {
    await call('DELETE', '/api/setups/:id', { id: setup.id });
    toast(`${setup.name} was removed.`);
    await refreshJob(jobId);
  };
  return (
    <FormDialog
      title={setup.name}
      size="wide"
      does="Save setup"
      save={save}
      aside={(run) =>
        setup.operations.length === 0 && !only && <Button onClick={() => run(remove)}>Remove setup</Button>
      }
      onClose={onClose}
    >
      <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
        <PlaceFields name={name} onName={setName} plan={plan} crib={crib} onChange={put} />
        <LoadFields plan={plan} onChange={put} />
      </div>
    </FormDialog>
  );
}
