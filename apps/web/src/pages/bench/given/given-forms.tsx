import {
  COOLANT_KINDS,
  formatMeasure,
  FORCE_LAWS,
  type HoleOperation,
  isHole,
  MILLING_FEATURES,
  type MillingOperation,
  type Operation,
  type OperationContext,
  usualPath,
  WORKHOLDING_KINDS,
} from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { HoleForm } from './hole-forms.tsx';
import { FinishingFields } from './finishing-fields.tsx';
import { UndercutFields } from './undercut-fields.tsx';
import { FeatureRest } from './feature-rest.tsx';
import { Choice, type FormProps, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';

type Feature = MillingOperation['feature'];
const WIDTH: Readonly<Partial<Record<Feature['kind'], string>>> = {
  side: 'Stock on the side',
  boss: 'Width of the boss',
};
const sizes = (kind: Feature['kind']): readonly NumberField<Feature>[] => [
  { key: 'lengthMm', label: 'Length', unit: 'mm' },
  { key: 'widthMm', label: WIDTH[kind] ?? 'Width', unit: 'mm' },
  { key: 'depthMm', label: 'Depth', unit: 'mm' },
  { key: 'cornerRadiusMm', label: 'Corner radius', unit: 'mm', empty: null, hint: 'empty: none inside' },
  {
    key: 'allowanceMm',
    label: 'Stock to leave',
    unit: 'mm',
    empty: 0,
    blank: true,
    hint: 'empty: this cut finishes',
  },
  { key: 'wallToleranceMm', label: kind === 'face' ? 'Flatness' : 'Wall tolerance', unit: 'mm' },
];
const HOLDING: readonly NumberField<MillingOperation['workholding']>[] = [
  { key: 'capacityN', label: 'Holding force', unit: 'N', empty: null, hint: 'empty: not declared' },
  {
    key: 'liftCapacityN',
    label: 'Holding force, vertical',
    unit: 'N',
    empty: null,
    hint: 'empty: counted with the first',
  },
  {
    key: 'releaseC',
    label: 'Release temperature',
    unit: 'degC',
    empty: null,
    hint: 'empty: usual of the kind',
  },
];

/** Size of the feature or hole, and how many of it. */
export function FeatureForm({
  op,
  readOnly,
  onChange,
  context,
}: FormProps<MillingOperation | HoleOperation> & { context?: OperationContext }) {
  const counts = (
    <NumberFields
      of={op}
      fields={[
        {
          key: 'featuresPerPart',
          label: isHole(op) ? 'Holes per part' : 'Features per part',
          unit: 'pieces',
        },
        { key: 'featuresPerEdge', label: 'Inspect edge every … features', unit: 'pieces' },
        {
          key: 'edgesOnShelf',
          label: 'Edges in stock',
          unit: 'pieces',
          empty: null,
          hint: context?.shelf
            ? `empty: as the crib counts, ${context.shelf.edges}`
            : 'empty: as the crib counts; not counted',
        },
      ]}
      readOnly={readOnly}
      onSet={(change) => onChange({ ...op, ...change } as Operation)}
    />
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
  // A groove and a finishing cut have sizes of their own.
  const plain = !op.feature.undercut && !op.feature.finishing;
  return (
    <Grid>
      {plain ? (
        <Choice
          label="Kind"
          value={op.feature.kind}
          options={MILLING_FEATURES}
          readOnly={readOnly}
          onTake={(kind) => {
            // How inserts stand is told of a face only.
            const { face, ...rest } = op;
            onChange({
              ...rest,
              ...(kind === 'face' && face && { face }),
              feature: {
                ...op.feature,
                kind,
                stockMm: kind === 'boss' ? (op.feature.stockMm ?? 5) : null,
                island: kind === 'pocket' ? op.feature.island : null,
              },
              path: usualPath(kind),
            });
          }}
        />
      ) : (
        <>
          <UndercutFields op={op} readOnly={readOnly} onChange={onChange} />
          <FinishingFields op={op} readOnly={readOnly} onChange={onChange} />
        </>
      )}
      <Choice
        label="Direction"
        value={op.cut.direction}
        options={['climb', 'conventional']}
        readOnly={readOnly}
        onTake={(direction) => onChange({ ...op, cut: { ...op.cut, direction } })}
      />
      <NumberFields
        of={op.feature}
        fields={
          plain
            ? sizes(op.feature.kind)
            : sizes(op.feature.kind).filter((f) => f.key === 'allowanceMm' || f.key === 'wallToleranceMm')
        }
        readOnly={readOnly}
        onSet={set}
      />
      <FeatureRest
        op={op}
        readOnly={readOnly}
        onChange={onChange}
        wipes={(context?.cutter.properties.BS ?? 0) > 0}
      />
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
      <NumberFields of={op.workholding} fields={HOLDING} readOnly={readOnly} onSet={set} />
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
        <NumberFields
          of={op as Operation}
          fields={[{ key: 'flankWearMm', label: 'Flank wear for the forces', unit: 'mm', empty: 0 }]}
          readOnly={readOnly}
          onSet={(change) => onChange({ ...op, ...change } as Operation)}
        />
        {'forceLaw' in op && (
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
  const system = useSystem();
  const { alloy, holder } = context;
  const fields: readonly NumberField<Operation['measured']>[] = [
    {
      key: 'hardness',
      label: `Hardness, ${alloy.hardness.scale}`,
      unit: alloy.hardness.scale,
      empty: null,
      hint: `table ${alloy.hardness.low} to ${alloy.hardness.high}`,
    },
    {
      key: 'runoutUm',
      label: 'Runout at tool tip (TIR)',
      unit: 'um',
      empty: null,
      hint: `typical ${formatMeasure(holder.runout_at_3xd_um.typical, 'um', system)}`,
    },
    {
      key: 'kc11NMm2',
      label: 'kc1.1 from spindle power',
      unit: 'N/mm2',
      empty: null,
      hint: `library ${formatMeasure(alloy.kienzle.kc11_n_mm2.typical, 'N/mm2', system)}`,
    },
    {
      key: 'lifeSpeed30MMin',
      label: 'vc for 30 min life (vc30), shop trial',
      unit: 'm/min',
      empty: null,
      hint: 'at the model’s reference cut',
    },
  ];
  return (
    <div className="space-y-2">
      <p className="text-[13px] text-soft">
        What was measured here replaces the library and narrows the band. Empty is not measured.
      </p>
      <Grid>
        <NumberFields of={op.measured} fields={fields} readOnly={readOnly} onSet={set} />
      </Grid>
    </div>
  );
}
