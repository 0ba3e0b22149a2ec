import { type Evaluation, formatMeasure, type Operation } from '@burl/core';
import type { Crib, CribKind } from '@burl/contract';
import { memo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { KIND_VIEWS } from '../kind-views.tsx';
import { Card, type CardProps } from './card.tsx';
import { CutterCard } from './cutter-card.tsx';
import { MeasuredForm, WearForm } from './given-forms.tsx';
import { type Choosable, Picker } from './picker.tsx';

const list = (crib: Crib, kind: CribKind): Choosable[] =>
  crib[kind].map((e) => ({
    id: e.id,
    name: e.document.name,
    ...(e.origin === 'shop' ? { note: 'of the shop' } : {}),
  }));

/** The operation in another alloy: what was measured on the old one is not this one's. */
const inAlloy = (op: Operation, alloyId: string): Operation => ({
  ...op,
  alloyId,
  measured: { ...op.measured, hardness: null, kc11NMm2: null, lifeSpeed30MMin: null },
  // Orthogonal data are known of few alloys.
  ...('forceLaw' in op && op.forceLaw === 'orthogonal' ? { forceLaw: 'kienzle' } : {}),
});

/** What the numbers rest on, and what to measure next. */
function BasisCard({
  evaluation,
  ...form
}: Omit<CardProps, 'onChange'> & {
  evaluation: Evaluation | null;
  onChange: (next: Operation) => void;
}) {
  const sources = evaluation?.sources ?? [];
  const counted = (kind: string): number => sources.filter((s) => s.kind === kind).length;
  const [next] = sources.filter((s) => s.kind !== 'measured' && s.narrowBy).sort((a, b) => b.sigma - a.sigma);
  return (
    <Card
      title="Based on"
      label={`${counted('measured')} measured, ${counted('library')} library, ${counted('assumed') + counted('model')} assumed`}
      lines={next ? [`measure next: ${next.narrowBy}`] : []}
    >
      {() => <MeasuredForm {...form} />}
    </Card>
  );
}

/** What the cut is given: alloy, machine, cutter in holder, what only its kind has, and what the numbers rest on. */
export const Given = memo(function Given({
  op,
  context,
  crib,
  evaluation,
  readOnly,
  onChange,
}: CardProps & { crib: Crib; evaluation: Evaluation | null }) {
  const system = useSystem();
  const { alloy, machine } = context;
  const change = (next: Operation) => {
    if (!readOnly) onChange(next);
  };
  const card = { op, context, readOnly, onChange: change };
  const { hardness } = op.measured;
  const { Cards } = KIND_VIEWS[op.kind];
  return (
    <div className="space-y-2">
      <Card
        title="Alloy"
        label={alloy.name}
        lines={[
          `${hardness ?? alloy.hardness.typical} ${alloy.hardness.scale} ${hardness === null ? 'assumed' : 'measured'}`,
          `ISO ${alloy.iso513_group}`,
        ]}
      >
        {(close) => (
          <Picker
            label="Alloys"
            entries={list(crib, 'alloys')}
            chosen={op.alloyId}
            onPick={(id) => (change(inAlloy(op, id)), close())}
          />
        )}
      </Card>
      <Card
        title="Machine"
        label={machine.name}
        lines={[
          `${machine.spindle_interface}, ${formatMeasure(machine.max_rpm, 'rpm', system)}`,
          `coolant ${op.coolant}`,
        ]}
      >
        {(close) => (
          <>
            <Picker
              label="Machines"
              entries={list(crib, 'machines')}
              chosen={op.machineId}
              onPick={(id) => (change({ ...op, machineId: id }), close())}
            />
            <WearForm op={op} readOnly={readOnly} onChange={change} />
          </>
        )}
      </Card>
      <CutterCard {...card} crib={crib} />
      <Cards {...card} />
      <BasisCard {...card} evaluation={evaluation} />
    </div>
  );
});
