import { counted, formatMeasure } from '@burl/core';
import type { Trial, TrialInput } from '@burl/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';

/** Trials of one operation, newest first, with those that wait to be sent on top. */
export function TrialList({
  trials,
  waiting,
  onCorrect,
}: {
  trials: readonly Trial[];
  waiting: readonly TrialInput[];
  onCorrect: (trial: Trial) => void;
}) {
  const system = useSystem();
  const standing = trials.filter((t) => t.correctedBy === null);
  if (standing.length + waiting.length === 0) return null;
  return (
    <section aria-label="Trials" className="no-print">
      <h3 className="mb-1 font-semibold">Trials</h3>
      <ul className="space-y-1">
        {waiting.map((t) => (
          <li key={t.id} className="rounded-lg border border-dashed border-line px-3 py-1.5">
            Edge {t.edge}: {t.ending}
            {t.brokeAt && ` (${t.brokeAt})`}, {counted(t.features, 'feature')}{' '}
            <span className="text-soft">(waits to be sent)</span>
          </li>
        ))}
        {standing.map((t) => (
          <li
            key={t.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-lg border border-line px-3 py-1.5"
          >
            <span className="flex-1">
              Edge {t.edge}: <strong>{t.ending}</strong>
              {t.brokeAt && ` (${t.brokeAt})`}, {counted(t.features, 'feature')},{' '}
              {formatMeasure(t.minutes, 'min', system)}
              {t.wearMm !== null && `, VB ${formatMeasure(t.wearMm, 'mm', system)}`}
              {t.sound && `, ${t.sound}`}
              <span className="text-soft">
                {' '}
                · {t.madeBy}, {format(new Date(t.at), 'd MMM HH:mm')}
              </span>
            </span>
            {(t.ending === 'broken' || t.ending === 'chipped' || t.ending === 'worn') && (
              <Link to={`/logbook?trial=${t.id}`} className="font-semibold text-accent underline">
                What happened?
              </Link>
            )}
            <Button onClick={() => onCorrect(t)}>Correct</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
