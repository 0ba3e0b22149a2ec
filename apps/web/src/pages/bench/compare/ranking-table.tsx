import { formatMeasure, type MillingOperation, type Ranking, type Unit } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { StateWord } from '../../../ui/state-mark.tsx';
import { about } from './about.ts';
import { stoppedBy } from './stopped-by.ts';

const HEADS: readonly (readonly [name: string, right?: true])[] = [
  ['Cutter'],
  ['Limits'],
  ['Cycle time', true],
  ['Cost', true],
  ['Features per edge', true],
  ['MRR', true],
  ['Cut'],
  ['Limited by'],
  ['Stock'],
];

/** The best cutters with what each comes to; the first is the advice. */
export function RankingTable({
  best,
  present,
  shelf,
  disabled,
  onTake,
}: {
  best: Ranking['best'];
  /** The cutter in use now. */
  present: string;
  /** Edges in stock by cutter, as the job's operations count them. */
  shelf: ReadonlyMap<string, number>;
  disabled: boolean;
  onTake: (next: MillingOperation) => void;
}) {
  const system = useSystem();
  const show = (v: number, unit: Unit): string => formatMeasure(v, unit, system);
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse rounded-lg border border-line bg-card">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            {HEADS.map(([name, right]) => (
              <th key={name} className={`p-2 font-normal ${right ? 'text-right' : ''}`}>
                {name}
              </th>
            ))}
            <th className="p-2">
              <span className="sr-only">Use</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {best.map((b, i) => {
            const l = b.layout!;
            const { cut } = l.operation;
            const edges = shelf.get(b.cutterId);
            const notes = [
              ...(i === 0 ? ['best for this'] : []),
              ...(b.cutterId === present ? ['in use now'] : []),
            ];
            return (
              <tr
                key={b.cutterId}
                className={`border-t border-line align-top ${i === 0 ? 'bg-accent-soft' : ''}`}
              >
                <th scope="row" className="p-2 text-left font-semibold">
                  {b.name}
                  <span className="block text-[12.5px] font-normal text-soft">{notes.join(', ')}</span>
                </th>
                <td className="p-2">
                  <StateWord state={l.state} />
                  {l.state !== 'clear' && (
                    <span className="block text-[12.5px] text-soft first-letter:uppercase">
                      {l.governing.name}
                    </span>
                  )}
                </td>
                <td className="p-2 text-right font-semibold">{show(l.minutes.total, 'min')}</td>
                <td className="p-2 text-right">{show(l.cost, 'money')}</td>
                <td className="p-2 text-right">{l.featuresPerEdge ? about(l.featuresPerEdge.value) : '–'}</td>
                <td className="p-2 text-right">{show(l.removalCm3Min, 'cm3/min')}</td>
                <td className="p-2 text-[13px]">
                  {show(cut.axialDepthMm, 'mm')} × {show(cut.radialEngagementMm, 'mm')},{' '}
                  {show(cut.speedRpm, 'rpm')}
                </td>
                <td className="p-2 text-[13px]">{stoppedBy(l) ?? '–'}</td>
                <td className="p-2 text-[13px]">
                  {edges === undefined ? 'stock unknown' : `${edges} ${edges === 1 ? 'edge' : 'edges'}`}
                </td>
                <td className="p-2 text-right">
                  <Button
                    look={i === 0 ? 'main' : 'plain'}
                    disabled={disabled}
                    aria-label={`Use ${b.name} in the operation`}
                    onClick={() => onTake({ ...l.operation, edgesOnShelf: edges ?? null })}
                  >
                    Use
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
