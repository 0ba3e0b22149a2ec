import { type FaceSetup, faceSetupOf, type MillingOperation } from '@burl/core';
import { Choice, type FormProps } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

type Stated = Required<Omit<FaceSetup, 'interrupted'>>;
const WIPERS: readonly NumberField<Stated>[] = [
  { key: 'wipers', label: 'Wiper inserts', unit: 'pieces', empty: null, hint: 'empty: as the cutter has' },
  { key: 'wiperUm', label: 'Wipers above the others', unit: 'um', empty: 0 },
];
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
  { key: 'plateMm', label: 'Thin plate, thickness', unit: 'mm', empty: null, hint: 'empty: solid' },
  { key: 'spanMm', label: 'Between its supports', unit: 'mm', empty: null, hint: 'empty: solid' },
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
  <>
    <NumberFields
      of={{ offsetMm: null, plateMm: null, spanMm: null, ...faceSetupOf(op) }}
      fields={wipes ? [...WIPERS, ...FIELDS] : FIELDS}
      readOnly={readOnly}
      onSet={(change) => onChange({ ...op, face: { ...faceSetupOf(op), ...change } })}
    />
    <Choice
      label="Face"
      value={op.face?.interrupted ? 'with bores or gaps' : 'whole'}
      options={['whole', 'with bores or gaps']}
      readOnly={readOnly}
      onTake={(v) => onChange({ ...op, face: { ...faceSetupOf(op), interrupted: v !== 'whole' } })}
    />
  </>
);
