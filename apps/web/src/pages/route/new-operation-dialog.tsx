import {
  isDrill,
  isMillingCutter,
  MILLING_FEATURES,
  type MillingFeatureKind,
  problemsOf,
  problemInWords,
} from '@burl/core';
import type { Crib, Job } from '@burl/contract';
import { type FormEvent, useState } from 'react';
import { call, messageOf } from '../../api/client.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { UNITS, type Unit } from '@burl/core';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { blankOperation } from '../../judging/blank-operation.ts';
import { contextOf } from '../../judging/context.ts';

type Kind = MillingFeatureKind | 'hole';

/** State the feature and pick a cutter; Burl works out the first numbers. */
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
  const [kind, setKind] = useState<Kind>('pocket');
  const [name, setName] = useState('');
  const [size, setSize] = useState({
    lengthMm: 60,
    widthMm: 40,
    depthMm: 20,
    cornerRadiusMm: 8 as number | null,
    diameterMm: 8,
    count: 1,
  });
  const [through, setThrough] = useState(false);
  const [cutterId, setCutterId] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const hole = kind === 'hole';
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const suits = (groups: readonly string[]): boolean => !alloy || groups.includes(alloy.iso513_group);
  const drillOff = (d: number | undefined): number => Math.abs((d ?? 0) - size.diameterMm);
  const cutters = crib.cutters
    .map((c) => c.document)
    .filter((c) => (hole ? isDrill(c) : isMillingCutter(c)))
    .sort(
      (a, b) =>
        Number(suits(b.suits_iso_groups)) - Number(suits(a.suits_iso_groups)) ||
        (hole
          ? drillOff(a.properties.DC) - drillOff(b.properties.DC)
          : (a.properties.DC ?? 0) - (b.properties.DC ?? 0)),
    );
  const chosen = cutters.find((c) => c.id === cutterId) ? cutterId : '';
  const title = name.trim() || (hole ? `Drill ${size.diameterMm} × ${size.depthMm}` : `Rough ${kind}`);

  async function make(event: FormEvent): Promise<void> {
    event.preventDefault();
    setFailed(null);
    if (!chosen) {
      setFailed('Choose a cutter from the list.');
      return;
    }
    const document = blankOperation(
      crib,
      job,
      chosen,
      hole
        ? { diameterMm: size.diameterMm, depthMm: size.depthMm, through, count: size.count }
        : {
            kind,
            lengthMm: size.lengthMm,
            widthMm: size.widthMm,
            depthMm: size.depthMm,
            cornerRadiusMm: kind === 'pocket' ? size.cornerRadiusMm : null,
          },
    );
    if (!document) {
      setFailed(
        'No holder of the crib takes this shank and fits the spindle. Copy a holder in the crib, or choose another cutter.',
      );
      return;
    }
    const context = contextOf(crib, document, job.quantity);
    const problems = context ? problemsOf(document, context) : [];
    if (problems.length > 0) {
      setFailed(problems.map(problemInWords).join('; '));
      return;
    }
    try {
      const made = await call(
        'POST',
        '/api/jobs/:id/operations',
        { id: job.id },
        {
          setupId,
          name: title,
          document,
        },
      );
      onMade(made.id);
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  const number = (label: string, key: keyof typeof size, unit: Unit, empty = false) => (
    <Field label={`${label}${UNITS[unit][system].label ? `, ${UNITS[unit][system].label}` : ''}`}>
      {(p) => (
        <NumberInput
          {...p}
          value={size[key]}
          unit={unit}
          allowEmpty={empty}
          onTake={(v) => setSize((s) => ({ ...s, [key]: key === 'count' && v ? Math.round(v) : v }))}
          className={FIELD_LOOK}
        />
      )}
    </Field>
  );

  return (
    <SheetDialog open onClose={onClose} title="New operation" wide>
      <form onSubmit={(e) => void make(e)} className="grid grid-cols-3 gap-3">
        <Field label="What is cut">
          {(p) => (
            <select
              {...p}
              value={kind}
              onChange={(e) => setKind(e.target.value as Kind)}
              className={FIELD_LOOK}
            >
              {[...MILLING_FEATURES, 'hole' as const].map((k) => (
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
                value={name}
                placeholder={title}
                onChange={(e) => setName(e.target.value)}
                className={FIELD_LOOK}
              />
            )}
          </Field>
        </div>
        {hole ? (
          <>
            {number('Diameter', 'diameterMm', 'mm')}
            {number('Depth', 'depthMm', 'mm')}
            {number('Holes per part', 'count', 'pieces')}
            <label className="col-span-3 flex items-center gap-2">
              <input type="checkbox" checked={through} onChange={(e) => setThrough(e.target.checked)} />{' '}
              through
            </label>
          </>
        ) : (
          <>
            {number('Length', 'lengthMm', 'mm')}
            {number(kind === 'side' ? 'Stock on the side' : 'Width', 'widthMm', 'mm')}
            {number('Depth', 'depthMm', 'mm')}
            {kind === 'pocket' && number('Corner radius', 'cornerRadiusMm', 'mm', true)}
          </>
        )}
        <div className="col-span-3">
          <Field label={`Cutter, those for ${alloy ? `group ${alloy.iso513_group}` : 'the alloy'} first`}>
            {(p) => (
              <select
                {...p}
                size={7}
                value={chosen}
                onChange={(e) => setCutterId(e.target.value)}
                className={`${FIELD_LOOK} h-auto`}
              >
                {cutters.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}
                    {suits(c.suits_iso_groups) ? '' : ` (not for group ${alloy?.iso513_group})`}
                  </option>
                ))}
              </select>
            )}
          </Field>
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
