import type { CombinationDetail, Crib } from '@burl/contract';
import {
  formatMeasure,
  formatNumber,
  type ResonancePicture,
  type ResonanceQuestion,
  type StabilityMap,
  toShown,
  UNITS,
} from '@burl/core';
import { useMemo, useState } from 'react';
import { Num } from '../../ui/form-parts.tsx';
import { usePreferences, useSystem } from '../../frame/preferences.tsx';
import { question } from '../../workers/question.ts';
import type { Referee } from '../../workers/chatter-work.ts';
import { askWorker, type Heavy, useHeavy } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import type { CutAsked, operationOf } from './cut-asked.ts';
import { MapPicture } from './stability-map.tsx';
import { type Curve, Plot } from '../../charts/plot.tsx';

const MARKS = {
  stable: { mark: 'circle', colour: 'clear' },
  marginal: { mark: 'rectRot', colour: 'tight' },
  chatter: { mark: 'crossRot', colour: 'over' },
} as const;

/** Speeds round the one wanted, and depths up to the stick-out, that the lobes are drawn over. */
export function rangeOf(speed: number, most: number, stickOutMm: number, depthMm: number): ResonanceQuestion {
  const toRpm = Math.min(most, speed * 2.2);
  return {
    fromRpm: Math.max(100, speed * 0.5),
    toRpm,
    mostMm: Math.min(stickOutMm, Math.max(6, depthMm * 2.2)),
    periodic: 72,
    columns: 81,
  };
}

