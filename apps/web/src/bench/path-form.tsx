import {
  ENTRY_METHODS,
  type MillingOperation,
  type Operation,
  STRATEGY_IDS,
  strategyName,
  type StrategyId,
} from '@burl/core';
import { Choice, type FormProps, Grid, Num } from './form-parts.tsx';

const byName = Object.fromEntries(STRATEGY_IDS.map((s) => [strategyName[s], s])) as Record<
  string,
  StrategyId
>;

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
        label="Way in"
        value={path.entry.method}
        options={ENTRY_METHODS}
        readOnly={readOnly}
        onTake={(method) => entry({ method })}
      />
      <Num
        label="Ramp"
        value={path.entry.rampAngleDeg}
        unit="deg"
        empty
        readOnly={readOnly}
        onTake={(rampAngleDeg) => entry({ rampAngleDeg })}
        hint="empty: worked out"
      />
      <Num
        label="Hole of the helix"
        value={path.entry.helixDiameterMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(helixDiameterMm) => entry({ helixDiameterMm })}
        hint="empty: worked out"
      />
      <Num
        label="Feed starts above"
        value={path.entry.startHeightMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v !== null && entry({ startHeightMm: v })}
      />
      <Num
        label="Taper of the ramp"
        value={path.entry.taperDeg}
        unit="deg"
        empty
        readOnly={readOnly}
        onTake={(v) => entry({ taperDeg: v ?? 0 })}
        hint="room for chips in deep pockets"
      />
      <Num
        label="Path radius in corners"
        value={path.cornerPathRadiusMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(cornerPathRadiusMm) => set({ cornerPathRadiusMm })}
        hint="empty: of the strategy"
      />
      <Num
        label="Lead-in radius"
        value={path.leadInRadiusMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(leadInRadiusMm) => set({ leadInRadiusMm })}
        hint="empty: half the cutter"
      />
      <Choice
        label="Program holds"
        value={path.blocks}
        options={['arcs', 'lines']}
        readOnly={readOnly}
        onTake={(blocks) => set({ blocks })}
      />
      <Num
        label="Path tolerance"
        value={path.toleranceMm}
        unit="mm-fine"
        readOnly={readOnly}
        onTake={(v) => v && set({ toleranceMm: v })}
      />
      <Num
        label="Spring passes"
        value={path.springPasses}
        unit="pieces"
        empty
        readOnly={readOnly}
        onTake={(v) => set({ springPasses: Math.round(v ?? 0) })}
      />
    </Grid>
  );
}

/** What a minute and an edge cost here; empty takes a usual figure. */
export function CostForm({ op, readOnly, onChange }: FormProps<Operation>) {
  const set = (change: Partial<Operation['economics']>) =>
    onChange({ ...op, economics: { ...op.economics, ...change } });
  return (
    <Grid>
      <Num
        label="Machine, an hour"
        value={op.economics.machinePerHour}
        unit="money"
        empty
        readOnly={readOnly}
        onTake={(machinePerHour) => set({ machinePerHour })}
        hint="in the shop's own money"
      />
      <Num
        label="One edge"
        value={op.economics.edgePrice}
        unit="money"
        empty
        readOnly={readOnly}
        onTake={(edgePrice) => set({ edgePrice })}
        hint="empty: by diameter"
      />
      <Num
        label="Change of an edge"
        value={op.economics.edgeChangeMin}
        unit="min"
        empty
        readOnly={readOnly}
        onTake={(edgeChangeMin) => set({ edgeChangeMin })}
        hint="empty: 3 min"
      />
    </Grid>
  );
}
