import {
  ENTRY_METHODS,
  type MillingOperation,
  type Operation,
  STRATEGY_IDS,
  strategyName,
  type StrategyId,
} from '@burl/core';
import { Choice, type FormProps, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

const byName = Object.fromEntries(STRATEGY_IDS.map((s) => [strategyName[s], s])) as Record<
  string,
  StrategyId
>;

type Path = MillingOperation['path'];
const OUT = 'empty: calculated';
const ENTRY: readonly NumberField<Path['entry']>[] = [
  { key: 'rampAngleDeg', label: 'Ramp angle', unit: 'deg', empty: null, hint: OUT },
  { key: 'helixDiameterMm', label: 'Helix diameter', unit: 'mm', empty: null, hint: OUT },
  { key: 'startHeightMm', label: 'Feed-start height', unit: 'mm', zero: true },
  {
    key: 'taperDeg',
    label: 'Taper of the ramp',
    unit: 'deg',
    empty: 0,
    hint: 'room for chips in deep pockets',
  },
];
const CORNERS: readonly NumberField<Path>[] = [
  {
    key: 'cornerPathRadiusMm',
    label: 'Corner path radius',
    unit: 'mm',
    empty: null,
    hint: 'empty: of the strategy',
  },
  { key: 'leadInRadiusMm', label: 'Lead-in radius', unit: 'mm', empty: null, hint: 'empty: half the cutter' },
];
const BLOCKS: readonly NumberField<Path>[] = [
  { key: 'toleranceMm', label: 'Path tolerance', unit: 'mm-fine' },
  { key: 'springPasses', label: 'Spring passes', unit: 'pieces', empty: 0 },
];
const COSTS: readonly NumberField<Operation['economics']>[] = [
  {
    key: 'machinePerHour',
    label: 'Machine, per hour',
    unit: 'money',
    empty: null,
    hint: 'empty: the shop’s rate',
  },
  { key: 'edgePrice', label: 'Cost per edge', unit: 'money', empty: null, hint: 'empty: by diameter' },
  { key: 'edgeChangeMin', label: 'Edge change time', unit: 'min', empty: null, hint: 'empty: 3 min' },
  {
    key: 'partWorth',
    label: 'Part value here',
    unit: 'money',
    empty: null,
    hint: 'empty: four machine hours',
  },
  {
    key: 'hoursLost',
    label: 'Hours lost if it fails alone',
    unit: 'hours',
    empty: null,
    hint: 'empty: somebody is there',
  },
];

/** The path the numbers run on: strategy, way in, corners, blocks, repeated passes. */
export function PathForm({ op, readOnly, onChange }: FormProps<MillingOperation>) {
  const { path } = op;
  const set = (change: Partial<MillingOperation['path']>) =>
    onChange({ ...op, path: { ...path, ...change } });
  const entry = (change: Partial<MillingOperation['path']['entry']>) =>
    set({ entry: { ...path.entry, ...change } });
  return (
    <Grid>
      <Choice
        label="Strategy"
        value={strategyName[path.strategy]}
        options={STRATEGY_IDS.map((s) => strategyName[s])}
        readOnly={readOnly}
        onTake={(name) => set({ strategy: byName[name] ?? path.strategy })}
      />
      <Choice
        label="Entry"
        value={path.entry.method}
        options={ENTRY_METHODS}
        readOnly={readOnly}
        onTake={(method) => entry({ method })}
      />
      <NumberFields of={path.entry} fields={ENTRY} readOnly={readOnly} onSet={entry} />
      <NumberFields of={path} fields={CORNERS} readOnly={readOnly} onSet={set} />
      <Choice
        label="Program uses"
        value={path.blocks}
        options={['arcs', 'lines']}
        readOnly={readOnly}
        onTake={(blocks) => set({ blocks })}
      />
      <NumberFields of={path} fields={BLOCKS} readOnly={readOnly} onSet={set} />
    </Grid>
  );
}

/** What a minute and an edge cost here; empty takes a usual figure. */
export function CostForm({ op, readOnly, onChange }: FormProps<Operation>) {
  const set = (change: Partial<Operation['economics']>) =>
    onChange({ ...op, economics: { ...op.economics, ...change } });
  return (
    <Grid>
      <NumberFields of={op.economics} fields={COSTS} readOnly={readOnly} onSet={set} />
    </Grid>
  );
}
