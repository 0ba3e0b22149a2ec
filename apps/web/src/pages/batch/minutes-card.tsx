import type { BatchPlan, Block, LoadStretch, SetupMinutes } from '@burl/core';
import { duration } from '../../judging/amount.ts';
import { BatchCard, Num, Rows } from './card.tsx';

/** Colour and pattern of each block; the word stands beside it wherever there is room. */
const FILL: Readonly<Record<Block, string>> = {
  cutting: 'var(--accent)',
  linking: 'var(--series-3)',
  'tool changes': 'var(--tight)',
  'edge changes': 'var(--over)',
  loading: 'var(--soft)',
  probing: 'var(--series-2)',
  'setting up': 'var(--line)',
  'first piece': 'var(--line)',
};

/** One load of a setup as a bar, stretch after stretch. */
function Timeline({ setup }: { setup: SetupMinutes }) {
  const total = setup.timeline.reduce((sum, t) => sum + t.minutes, 0);
  if (total <= 0) return null;
  const said = (t: LoadStretch): string => `${t.label}, ${t.block}: ${duration(t.minutes)}`;
  return (
    <div
      role="img"
      aria-label={`One load of ${setup.name}: ${setup.timeline.map(said).join('; ')}`}
      className="flex h-6 w-full overflow-hidden rounded border border-line"
    >
      {setup.timeline.map((t, i) => (
        <span
          key={i}
          title={said(t)}
          style={{ width: `${(100 * t.minutes) / total}%`, background: FILL[t.block] }}
          className="h-full border-r border-card last:border-0"
        />
      ))}
    </div>
  );
}

function Legend({ blocks }: { blocks: readonly Block[] }) {
  return (
    <ul className="flex flex-wrap gap-x-3 gap-y-1 text-[12.5px] text-soft">
      {blocks.map((b) => (
        <li key={b} className="flex items-center gap-1.5">
          <span
            aria-hidden="true"
            className="size-3 rounded-sm border border-line"
            style={{ background: FILL[b] }}
          />
          {b}
        </li>
      ))}
    </ul>
  );
}

/** Where the minutes go: one load of each setup as a timeline, the batch by what it goes into, and what would shorten it. */
export function MinutesCard({ plan }: { plan: BatchPlan }) {
  const { minutes, shorten } = plan;
  const used = minutes.setups.filter((s) => s.timeline.length > 0);
  const shown = minutes.blocks.map((b) => b.block).filter((b) => b !== 'setting up' && b !== 'first piece');
  return (
    <BatchCard title="Minutes">
      <div className="space-y-3">
        {used.map((s) => (
          <div key={s.id} className="space-y-1">
            <p className="flex flex-wrap justify-between gap-x-3 text-[13px]">
              <span className="font-semibold">{s.name}</span>
              <span className="text-soft">
                {duration(s.perPart)} a part
                {s.partsPerLoad > 1 && `, ${s.partsPerLoad} a load`}; {s.changes} tool{' '}
                {s.changes === 1 ? 'change' : 'changes'} a load
                {s.changesOtherwise !== s.changes && ` (${s.changesOtherwise} in the other order)`}; once{' '}
                {duration(s.once)}
              </span>
            </p>
            <Timeline setup={s} />
          </div>
        ))}
        <Legend blocks={shown} />
        <Rows head={['The batch goes into', 'minutes', 'share']}>
          {minutes.blocks.map((b) => (
            <tr key={b.block} className="border-b border-line last:border-0">
              <td className="py-1">{b.block}</td>
              <Num>{duration(b.minutes)}</Num>
              <Num>{Math.round(100 * b.share)}%</Num>
            </tr>
          ))}
        </Rows>
        {shorten.length > 0 && (
          <div>
            <h3 className="text-[13px] font-semibold">Would shorten it</h3>
            <ul className="list-outside list-disc pl-4 text-[13px]">
              {shorten.map((s) => (
                <li key={s.what}>
                  {s.what}: saves {duration(s.saves)}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </BatchCard>
  );
}
