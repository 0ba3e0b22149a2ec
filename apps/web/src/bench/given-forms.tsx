import {
  COOLANT_KINDS,
  FORCE_LAWS,
  isHole,
  MILLING_FEATURES,
  type MillingOperation,
  type Operation,
  type OperationContext,
  usualPath,
  WORKHOLDING_KINDS,
} from '@burl/core';
import { HoleForm } from './hole-forms.tsx';
import { FeatureRest } from './feature-rest.tsx';
import { Choice, type FormProps, Grid, Num } from './form-parts.tsx';

/** Size of the feature or hole, and how many of it. */
export function FeatureForm({
  op,
  readOnly,
  onChange,
  context,
}: FormProps<Operation> & { context?: OperationContext }) {
  const counts = (
    <>
      <Num
        label={op.kind === 'milling' ? 'Such features on a part' : 'Holes on a part'}
        value={op.featuresPerPart}
        unit="pieces"
        readOnly={readOnly}
        onTake={(v) => v && onChange({ ...op, featuresPerPart: Math.round(v) })}
      />
      <Num
        label="Between looks at the edge"
        value={op.featuresPerEdge}
        unit="pieces"
        readOnly={readOnly}
        onTake={(v) => v && onChange({ ...op, featuresPerEdge: Math.round(v) })}
      />
      <Num
        label="Edges on the shelf"
        value={op.edgesOnShelf}
        unit="pieces"
        empty
        readOnly={readOnly}
        onTake={(v) => onChange({ ...op, edgesOnShelf: v === null ? null : Math.round(v) })}
        hint="empty: not counted"
      />
    </>
  );
  if (isHole(op))
    return (
      <HoleForm
        op={op}
        readOnly={readOnly}
        onChange={onChange}
        counts={counts}
        {...(context ? { context } : {})}
      />
    );
  const set = (change: Partial<MillingOperation['feature']>) =>
    onChange({ ...op, feature: { ...op.feature, ...change } });
  return (
    <Grid>
      <Choice
        label="Kind"
        value={op.feature.kind}
        options={MILLING_FEATURES}
        readOnly={readOnly}
        onTake={(kind) =>
          onChange({
            ...op,
            feature: {
              ...op.feature,
              kind,
              stockMm: kind === 'boss' ? (op.feature.stockMm ?? 5) : null,
              island: kind === 'pocket' ? op.feature.island : null,
            },
            path: usualPath(kind),
          })
        }
      />
      <Choice
        label="Direction"
        value={op.cut.direction}
        options={['climb', 'conventional']}
        readOnly={readOnly}
        onTake={(direction) => onChange({ ...op, cut: { ...op.cut, direction } })}
      />
      <Num
        label="Length"
        value={op.feature.lengthMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v && set({ lengthMm: v })}
      />
      <Num
        label={
          op.feature.kind === 'side'
            ? 'Stock on the side'
            : op.feature.kind === 'boss'
              ? 'Width of the boss'
              : 'Width'
        }
        value={op.feature.widthMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v && set({ widthMm: v })}
      />
      <Num
        label="Depth"
        value={op.feature.depthMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v && set({ depthMm: v })}
      />
      <Num
        label="Corner radius"
        value={op.feature.cornerRadiusMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(v) => set({ cornerRadiusMm: v })}
        hint="empty: none inside"
      />
      <Num
        label="Left for the finisher"
        value={op.feature.allowanceMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(v) => set({ allowanceMm: v ?? 0 })}
        hint="empty: this cut finishes"
      />
      <Num
        label="Wall tolerance"
        value={op.feature.wallToleranceMm}
        unit="mm"
        readOnly={readOnly}
        onTake={(v) => v && set({ wallToleranceMm: v })}
      />
      <FeatureRest op={op} readOnly={readOnly} onChange={onChange} />
      {counts}
    </Grid>
  );
}

