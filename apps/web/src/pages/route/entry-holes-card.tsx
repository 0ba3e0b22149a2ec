import { formatMeasure, type MissingEntryHole } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';

/** Cutters that are to go down in a drilled hole nobody drills, and the drilling that is missing. */
export function EntryHolesCard({
  missing,
  readOnly,
  onDrill,
}: {
  missing: readonly MissingEntryHole[];
  readOnly: boolean;
  onDrill: (hole: MissingEntryHole) => void;
}) {
  const system = useSystem();
  if (missing.length === 0) return null;
  return (
    <section aria-label="Entry holes" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Entry holes</h2>
      <ul className="space-y-2 text-[13px]">
        {missing.map((m) => (
          <li key={m.operationId}>
            <span className="font-semibold">{m.name}</span> enters through a drilled hole; none of{' '}
            {formatMeasure(m.diameterMm, 'mm', system)} or more, {formatMeasure(m.depthMm, 'mm', system)}{' '}
            deep, is drilled before it.
            {!readOnly && (
              <div className="mt-1">
                <Button onClick={() => onDrill(m)}>Add the drilling</Button>
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
