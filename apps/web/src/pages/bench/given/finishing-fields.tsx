import {
  FINISHED_FACES,
  type FinishedFace,
  type Finishing,
  type MillingOperation,
  PLAIN_SURFACE,
  type SurfaceSetup,
} from '@burl/core';
import { Choice, type FormProps } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

export const FINISHED_NAMES: Readonly<Record<FinishedFace, string>> = {
  floor: 'floor',
  wall: 'wall',
  'floor-and-wall': 'floor and wall',
  corner: 'rest in corners',
  rib: 'rib, both sides',
  surface: 'curved surface',
};

type Feature = MillingOperation['feature'];

/** Faces that go over into each other: what is asked of them is alike. */
const likeFaces = (face: FinishedFace): readonly FinishedFace[] =>
  face === 'floor' || face === 'surface'
    ? [face]
    : FINISHED_FACES.filter((f) => f !== 'floor' && f !== 'surface');

const SURFACE: readonly NumberField<SurfaceSetup>[] = [
  {
    key: 'tiltDeg',
    label: 'Tilt of the cutter',
    unit: 'deg',
    zero: true,
    hint: '0 on three axes; less: away from its flank',
  },
  { key: 'hollowMm', label: 'Hollow by', unit: 'mm', empty: null, hint: 'empty: flat or bulging' },
];

const sizes = (face: FinishedFace): readonly NumberField<Feature>[] =>
  face === 'surface'
    ? [
        { key: 'lengthMm', label: 'Length along the passes', unit: 'mm' },
        { key: 'widthMm', label: 'Width up the slope', unit: 'mm' },
        { key: 'depthMm', label: 'Stock on the surface', unit: 'mm' },
      ]
    : face === 'floor'
      ? [
          { key: 'lengthMm', label: 'Length', unit: 'mm' },
          { key: 'widthMm', label: 'Width', unit: 'mm' },
          { key: 'depthMm', label: 'Stock on the floor', unit: 'mm' },
        ]
      : [
          { key: 'lengthMm', label: face === 'rib' ? 'Length of the rib' : 'Length of wall', unit: 'mm' },
          { key: 'widthMm', label: 'Stock on the wall', unit: 'mm' },
          { key: 'depthMm', label: 'Height of the wall', unit: 'mm' },
          {
            key: 'cornerRadiusMm',
            label: 'Inside corners',
            unit: 'mm',
            empty: null,
            hint: 'empty: none',
          },
        ];

function fieldsOf({ face }: Finishing): readonly NumberField<Finishing>[] {
  return [
    {
      key: 'floorMm',
      label: face === 'surface' ? 'Foot below the face' : 'Floor below the face',
      unit: 'mm',
    },
    ...(face === 'floor-and-wall'
      ? ([
          { key: 'floorStockMm', label: 'Stock on the floor', unit: 'mm' },
          { key: 'floorAreaMm2', label: 'Area of the floor', unit: 'mm2' },
        ] as const)
      : []),
    ...(face === 'wall' || face === 'corner' || face === 'floor-and-wall'
      ? ([
          { key: 'rougherMm', label: 'Cutter before', unit: 'mm', empty: null, hint: 'empty: not known' },
        ] as const)
      : []),
    ...(face === 'rib' ? ([{ key: 'ribMm', label: 'Thickness left', unit: 'mm' }] as const) : []),
    ...(face === 'wall' || face === 'rib'
      ? ([{ key: 'pastFloorMm', label: 'Edge past the floor', unit: 'mm', empty: 0 }] as const)
      : []),
  ];
}

/** What a finishing cut makes, and what the cutter before it left. */
export function FinishingFields({ op, readOnly, onChange }: FormProps<MillingOperation>) {
  const { feature } = op;
  const { finishing } = feature;
  if (!finishing) return null;
  const set = (change: Partial<Feature>): void => onChange({ ...op, feature: { ...feature, ...change } });
  const setFinishing = (change: Partial<Finishing>): void => set({ finishing: { ...finishing, ...change } });
  return (
    <>
      <Choice
        label="Finishes"
        value={finishing.face}
        options={likeFaces(finishing.face)}
        nameOf={(f) => FINISHED_NAMES[f]}
        readOnly={readOnly}
        onTake={(face) => setFinishing({ face, ribMm: face === 'rib' ? (finishing.ribMm ?? 3) : null })}
      />
      <NumberFields of={feature} fields={sizes(finishing.face)} readOnly={readOnly} onSet={set} />
      <NumberFields of={finishing} fields={fieldsOf(finishing)} readOnly={readOnly} onSet={setFinishing} />
      {finishing.face === 'surface' && (
        <NumberFields
          of={finishing.surface ?? PLAIN_SURFACE}
          fields={SURFACE}
          readOnly={readOnly}
          onSet={(change) =>
            setFinishing({ surface: { ...(finishing.surface ?? PLAIN_SURFACE), ...change } })
          }
        />
      )}
      {finishing.face === 'rib' && (
        <Choice
          label="Sides"
          value={finishing.inTurn ? 'in turn, level by level' : 'one after the other'}
          options={['in turn, level by level', 'one after the other']}
          readOnly={readOnly}
          onTake={(v) => setFinishing({ inTurn: v !== 'one after the other' })}
        />
      )}
    </>
  );
}
