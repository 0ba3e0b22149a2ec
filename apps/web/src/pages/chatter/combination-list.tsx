import type { CombinationDetail, Crib } from '@burl/contract';
import { formatMeasure } from '@burl/core';
import { Plus } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { entryName } from './entry-name.ts';

/** All combinations, what is known of each, and the way to a new one. */
export function CombinationList({
  all,
  crib,
  chosen,
  bench,
  onNew,
}: {
  all: readonly CombinationDetail[];
  crib: Crib;
  chosen: string | undefined;
  /** The bench one came from. */
  bench: string | null;
  /** Null for who may not make one. */
  onNew: (() => void) | null;
}) {
  const system = useSystem();
  const [search] = useSearchParams();
  return (
    <nav aria-label="Combinations" className="no-print space-y-2">
      <div className="flex items-center justify-between">
        <h1 className="text-lg font-semibold">Chatter</h1>
        {onNew && (
          <Button onClick={onNew} aria-label="New combination">
            <Plus size={15} aria-hidden="true" /> New
          </Button>
        )}
      </div>
      <ul className="space-y-1.5">
        {all.map((c) => (
          <li key={c.id}>
            <Link
              to={{ pathname: `/resonance/${c.id}`, search: search.toString() }}
              aria-current={c.id === chosen ? 'page' : undefined}
              className={`block rounded-lg border p-2 text-[13px] ${c.id === chosen ? 'border-accent bg-accent-soft' : 'border-line bg-card hover:bg-accent-soft'}`}
            >
              <b>
                {c.machineSerial}, {formatMeasure(c.stickOutMm, 'mm', system)}
              </b>
              <span className="block">{entryName(crib.cutters, c.cutterId)}</span>
              <span className="block text-soft">{entryName(crib.holders, c.holderId)}</span>
              <span className="block text-soft">
                {c.tips.length > 0
                  ? `tap-tested in ${c.tips.map((t) => t.axis).join(' and ')}`
                  : 'not measured here'}
                , {c.cuts.length} {c.cuts.length === 1 ? 'cut' : 'cuts'}
              </span>
            </Link>
          </li>
        ))}
        {all.length === 0 && <li className="text-soft">No combination yet.</li>}
      </ul>
      {bench && (
        <Link to={bench} className="block underline">
          Back to the bench
        </Link>
      )}
    </nav>
  );
}
