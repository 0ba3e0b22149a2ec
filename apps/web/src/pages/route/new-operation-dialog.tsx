import { isLathe, MILLING_FEATURES, type Unit } from '@burl/core';
import { type Crib, findable, type Job } from '@burl/contract';
import { type FormEvent, Fragment, useState, useCallback, useMemo } from 'react';
import { call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import {
  cuttersFor,
  FIRST,
  inputOf,
  MILLED,
  nameOf,
  type NewOperation,
  ownMade,
  withMade,
} from '../../judging/new-operation.ts';
import { isTurned, TURNED } from '../../judging/turned-sizes.ts';
import type { TypedSizes } from '../../judging/own-made.ts';
import { STRAIGHT_THREADS, ThreadChoice } from '../../ui/thread-choice.tsx';
import { SearchSelect } from '../../ui/search-select.tsx';

type Sized = Exclude<keyof TypedSizes, 'thread'> | 'cornerRadiusMm' | 'count';

/** Sizes of the feature or the hole. */
function Sizes({ of, onChange }: { of: NewOperation; onChange: (change: Partial<NewOperation>) => void }) {
  const number = (label: string, key: Sized, unit: Unit = 'mm', empty = false) => (
    <Num
      label={label}
      value={of[key]}
      unit={unit}
      empty={empty}
      readOnly={false}
      onTake={(v) => onChange({ [key]: key === 'count' && v ? Math.round(v) : v })}
    />
  );
  if (of.made === 'hole')
    return (
      <>
        {number('Diameter', 'diameterMm')}
        {number('Depth', 'depthMm')}
        {number('Holes per part', 'count', 'pieces')}
        <label className="col-span-3 flex items-center gap-2">
          <input
            type="checkbox"
            checked={of.through}
            onChange={(e) => onChange({ through: e.target.checked })}
          />{' '}
          through
        </label>
      </>
    );
  const own = ownMade(of.made);
  if (own) {
    const { asks, threaded } = own;
    return (
      <>
        {threaded && (
          <ThreadChoice
            value={of.thread}
            series={STRAIGHT_THREADS}
            readOnly={false}
            onTake={(thread) => onChange({ thread })}
          />
        )}
        {asks.map(([key, label, unit]) => (
          <Fragment key={key}>{number(label, key, unit)}</Fragment>
        ))}
      </>
    );
  }
  return (
    <>
      {number('Length', 'lengthMm')}
      {number(of.made === 'side' ? 'Stock on the side' : 'Width', 'widthMm')}
      {number('Depth', 'depthMm')}
      {of.made === 'pocket' && number('Corner radius', 'cornerRadiusMm', 'mm', true)}
    </>
  );
}

/** Where a lathe mills or drills: the part it stands on, and for a hole which of the two turns. */
function PartInLathe({
  of,
  driven,
  onChange,
}: {
  of: NewOperation;
  driven: boolean;
  onChange: (change: Partial<NewOperation>) => void;
}) {
  return (
    <>
      <Num
        label="Part diameter"
        value={of.startMm}
        unit="mm"
        readOnly={false}
        onTake={(v) => v !== null && onChange({ startMm: v })}
      />
      <Num
        label="Part out of the jaws"
        value={of.overhangMm}
        unit="mm"
        readOnly={false}
        onTake={(v) => v !== null && onChange({ overhangMm: v })}
      />
      {of.made === 'hole' && driven && (
        <label className="flex items-center gap-2 self-end pb-2">
          <input
            type="checkbox"
            checked={of.offAxis}
            onChange={(e) => onChange({ offAxis: e.target.checked })}
          />{' '}
          off the axis, by a driven tool
        </label>
      )}
    </>
  );
}

/** State the feature and choose a cutter; Burl works out the first numbers. */
export function NewOperationDialog({
  crib,
  job,
  setupId,
  onClose,
  onMade,
}: {
  crib: Crib;
  job: Job;
  setupId: string;
  onClose: () => void;
  onMade: (operationId: string) => void;
}) {
  const system = useSystem();
  const [typed, setTyped] = useState(FIRST);
  const [failed, setFailed] = useState<string | null>(null);
  const change = (next: Partial<NewOperation>) => setTyped((t) => ({ ...t, ...next }));
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  const turned = machine && isLathe(machine) ? (Object.keys(TURNED) as (keyof typeof TURNED)[]) : [];
  const lathe = machine?.kind === 'lathe';
  const driven = !lathe || machine.driven_tools !== undefined;
  const made: readonly NewOperation['made'][] = [
    ...turned,
    ...(driven ? [...MILLING_FEATURES, ...(Object.keys(MILLED) as (keyof typeof MILLED)[])] : []),
    'hole',
  ];
  const group = crib.alloys.find((a) => a.id === job.alloyId)?.document.iso513_group;
  const suits = useCallback(
    (groups: readonly string[]): boolean => !group || groups.includes(group),
    [group],
  );
  const cutters = useMemo(() => cuttersFor(crib, typed, suits), [crib, typed, suits]);
  const list = useMemo(
    () =>
      cutters.map((c) => ({
        ...findable('cutters', c),
        ...(suits(c.suits_iso_groups) ? {} : { note: `not rated for ISO ${group}` }),
      })),
    [cutters, suits, group],
  );
  // A cutter of the other kind of feature is no choice any more.
  const cutterId = cutters.some((c) => c.id === typed.cutterId) ? typed.cutterId : (cutters[0]?.id ?? '');

  async function make(event: FormEvent): Promise<void> {
    event.preventDefault();
    const input = inputOf(crib, job, { ...typed, cutterId }, setupId, system);
    if (typeof input === 'string') {
      setFailed(input);
      return;
    }
    setFailed(null);
    try {
      onMade((await call('POST', '/api/jobs/:id/operations', { id: job.id }, input)).id);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  return (
    <SheetDialog open onClose={onClose} title="New operation" size="wide">
      <form onSubmit={(e) => void make(e)} className="grid grid-cols-3 gap-3">
        <Field label="What is cut">
          {(p) => (
            <select
              {...p}
              value={typed.made}
              onChange={(e) => setTyped((t) => withMade(t, e.target.value as NewOperation['made']))}
              className={FIELD_LOOK}
            >
              {made.map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
          )}
        </Field>
        <div className="col-span-2">
          <Field label="Name">
            {(p) => (
              <input
                {...p}
                value={typed.name}
                placeholder={nameOf(typed)}
                onChange={(e) => change({ name: e.target.value })}
                className={FIELD_LOOK}
              />
            )}
          </Field>
        </div>
        <Sizes of={typed} onChange={change} />
        {lathe && !isTurned(typed.made) && <PartInLathe of={typed} driven={driven} onChange={change} />}
        <div className="col-span-3">
          <SearchSelect
            label={`Cutter, those for ${group ? `ISO ${group}` : 'the alloy'} first`}
            what="cutter"
            value={cutterId}
            list={list}
            onTake={(id) => change({ cutterId: id })}
          />
        </div>
        <FormError message={failed} className="col-span-3" />
        <div className="col-span-3 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main">
            Calculate
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