/** Depth over speed: how likely a cut stays calm, the overview, the periodic border, and cuts that were tried. */
export function LobesPanel({
  crib,
  combination,
  asked,
  onAsk,
  cut,
  picture,
}: {
  crib: Crib;
  combination: CombinationDetail;
  asked: CutAsked;
  onAsk: (asked: CutAsked) => void;
  cut: NonNullable<ReturnType<typeof operationOf>>;
  picture: Heavy<ResonancePicture>;
}) {
  const { system } = usePreferences();
  const { op } = cut;
  const data = picture.data;
  const [run, setRun] = useState<{ key: string; result: Referee } | null>(null);
  const [running, setRunning] = useState(false);
  const [shown, setShown] = useState<'limit' | 'map'>('limit');
  const range = rangeOf(
    op.cut.speedRpm,
    cut.context.machine.max_rpm,
    op.tooling.stickOutMm,
    op.cut.axialDepthMm,
  );
  const map = useHeavy<StabilityMap>(
    'map',
    shown === 'map' ? question('stability', op, cut.context, range) : null,
    async (api, progress) => {
      const { proxy } = await import('comlink');
      return api.stability(op, cut.context, range, proxy(progress.part));
    },
  );
  const key = question('referee', op, cut.context);
  const mm = (v: number): number => toShown(Math.min(v, 1e4), 'mm', system);
  const most = data ? data.chance.depthMm[data.chance.depthMm.length - 1]! : 1;
  const curves = useMemo((): Curve[] => {
    if (!data) return [];
    const cap = (v: number): number => mm(Math.min(v, most * 1.2));
    const along = (pick: (l: ResonancePicture['chance']['likely'][number]) => number) =>
      data.chance.rpm.map((x, i) => ({ x, y: cap(pick(data.chance.likely[i]!)) }));
    const cuts = (heard: keyof typeof MARKS): Curve => ({
      label: heard,
      ...MARKS[heard],
      size: 7,
      points: data.seen.filter((s) => s.heard === heard).map((s) => ({ x: s.rpm, y: mm(s.depthMm) })),
    });
    return [
      {
        label: '95% stable',
        colour: 'clear',
        dash: [2, 3],
        width: 1.5,
        points: along((l) => l.low),
      },
      {
        label: '5% stable',
        colour: 'over',
        dash: [2, 3],
        width: 1.5,
        points: along((l) => l.high),
        fillTo: 0,
      },
      { label: '50% stable', colour: 'tight', width: 1.5, points: along((l) => l.middle) },
      {
        label: 'zero-order (overview)',
        colour: 'series-3',
        dash: [7, 4],
        width: 1.5,
        points: data.overview.map((o) => ({ x: o.rpm, y: cap(o.depthMm) })),
      },
      {
        label: 'periodic solution',
        colour: 'series-1',
        width: 3,
        points: data.periodic.map((p) => ({ x: p.rpm, y: cap(p.depthMm ?? Infinity) })),
      },
      cuts('stable'),
      cuts('marginal'),
      cuts('chatter'),
      {
        label: 'cut asked for',
        mark: 'star',
        size: 9,
        colour: 'ink',
        points: [{ x: op.cut.speedRpm, y: mm(op.cut.axialDepthMm) }],
      },
    ];
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [data, most, system, op.cut.speedRpm, op.cut.axialDepthMm]);

  const here = data ? nearest(data, op.cut.speedRpm) : null;
  const best = data ? bestNear(data, op.cut.speedRpm) : null;
  // No depth the cutter can go to may chatter at all.
  const { stickOutMm } = op.tooling;
  const edge = Math.min(stickOutMm, cut.context.cutter.properties.APMX ?? stickOutMm);
  const depth = (v: number): string =>
    v < edge
      ? formatMeasure(v, 'mm', system)
      : `the whole ${edge < stickOutMm ? 'edge' : 'stick-out'} of ${formatMeasure(edge, 'mm', system)}`;
  const text = here
    ? `At ${formatMeasure(op.cut.speedRpm, 'rpm', system)} 50% stable at ${depth(here.middle)}, 95% stable up to ${depth(here.low)}, unlikely beyond ${depth(here.high)}. ${data!.periodic.length ? 'The periodic solution is used for release.' : ''}`
    : '';
  return (
    <div className="grid min-h-0 gap-3 lg:grid-cols-[minmax(0,1fr)_260px]">
      <div className="flex min-h-0 flex-col gap-2">
        {data && <p className={`text-[13.5px] ${picture.stale ? 'opacity-60' : ''}`}>{text}</p>}
        <HeavyState what="the lobes" heavy={picture} />
        <div className="flex items-center gap-2">
          <Toggle label="Picture" options={['limit', 'map'] as const} value={shown} onTake={setShown} />
          {shown === 'map' && <HeavyState what="the map" heavy={map} />}
        </div>
        {shown === 'map' && map.data && (
          <div className={`rounded-lg border border-line bg-card p-2 ${map.stale ? 'opacity-60' : ''}`}>
            <MapPicture map={map.data} rpm={op.cut.speedRpm} depthMm={op.cut.axialDepthMm} />
          </div>
        )}
        {data && shown === 'limit' && (
          <div
            className={`relative min-h-80 flex-1 rounded-lg border border-line bg-card p-2 ${picture.stale ? 'opacity-60' : ''}`}
          >
            <Plot
              text={text}
              curves={curves}
              x="spindle speed, rpm"
              y={`depth, ${UNITS.mm[system].label}`}
              xRange={[data.chance.rpm[0]!, data.chance.rpm[data.chance.rpm.length - 1]!]}
              yRange={[0, mm(most)]}
            />
          </div>
        )}
        {data && data.forbidden.length > 0 && (
          <p className="text-[13px] text-over">
            Chatter logged, excluded:{' '}
            {data.forbidden
              .map(
                (f) =>
                  `${formatNumber(f.fromRpm, 'rpm', system)}–${formatMeasure(f.toRpm, 'rpm', system)} above ${formatMeasure(f.aboveMm, 'mm', system)}`,
              )
              .join('; ')}
            .
          </p>
        )}
        {run?.key === key && <RefereePicture run={run.result} />}
      </div>
      <div className="space-y-3">
        <section className="space-y-2 rounded-lg border border-line bg-card p-3">
          <h2>The cut</h2>
          <Field label="Alloy">
            {(p) => (
              <select
                {...p}
                value={asked.alloyId}
                onChange={(e) => onAsk({ ...asked, alloyId: e.target.value })}
                className={FIELD_LOOK}
              >
                {crib.alloys.map((a) => (
                  <option key={a.id} value={a.id}>
                    {a.document.name}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <div className="grid grid-cols-2 gap-2">
            <Num
              label="Spindle speed"
              unit="rpm"
              value={op.cut.speedRpm}
              readOnly={false}
              onTake={(speedRpm) => onAsk({ ...asked, speedRpm })}
            />
            <Num
              label="Axial depth"
              unit="mm"
              value={op.cut.axialDepthMm}
              readOnly={false}
              onTake={(depthMm) => onAsk({ ...asked, depthMm })}
            />
            <Num
              label="Radial depth"
              unit="mm"
              value={op.cut.radialEngagementMm}
              readOnly={false}
              onTake={(radialMm) => onAsk({ ...asked, radialMm })}
            />
            <Num
              label="Feed per tooth"
              unit="mm/tooth"
              value={op.cut.feedPerToothMm}
              readOnly={false}
              onTake={(feedPerToothMm) => onAsk({ ...asked, feedPerToothMm })}
            />
          </div>
          <Toggle
            label="Direction of milling"
            options={['climb', 'conventional'] as const}
            value={asked.direction}
            onTake={(direction) => onAsk({ ...asked, direction })}
          />
        </section>
        {best && (
          <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
            <h2>Best speed nearby</h2>
            <p>
              {formatMeasure(best.rpm, 'rpm', system)}: 50% stable at {depth(best.depth)}. Table feed{' '}
              {formatMeasure(best.rpm * op.cut.feedPerToothMm * teethOf(cut), 'mm/min', system)} at the same
              chip load.
            </p>
            <Button onClick={() => onAsk({ ...asked, speedRpm: Math.round(best.rpm / 10) * 10 })}>
              Use this speed
            </Button>
          </section>
        )}
        <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
          <h2>Time-domain simulation</h2>
          <p className="text-soft">
            Runs the cut step by step, teeth leaving the cut where they jump out of it.
          </p>
          <Button
            disabled={running}
            onClick={() => {
              setRunning(true);
              void askWorker('sound', (api) =>
                api.referee(op, cut.context, op.cut.speedRpm, Math.max(0.05, op.cut.axialDepthMm)),
              )
                .then((result) => setRun({ key, result }))
                .finally(() => setRunning(false));
            }}
          >
            {running ? 'Running…' : 'Simulate'}
          </Button>
          {run?.key === key && (
            <p>
              <b>{run.result.stable ? 'Stable.' : 'Chatter.'}</b> What does not repeat{' '}
              {run.result.growthPerTurn < 0 ? 'shrinks' : 'grows'} by{' '}
              {Math.abs(100 * (Math.exp(run.result.growthPerTurn) - 1)).toFixed(0)}% per revolution.
            </p>
          )}
        </section>
        <p className="text-[12.5px] text-soft">
          {formatMeasure(combination.stickOutMm, 'mm', system)} stick-out.{' '}
          {data ? `Modes ${data.knowledge.from}.` : ''}
        </p>
      </div>
    </div>
  );
}

const teethOf = ({
  context,
}: {
  context: { cutter: { properties: { ZEFP?: number; NOF?: number } } };
}): number => context.cutter.properties.ZEFP ?? context.cutter.properties.NOF ?? 1;

function nearest(data: ResonancePicture, rpm: number): ResonancePicture['chance']['likely'][number] {
  const at = data.chance.rpm.reduce(
    (best, n, i) => (Math.abs(n - rpm) < Math.abs(data.chance.rpm[best]! - rpm) ? i : best),
    0,
  );
  return data.chance.likely[at]!;
}

/** Within a third up or down the speed with most room, if it is worth the change. */
function bestNear(data: ResonancePicture, rpm: number): { rpm: number; depth: number } | null {
  const now = nearest(data, rpm).middle;
  let best: { rpm: number; depth: number } | null = null;
  data.chance.rpm.forEach((n, i) => {
    if (Math.abs(Math.log(n / rpm)) > 0.3) return;
    const depth = data.chance.likely[i]!.middle;
    if (depth > now * 1.05 && depth > (best?.depth ?? 0)) best = { rpm: n, depth };
  });
  return best;
}

function RefereePicture({ run }: { run: Referee }) {
  const system = useSystem();
  const small = UNITS.um[system].label;
  const fine = (mm: number): number => toShown(1000 * mm, 'um', system);
  return (
    <div className="grid gap-2 sm:grid-cols-3" aria-label="The cut step by step" role="group">
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="Displacement of the tip and chip over the last three turns."
          curves={[
            {
              label: `tip, ${small}`,
              colour: 'series-1',
              width: 1,
              points: run.ms.map((x, i) => ({ x, y: fine(run.xMm[i]!) })),
            },
            {
              label: `chip, ${small}`,
              colour: 'series-2',
              width: 1,
              points: run.ms.map((x, i) => ({ x, y: fine(run.chipMm[i]!) })),
            },
          ]}
          x="ms"
          y={small}
        />
      </div>
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="The tip once per revolution: one spot where the cut repeats, a ring or two spots where it chatters."
          curves={[
            {
              label: 'once per revolution',
              colour: 'series-3',
              mark: 'circle',
              size: 3,
              points: run.onceX.map((x, i) => ({ x: fine(x), y: fine(run.onceY[i]!) })),
            },
          ]}
          x={`along the feed, ${small}`}
          y={`normal to it, ${small}`}
        />
      </div>
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="Surface left on the wall along the feed."
          curves={[
            {
              label: 'wall',
              colour: 'series-5',
              width: 1.5,
              points: run.surface.map((p) => ({ x: toShown(p.alongMm, 'mm', system), y: fine(p.heightMm) })),
            },
          ]}
          x={`along the feed, ${UNITS.mm[system].label}`}
          y={`height, ${small}`}
        />
      </div>
    </div>
  );
}
