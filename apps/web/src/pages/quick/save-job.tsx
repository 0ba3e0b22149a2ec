import { type JobFields, jobOfOperation } from '@burl/contract';
import type { OperationContext, Operation, ToolMaterials } from '@burl/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

/** Keeps the answer as a job of one operation; everything goes in at once, or nothing does. */
export function SaveJob({
  name,
  op,
  context,
  materials,
  notes = '',
  onClose,
}: {
  name: string;
  op: Operation;
  context: OperationContext;
  materials: ToolMaterials;
  notes?: string;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const [number, setNumber] = useState('');
  const [part, setPart] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function save(): Promise<void> {
    if (!number.trim() || !part.trim()) {
      setFailed('A job needs a number and the name of its part.');
      return;
    }
    const fields: JobFields = {
      number: number.trim(),
      part: part.trim(),
      customer: '',
      alloyId: op.alloyId,
      machineId: op.machineId,
      quantity: 1,
      heatLot: '',
      due: null,
      notes,
    };
    setBusy(true);
    setFailed(null);
    try {
      const made = await call(
        'POST',
        '/api/jobs/import',
        {},
        jobOfOperation(fields, name, op, context, materials),
      );
      await Promise.all([refreshJob(made.job.id), mutate('/api/crib')]);
      const [operation] = made.setups.flatMap((s) => s.operations);
      await navigate(`/jobs/${made.job.id}${operation ? `/ops/${operation.id}` : ''}`);
    } catch (error) {
      setFailed(messageOf(error));
      setBusy(false);
    }
  }

  return (
    <SheetDialog
      open
      onClose={onClose}
      title="Save as job"
      description={`${name} becomes its first operation.`}
    >
      <form
        noValidate
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <Field label="Number">
          {(p) => (
            <input
              {...p}
              value={number}
              maxLength={40}
              onChange={(e) => setNumber(e.target.value)}
              className={FIELD_LOOK}
            />
          )}
        </Field>
        <Field label="Part">
          {(p) => (
            <input
              {...p}
              value={part}
              maxLength={200}
              onChange={(e) => setPart(e.target.value)}
              className={FIELD_LOOK}
            />
          )}
        </Field>
        <FormError message={failed} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={busy}>
            Create job
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
