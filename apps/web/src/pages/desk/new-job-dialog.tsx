import { type JobFields, jobFieldsSchema } from '@burl/contract';
import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useCrib } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { offered } from '../../judging/offer.ts';

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

/** Take the request: what part, of what, on what, how many. */
export function NewJobDialog({ onClose }: { onClose: () => void }) {
  const { data: crib } = useCrib();
  const [failed, setFailed] = useState<string | null>(null);
  const navigate = useNavigate();
  const form = useForm<JobFields>({ resolver: yupResolver(jobFieldsSchema) as never, defaultValues: EMPTY });
  const { errors, isSubmitting } = form.formState;

  async function make(fields: JobFields): Promise<void> {
    setFailed(null);
    try {
      const detail = await call('POST', '/api/jobs', {}, fields);
      await refreshJob(detail.job.id);
      await navigate(`/jobs/${detail.job.id}`);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  return (
    <SheetDialog open onClose={onClose} title="New job" size="wide">
      {!crib ? (
        <Loading what="the crib" />
      ) : (
        <form noValidate onSubmit={(e) => void form.handleSubmit(make)(e)} className="grid grid-cols-2 gap-3">
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
          <Field label="Alloy" error={errors.alloyId && 'Choose the alloy with its condition'}>
            {(p) => (
              <select {...p} {...form.register('alloyId')} className={FIELD_LOOK}>
                <option value="">choose</option>
                {offered(crib.alloys).map((a) => (
                  <option key={a.id} value={a.id}>
                    {a.document.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Machine" error={errors.machineId && 'Choose the machine it runs on'}>
            {(p) => (
              <select {...p} {...form.register('machineId')} className={FIELD_LOOK}>
                <option value="">choose</option>
                {offered(crib.machines).map((m) => (
                  <option key={m.id} value={m.id}>
                    {m.document.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <TextField
            label="Quantity"
            error={errors.quantity && 'A whole number, 1 to 100 000'}
            field={form.register('quantity', { valueAsNumber: true })}
            type="number"
            min={1}
          />
          <TextField
            label="Due"
            error={errors.due?.message}
            field={form.register('due', { setValueAs: (v: string | null) => v || null })}
            type="date"
          />
          <TextField label="Customer" field={form.register('customer')} />
          <TextField label="Heat lot" field={form.register('heatLot')} />
          <div className="col-span-2">
            <Field label="Notes">
              {(p) => <textarea {...p} {...form.register('notes')} rows={2} className={FIELD_LOOK} />}
            </Field>
          </div>
          <FormError message={failed} className="col-span-2" />
          <div className="col-span-2 flex justify-end gap-2">
            <Button onClick={onClose}>Cancel</Button>
            <Button type="submit" look="main" disabled={isSubmitting}>
              Create job
            </Button>
          </div>
        </form>
      )}
    </SheetDialog>
  );
}
