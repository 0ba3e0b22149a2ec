import {
  type Aspect,
  contextWith,
  isLaidOut,
  type LayOutWish,
  type MillingOperation,
  type Objective,
  type Sentence,
  speak,
  STRATEGY_IDS,
  type StrategyLayout,
  strategyName,
  toolFits,
  type Verdict,
  verdictOf,
} from '@burl/core';
import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { offerOf } from '../../../judging/offer.ts';
import { Button } from '../../../ui/button.tsx';
import type { Confidence } from '../aims.ts';
import { Aim } from './aim.tsx';
import { strategyLines } from './strategy-lines.tsx';
import { StrategyTable } from './strategy-table.tsx';
import { type Asked, MOST_COLUMNS, useLayouts } from './use-layouts.ts';
import type { ComparedProps } from './compared-props.ts';

const ASPECTS: Readonly<Record<Aspect, string>> = {
  minutes: 'cycle time',
  cost: 'cost',
  edge: 'tool life',
  force: 'force',
  rest: 'rest material',
};

/** Who is best at what, in a sentence. */
function winners(rows: readonly StrategyLayout[], verdict: Verdict): string {
  const said = rows.flatMap((r, k) => {
    const on = (Object.keys(ASPECTS) as Aspect[]).filter((aspect) => verdict.wins[aspect] === k);
    // The same strategy twice is told apart by its tool.
    const twice = rows.some((o) => o !== r && o.strategy === r.strategy);
    const tool = twice ? ` (${r.diameterMm} mm, ${r.flutes} flutes)` : '';
    return on.length > 0
      ? [`${strategyName[r.strategy]}${tool} wins on ${on.map((a) => ASPECTS[a]).join(', ')}`]
      : [];
  });
  return `${said.join('; ') || 'No column meets all limits'}.`;
}

function Reasons({ title, list, none }: { title: string; list: readonly Sentence[]; none: string }) {
  const system = useSystem();
  return (
    <section aria-label={title} className="rounded-lg border border-line bg-card p-3">
      <h3 className="mb-1">{title}</h3>
      <ul className="list-outside list-disc space-y-1 pl-4">
        {list.map((s, i) => (
          <li key={i}>{speak(s, system)}</li>
        ))}
        {list.length === 0 && <li>{none}</li>}
      </ul>
    </section>
  );
}

/** The columns one begins with, and one more that nobody has asked for yet. */
const firstColumns = (op: MillingOperation): Asked[] =>
  (['levels', 'constant-engagement', op.feature.kind === 'slot' ? 'trochoidal' : 'plunge'] as const).map(
    (strategy) => ({ strategy, cutterId: op.tooling.cutterId }),
  );
const another = (asked: readonly Asked[], op: MillingOperation): Asked => ({
  strategy: STRATEGY_IDS.find((s) => !asked.some((a) => a.strategy === s)) ?? 'levels',
  cutterId: op.tooling.cutterId,
});

/** Strategies and cutters side by side on the same feature, who wins on what, and why. */
export default function StrategiesView({
  op,
  context,
  crib,
  readOnly,
  onTake,
  onKeep,
}: ComparedProps<MillingOperation>) {
  const system = useSystem();
  const [asked, setAsked] = useState<readonly Asked[]>(() => firstColumns(op));
  const [objective, setObjective] = useState<Objective>('cost');
  const [confidence, setConfidence] = useState<Confidence>(0.9);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const contexts = useMemo(
    () =>
      asked.map((a) => {
        const cutter = crib.cutters.find((c) => c.id === a.cutterId)?.document;
        return cutter ? contextWith(op, context, cutter, offer) : null;
      }),
    [asked, crib, context, offer, op],
  );
  const wish: LayOutWish = { objective, confidence, budget: 2200 };
  const columns = useLayouts(op, contexts, asked, wish);
  const known = columns.flatMap(({ data }, i) => (data && isLaidOut(data) ? [{ row: data, i }] : []));
  const rows = known.map((k) => k.row);
  const group = context.alloy.iso513_group;
  const verdict = verdictOf(rows, group);
  const compared = known.length > 1;
  const wins = (aspect: Aspect, column: number): boolean => {
    const winner = verdict.wins[aspect];
    return compared && winner !== null && known[winner]?.i === column;
  };
  // Any cutter may be tried; those rated for the material come first.
  const cutters = offer.cutters
    .filter((c) => toolFits(op, c))
    .sort(
      (p, q) =>
        Number(q.suits_iso_groups.includes(group)) - Number(p.suits_iso_groups.includes(group)) ||
        p.name.localeCompare(q.name),
    );
  return (
    <section aria-label="Strategies side by side" className="space-y-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-[16px]">
          Strategies for this{' '}
          {op.feature.undercut ? 'groove' : op.feature.finishing ? 'finishing cut' : op.feature.kind}, each
          balanced within all limits
        </h2>
        <Aim
          objective={objective}
          confidence={confidence}
          onObjective={setObjective}
          onConfidence={setConfidence}
        />
        <Button
          disabled={asked.length >= MOST_COLUMNS}
          onClick={() => setAsked([...asked, another(asked, op)])}
        >
          <Plus size={14} aria-hidden="true" /> Another column
        </Button>
      </div>
      {compared && (
        <p role="status" className="text-[16px] font-semibold">
          {winners(rows, verdict)}
        </p>
      )}
      <StrategyTable
        asked={asked}
        contexts={contexts}
        columns={columns}
        lines={strategyLines(rows, system)}
        cutters={cutters}
        group={group}
        readOnly={readOnly}
        wins={wins}
        onAsk={setAsked}
        onTake={onTake}
        onKeep={onKeep}
      />
      {compared && (
        <div className="grid grid-cols-2 gap-3 max-[900px]:grid-cols-1">
          <Reasons title="Why one wins" list={verdict.because} none="They come out alike." />
          <Reasons
            title="When to use which"
            list={verdict.schools}
            none="These strategies are of one school."
          />
        </div>
      )}
    </section>
  );
}
