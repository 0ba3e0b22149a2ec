import { type FirstCut, formatMeasure } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { StateWord } from '../../ui/state-mark.tsx';

/** Tools of the crib for the question, as their worker finds them. */
export function ToolsForThis({
  ranking,
  chosen,
  onTake,
}: {
  ranking: readonly FirstCut[];
  chosen: string;
  onTake: (cutterId: string) => void;
}) {
  const system = useSystem();
  return (
    <section aria-label="Tools for this" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Tools for this, best first</h2>
      <ul className="space-y-1">
        {ranking.map((r) => (
          <li key={r.cutterId}>
            <button
              type="button"
              aria-pressed={r.cutterId === chosen}
              onClick={() => onTake(r.cutterId)}
              className="w-full rounded px-1.5 py-1 text-left hover:bg-accent-soft aria-pressed:bg-accent-soft"
            >
              <span className="block font-semibold">{r.name}</span>
              <span className="flex items-center gap-2 text-[12.5px] text-soft">
                <StateWord state={r.state} />
                {formatMeasure(r.minutes, 'min', system)}, {formatMeasure(r.removalCm3Min, 'cm3/min', system)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
