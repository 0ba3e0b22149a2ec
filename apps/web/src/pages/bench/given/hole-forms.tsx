import {
  asList,
  DRILL_ROLES,
  drillingState,
  hasThread,
  type Hole,
  type HoleOperation,
  type OperationContext,
} from '@burl/core';
import type { ReactNode } from 'react';
import { Choice, type FormProps, Grid, Num } from '../../../ui/form-parts.tsx';
import { type NumberField, NumberFields } from '../../../ui/number-fields.tsx';
import { SurfaceFields } from '../../../ui/surface-fields.tsx';

type HoleFormProps = FormProps<HoleOperation> & {
  readonly counts: ReactNode;
  readonly context?: OperationContext;
};

type Passes = { readonly passes: number; readonly springPasses: number };

const SIZE: readonly NumberField<Hole>[] = [
  { key: 'diameterMm', label: 'Diameter', unit: 'mm' },
  { key: 'depthMm', label: 'Depth', unit: 'mm' },
];
const RIM: readonly NumberField<Hole>[] = [{ key: 'diameterMm', label: 'Diameter', unit: 'mm' }];
const THREAD: readonly NumberField<Hole>[] = [{ key: 'depthMm', label: 'Full-thread depth', unit: 'mm' }];
const BEFORE: readonly NumberField<Hole>[] = [
  { key: 'startMm', label: 'Pre-hole diameter', unit: 'mm', empty: 0, blank: true, hint: 'empty: solid' },
];
const PASSES: readonly NumberField<Passes>[] = [
  { key: 'passes', label: 'Passes', unit: 'pieces' },
  { key: 'springPasses', label: 'Spring passes', unit: 'pieces', empty: 0 },
];
const TOLERANCE: readonly NumberField<Hole>[] = [
  {
    key: 'toleranceMm',
    label: 'Diameter tolerance',
    unit: 'mm',
    empty: null,
    hint: 'empty: none',
  },
];
/** What is asked of a hole by kinds of step, where it is not the diameter alone. */
const ASKED: Readonly<Partial<Record<HoleOperation['kind'], readonly NumberField<Hole>[]>>> = {
  chamfering: [],
  boring: [
    ...TOLERANCE,
    { key: 'raUm', label: 'Ra required', unit: 'um-fine', empty: null, hint: 'empty: none' },
  ],
};
const PLACE: readonly NumberField<Hole>[] = [
  { key: 'betweenMm', label: 'Distance to next hole', unit: 'mm' },
  {
    key: 'partValue',
    label: 'Part value at this step',
    unit: 'money',
    empty: null,
    hint: 'empty: not stated',
  },
];

const yes = (value: boolean): 'yes' | 'no' => (value ? 'yes' : 'no');

