import { formatMeasure, type ResonancePicture } from '@burl/core';
import { Printer } from 'lucide-react';
import { useSystem } from '../../frame/preferences.tsx';
import type { Heavy } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import type { CutAsked } from './cut-asked.ts';

/** Which cut tells most for the least risk, and a ladder of speeds for those without a hammer, to print. */
export function PlanPanel({
  title,
  picture,
  asked,
  onAsk,
}: {
  title: string;
  picture: Heavy<ResonancePicture>;
  asked: CutAsked;
  onAsk: (asked: CutAsked) => void;
}) {
  const system = useSystem();
  const data = picture.data;
  if (!data) return <HeavyState what="the plan" heavy={picture} />;
  const { tests, ladder } = data;
  return (
    <div className="grid grid-cols-1 gap-3 lg:grid-cols-2 print:block">
      <section className="no-print rounded-lg border border-line bg-card p-3">
        <h2 className="mb-1">Next test cut</h2>
        <p className="mb-2 text-[13px] text-soft">
          Where what is not known disagrees most about what will be heard, less the risk of chattering there.
        </p>
        <ol className="divide-y divide-line">
          {tests.map((t, i) => (
            <li key={i} className="flex items-center justify-between gap-2 py-1.5">
              <span>
                <b>
                  {formatMeasure(t.rpm, 'rpm', system)}, {formatMeasure(t.depthMm, 'mm', system)} deep
                </b>
                <span className="block text-[13px] text-soft">
                  chatters with a chance of {(100 * t.chanceOfChatter).toFixed(0)}%, tells{' '}
                  {t.gainBits.toFixed(2)} bit
                </span>
              </span>
              <Button onClick={() => onAsk({ ...asked, speedRpm: t.rpm, depthMm: t.depthMm })}>
                Show on lobes
              </Button>
            </li>
          ))}
        </ol>
      </section>
      <section className="rounded-lg border border-line bg-card p-3" aria-label="Speed ladder">
        <div className="mb-1 flex items-center justify-between">
          <h2>Speed ladder, without a hammer</h2>
          <Button className="no-print" onClick={() => window.print()}>
            <Printer size={15} aria-hidden="true" /> Print
          </Button>
        </div>
        <p className="mb-1 text-[13px] text-soft">{title}</p>
        <p className="mb-2 text-[13px]">
          Depth {formatMeasure(ladder.depthMm, 'mm', system)}, width{' '}
          {formatMeasure(ladder.radialMm, 'mm', system)}, feed{' '}
          {formatMeasure(ladder.feedPerToothMm, 'mm/tooth', system)} throughout. Run each step for two seconds
          in sound stock, listen or record, write down stable, marginal or chatter, and stop at the first chip
          you do not like. Guard closed, hand on feed hold, your shop’s rules first.
        </p>
        <table className="w-full text-left text-[13.5px]">
          <thead>
            <tr className="border-b border-line">
              {['Step', 'Spindle speed', 'Table feed', 'Result', 'Hz'].map((h) => (
                <th key={h} className="px-2 py-1">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ladder.steps.map((s, i) => (
              <tr key={s.rpm} className="border-b border-line last:border-0">
                <td className="px-2 py-1">{i + 1}</td>
                <td className="px-2">{formatMeasure(s.rpm, 'rpm', system)}</td>
                <td className="px-2">{formatMeasure(s.tableFeedMmMin, 'mm/min', system)}</td>
                <td className="border-l border-line px-2" />
                <td className="border-l border-line px-2" />
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}
