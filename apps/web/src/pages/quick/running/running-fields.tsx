import type { Crib } from '@burl/contract';
import { type SpokenKey, SYMPTOMS, type Symptom, type Unit, capital } from '@burl/core';
import { useMemo } from 'react';
import type { Made } from '../../../judging/new-operation.ts';
import { offered, searchableAlloys } from '../../../judging/offer.ts';
import { ComboBox } from '../../../ui/combo-box.tsx';
import { Choice, Num } from '../../../ui/form-parts.tsx';
import type { Corrections, RunningDraft } from './running-draft.ts';

const NUMBERS: readonly (readonly [SpokenKey, string, Unit])[] = [
  ['diameterMm', 'Diameter', 'mm'],
  ['teeth', 'Teeth', 'pieces'],
  ['speedRpm', 'Spindle speed n', 'rpm'],
  ['speedMMin', 'Cutting speed vc', 'm/min'],
  ['feedPerToothMm', 'Feed per tooth fz', 'mm/tooth'],
  ['feedPerRevMm', 'Feed per revolution fn', 'mm/rev'],
  ['tableFeedMmMin', 'Table feed vf', 'mm/min'],
  ['axialDepthMm', 'Axial depth ap', 'mm'],
  ['radialDepthMm', 'Radial depth ae', 'mm'],
  ['stickOutMm', 'Stick-out', 'mm'],
  ['cornerRadiusMm', 'Corner radius', 'mm'],
  ['hardnessHrc', 'Hardness measured', 'HRC'],
];
/** Always shown; the others once somebody says them. */
const ALWAYS = new Set<SpokenKey>(['diameterMm', 'teeth', 'axialDepthMm', 'radialDepthMm', 'stickOutMm']);
const MADE_NAMES: Readonly<Record<Made, string>> = {
  side: 'Wall',
  pocket: 'Pocket',
  slot: 'Slot',
  boss: 'Boss',
  face: 'Face',
  hole: 'Hole',
};

/** What was understood, each field to be put right. */
export function RunningFields({
  crib,
  draft,
  corrections,
  onCorrect,
}: {
  crib: Crib;
  draft: RunningDraft;
  corrections: Corrections;
  onCorrect: (next: Corrections) => void;
}) {
  const alloys = useMemo(() => searchableAlloys(offered(crib.alloys)), [crib]);
  const machines = useMemo(
    () => offered(crib.machines).map((m) => ({ id: m.id, name: m.document.name })),
    [crib],
  );
  const has = (key: SpokenKey): boolean => draft.numbers[key] !== undefined;
  const shown = NUMBERS.filter(
    ([key]) =>
      ALWAYS.has(key) ||
      has(key) ||
      (key === 'speedRpm' && !has('speedMMin')) ||
      (key === (draft.tool === 'drill' ? 'feedPerRevMm' : 'feedPerToothMm') &&
        !has('tableFeedMmMin') &&
        !has('feedPerRevMm') &&
        !has('feedPerToothMm')),
  ).filter(([key]) => draft.tool !== 'drill' || (key !== 'radialDepthMm' && key !== 'teeth'));
  const number = (key: SpokenKey, value: number | null) =>
    onCorrect({ ...corrections, numbers: { ...corrections.numbers, [key]: value } });
  return (
    <form
      aria-label="Understood"
      className="space-y-2.5 rounded-lg border border-line bg-card p-3"
      onSubmit={(e) => e.preventDefault()}
    >
      <h2>Understood</h2>
      <ComboBox
        label="Alloy"
        list={alloys}
        value={draft.alloyId}
        placeholder="Name, UNS or EN number"
        onTake={(alloyId) => onCorrect({ ...corrections, alloyId })}
      />
      <ComboBox
        label="Machine"
        list={machines}
        value={draft.machineId}
        placeholder="Choose"
        onTake={(machineId) => onCorrect({ ...corrections, machineId })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Choice
          label="Tool"
          value={draft.tool}
          options={['end mill', 'ball nose', 'face mill', 'drill'] as const}
          readOnly={false}
          nameOf={capital}
          onTake={(tool) => onCorrect({ ...corrections, tool })}
        />
        <Choice
          label="Cutting"
          value={draft.made}
          options={Object.keys(MADE_NAMES) as Made[]}
          readOnly={false}
          nameOf={(m) => MADE_NAMES[m]}
          onTake={(made) => onCorrect({ ...corrections, made })}
        />
        {shown.map(([key, label, unit]) => (
          <Num
            key={key}
            label={draft.tool === 'drill' && key === 'axialDepthMm' ? 'Depth' : label}
            value={draft.numbers[key] ?? null}
            unit={unit}
            empty
            readOnly={false}
            onTake={(v) => number(key, v)}
          />
        ))}
      </div>
    </form>
  );
}

/** What they see: words read from the text are on, each turned on and off by a tap. */
export function SeenChips({
  symptoms,
  onChange,
}: {
  symptoms: readonly Symptom[];
  onChange: (next: readonly Symptom[]) => void;
}) {
  return (
    <div role="group" aria-label="What they see" className="flex flex-wrap gap-1.5">
      {SYMPTOMS.map((s) => {
        const on = symptoms.includes(s.id);
        return (
          <button
            key={s.id}
            type="button"
            aria-pressed={on}
            onClick={() => onChange(on ? symptoms.filter((x) => x !== s.id) : [...symptoms, s.id])}
            className={`min-h-8 rounded-full border px-3 text-[13px] font-semibold touch:min-h-11 ${on ? 'border-accent bg-accent text-on-accent' : 'border-field bg-card hover:bg-accent-soft'}`}
          >
            {s.name}
          </button>
        );
      })}
    </div>
  );
}
