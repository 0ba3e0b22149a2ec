import {
  CATCHES,
  FACE_ORDERS,
  formatMeasure,
  type Groove,
  GROOVE_WAYS,
  grooveDepth,
  type GroovingOperation,
  WIDENINGS,
} from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Choice, Grid } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import { Card, type CardProps } from './card.tsx';
import { CountFields, SupportChoice, SUPPORTS } from './held-part-fields.tsx';
import { SeatFields } from './seat-fields.tsx';

const WAYS = { outside: 'outside', inside: 'in a bore', face: 'in a face', 'part-off': 'part off' } as const;
const TAKEN = { nothing: 'nothing', catcher: 'a catcher', 'sub-spindle': 'the sub-spindle' } as const;
const WIDENED = { plunges: 'plunge beside plunge', side: 'sideways in layers' } as const;

const fieldsOf = ({ way }: Groove): readonly NumberField<Groove>[] => [
  { key: 'startMm', label: way === 'face' ? 'Outer diameter' : 'Diameter before', unit: 'mm' },
  {
    key: 'endMm',
    label: way === 'face' ? 'Inner diameter' : 'Diameter at the bottom',
    unit: 'mm',
    ...(way === 'part-off' ? { empty: 0, blank: true, hint: 'empty: to the centre' } : {}),
  },
  ...(way === 'part-off'
    ? []
    : ([{ key: 'lengthMm', label: way === 'face' ? 'Depth' : 'Width', unit: 'mm' }] as const)),
  ...(way === 'face'
    ? []
    : ([
        {
          key: 'fromEndMm',
          label: way === 'part-off' ? 'Length of the part' : 'From the free end',
          unit: 'mm',
        },
      ] as const)),
  { key: 'overhangMm', label: 'Part out of the jaws', unit: 'mm' },
  { key: 'boreMm', label: 'Bore through the part', unit: 'mm', empty: 0, blank: true, hint: 'empty: solid' },
  ...(way === 'part-off'
    ? []
    : ([
        {
          key: 'cornerMm',
          label: 'Bottom corner allowed',
          unit: 'mm',
          empty: null,
          hint: 'empty: the blade’s own',
        },
        { key: 'toleranceMm', label: 'Width tolerance', unit: 'mm', empty: null, hint: 'empty: none' },
        { key: 'raUm', label: 'Ra of the walls', unit: 'um-fine', empty: null, hint: 'empty: none' },
      ] as const)),
];

/** The groove, or where the part is parted, and how the part stands. */
export function GrooveCard({ op, context, readOnly, onChange }: CardProps<GroovingOperation>) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { groove: g, cut } = op;
  const set = (change: Partial<Groove>): void => onChange({ ...op, groove: { ...g, ...change } });
  const setCut = (change: Partial<GroovingOperation['cut']>): void =>
    onChange({ ...op, cut: { ...cut, ...change } });
  return (
    <Card
      title={g.way === 'part-off' ? 'Parted' : 'Groove'}
      label={
        g.way === 'part-off'
          ? `⌀ ${mm(g.startMm)}, part ${mm(g.fromEndMm)} long`
          : `⌀ ${mm(g.startMm)} to ⌀ ${mm(g.endMm)}, ${mm(grooveDepth(g))} deep`
      }
      lines={[
        g.way === 'part-off' ? `${TAKEN[g.caughtBy]} takes the part` : WAYS[g.way],
        `${mm(g.overhangMm)} out of the jaws, ${SUPPORTS[g.support]}`,
      ]}
    >
      {() => (
        <Grid>
          <Choice
            label="Where"
            value={g.way}
            options={GROOVE_WAYS}
            nameOf={(w) => WAYS[w]}
            readOnly={readOnly}
            onTake={(way) => set({ way })}
          />
          <SupportChoice value={g.support} readOnly={readOnly} onTake={(support) => set({ support })} />
          <NumberFields of={g} fields={fieldsOf(g)} readOnly={readOnly} onSet={set} />
          {g.way === 'part-off' ? (
            <>
              <Choice
                label="What takes the part"
                value={g.caughtBy}
                options={CATCHES}
                nameOf={(c) => TAKEN[c]}
                readOnly={readOnly}
                onTake={(caughtBy) => set({ caughtBy })}
              />
              <NumberFields
                of={cut}
                fields={[
                  { key: 'slowBelowMm', label: 'Slower below diameter', unit: 'mm' },
                  { key: 'slowShare', label: 'Share of the feed there', unit: 'ratio' },
                ]}
                readOnly={readOnly}
                onSet={setCut}
              />
            </>
          ) : (
            <>
              <Choice
                label="Widened by"
                value={cut.widenBy}
                options={WIDENINGS}
                nameOf={(w) => WIDENED[w]}
                readOnly={readOnly}
                onTake={(widenBy) => setCut({ widenBy })}
              />
              <NumberFields
                of={cut}
                fields={[{ key: 'stepMm', label: 'Step beside', unit: 'mm' }]}
                readOnly={readOnly}
                onSet={setCut}
              />
            </>
          )}
          {g.way === 'face' && (
            <Choice
              label="First plunge at the"
              value={cut.firstPlunge}
              options={FACE_ORDERS}
              nameOf={(e) => `${e} end`}
              readOnly={readOnly}
              onTake={(firstPlunge) => setCut({ firstPlunge })}
            />
          )}
          <NumberFields
            of={cut}
            fields={[{ key: 'capRpm', label: 'Spindle cap', unit: 'rpm' }]}
            readOnly={readOnly}
            onSet={setCut}
          />
          <SeatFields op={op} context={context} readOnly={readOnly} onChange={onChange} />
          <CountFields op={op} readOnly={readOnly} onChange={onChange} />
        </Grid>
      )}
    </Card>
  );
}
