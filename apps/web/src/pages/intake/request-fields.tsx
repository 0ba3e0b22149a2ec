import type { Crib, JobFields } from '@burl/contract';
import type { JobPlan } from '@burl/core';
import { type UseFormReturn, useWatch } from 'react-hook-form';
import { AlloyAndMachine } from '../../planning/alloy-and-machine.tsx';
import { Spares } from '../../planning/blank-fields.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { TextField } from '../../ui/text-field.tsx';

/** What is asked for: number, part, alloy, machine, how many, and what is known of the lot. */
export function RequestFields({
  form,
  crib,
  plan,
  onPut,
}: {
  form: UseFormReturn<JobFields>;
  crib: Crib;
  plan: JobPlan;
  onPut: (change: Partial<JobPlan>) => void;
}) {
  const { errors } = form.formState;
  const [alloyId, machineId] = useWatch({ control: form.control, name: ['alloyId', 'machineId'] });
  const hardness = crib.alloys.find((a) => a.id === alloyId)?.document.hardness;
  const outside =
    hardness && plan.hardness !== null && (plan.hardness < hardness.low || plan.hardness > hardness.high);
  return (
    <section
      aria-label="Request"
      className={`rounded-lg border border-line bg-card p-3 grid grid-cols-2 gap-x-3 gap-y-2 space-y-0 sm:grid-cols-4 [&>*]:sm:col-span-2 [&>.narrow]:sm:col-span-1`}
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
      <AlloyAndMachine
        crib={crib}
        alloyId={alloyId}
        machineId={machineId}
        wrong={{ alloyId: errors.alloyId !== undefined, machineId: errors.machineId !== undefined }}
        onTake={(change) => {
          for (const key of ['alloyId', 'machineId'] as const)
            if (change[key] !== undefined) form.setValue(key, change[key], { shouldValidate: true });
        }}
      />
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
        <Spares plan={plan} onChange={onPut} />
      </div>
      <div className="narrow">
        <Num
          label={`Hardness${hardness ? `, ${hardness.scale}` : ''}`}
          value={plan.hardness}
          unit="ratio"
          empty
          readOnly={false}
          onTake={(v) => onPut({ hardness: v })}
        />
        {outside && (
          <p role="alert" className="text-[12.5px] text-tight">
            Outside the alloy’s table: {hardness.low} to {hardness.high} {hardness.scale}. Check alloy and
            condition.
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
  );
}
