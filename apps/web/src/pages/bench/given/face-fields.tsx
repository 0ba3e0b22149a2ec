import { type FaceSetup, faceSetupOf, type MillingOperation } from '@burl/core';
import type { FormProps } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

const WIPERS: readonly NumberField<Required<FaceSetup>>[] = [
  { key: 'wipers', label: 'Wiper inserts', unit: 'pieces', empty: null, hint: 'empty: as the cutter has' },
  { key: 'wiperUm', label: 'Wipers above the others', unit: 'um', empty: 0 },
];
type Stated = Required<FaceSetup>;
const FIELDS: readonly NumberField<Stated>[] = [
  { key: 'axialRunoutUm', label: 'Axial runout', unit: 'um', empty: null, hint: 'empty: not measured' },
  {
    key: 'alongUmPerM',
    label: 'Spindle lean along feed, per m',
    unit: 'um',
    empty: 0,
    hint: 'empty: trammed',
  },
  { key: 'acrossUmPerM', label: 'Lean across feed, per m', unit: 'um', empty: 0, hint: 'empty: trammed' },
  {
    key: 'offsetMm',
    label: 'Axis off the middle, to where teeth leave',
    unit: 'mm',
    empty: null,
    hint: 'empty: pass flush with the cutter',
  },
];

/** How the inserts of a face mill stand, and how the spindle leans. */
export const FaceFields = ({
  op,
  readOnly,
  onChange,
  wipes,
}: FormProps<MillingOperation> & {
  /** Inserts of the cutter have a wiper's flat. */
  wipes: boolean;
}) => (
  <NumberFields
    of={{ offsetMm: null, ...faceSetupOf(op) }}
    fields={wipes ? [...WIPERS, ...FIELDS] : FIELDS}
    readOnly={readOnly}
    onSet={(change) => onChange({ ...op, face: { ...faceSetupOf(op), ...change } })}
  />
);
