import { formatMeasure, type TurnedStretch, TURNING_WAYS, type TurningOperation } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Choice, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import { Card, type CardProps } from './card.tsx';
import { CountFields, SupportChoice, SUPPORTS } from './held-part-fields.tsx';
import { SeatFields } from './seat-fields.tsx';

const WAYS = { outside: 'outside', inside: 'inside', face: 'across a face' } as const;

const END = { key: 'endMm', label: 'Diameter after', unit: 'mm' } as const;
const TO_CENTRE = {
  key: 'endMm',
  label: 'To diameter',
  unit: 'mm',
  empty: 0,
  blank: true,
  hint: 'empty: to the centre',
} as const;

const OUTSIDE = {
  key: 'outerMm',
  label: 'Outside diameter',
  unit: 'mm',
  empty: null,
  hint: 'empty: 1.4 times the bore',
} as const;

/** A stretch whose outside stands there, stated or not. */
type Stated = TurnedStretch & { readonly outerMm: number | null };

const sizes = ({ way, profile }: TurnedStretch): readonly NumberField<Stated>[] => [
  ...(way === 'inside' ? [OUTSIDE] : []),
  { key: 'startMm', label: way === 'face' ? 'From diameter' : 'Diameter before', unit: 'mm' },
  // A profile says where it ends and how long it is.
  ...(profile
    ? []
    : ([
        way === 'face' ? TO_CENTRE : END,
        { key: 'lengthMm', label: way === 'face' ? 'Taken off along the axis' : 'Length', unit: 'mm' },
      ] as const)),
  { key: 'overhangMm', label: 'Part out of the jaws', unit: 'mm' },
  { key: 'boreMm', label: 'Bore through the part', unit: 'mm', empty: 0, blank: true, hint: 'empty: solid' },
  { key: 'toleranceMm', label: 'Diameter tolerance', unit: 'mm', empty: null, hint: 'empty: none' },
  { key: 'raUm', label: 'Ra required', unit: 'um-fine', empty: null, hint: 'empty: none' },
];

/** The stretch that is turned, and how the part stands. */
export function TurnedCard({ op, context, readOnly, onChange }: CardProps<TurningOperation>) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { stretch: s } = op;
  const set = (change: Partial<TurnedStretch>): void => onChange({ ...op, stretch: { ...s, ...change } });
  return (
    <Card
      title="Turned"
      label={`⌀ ${mm(s.startMm)} to ${s.endMm > 0 ? `⌀ ${mm(s.endMm)}` : 'the centre'}`}
      lines={[
        `${WAYS[s.way]}, ${mm(s.lengthMm)}`,
        `${mm(s.overhangMm)} out of the jaws, ${SUPPORTS[s.support]}`,
      ]}
    >
      {() => (
        <Grid>
          <Choice
            label="Way"
            value={s.way}
            options={TURNING_WAYS}
            nameOf={(w) => WAYS[w]}
            readOnly={readOnly}
            onTake={(way) => set(way === s.way ? {} : { way, profile: null })}
          />
          <SupportChoice value={s.support} readOnly={readOnly} onTake={(support) => set({ support })} />
          <NumberFields<Stated>
            of={{ ...s, outerMm: s.outerMm ?? null }}
            fields={sizes(s)}
            readOnly={readOnly}
            onSet={set}
          />
          <Choice
            label="Cut"
            value={s.interrupted ? 'interrupted' : 'smooth'}
            options={['smooth', 'interrupted']}
            readOnly={readOnly}
            onTake={(v) => set({ interrupted: v === 'interrupted' })}
          />
          <Choice
            label="Depth of the passes"
            value={op.cut.varied ? 'varied' : 'one depth'}
            options={['one depth', 'varied']}
            readOnly={readOnly}
            onTake={(v) => onChange({ ...op, cut: { ...op.cut, varied: v === 'varied' } })}
          />
          <NumberFields
            of={op.cut}
            fields={[{ key: 'capRpm', label: 'Spindle cap', unit: 'rpm' }]}
            readOnly={readOnly}
            onSet={(change) => onChange({ ...op, cut: { ...op.cut, ...change } })}
          />
          <SeatFields op={op} context={context} readOnly={readOnly} onChange={onChange} />
          <CountFields op={op} readOnly={readOnly} onChange={onChange} />
        </Grid>
      )}
    </Card>
  );
}
