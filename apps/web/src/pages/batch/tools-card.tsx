import type { BatchPlan } from '@burl/core';
import { BatchCard, Num, Rows } from './card.tsx';

/** Edges the batch takes, against the shelf. */
export function ToolsCard({ plan }: { plan: BatchPlan }) {
  return (
    <BatchCard title="Edges for the batch">
      <Rows head={['Cutter', 'edges', 'on the shelf']}>
        {plan.tools.map((t) => (
          <tr key={t.cutterId} className="border-b border-line align-top last:border-0">
            <td className="py-1">
              {t.name}
              {t.shortFromPart !== null && (
                <span className="block text-[12.5px] font-semibold text-over">
                  runs out on part {t.shortFromPart}
                </span>
              )}
            </td>
            <Num>{t.edges}</Num>
            <Num>{t.onShelf ?? 'not counted'}</Num>
          </tr>
        ))}
      </Rows>
    </BatchCard>
  );
}
