import { formatMeasure, INFEEDS, threadOf, type ThreadTurningOperation, type TurnedThread } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Choice, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import { STRAIGHT_THREADS, ThreadChoice } from '../../../ui/thread-choice.tsx';
import { Card, type CardProps } from './card.tsx';
import { CountFields, SupportChoice, SUPPORTS } from './held-part-fields.tsx';
import { SeatFields } from './seat-fields.tsx';

const IN = {
  radial: 'straight in',
  flank: 'along one flank',
  alternating: 'along both flanks in turn',
} as const;

const FIELDS: readonly NumberField<TurnedThread>[] = [
  { key: 'lengthMm', label: 'Length', unit: 'mm' },
  { key: 'fromEndMm', label: 'From the free end', unit: 'mm' },
  { key: 'runOutMm', label: 'Room behind it', unit: 'mm' },
  { key: 'overhangMm', label: 'Part out of the jaws', unit: 'mm' },
  { key: 'boreMm', label: 'Bore through the part', unit: 'mm', empty: 0, blank: true, hint: 'empty: solid' },
];

/** The thread that is turned, and how the part stands. */
export function ThreadCard({ op, context, readOnly, onChange }: CardProps<ThreadTurningOperation>) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { turned: t, cut } = op;
  const set = (change: Partial<TurnedThread>): void => onChange({ ...op, turned: { ...t, ...change } });
  return (
    <Card
      title="Thread"
      label={`${op.thread.designation} × ${mm(t.lengthMm)}`}
      lines={[
        `${t.internal ? 'in a bore' : 'outside'}, ${IN[cut.infeed]}`,
        `${mm(t.overhangMm)} out of the jaws, ${SUPPORTS[t.support]}`,
      ]}
    >
      {() => (
        <Grid>
          <ThreadChoice
            value={op.thread.designation}
            series={STRAIGHT_THREADS}
            readOnly={readOnly}
            onTake={(designation) => onChange({ ...op, thread: threadOf(designation) })}
          />
          <SupportChoice value={t.support} readOnly={readOnly} onTake={(support) => set({ support })} />
          <Choice
            label="Where"
            value={t.internal ? 'in a bore' : 'outside'}
            options={['outside', 'in a bore']}
            readOnly={readOnly}
            onTake={(v) => set({ internal: v === 'in a bore' })}
          />
          <Choice
            label="Hand"
            value={t.leftHand ? 'left' : 'right'}
            options={['right', 'left']}
            readOnly={readOnly}
            onTake={(hand) => set({ leftHand: hand === 'left' })}
          />
          <NumberFields of={t} fields={FIELDS} readOnly={readOnly} onSet={set} />
          <Choice
            label="Way in"
            value={cut.infeed}
            options={INFEEDS}
            nameOf={(i) => IN[i]}
            readOnly={readOnly}
            onTake={(infeed) => onChange({ ...op, cut: { ...cut, infeed } })}
          />
          <NumberFields
            of={cut}
            fields={[
              { key: 'passes', label: 'Passes', unit: 'pieces' },
              { key: 'springPasses', label: 'Spring passes', unit: 'pieces' },
            ]}
            readOnly={readOnly}
            onSet={(change) => onChange({ ...op, cut: { ...cut, ...change } })}
          />
          <SeatFields op={op} context={context} readOnly={readOnly} onChange={onChange} />
          <CountFields op={op} readOnly={readOnly} onChange={onChange} />
        </Grid>
      )}
    </Card>
  );
}
