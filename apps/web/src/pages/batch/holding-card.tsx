import { type BatchPlan, formatMeasure, type HoldingReport, speak, type TransferReport } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { StateWord } from '../../ui/state-mark.tsx';
import { BatchCard, Num, Rows } from './card.tsx';

function Held({ report }: { report: HoldingReport }) {
  const system = useSystem();
  if (!report.operations)
    return (
      <p className="text-[13px]">
        <span className="font-semibold">{report.setup}</span>: not judged; enter {report.lacks}.
      </p>
    );
  const temperature = (c: number): string => formatMeasure(c, 'degC-fine', system);
  return (
    <div>
      <p className="text-[13px]">
        <span className="font-semibold">{report.setup}</span>: part up to {temperature(report.hottestC)}
        {report.releaseC !== null && `, lets go at ${temperature(report.releaseC)}`}; factor {report.factor}.
      </p>
      <Rows head={['Operation', 'side force', 'part', 'holds', 'used', 'by']}>
        {report.operations.map((o) => (
          <tr key={o.id} className="border-b border-line last:border-0">
            <td className="py-1">
              {o.name} <StateWord state={o.state} />
              {o.clearanceMm !== null && o.clearanceMm < 3 && (
                <span className="block text-[12.5px] font-semibold text-over">
                  {o.clearanceMm < 0 ? 'the holder strikes a clamp' : 'the holder passes close to a clamp'}:{' '}
                  {formatMeasure(o.clearanceMm, 'mm', system)} of room
                </span>
              )}
            </td>
            <Num>{formatMeasure(o.sideN, 'N', system)}</Num>
            <Num>{temperature(o.temperatureC)}</Num>
            <Num>{formatMeasure(o.grip.slideN, 'N', system)}</Num>
            <Num>{o.use.share > 10 ? 'over 1,000%' : `${Math.round(100 * o.use.share)}%`}</Num>
            <Num>{o.use.by}</Num>
          </tr>
        ))}
      </Rows>
      {report.mends.length > 0 && <p className="text-[13px]">Gives it room: {report.mends.join('; ')}.</p>}
      <ul className="list-outside list-disc pl-4 text-[12.5px] text-soft">
        {report.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </div>
  );
}

/** What a part taken over by the sub-spindle rests on. */
function Taken({ report }: { report: TransferReport }) {
  const system = useSystem();
  return (
    <section aria-label={`${report.setup}, taken over`}>
      <p className="text-[13px]">
        <span className="font-semibold">{report.setup}</span>: taken over by the sub-spindle in{' '}
        {formatMeasure(60 * report.minutes, 's', system)}.
      </p>
      <ul className="space-y-0.5 text-[13px]">
        {report.findings.map((f) => (
          <li key={f.id}>
            <StateWord state={f.state} /> {speak(f.why, system)}
          </li>
        ))}
      </ul>
      <ul className="list-outside list-disc pl-4 text-[12.5px] text-soft">
        {report.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </section>
  );
}

/** Every operation against what holds its part, at the temperature the part has by then. */
export function HoldingCard({ plan }: { plan: BatchPlan }) {
  return (
    <BatchCard title="Holding">
      <div className="space-y-3">
        {plan.holdings.map((h) => (
          <Held key={h.setupId} report={h} />
        ))}
        {plan.transfers?.map((t) => (
          <Taken key={t.setupId} report={t} />
        ))}
      </div>
    </BatchCard>
  );
}
