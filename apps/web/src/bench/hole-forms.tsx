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
import { Choice, type FormProps, Grid, Num } from './form-parts.tsx';
import { SurfaceFields } from './surface-fields.tsx';

type HoleFormProps = FormProps<HoleOperation> & {
  readonly counts: ReactNode;
  readonly context?: OperationContext;
};

const yes = (value: boolean): 'yes' | 'no' => (value ? 'yes' : 'no');

/** The hole a step makes, and what only this kind of step has. */
export function HoleForm({ op, readOnly, onChange, counts, context }: HoleFormProps) {
  const set = (change: Partial<Hole>) => onChange({ ...op, hole: { ...op.hole, ...change } });
  const cut = (change: object) => onChange({ ...op, cut: { ...op.cut, ...change } } as HoleOperation);
  const { hole } = op;
  const length = (label: string, key: 'diameterMm' | 'depthMm' | 'betweenMm') => (
    <Num
      label={label}
      value={hole[key]}
      unit="mm"
      readOnly={readOnly}
      onTake={(v) => v && set({ [key]: v })}
    />
  );
  const asked = (label: string, key: 'toleranceMm' | 'raUm', unit: 'mm' | 'um-fine') => (
    <Num
      label={label}
      value={hole[key]}
      unit={unit}
      empty
      readOnly={readOnly}
      onTake={(v) => set({ [key]: v })}
      hint="empty: not asked"
    />
  );
  const whole = (label: string, key: string, value: number, least = 0) => (
    <Num
      label={label}
      value={value}
      unit="pieces"
      empty={least === 0}
      readOnly={readOnly}
      onTake={(v) => cut({ [key]: Math.max(least, Math.round(v ?? 0)) })}
    />
  );
  return (
    <Grid>
      {!hasThread(op) && length('Diameter', 'diameterMm')}
      {length(hasThread(op) ? 'Depth of full thread' : 'Depth', 'depthMm')}
      <Choice
        label="Bottom"
        value={hole.through ? 'through' : 'blind'}
        options={['blind', 'through']}
        readOnly={readOnly}
        onTake={(v) => set({ through: v === 'through' })}
      />
      <Num
        label="Hole there before"
        value={hole.startMm === 0 ? null : hole.startMm}
        unit="mm"
        empty
        readOnly={readOnly}
        onTake={(v) => set({ startMm: v ?? 0 })}
        hint="empty: solid"
      />
      {op.kind === 'drilling' && (
        <>
          <Choice
            label="Made as"
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
          <Num
            label="Feed at breakthrough"
            value={op.cut.breakthroughFeed}
            unit="ratio"
            readOnly={readOnly}
            onTake={(v) => v && cut({ breakthroughFeed: v })}
          />
          <Strokes op={op} readOnly={readOnly} cut={cut} context={context} />
        </>
      )}
      {op.kind === 'reaming' && (
        <Num
          label="Feed out over feed in"
          value={op.cut.outFeed}
          unit="ratio"
          readOnly={readOnly}
          onTake={(v) => v && cut({ outFeed: v })}
        />
      )}
      {op.kind === 'hole-milling' && (
        <>
          {whole('Helices', 'stepovers', op.cut.stepovers, 1)}
          {whole('Spring passes', 'springPasses', op.cut.springPasses)}
          <Num
            label="Past the floor"
            value={op.cut.pastFloorMm}
            unit="mm"
            empty
            readOnly={readOnly}
            onTake={(v) => cut({ pastFloorMm: v ?? 0 })}
          />
        </>
      )}
      {(op.kind === 'boring' || op.kind === 'thread-milling') && (
        <>
          {whole('Passes', 'passes', op.cut.passes, 1)}
          {whole('Spring passes', 'springPasses', op.cut.springPasses)}
        </>
      )}
      {op.kind === 'chamfering' && (
        <Num
          label="Width of the chamfer"
          value={op.cut.widthMm}
          unit="mm"
          readOnly={readOnly}
          onTake={(v) => v && cut({ widthMm: v })}
        />
      )}
      {op.kind === 'tapping' && (
        <Choice
          label="Synchronous feed"
          value={yes(op.cut.synchronous)}
          options={['yes', 'no']}
          readOnly={readOnly}
          onTake={(v) => cut({ synchronous: v === 'yes' })}
        />
      )}
      {op.kind !== 'chamfering' && asked('Tolerance of the diameter', 'toleranceMm', 'mm')}
      {op.kind === 'boring' && asked('Roughness, Ra', 'raUm', 'um-fine')}
      {length('Way to the next hole', 'betweenMm')}
      <Num
        label="Part is worth, here"
        value={hole.partValue}
        unit="money"
        empty
        readOnly={readOnly}
        onTake={(partValue) => set({ partValue })}
        hint="empty: not stated"
      />
      {counts}
    </Grid>
  );
}

/** How the drill is lifted: as planned, never, evenly, or stroke by stroke. */
function Strokes({
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
        label="Strokes"
        value={kind}
        options={['plan', 'none', 'even', 'listed']}
        readOnly={readOnly}
        onTake={(v) => cut({ peck: v === 'even' ? op.hole.diameterMm : v === 'listed' ? listed() : v })}
      />
      {typeof peck === 'number' && (
        <Num
          label="Length of a stroke"
          value={peck}
          unit="mm"
          readOnly={readOnly}
          onTake={(v) => v && cut({ peck: v })}
        />
      )}
      {typeof peck === 'object' && (
        <>
          <Choice
            label="Between strokes"
            value={peck.retract === 'full' ? 'out of the hole' : 'short lift'}
            options={['out of the hole', 'short lift']}
            readOnly={readOnly}
            onTake={(v) => cut({ peck: { ...peck, retract: v === 'short lift' ? 'chip-break' : 'full' } })}
          />
          {[...peck.toMm, null].map((depth, i) => (
            <Num
              key={i}
              label={depth === null ? 'One more stroke to' : `Stroke ${i + 1} to`}
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
