import {
  type CombinationDetail,
  type CombinationInput,
  combinationInputOf,
  type Crib,
  fittingHolder,
} from '@burl/contract';
import { isMillingCutter } from '@burl/core';
import { type FormEvent, useState, useMemo } from 'react';
import { call, messageOf } from '../../api/client.ts';
import { Num } from '../../ui/form-parts.tsx';
import { Button } from '../../ui/button.tsx';
import { EntrySelect } from '../../ui/entry-select.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { refreshChatter } from '../../api/hooks.ts';
import { offered, searchable } from '../../judging/offer.ts';
import { SearchSelect } from '../../ui/search-select.tsx';

/** A milling cutter among all there are. */
function MillSelect({
  crib,
  value,
  disabled,
  onTake,
}: {
  crib: Crib;
  value: string;
  disabled: boolean;
  onTake: (id: string) => void;
}) {
  const mills = useMemo(
    () => searchable(offered(crib.cutters, value).filter((c) => isMillingCutter(c.document))),
    [crib, value],
  );
  return (
    <SearchSelect
      label="Cutter"
      what="cutter"
      rows={4}
      value={value}
      list={mills}
      disabled={disabled}
      onTake={onTake}
    />
  );
}

/** What a combination begins with: what is to be corrected, or the first of each. */
const firstDraft = (
  crib: Crib,
  start: Partial<CombinationInput>,
  existing: CombinationDetail | undefined,
): CombinationInput => ({
  machineId: crib.machines[0]?.id ?? '',
  machineSerial: '',
  holderId: crib.holders[0]?.id ?? '',
  cutterId: offered(crib.cutters).find((c) => isMillingCutter(c.document))?.id ?? '',
  stickOutMm: 40,
  note: '',
  ...start,
  ...(existing && combinationInputOf(existing)),
});

/** A new combination of machine, holder, cutter and stick-out, or one that is corrected. */
export function CombinationDialog({
  crib,
  start,
  existing,
  onClose,
  onMade,
}: {
  crib: Crib;
  start: Partial<CombinationInput>;
  /** The one to correct; a new one without. */
  existing?: CombinationDetail;
  onClose: () => void;
  onMade: (id: string) => void;
}) {
  const [draft, setDraft] = useState(() => firstDraft(crib, start, existing));
  // What was measured was measured of these four: they are another combination's.
  const measured = existing !== undefined && existing.tips.length + existing.cuts.length > 0;
  const [failed, setFailed] = useState<string | null>(null);
  const choose = (
    label: string,
    key: 'machineId' | 'holderId',
    list: readonly { id: string; document: { name: string } }[],
  ) => (
    <EntrySelect
      label={label}
      value={draft[key]}
      list={list}
      disabled={measured}
      onTake={(id) => {
        const next = { ...draft, [key]: id };
        const fits = key === 'holderId' ? null : fittingHolder(crib, next.machineId, next.cutterId);
        setDraft(fits ? { ...next, holderId: fits } : next);
      }}
    />
  );
  async function make(event: FormEvent): Promise<void> {
    event.preventDefault();
    setFailed(null);
    try {
      const kept = existing
        ? await call(
            'PUT',
            '/api/resonance/:id',
            { id: existing.id },
            { ...draft, version: existing.version },
          )
        : await call('POST', '/api/resonance', {}, draft);
      await refreshChatter();
      onMade(kept.id);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={existing ? 'Edit combination' : 'New combination'}
      description={
        measured
          ? 'Tap tests and cuts belong to this machine, holder, cutter and stick-out: for others make a new combination.'
          : 'A combination is one spindle, holder, tool and stick-out. It is remembered under all four.'
      }
    >
      <form onSubmit={(e) => void make(e)} className="space-y-2">
        {choose('Machine', 'machineId', offered(crib.machines, draft.machineId))}
        <Field label="Serial number" hint="as on its plate: two machines of one kind sound different">
          {(p) => (
            <input
              {...p}
              required
              maxLength={60}
              value={draft.machineSerial}
              onChange={(e) => setDraft({ ...draft, machineSerial: e.target.value })}
              className={FIELD_LOOK}
            />
          )}
        </Field>
        <MillSelect
          crib={crib}
          value={draft.cutterId}
          disabled={measured}
          onTake={(cutterId) => {
            const holderId = fittingHolder(crib, draft.machineId, cutterId) ?? draft.holderId;
            setDraft({ ...draft, cutterId, holderId });
          }}
        />
        {choose('Holder', 'holderId', offered(crib.holders, draft.holderId))}
        <Num
          label="Stick-out"
          unit="mm"
          value={draft.stickOutMm}
          readOnly={measured}
          onTake={(v) => v && setDraft({ ...draft, stickOutMm: v })}
        />
        <Field label="Note">
          {(p) => (
            <textarea
              {...p}
              rows={2}
              maxLength={2000}
              value={draft.note}
              onChange={(e) => setDraft({ ...draft, note: e.target.value })}
              className={FIELD_LOOK}
            />
          )}
        </Field>
        <FormError message={failed} />
        <Button type="submit" look="main">
          {existing ? 'Save' : 'Create'}
        </Button>
      </form>
    </SheetDialog>
  );
}
