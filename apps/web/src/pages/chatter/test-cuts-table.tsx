import type { CombinationDetail } from '@burl/contract';
import { formatMeasure, type Unit, formatDay } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';

const HEARD_LOOK = { stable: 'text-clear', marginal: 'text-tight', chatter: 'text-over' } as const;
const HEARD_MARK = { stable: '○ stable', marginal: '◐ marginal', chatter: '◆ chatter' } as const;
const HEADS = ['Result', 'Spindle speed', 'Axial depth', 'Radial depth', 'Feed', 'Frequency'];

/** Cuts that were run with a combination, with what was heard. */
export function TestCutsTable({
  cuts,
  onDelete,
}: {
  cuts: CombinationDetail['cuts'];
  /** Null for who may not. */
  onDelete: ((id: string) => void) | null;
}) {
  const system = useSystem();
  const show = (v: number, unit: Unit): string => formatMeasure(v, unit, system);
  return (
    <div
      className="overflow-x-auto rounded-lg border border-line bg-card"
      tabIndex={0}
      role="region"
      aria-label="Test cuts"
    >
      <table className="w-full text-left text-[13.5px]">
        <thead>
          <tr className="border-b border-line">
            {HEADS.map((h) => (
              <th key={h} className="px-2.5 py-1.5">
                {h}
              </th>
            ))}
            <th className="px-2.5 py-1.5">
              <span className="sr-only">Actions</span>
            </th>
          </tr>
        </thead>
        {cuts.map((c) => (
          <tbody key={c.id} className="border-b border-line last:border-0">
            <tr className="whitespace-nowrap">
              <td className={`px-2.5 pt-1 font-semibold ${HEARD_LOOK[c.heard]}`}>
                {HEARD_MARK[c.heard]}
                {c.simulated && <span className="font-normal text-soft"> simulated</span>}
              </td>
              <td className="px-2.5">
                {show(c.rpm, 'rpm')}
                {c.overridePercent === 100 ? '' : ` at ${c.overridePercent}%`}
              </td>
              <td className="px-2.5">{show(c.axialDepthMm, 'mm')}</td>
              <td className="px-2.5">{show(c.radialEngagementMm, 'mm')}</td>
              <td className="px-2.5">{show(c.feedPerToothMm, 'mm/tooth')}</td>
              <td className="px-2.5">{c.hz === null ? '' : show(c.hz, 'Hz')}</td>
              <td className="px-2.5 pt-1 text-right">
                {onDelete && (
                  <Button look="quiet" onClick={() => onDelete(c.id)}>
                    Delete
                  </Button>
                )}
              </td>
            </tr>
            {/* A line of its own, since what was heard takes words. */}
            <tr>
              <td colSpan={7} className="px-2.5 pb-2">
                {c.note}{' '}
                {c.attachmentName && (
                  <a className="underline" href={`/api/resonance/cuts/${c.id}/attachment`}>
                    {c.attachmentName}
                  </a>
                )}{' '}
                <span className="text-[12.5px] text-soft">
                  {c.madeBy}, {formatDay(c.madeAt)}
                </span>
              </td>
            </tr>
          </tbody>
        ))}
        {cuts.length === 0 && (
          <tbody>
            <tr>
              <td colSpan={7} className="p-3 text-soft">
                Nothing logged yet. The plan proposes what to try first.
              </td>
            </tr>
          </tbody>
        )}
      </table>
    </div>
  );
}
