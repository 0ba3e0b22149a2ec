import type { MillingOperation } from '@burl/core';
import { FaceFields } from './face-fields.tsx';
import { Choice, type FormProps, Num } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

type Feature = MillingOperation['feature'];

/** Open ends of a slot, by how many. */
const ENDS: readonly string[] = ['both closed', 'one open', 'both open', 'not stated'];
const STOCK: readonly NumberField<Feature>[] = [{ key: 'stockMm', label: 'Stock on each side', unit: 'mm' }];
const ASKED: readonly NumberField<Feature>[] = [
  { key: 'slopeDeg', label: 'Slope of the surface', unit: 'deg', zero: true, hint: '90 is a vertical wall' },
  { key: 'raUm', label: 'Ra required', unit: 'um-fine', empty: null, hint: 'empty: none' },
  { key: 'scallopMm', label: 'Scallop height allowed', unit: 'mm-fine', empty: null, hint: 'empty: none' },
];

/** A slope and the ridges on it belong to a surface and to walls; grooves, floors, corners and faces have none. */
function askedOf({ kind, undercut, finishing }: Feature): readonly NumberField<Feature>[] {
  const sloping =
    kind !== 'face' && !undercut && (!finishing || finishing.face === 'wall' || finishing.face === 'surface');
  return sloping ? ASKED : ASKED.filter((f) => f.key === 'raUm');
}

/** What not every feature has: island, stock around a boss, open floor, slope, and the surface that is asked for. */
export function FeatureRest({
  op,
  readOnly,
  onChange,
  wipes,
}: FormProps<MillingOperation> & {
  /** Inserts of the cutter have a wiper's flat. */
  wipes: boolean;
}) {
  const { feature } = op;
  const set = (change: Partial<Feature>) => onChange({ ...op, feature: { ...feature, ...change } });
  return (
    <>
      {feature.kind === 'boss' && (
        <NumberFields of={feature} fields={STOCK} readOnly={readOnly} onSet={set} />
      )}
      {feature.kind === 'pocket' && (
        <>
          <Num
            label="Island, length"
            value={feature.island?.lengthMm ?? null}
            unit="mm"
            empty
            readOnly={readOnly}
            onTake={(v) =>
              set({ island: v === null ? null : { lengthMm: v, widthMm: feature.island?.widthMm ?? v } })
            }
            hint="empty: none"
          />
          {feature.island && (
            <NumberFields
              of={feature.island}
              fields={[{ key: 'widthMm', label: 'Island, width', unit: 'mm' }]}
              readOnly={readOnly}
              onSet={(change) => set({ island: { ...feature.island!, ...change } })}
            />
          )}
        </>
      )}
      {feature.kind === 'slot' && !feature.undercut && (
        <Choice
          label="Ends"
          value={ENDS[feature.openEnds ?? 3]!}
          options={ENDS}
          readOnly={readOnly}
          onTake={(v) => {
            const { openEnds: _, ...rest } = feature;
            const ends = ENDS.indexOf(v);
            onChange({ ...op, feature: ends === 3 ? rest : { ...rest, openEnds: ends as 0 | 1 | 2 } });
          }}
        />
      )}
      <Choice
        label="Floor"
        value={feature.through ? 'open below' : 'closed'}
        options={['closed', 'open below']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'open below' })}
      />
      <NumberFields of={feature} fields={askedOf(feature)} readOnly={readOnly} onSet={set} />
      {feature.kind === 'face' && (
        <FaceFields op={op} readOnly={readOnly} onChange={onChange} wipes={wipes} />
      )}
    </>
  );
}
