import { formatMeasure, type InLathe, isHole, hasToTurn, type Operation, TURNING_SIDES } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Choice, Grid } from '../../../ui/form-parts.tsx';
import { NumberFields } from '../../../ui/number-fields.tsx';
import { Card, type CardProps } from './card.tsx';
import { SupportChoice, SUPPORTS } from './held-part-fields.tsx';

const TURNS = { tool: 'the driven tool', part: 'the part' } as const;

/** The part a lathe mills or drills, as it stands in the jaws; nothing where it stands on a table. */
export function InLatheCard({ op, readOnly, onChange }: CardProps<Operation>) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { inLathe } = op;
  if (!inLathe) return null;
  const set = (change: Partial<InLathe>): void => onChange({ ...op, inLathe: { ...inLathe, ...change } });
  return (
    <Card
      title="In the lathe"
      label={`⌀ ${mm(inLathe.diameterMm)}, ${mm(inLathe.overhangMm)} out of the jaws`}
      lines={[`${TURNS[inLathe.turns]} turns`, SUPPORTS[inLathe.support]]}
    >
      {() => (
        <Grid>
          {isHole(op) && !hasToTurn(op) && (
            <Choice
              label="What turns"
              value={inLathe.turns}
              options={TURNING_SIDES}
              nameOf={(side) => TURNS[side]}
              readOnly={readOnly}
              onTake={(turns) => set({ turns })}
            />
          )}
          <SupportChoice value={inLathe.support} readOnly={readOnly} onTake={(support) => set({ support })} />
          <NumberFields
            of={inLathe}
            fields={[
              { key: 'diameterMm', label: 'Part diameter', unit: 'mm' },
              {
                key: 'boreMm',
                label: 'Bore through the part',
                unit: 'mm',
                empty: 0,
                blank: true,
                hint: 'empty: solid',
              },
              { key: 'overhangMm', label: 'Part out of the jaws', unit: 'mm' },
            ]}
            readOnly={readOnly}
            onSet={set}
          />
        </Grid>
      )}
    </Card>
  );
}
