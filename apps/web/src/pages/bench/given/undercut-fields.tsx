import { type MillingOperation, type Undercut, UNDERCUT_FORMS, type UndercutForm } from '@burl/core';
import { Choice, type FormProps } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

export const UNDERCUT_NAMES: Readonly<Record<UndercutForm, string>> = {
  wall: 'groove in a wall',
  't-slot': 'T-slot',
  dovetail: 'dovetail',
  'face-ring': 'ring groove in a face',
};

type Feature = MillingOperation['feature'];

const SIZES: Readonly<Record<UndercutForm, readonly NumberField<Feature>[]>> = {
  wall: [
    { key: 'widthMm', label: 'Depth into the wall', unit: 'mm' },
    { key: 'depthMm', label: 'Width of the groove', unit: 'mm' },
  ],
  't-slot': [
    { key: 'widthMm', label: 'Under each side', unit: 'mm' },
    { key: 'depthMm', label: 'Height', unit: 'mm' },
  ],
  dovetail: [
    { key: 'widthMm', label: 'Under each side', unit: 'mm' },
    { key: 'depthMm', label: 'Height', unit: 'mm' },
    { key: 'slopeDeg', label: 'Floor to wall', unit: 'deg' },
  ],
  'face-ring': [
    { key: 'widthMm', label: 'Width', unit: 'mm' },
    { key: 'depthMm', label: 'Depth', unit: 'mm' },
  ],
};

function fieldsOf({ form }: Undercut): readonly NumberField<Undercut>[] {
  if (form === 'face-ring') return [{ key: 'ringMm', label: 'Mean diameter', unit: 'mm' }];
  const under = form !== 'wall';
  return [
    ...(under ? ([{ key: 'throatMm', label: 'Slot above', unit: 'mm' }] as const) : []),
    { key: 'floorMm', label: under ? 'Floor below the face' : 'Lower wall below the face', unit: 'mm' },
    ...(under
      ? []
      : ([
          {
            key: 'ringMm',
            label: 'Diameter at the bottom',
            unit: 'mm',
            empty: null,
            hint: 'empty: straight',
          },
        ] as const)),
    {
      key: 'openingMm',
      label: under ? 'Pocket the head goes in by' : 'Opening it goes through',
      unit: 'mm',
      empty: null,
      hint: 'empty: from the side',
    },
  ];
}

/** A groove under a wall or round a ring: its form, its sizes, and how the head gets in. */
export function UndercutFields({ op, readOnly, onChange }: FormProps<MillingOperation>) {
  const { feature } = op;
  const { undercut } = feature;
  if (!undercut) return null;
  const set = (change: Partial<Feature>): void => onChange({ ...op, feature: { ...feature, ...change } });
  const setUndercut = (change: Partial<Undercut>): void => set({ undercut: { ...undercut, ...change } });
  return (
    <>
      <Choice
        label="Groove"
        value={undercut.form}
        options={UNDERCUT_FORMS.filter((f) => (f === 'face-ring') === (undercut.form === 'face-ring'))}
        nameOf={(f) => UNDERCUT_NAMES[f]}
        readOnly={readOnly}
        onTake={(form) =>
          set({
            slopeDeg: form === 'dovetail' ? 60 : 90,
            undercut: {
              ...undercut,
              form,
              throatMm: form === 'wall' ? null : (undercut.throatMm ?? 2 * feature.widthMm),
            },
          })
        }
      />
      <NumberFields
        of={feature}
        fields={[{ key: 'lengthMm', label: 'Length', unit: 'mm' }, ...SIZES[undercut.form]]}
        readOnly={readOnly}
        onSet={set}
      />
      <NumberFields of={undercut} fields={fieldsOf(undercut)} readOnly={readOnly} onSet={setUndercut} />
      {undercut.form === 'wall' && undercut.ringMm !== null && (
        <Choice
          label="Round"
          value={undercut.inside ? 'a bore' : 'a boss'}
          options={['a bore', 'a boss']}
          readOnly={readOnly}
          onTake={(v) => setUndercut({ inside: v === 'a bore' })}
        />
      )}
    </>
  );
}
