import type { Hole } from '@burl/core';
import { Choice } from './form-parts.tsx';
import { type NumberField, NumberFields } from './number-fields.tsx';

type Surfaces = Pick<
  Hole,
  'entryAngleDeg' | 'entrySurface' | 'exitAngleDeg' | 'crossHoles' | 'straightnessMm'
>;

const STRAIGHT: readonly NumberField<Surfaces>[] = [
  { key: 'straightnessMm', label: 'Drift allowed', unit: 'mm', empty: null, hint: 'empty: none' },
];
const MET: readonly NumberField<Surfaces>[] = [
  { key: 'entryAngleDeg', label: 'Entry-face angle', unit: 'deg', empty: 0 },
  { key: 'exitAngleDeg', label: 'Exit-face angle', unit: 'deg', empty: 0 },
  { key: 'crossHoles', label: 'Cross holes', unit: 'pieces', empty: 0 },
];

/** What a hole enters, crosses and leaves, and how straight it is asked to be. */
export function SurfaceFields({
  hole,
  readOnly,
  onChange,
}: {
  hole: Surfaces;
  readOnly: boolean;
  onChange: (change: Partial<Surfaces>) => void;
}) {
  return (
    <>
      <NumberFields of={hole} fields={STRAIGHT} readOnly={readOnly} onSet={onChange} />
      <Choice
        label="Entry face"
        value={hole.entrySurface}
        options={['flat', 'curved']}
        readOnly={readOnly}
        onTake={(entrySurface) => onChange({ entrySurface })}
      />
      <NumberFields of={hole} fields={MET} readOnly={readOnly} onSet={onChange} />
    </>
  );
}
