import type { HoleDemand, HolePattern } from '@burl/core';
import { ThreadChoice } from '../../ui/thread-choice.tsx';
import { Choice, Grid } from '../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../ui/number-fields.tsx';
import { SurfaceFields } from '../../ui/surface-fields.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';

/** The pattern of another kind with as much kept as can be. */
export function asPattern(kind: HolePattern['kind'], now: HolePattern): HolePattern {
  const count = now.kind === 'single' ? 4 : now.kind === 'grid' ? now.columns * now.rows : now.count;
  switch (kind) {
    case 'single':
      return { kind };
    case 'row':
      return { kind, count, pitchMm: 30 };
    case 'circle':
      return { kind, count, diameterMm: 100 };
    case 'grid':
      return { kind, columns: count, rows: 2, columnPitchMm: 30, rowPitchMm: 30 };
    case 'scattered':
      return { kind, count, betweenMm: 60 };
  }
}

const SIZE: readonly NumberField<HoleDemand>[] = [
  { key: 'diameterMm', label: 'Diameter', unit: 'mm' },
  { key: 'depthMm', label: 'Depth', unit: 'mm' },
];
const THREAD: readonly NumberField<HoleDemand>[] = [
  { key: 'depthMm', label: 'Full-thread depth', unit: 'mm' },
];
const BLIND_THREAD: readonly NumberField<HoleDemand>[] = [
  ...THREAD,
  {
    key: 'drilledDepthMm',
    label: 'Max drilled depth',
    unit: 'mm',
    empty: null,
    hint: 'empty: as the tool needs',
  },
];
const CLOSE: readonly NumberField<HoleDemand>[] = [
  { key: 'grade', label: 'Tolerance grade, IT', unit: 'pieces', empty: null, hint: 'empty: none' },
  { key: 'raUm', label: 'Ra required', unit: 'um-fine', empty: null, hint: 'empty: none' },
];
const CHAMFER: readonly NumberField<HoleDemand>[] = [
  { key: 'chamferMm', label: 'Chamfer', unit: 'mm', empty: 0 },
];
const WORTH: readonly NumberField<HoleDemand>[] = [
  {
    key: 'partValue',
    label: 'Part value at this step',
    unit: 'money',
    empty: null,
    hint: 'empty: a usual value is assumed',
  },
];
const MANY = { key: 'count', label: 'How many', unit: 'pieces' } as const;
/** Numbers of a pattern by its kind. */
const PLACES: Readonly<Record<HolePattern['kind'], readonly NumberField<Record<string, number>>[]>> = {
  single: [],
  row: [MANY, { key: 'pitchMm', label: 'Pitch', unit: 'mm' }],
  circle: [MANY, { key: 'diameterMm', label: 'Bolt-circle diameter', unit: 'mm' }],
  grid: [
    { key: 'columns', label: 'Columns', unit: 'pieces' },
    { key: 'rows', label: 'Rows', unit: 'pieces' },
    { key: 'columnPitchMm', label: 'Between columns', unit: 'mm' },
    { key: 'rowPitchMm', label: 'Between rows', unit: 'mm' },
  ],
  scattered: [MANY, { key: 'betweenMm', label: 'Distance between', unit: 'mm' }],
};

/** What the drawing and the part ask of one kind of hole. */
export function DemandForm({
  demand,
  readOnly,
  onChange,
}: {
  demand: HoleDemand;
  readOnly: boolean;
  onChange: (next: HoleDemand) => void;
}) {
  const set = (change: Partial<HoleDemand>) => onChange({ ...demand, ...change });
  const pattern = demand.pattern;
  const lie = (change: object) => set({ pattern: { ...pattern, ...change } as HolePattern });
  const numbers = (fields: readonly NumberField<HoleDemand>[]) => (
    <NumberFields of={demand} fields={fields} readOnly={readOnly} onSet={set} />
  );
  return (
    <Grid>
      <div className="col-span-2">
        <Field label="Name">
          {(p) => (
            <input
              {...p}
              key={demand.name}
              defaultValue={demand.name}
              readOnly={readOnly}
              onBlur={(e) => {
                const name = e.target.value.trim();
                if (name && name !== demand.name) set({ name });
              }}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      </div>
      <div className="col-span-2">
        <ThreadChoice
          value={demand.thread}
          none="none, a plain hole"
          readOnly={readOnly}
          onTake={(thread) => set({ thread: thread || null, grade: thread ? null : demand.grade })}
        />
      </div>
      {numbers(demand.thread === null ? SIZE : demand.through ? THREAD : BLIND_THREAD)}
      <Choice
        label="Bottom"
        value={demand.through ? 'through' : 'blind'}
        options={['blind', 'through']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'through' })}
      />
      {demand.thread === null && numbers(CLOSE)}
      {numbers(CHAMFER)}
      <SurfaceFields hole={demand} readOnly={readOnly} onChange={set} />
      <Choice
        label="Pattern"
        value={pattern.kind}
        options={['single', 'row', 'circle', 'grid', 'scattered']}
        readOnly={readOnly}
        onTake={(kind) => set({ pattern: asPattern(kind, pattern) })}
      />
      <NumberFields
        of={pattern as unknown as Record<string, number>}
        fields={PLACES[pattern.kind]}
        readOnly={readOnly}
        onSet={lie}
      />
      <div className="col-span-2">{numbers(WORTH)}</div>
    </Grid>
  );
}