/** The hole a step makes, and what only this kind of step has. */
export function HoleForm({ op, readOnly, onChange, counts, context }: HoleFormProps) {
  const set = (change: Partial<Hole>) => onChange({ ...op, hole: { ...op.hole, ...change } });
  const cut = (change: object) => onChange({ ...op, cut: { ...op.cut, ...change } } as HoleOperation);
  const { hole } = op;
  const shared = { readOnly, onSet: cut } as const;
  return (
    <Grid>
      <NumberFields
        of={hole}
        fields={op.kind === 'chamfering' ? RIM : hasThread(op) ? THREAD : SIZE}
        readOnly={readOnly}
        onSet={set}
      />
      <Choice
        label="Bottom"
        value={hole.through ? 'through' : 'blind'}
        options={['blind', 'through']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'through' })}
      />
      <NumberFields of={hole} fields={BEFORE} readOnly={readOnly} onSet={set} />
      {op.kind === 'drilling' && (
        <>
          <Choice
            label="Step type"
            value={op.role}
            options={DRILL_ROLES}
            readOnly={readOnly}
            onTake={(role) => onChange({ ...op, role })}
          />
          <Choice
            label="Pilot or spot"
            value={yes(hole.piloted)}
            options={['no', 'yes']}
            readOnly={readOnly}
            onTake={(v) => set({ piloted: v === 'yes' })}
          />
          <SurfaceFields hole={hole} readOnly={readOnly} onChange={set} />
          <NumberFields
            of={op.cut}
            fields={[{ key: 'breakthroughFeed', label: 'Feed at breakthrough', unit: 'ratio' }]}
            {...shared}
          />
          <Pecks op={op} readOnly={readOnly} cut={cut} context={context} />
        </>
      )}
      {op.kind === 'reaming' && (
        <NumberFields
          of={op.cut}
          fields={[{ key: 'outFeed', label: 'Retract feed (× feed in)', unit: 'ratio' }]}
          {...shared}
        />
      )}
      {op.kind === 'hole-milling' && (
        <NumberFields
          of={op.cut}
          fields={[
            { key: 'stepovers', label: 'Radial passes', unit: 'pieces' },
            { key: 'springPasses', label: 'Spring passes', unit: 'pieces', empty: 0 },
            { key: 'pastFloorMm', label: 'Overrun at bottom', unit: 'mm', empty: 0 },
          ]}
          {...shared}
        />
      )}
      {(op.kind === 'boring' || op.kind === 'thread-milling') && (
        <NumberFields of={op.cut as Passes} fields={PASSES} {...shared} />
      )}
      {op.kind === 'chamfering' && (
        <NumberFields
          of={op.cut}
          fields={[{ key: 'widthMm', label: 'Chamfer width', unit: 'mm' }]}
          readOnly={readOnly}
          // At forty-five degrees a chamfer is as deep as it is wide.
          onSet={(change) =>
            onChange({
              ...op,
              cut: { ...op.cut, ...change },
              hole: { ...hole, depthMm: change.widthMm ?? hole.depthMm },
            })
          }
        />
      )}
      {op.kind === 'tapping' && (
        <Choice
          label="Rigid tapping"
          value={yes(op.cut.synchronous)}
          options={['yes', 'no']}
          readOnly={readOnly}
          onTake={(v) => cut({ synchronous: v === 'yes' })}
        />
      )}
      <NumberFields of={hole} fields={ASKED[op.kind] ?? TOLERANCE} readOnly={readOnly} onSet={set} />
      <NumberFields of={hole} fields={PLACE} readOnly={readOnly} onSet={set} />
      {counts}
    </Grid>
  );
}

/** How the drill is lifted: as planned, never, evenly, or stroke by stroke. */
function Pecks({
  op,
  readOnly,
  cut,
  context,
}: {
  op: Extract<HoleOperation, { kind: 'drilling' }>;
  readOnly: boolean;
  cut: (change: object) => void;
  context: OperationContext | undefined;
}) {
  const { peck } = op.cut;
  const kind = typeof peck === 'number' ? 'even' : typeof peck === 'object' ? 'listed' : peck;
  const listed = () =>
    context ? asList(drillingState(op, context).pecks) : { toMm: [], retract: 'full' as const };
  return (
    <>
      <Choice
        label="Pecks"
        value={kind}
        options={['plan', 'none', 'even', 'listed']}
        readOnly={readOnly}
        onTake={(v) => cut({ peck: v === 'even' ? op.hole.diameterMm : v === 'listed' ? listed() : v })}
      />
      {typeof peck === 'number' && (
        <NumberFields
          of={{ peck }}
          fields={[{ key: 'peck', label: 'Peck depth', unit: 'mm' }]}
          readOnly={readOnly}
          onSet={cut}
        />
      )}
      {typeof peck === 'object' && (
        <>
          <Choice
            label="Between pecks"
            value={peck.retract === 'full' ? 'full retract' : 'chip-break retract'}
            options={['full retract', 'chip-break retract']}
            readOnly={readOnly}
            onTake={(v) =>
              cut({ peck: { ...peck, retract: v === 'chip-break retract' ? 'chip-break' : 'full' } })
            }
          />
          {[...peck.toMm, null].map((depth, i) => (
            <Num
              key={i}
              label={depth === null ? 'One more peck to' : `Peck ${i + 1} to`}
              value={depth}
              unit="mm"
              empty
              readOnly={readOnly}
              onTake={(v) =>
                cut({
                  peck: {
                    ...peck,
                    toMm: [...peck.toMm.filter((_, j) => j !== i), ...(v === null ? [] : [v])].sort(
                      (a, b) => a - b,
                    ),
                  },
                })
              }
              {...(depth === null ? {} : { hint: 'empty: taken out' })}
            />
          ))}
        </>
      )}
    </>
  );
}
