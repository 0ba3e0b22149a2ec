import { formatMeasure, hasEnded } from '@burl/core';
import { asQuery, type Trial, type TrialPage, type TrialQuestion } from '@burl/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { get } from '../../api/client.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import type { CribNames } from './crib-names.ts';

const HEADS = [
  'When',
  'Job, operation',
  'Alloy, lot',
  'Cutter',
  'Machine',
  'vc',
  'Edge life',
  'Load',
  'Outcome',
];

function Row({ trial: t, names, onOpen }: { trial: Trial; names: CribNames; onOpen: (id: string) => void }) {
  const system = useSystem();
  const percent = (v: number | null): string => (v === null ? '–' : formatMeasure(v, 'percent', system));
  return (
    <tr className="border-t border-line align-top hover:bg-accent-soft">
      <td className="py-1 pr-3 whitespace-nowrap">
        <button type="button" className="font-semibold underline" onClick={() => onOpen(t.id)}>
          {format(new Date(t.at), 'd MMM yyyy HH:mm')}
        </button>
      </td>
      <td className="py-1 pr-3">
        {t.jobNumber || 'imported'}
        <span className="block text-[13px] text-soft">{t.operation}</span>
      </td>
      <td className="py-1 pr-3">
        {names.alloy(t.alloyId)}
        <span className="block text-[13px] text-soft">{t.heatLot || 'lot not stated'}</span>
      </td>
      <td className="py-1 pr-3">{names.cutter(t.cutterId)}</td>
      <td className="py-1 pr-3 whitespace-nowrap">{t.machineSerial}</td>
      <td className="py-1 pr-3 text-right whitespace-nowrap">
        {formatMeasure(t.cuttingSpeedMMin, 'm/min', system)}
      </td>
      <td className="py-1 pr-3 text-right whitespace-nowrap">
        {hasEnded(t.ending) ? '' : '> '}
        {formatMeasure(t.minutes, 'min-life', system)}
        <span className="block text-[13px] text-soft">
          {t.expectedLife === null ? '' : `${formatMeasure(t.expectedLife, 'min-life', system)} expected`}
        </span>
      </td>
      <td className="py-1 pr-3 text-right whitespace-nowrap">
        {percent(t.loadPercent)}
        <span className="block text-[13px] text-soft">
          {t.loadPercent === null ? '' : `${percent(t.expectedLoad)} expected`}
        </span>
      </td>
      <td className="py-1">
        {t.ending}
        {t.brokeAt && <span className="block text-[13px] text-soft">{t.brokeAt}</span>}
      </td>
    </tr>
  );
}

/** Trials, newest first; further pages are added below. */
export function TrialsTable({
  question,
  first,
  names,
  onOpen,
}: {
  question: TrialQuestion;
  first: TrialPage;
  names: CribNames;
  onOpen: (id: string) => void;
}) {
  const [more, setMore] = useState<readonly TrialPage[]>([]);
  const [loading, setLoading] = useState(false);
  const pages = [first, ...more];
  const next = pages.at(-1)!.next;
  async function add(): Promise<void> {
    if (next === null) return;
    setLoading(true);
    try {
      const page = await get<TrialPage>(`/api/trials${asQuery({ ...question, before: next })}`);
      setMore([...more, page]);
    } finally {
      setLoading(false);
    }
  }
  return (
    <>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead className="text-[13px] text-soft">
            <tr>
              {HEADS.map((h) => (
                <th key={h} className="pr-3 pb-1 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {pages.flatMap((p) =>
              p.trials.map((t) => <Row key={t.id} trial={t} names={names} onOpen={onOpen} />),
            )}
          </tbody>
        </table>
      </div>
      {next !== null && (
        <Button className="mt-2" disabled={loading} onClick={() => void add()}>
          {loading ? 'Loading' : 'Show more'}
        </Button>
      )}
    </>
  );
}
