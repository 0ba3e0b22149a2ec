import type { EarlierTip } from '@burl/contract';
import { formatMeasure, staticStiffness, formatDay } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';

/** Records that newer ones took the place of, each to be brought back. */
export function EarlierTips({
  earlier,
  onRestore,
}: {
  earlier: readonly EarlierTip[];
  onRestore: (id: string) => void;
}) {
  const system = useSystem();
  if (earlier.length === 0) return null;
  return (
    <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
      <h2>Earlier records</h2>
      <ul className="space-y-1">
        {earlier.map((t) => (
          <li key={t.id} className="flex items-center gap-2">
            <span className="min-w-0 flex-1">
              {t.axis}: {t.origin}, {formatMeasure(staticStiffness(t.modes) / 1e6, 'N/um', system)},{' '}
              {formatDay(t.madeAt)}
            </span>
            <Button
              look="quiet"
              aria-label={`Bring back ${t.axis}: ${t.origin}`}
              onClick={() => onRestore(t.id)}
            >
              Bring back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
