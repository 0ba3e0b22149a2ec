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
import { Plot } from '../../charts/plot.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { InlineChoice } from '../../ui/inline-choice.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { question } from '../../workers/question.ts';
import { type Heavy, useHeavy } from '../../workers/use-heavy.ts';
import { type ChatterCut, teethOf } from './chatter-cut.ts';
import type { CutAsked } from './cut-asked.ts';
import { CutForm } from './cut-form.tsx';
import {
  bestNear,
  depthOn,
  lobesCurves,
  mostOf,
  STABLE_AT,
  stableBorder,
  type StableAt,
} from './lobes-curves.ts';
import { SimulationCard, useSimulation } from './simulation-card.tsx';
import { SimulationPicture } from './simulation-picture.tsx';
import { MapPicture } from './stability-map.tsx';

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

/** A depth in words: no depth the cutter can go to may chatter at all. */
function useDepthInWords({ op, context }: ChatterCut): (v: number) => string {
  const system = useSystem();
  const { stickOutMm } = op.tooling;
  const edge = Math.min(stickOutMm, context.cutter.properties.APMX ?? stickOutMm);
  return (v) =>
    v < edge
      ? formatMeasure(v, 'mm', system)
      : `the whole ${edge < stickOutMm ? 'edge' : 'stick-out'} of ${formatMeasure(edge, 'mm', system)}`;
}

/** The map of stability of a cut, worked out only while it is looked at. */
function useStabilityMap(cut: ChatterCut, wanted: boolean): Heavy<StabilityMap> {
  const { op, context } = cut;
  const { speedRpm, axialDepthMm } = op.cut;
  const range = rangeOf(speedRpm, context.machine.max_rpm, op.tooling.stickOutMm, axialDepthMm);
  return useHeavy<StabilityMap>(
    'map',
    wanted ? question('stability', op, context, range) : null,
    async (api, progress) => {
      const { proxy } = await import('comlink');
      return api.stability(op, context, range, proxy(progress.part));
    },
  );
}

/** Bands of speed in which chatter was logged. */
function Excluded({ picture }: { picture: ResonancePicture }) {
  const system = useSystem();
  if (picture.forbidden.length === 0) return null;
  const bands = picture.forbidden.map(
    (f) =>
      `${formatNumber(f.fromRpm, 'rpm', system)}–${formatMeasure(f.toRpm, 'rpm', system)} above ${formatMeasure(f.aboveMm, 'mm', system)}`,
  );
  return <p className="text-[13px] text-over">Chatter logged, excluded: {bands.join('; ')}.</p>;
}

/** The picture of the lobes with what it says at the speed asked for. */
function Lobes({
  cut,
  picture,
  stale,
  share,
  onShare,
}: {
  cut: ChatterCut;
  picture: ResonancePicture;
  stale: boolean;
  share: StableAt;
  onShare: (share: StableAt) => void;
}) {
  const system = useSystem();
  const depth = useDepthInWords(cut);
  const { speedRpm } = cut.op.cut;
  const [more, setMore] = useState(false);
  const curves = useMemo(
    () => lobesCurves(picture, cut, system, share, more),
    [picture, cut, system, share, more],
  );
  const here = useMemo(() => depthOn(stableBorder(picture, share), speedRpm), [picture, share, speedRpm]);
  const { rpm } = picture.chance;
  const range = useMemo(() => [rpm[0]!, rpm[rpm.length - 1]!] as const, [rpm]);
  const text = `At ${formatMeasure(speedRpm, 'rpm', system)} stable up to ${depth(here)} at ${100 * share}% confidence. ${picture.periodic.length ? 'The periodic solution is used for release.' : ''}`;
  return (
    <div className={`flex min-h-0 flex-1 flex-col gap-2 ${stale ? 'opacity-60' : ''}`}>
      <p className="text-[13.5px]">{text}</p>
      <div className="flex flex-wrap items-center gap-3">
        <InlineChoice
          label="Stable at"
          value={share}
          options={STABLE_AT}
          name={(v) => `${100 * v}%`}
          onTake={onShare}
        />
        <label className="flex items-center gap-1.5 text-[13px]">
          <input type="checkbox" checked={more} onChange={(e) => setMore(e.target.checked)} />
          50%, 5% and zero-order curves
        </label>
      </div>
      <div className="relative min-h-80 flex-1 rounded-lg border border-line bg-card p-2">
        <Plot
          text={text}
          curves={curves}
          x="spindle speed, rpm"
          y={`axial depth, ${UNITS.mm[system].label}`}
          xRange={range}
          yRange={[0, toShown(mostOf(picture), 'mm', system)]}
        />
      </div>
    </div>
  );
}

/** Depth over speed: how likely a cut stays stable, the overview, the periodic border, and cuts that were tried. */
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
  cut: ChatterCut;
  picture: Heavy<ResonancePicture>;
}) {
  const system = useSystem();
  const { op } = cut;
  const { data } = picture;
  const [shown, setShown] = useState<'limit' | 'map'>('limit');
  const map = useStabilityMap(cut, shown === 'map');
  const simulation = useSimulation(cut);
  const depth = useDepthInWords(cut);
  const [share, setShare] = useState<StableAt>(0.95);
  const best = data ? bestNear(data, op.cut.speedRpm, share) : null;
  return (
    <div className="grid min-h-0 grid-cols-1 gap-3 lg:grid-cols-[minmax(0,1fr)_260px]">
      <div className="flex min-h-0 flex-col gap-2">
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
          <Lobes cut={cut} picture={data} stale={picture.stale} share={share} onShare={setShare} />
        )}
        {data && <Excluded picture={data} />}
        {simulation.run && <SimulationPicture run={simulation.run} />}
      </div>
      <div className="space-y-3">
        <CutForm crib={crib} asked={asked} cut={cut} onAsk={onAsk} />
        {best && (
          <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
            <h2>Best speed nearby</h2>
            <p>
              {formatMeasure(best.rpm, 'rpm', system)}: stable up to {depth(best.depth)} at {100 * share}%
              confidence. Table feed{' '}
              {formatMeasure(best.rpm * op.cut.feedPerToothMm * teethOf(cut), 'mm/min', system)} at the same
              chip load.
            </p>
            <Button onClick={() => onAsk({ ...asked, speedRpm: Math.round(best.rpm / 10) * 10 })}>
              Use this speed
            </Button>
          </section>
        )}
        <SimulationCard {...simulation} />
        <p className="text-[12.5px] text-soft">
          {formatMeasure(combination.stickOutMm, 'mm', system)} stick-out.{' '}
          {data ? `Modes ${data.knowledge.from}.` : ''}
        </p>
      </div>
    </div>
  );
}
