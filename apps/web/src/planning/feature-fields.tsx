import { type PartFeature, PART_FEATURES, SIDES } from '@burl/core';
import type { Unit } from '@burl/core';
import { FEATURE_SIZES, type FeatureSize } from '../judging/feature-sizes.ts';
import { Field, FIELD_LOOK } from '../ui/field.tsx';
import { Choice, Num } from '../ui/form-parts.tsx';

type Sized = FeatureSize | 'count' | 'toleranceMm' | 'raUm';

const ENDS = ['closed', 'open at one end', 'open at both ends'] as const;

/** One feature of the part: what it is, its sizes, and what the drawing asks of it. */
export function FeatureFields({
  feature,
  onChange,
}: {
  feature: PartFeature;
  onChange: (next: PartFeature) => void;
}) {
  const put = (change: Partial<PartFeature>) => onChange({ ...feature, ...change });
  const number = (key: Sized, label: string, unit: Unit = 'mm', empty = false) => (
    <Num
      key={key}
      label={label}
      value={feature[key]}
      unit={unit}
      empty={empty || key === 'cornerRadiusMm'}
      readOnly={false}
      onTake={(v) => put({ [key]: key === 'count' && v ? Math.max(1, Math.round(v)) : v })}
    />
  );
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
      <Choice
        label="Feature"
        value={feature.kind}
        options={PART_FEATURES}
        readOnly={false}
        onTake={(kind) =>
          put({ kind, cornerRadiusMm: kind === 'pocket' ? (feature.cornerRadiusMm ?? 8) : null })
        }
      />
      <Choice
        label="From"
        value={feature.side}
        options={SIDES}
        readOnly={false}
        onTake={(side) => put({ side })}
      />
      {number('count', 'How many', 'pieces')}
      <Field label="Called">
        {(p) => (
          <input
            {...p}
            value={feature.name}
            maxLength={80}
            placeholder={feature.kind}
            onChange={(e) => put({ name: e.target.value })}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      {FEATURE_SIZES[feature.kind === 'wall' ? 'side' : feature.kind].map(([key, label]) =>
        number(key, label),
      )}
      {feature.kind === 'slot' && (
        <Choice
          label="Ends"
          value={ENDS[feature.openEnds] ?? ENDS[0]}
          options={ENDS}
          readOnly={false}
          onTake={(v) => put({ openEnds: ENDS.indexOf(v) })}
        />
      )}
      {feature.kind === 'hole' && (
        <>
          <Field label="Thread">
            {(p) => (
              <input
                {...p}
                value={feature.thread ?? ''}
                maxLength={40}
                placeholder="M8, or empty"
                onChange={(e) => put({ thread: e.target.value.trim() || null })}
                className={FIELD_LOOK}
              />
            )}
          </Field>
          <label className="flex min-h-9 items-center gap-2 self-end">
            <input
              type="checkbox"
              checked={feature.through}
              onChange={(e) => put({ through: e.target.checked })}
            />{' '}
            Through
          </label>
        </>
      )}
      {number('toleranceMm', 'Tolerance', 'mm-fine', true)}
      {feature.kind !== 'hole' && number('raUm', 'Ra', 'um', true)}
    </div>
  );
}

/** A feature in a line: “9 slots, 24 × 2 × 2 mm, from the top”. */
export function featureLine(f: PartFeature): string {
  const sizes =
    f.kind === 'hole'
      ? `${f.thread ?? `${f.diameterMm}`} × ${f.depthMm}${f.through ? ' through' : ''}`
      : `${f.lengthMm} × ${f.widthMm} × ${f.depthMm}`;
  return `${f.count} × ${f.name.trim() || f.kind}, ${sizes} mm, from the ${f.side}`;
}
