import { batchFacts, type ReleaseSnapshot } from '@burl/contract';
import { speak } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';

/** What the sheet says of setups, batch, first piece and night. */
export function BatchFactsCard({ snapshot }: { snapshot: ReleaseSnapshot }) {
  const system = useSystem();
  // Steps of the first piece are signed below, one by one.
  const signed = snapshot.batch?.first.steps ?? [];
  const groups = batchFacts(snapshot)
    .map((g) => ({ ...g, lines: g.lines.filter((l) => !signed.includes(l)) }))
    .filter((g) => g.lines.length > 0);
  if (groups.length === 0) return null;
  return (
    <section aria-label="Setups and batch" className="print-block rounded-xl border border-line bg-card p-4">
      <h2 className="mb-1">Setups and batch</h2>
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        {groups.map(({ title, lines }) => (
          <div key={title}>
            <h3 className="text-[14px] font-semibold">{title}</h3>
            <ul className="list-outside list-disc pl-5 text-[14px]">
              {lines.map((l, i) => (
                <li key={i}>{speak(l, system)}</li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}
