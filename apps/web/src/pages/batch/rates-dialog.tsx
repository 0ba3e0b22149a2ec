import type { Crib } from '@burl/contract';
import { RATE_FIELDS, type ShopRates } from '@burl/core';
import { useState } from 'react';
import { mutate } from 'swr';
import { call } from '../../api/client.ts';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { FormDialog } from '../../ui/form-dialog.tsx';

/** Currency, hours and minutes of the shop; every job is worked out anew with them. */
export function RatesDialog({
  crib,
  machineId,
  onClose,
}: {
  crib: Crib;
  /** Machine of the job, which may have an hour of its own. */
  machineId: string;
  onClose: () => void;
}) {
  const [rates, setRates] = useState<ShopRates>(crib.rates.rates);
  const machine = crib.machines.find((m) => m.id === machineId)?.document.name ?? machineId;
  const save = async (): Promise<void> => {
    await call('PUT', '/api/shop-rates', {}, { rates, version: crib.rates.version });
    await mutate('/api/crib');
  };
  return (
    <FormDialog
      title="Rates of the shop"
      description="They hold for every job."
      does="Save rates"
      save={save}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-2">
        <Field label="Currency">
          {(p) => (
            <input
              {...p}
              value={rates.currency}
              maxLength={3}
              onChange={(e) => setRates((r) => ({ ...r, currency: e.target.value.toUpperCase() }))}
              className={FIELD_LOOK}
            />
          )}
        </Field>
        <Num
          label={`Hour of ${machine}, if another`}
          value={rates.byMachine[machineId] ?? null}
          unit="money"
          empty
          readOnly={false}
          onTake={(v) =>
            setRates(({ byMachine: { [machineId]: _, ...others }, ...r }) => ({
              ...r,
              byMachine: v === null ? others : { ...others, [machineId]: v },
            }))
          }
        />
        {RATE_FIELDS.map((f) => (
          <Num
            key={f.key}
            label={f.label}
            value={rates[f.key]}
            unit={f.unit}
            readOnly={false}
            onTake={(v) => setRates((r) => ({ ...r, [f.key]: v ?? r[f.key] }))}
          />
        ))}
      </div>
    </FormDialog>
  );
}
