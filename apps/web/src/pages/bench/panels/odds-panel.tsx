import { Link, useParams } from 'react-router';
import {
  CLASS_WIDTH,
  type LimitOdds,
  type MillingOperation,
  type Odds,
  type OperationContext,
} from '@burl/core';
import { proxy } from 'comlink';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { question } from '../../../workers/question.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';

const DRAWS = 2000;
const per = (share: number): string =>
  share > 0.995 && share < 1
    ? 'over 99%'
    : share < 0.005 && share > 0
      ? 'under 1%'
      : `${(share * 100).toFixed(0)}%`;

/** How often a limit came out at each share of the allowed value; what is right of the border breaks it. */
function Strip({ odds }: { odds: LimitOdds }) {
  const most = Math.max(...odds.classes, 1);
  const width = 150 / odds.classes.length;
  return (
    <svg viewBox="0 0 150 26" className="h-6 w-36" aria-hidden="true">
      {odds.classes.map((n, i) => (
        <rect
          key={i}
          x={i * width}
          y={24 - (22 * n) / most}
          width={width}
          height={(22 * n) / most}
          fill={i * CLASS_WIDTH >= 1 ? 'var(--over)' : 'var(--accent)'}
        />
      ))}
      <line x1={75 * 0.976} x2={75 * 0.976} y1={0} y2={26} stroke="var(--ink)" strokeDasharray="2 2" />
      <line x1={0} x2={150} y1={24.5} y2={24.5} stroke="var(--line)" />
    </svg>
  );
}

/** What one trial at the machine tells: the floor’s form opens for it. */
const BY_TRIAL = new Set(['life-speed', 'edge-to-edge', 'kc', 'drive-efficiency']);

/** Chances from many draws of what is uncertain, and what to measure next. */
export default function OddsPanel({ op, context }: { op: MillingOperation; context: OperationContext }) {
  const { job = '', op: operation = '' } = useParams();
  const heavy = useHeavy<Odds>('odds', question('odds', op, context), (api, progress) =>
    api.odds(
      op,
      context,
      DRAWS,
      proxy((part: number) => progress.part(part)),
    ),
  );
  if (!heavy.data) return <HeavyState what="the odds" heavy={heavy} />;
  const { allHold, limits, measureNext, draws } = heavy.data;
  const doubtful = limits.filter((l) => l.holds < 0.9995).sort((a, b) => a.holds - b.holds);
  const sure = limits.length - doubtful.length;
  return (
    <div className={`flex h-full min-h-0 flex-col gap-1.5 ${heavy.stale ? 'opacity-60' : ''}`}>
      {heavy.busy && <HeavyState what="the odds" heavy={heavy} />}
      <p className="text-[15px] font-semibold" aria-live="polite">
        All limits met in {per(allHold)} of {draws.toLocaleString('en')} simulated cuts.
      </p>
      <div
        className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-4 overflow-y-auto text-[13px]"
        tabIndex={0}
        role="region"
        aria-label="Confidence of the limits"
      >
        <div>
          <table className="w-full border-collapse">
            <caption className="text-left font-semibold">Limits that may be exceeded</caption>
            <thead className="sr-only">
              <tr>
                <th>Limit</th>
                <th>Share used</th>
                <th>Holds</th>
              </tr>
            </thead>
            <tbody>
              {doubtful.map((l) => (
                <tr key={l.id} className="border-t border-line">
                  <th scope="row" className="py-0.5 text-left font-normal">
                    {l.name}
                  </th>
                  <td>{l.share ? <Strip odds={l} /> : 'yes or no'}</td>
                  <td className="text-right font-semibold">{per(l.holds)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-soft">
            {sure} more are met in every simulated cut. Beyond the dashed line a limit is exceeded.
          </p>
        </div>
        <div>
          <h3 className="font-semibold">Measure next</h3>
          {measureNext.length === 0 ? (
            <p className="text-soft">No measurement would reduce this uncertainty noticeably.</p>
          ) : (
            <ol className="space-y-1.5">
              {measureNext.map((m) => (
                <li key={m.source.id} className="border-t border-line pt-1">
                  <p className="flex justify-between gap-2">
                    <b className="first-letter:uppercase">{m.source.narrowBy}</b>
                    <span className="whitespace-nowrap">cuts uncertainty by {per(m.takesAway)}</span>
                  </p>
                  <p className="text-soft">
                    {m.source.label}; in {m.limits.join(', ')}
                    {BY_TRIAL.has(m.source.id) && (
                      <>
                        .{' '}
                        <Link
                          to={`/jobs/${job}/floor?log=${operation}`}
                          className="font-semibold text-accent underline"
                        >
                          Log a trial
                        </Link>
                      </>
                    )}
                  </p>
                </li>
              ))}
            </ol>
          )}
        </div>
      </div>
    </div>
  );
}