export function HoldingForm({ op, readOnly, onChange }: FormProps<MillingOperation>) {
  const set = (change: Partial<MillingOperation['workholding']>) =>
    onChange({ ...op, workholding: { ...op.workholding, ...change } });
  return (
    <Grid>
      <Choice
        label="Kind"
        value={op.workholding.kind}
        options={WORKHOLDING_KINDS}
        readOnly={readOnly}
        onTake={(kind) => set({ kind })}
      />
      <Num
        label="Declared holding"
        value={op.workholding.capacityN}
        unit="N"
        empty
        readOnly={readOnly}
        onTake={(capacityN) => set({ capacityN })}
        hint="empty: not declared"
      />
      <Num
        label="Against lifting"
        value={op.workholding.liftCapacityN}
        unit="N"
        empty
        readOnly={readOnly}
        onTake={(liftCapacityN) => set({ liftCapacityN })}
        hint="empty: counted with the first"
      />
      <Num
        label="Lets go when warm"
        value={op.workholding.releaseC}
        unit="degC"
        empty
        readOnly={readOnly}
        onTake={(releaseC) => set({ releaseC })}
        hint="empty: usual of the kind"
      />
    </Grid>
  );
}

/** Coolant, wear assumed and, for milling, the force law. */
export function WearForm({ op, readOnly, onChange }: FormProps<Operation>) {
  return (
    <div className="mt-3 border-t border-line pt-2">
      <Grid>
        <Choice
          label="Coolant"
          value={op.coolant}
          options={COOLANT_KINDS}
          readOnly={readOnly}
          onTake={(coolant) => onChange({ ...op, coolant })}
        />
        <Num
          label="Flank wear for the forces"
          value={op.flankWearMm}
          unit="mm"
          empty
          readOnly={readOnly}
          onTake={(v) => onChange({ ...op, flankWearMm: v ?? 0 })}
        />
        {op.kind === 'milling' && (
          <Choice
            label="Force law"
            value={op.forceLaw}
            options={FORCE_LAWS}
            readOnly={readOnly}
            onTake={(forceLaw) => onChange({ ...op, forceLaw })}
          />
        )}
      </Grid>
    </div>
  );
}

/** What was measured here; each narrows the band. */
export function MeasuredForm({
  op,
  context,
  readOnly,
  onChange,
}: FormProps<Operation> & { context: OperationContext }) {
  const set = (change: Partial<Operation['measured']>) =>
    onChange({ ...op, measured: { ...op.measured, ...change } });
  const { alloy, holder } = context;
  return (
    <div className="space-y-2">
      <p className="text-[13px] text-soft">
        What was measured here replaces the library and narrows the band. Empty is not measured.
      </p>
      <Grid>
        <Num
          label={`Hardness, ${alloy.hardness.scale}`}
          value={op.measured.hardness}
          unit={alloy.hardness.scale}
          empty
          readOnly={readOnly}
          onTake={(hardness) => set({ hardness })}
          hint={`table ${alloy.hardness.low} to ${alloy.hardness.high}`}
        />
        <Num
          label="Runout at the tip"
          value={op.measured.runoutUm}
          unit="um"
          empty
          readOnly={readOnly}
          onTake={(runoutUm) => set({ runoutUm })}
          hint={`usual ${holder.runout_at_3xd_um.typical} µm`}
        />
        <Num
          label="kc1.1 from spindle power"
          value={op.measured.kc11NMm2}
          unit="N/mm2"
          empty
          readOnly={readOnly}
          onTake={(kc11NMm2) => set({ kc11NMm2 })}
          hint={`library ${alloy.kienzle.kc11_n_mm2.typical} N/mm²`}
        />
        <Num
          label="30-minute speed, own trial"
          value={op.measured.lifeSpeed30MMin}
          unit="m/min"
          empty
          readOnly={readOnly}
          onTake={(lifeSpeed30MMin) => set({ lifeSpeed30MMin })}
          hint="at the model's reference cut"
        />
      </Grid>
    </div>
  );
}
