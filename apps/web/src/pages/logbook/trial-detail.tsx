import { counted, formatMeasure, hasEnded } from '@burl/core';
import type { Trial, TrialDiagnosis } from '@burl/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { useDiagnosis } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import type { CribNames } from './crib-names.ts';

const percent = (share: number): string => (share < 0.01 ? 'under 1%' : `${Math.round(100 * share)}%`);

/** Causes less likely than this are folded. */
const FOLD_BELOW = 0.05;

/** What ended the edge, likeliest first, each with its reasons and the cheapest look that would tell. */
function Suspects({ diagnosis }: { diagnosis: TrialDiagnosis }) {
  if (diagnosis.missing !== null) return <p className="text-soft">{diagnosis.missing}</p>;
  const shown = diagnosis.suspects.filter((s) => s.chance >= FOLD_BELOW);
  const rest = diagnosis.suspects.filter((s) => s.chance < FOLD_BELOW);
  return (
    <>
      <ol className="space-y-2">
        {shown.map((s) => (
          <li key={s.id} className="rounded-lg border border-line p-2.5">
            <div className="flex items-center gap-3">
              <strong className="flex-1">{s.name}</strong>
              <span
                aria-hidden="true"
                className="h-2.5 rounded bg-accent"
                style={{ width: `${Math.round(140 * s.chance)}px` }}
              />
              <span className="w-12 text-right font-semibold tabular-nums">{percent(s.chance)}</span>
            </div>
            {s.because.length > 0 && <p>For it: {s.because.join('; ')}.</p>}
            {s.against.length > 0 && <p className="text-soft">Against: {s.against.join('; ')}.</p>}
            <p>
              <span className="font-semibold">To tell:</span> {s.test}
            </p>
          </li>
        ))}
      </ol>
      {rest.length > 0 && (
        <p className="mt-2 text-soft">
          Unlikely here:{' '}
          {rest.map((s) => `${s.name.split(':')[0]!.toLowerCase()} (${percent(s.chance)})`).join(', ')}.
        </p>
      )}
    </>
  );
}

function Facts({ trial: t, names }: { trial: Trial; names: CribNames }) {
  const system = useSystem();
  const rows: readonly (readonly [string, string | null])[] = [
    [
      'Run',
      `${formatMeasure(t.speedRpm, 'rpm', system)}, ${formatMeasure(t.cuttingSpeedMMin, 'm/min', system)}`,
    ],
    ['Overrides', `speed ${t.speedOverride}%, feed ${t.feedOverride}%`],
    ['Cutter', names.cutter(t.cutterId)],
    ['Alloy', `${names.alloy(t.alloyId)}${t.heatLot ? `, lot ${t.heatLot}` : ''}`],
    ['Machine', `${names.machine(t.machineId)}, ${t.machineSerial}`],
    [
      'Edge',
      `${t.edge}: ${t.ending}${t.brokeAt ? ` (${t.brokeAt})` : ''} after ${counted(t.features, 'feature')}, ${formatMeasure(t.minutes, 'min-life', system)}`,
    ],
    [
      'Expected',
      t.expectedLife === null
        ? null
        : `${formatMeasure(t.expectedLife, 'min-life', system)} by the library (${formatMeasure(t.expectedLifeLow ?? 0, 'min-life', system)}–${formatMeasure(t.expectedLifeHigh ?? 0, 'min-life', system)})`,
    ],
    ['Flank wear', t.wearMm === null ? null : formatMeasure(t.wearMm, 'mm', system)],
    [
      'Load meter',
      t.loadPercent === null
        ? null
        : `${formatMeasure(t.loadPercent, 'percent', system)}; ${formatMeasure(t.expectedLoad ?? 0, 'percent', system)} expected`,
    ],
    ['Sound', t.sound],
    ['Chips', [t.chipForm, t.chipColour].filter(Boolean).join(', ') || null],
    ['Finish', [t.finish, t.burr && `burr: ${t.burr}`].filter(Boolean).join(', ') || null],
    [
      'Surface',
      t.raUm === null && t.rzUm === null
        ? null
        : [
            t.raUm !== null && `Ra ${formatMeasure(t.raUm, 'um-fine', system)}`,
            t.rzUm !== null && `Rz ${formatMeasure(t.rzUm, 'um-fine', system)}`,
            t.expectedRaUm !== null && `Ra ${formatMeasure(t.expectedRaUm, 'um-fine', system)} expected`,
          ]
            .filter(Boolean)
            .join('; '),
    ],
    ['Size', t.sizeErrorMm === null ? null : `${formatMeasure(t.sizeErrorMm, 'mm-fine', system)} off`],
    ['Glow', t.glow === null ? null : t.glow ? 'yes' : 'no'],
    ['Coolant', t.coolantSeen],
    ['Part', t.part],
    ['Note', t.note || null],
  ];
  return (
    <dl className="mb-3 grid gap-x-6 sm:grid-cols-2">
      {rows.map(
        ([name, value]) =>
          value !== null && (
            <div key={name} className="flex gap-2 border-b border-line py-1">
              <dt className="w-24 shrink-0 text-soft">{name}</dt>
              <dd>{value}</dd>
            </div>
          ),
      )}
    </dl>
  );
}

/** One trial: what was run and seen, its photo, and what ended the edge where it ended. */
export function TrialDetail({ id, names, onClose }: { id: string; names: CribNames; onClose: () => void }) {
  const { data, error } = useDiagnosis(id);
  const trial = data?.trial;
  const ended = trial && hasEnded(trial.ending);
  return (
    <SheetDialog
      open
      onClose={onClose}
      size="wide"
      title={
        trial
          ? `${trial.jobNumber || 'Imported'}, ${trial.operation}, ${format(new Date(trial.at), 'd MMM yyyy HH:mm')}`
          : 'Trial'
      }
    >
      {error && !data && <Failed what="the trial" message={error.message} />}
      {!data && !error && <Loading what="the trial" />}
      {data && trial && (
        <>
          <p className="mb-2 text-soft">
            Logged by {trial.madeBy}
            {trial.correctedBy !== null && '; put right by a later entry'}
            {trial.jobId && trial.operationId && (
              <>
                {' · '}
                <Link
                  to={`/jobs/${trial.jobId}/ops/${trial.operationId}`}
                  className="font-semibold text-accent underline"
                >
                  Open on the bench
                </Link>
              </>
            )}
          </p>
          <Facts trial={trial} names={names} />
          {trial.files.includes('photo') && (
            <img
              src={`/api/floor-files/${trial.id}/photo`}
              alt="Edge as photographed at the machine"
              className="mb-3 max-h-64 rounded-lg border border-line"
            />
          )}
          {trial.files.includes('recording') && (
            <audio controls src={`/api/floor-files/${trial.id}/recording`} className="mb-3 w-full">
              <track kind="captions" />
            </audio>
          )}
          {ended && (
            <section aria-label="What happened">
              <h3 className="mb-1 font-semibold">What happened?</h3>
              <Suspects diagnosis={data} />
              <p className="mt-2 text-[13px] text-soft">
                Weighed from what was logged, what was run and what the limits say. Odds are judgement; the
                looks above settle it.
              </p>
            </section>
          )}
        </>
      )}
    </SheetDialog>
  );
}
