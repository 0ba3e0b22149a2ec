import {
  type Aspect,
  contextWith,
  formatMeasure,
  isLaidOut,
  isMillingCutter,
  type LayOutWish,
  type MillingOperation,
  type Objective,
  type Offer,
  type OperationContext,
  speak,
  STRATEGY_IDS,
  type StrategyId,
  type StrategyLayout,
  strategyName,
  type StrategyRefusal,
  verdictOf,
} from '@burl/core';
import type { Crib } from '@burl/contract';
import { Plus, X } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { Aim, type Confidence } from './aim.tsx';
import { useSystem } from '../../../frame/preferences.tsx';
import { offerOf } from '../../../judging/offer.ts';
import { question } from '../../../workers/question.ts';
import { type Heavy, useHeavy } from '../../../workers/use-heavy.ts';
import { Button } from '../../../ui/button.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { StateWord } from '../../../ui/state-mark.tsx';
import { Course } from './course.tsx';
import { stoppedBy } from './stopped-by.ts';

type Row = StrategyLayout | StrategyRefusal;

interface Asked {
  readonly strategy: StrategyId;
  readonly cutterId: string;
}

const MOST = 4;
const ASPECTS: Readonly<Record<Aspect, string>> = {
  minutes: 'cycle time',
  cost: 'cost',
  edge: 'tool life',
  force: 'force',
  rest: 'rest material',
};

/** A count that is known to two digits. */
export const about = (n: number): string => (n < 10 ? n.toPrecision(2) : Math.round(n).toString());

/** One layout of up to four; each lane is its own question, so changing one leaves the others. */
function useLayout(
  op: MillingOperation,
  context: OperationContext | null,
  strategy: StrategyId | null,
  wish: LayOutWish,
): Heavy<Row> {
  const key = context && strategy ? question('layout', { ...op, pins: [] }, context, strategy, wish) : null;
  return useHeavy<Row>('compare', key, (api) => api.layOut(op, context!, strategy!, wish), 30);
}

/** Lanes end one another's work, so columns are worked out one after the other: each waits for those before it. */
function useLayouts(
  op: MillingOperation,
  contexts: readonly (OperationContext | null)[],
  asked: readonly Asked[],
  wish: LayOutWish,
): readonly Heavy<Row>[] {
  const at = (i: number): OperationContext | null => contexts[i] ?? null;
  const strategy = (i: number): StrategyId | null => asked[i]?.strategy ?? null;
  const done = (h: Heavy<Row>): boolean => !h.busy;
  const first = useLayout(op, at(0), strategy(0), wish);
  const second = useLayout(op, done(first) ? at(1) : null, strategy(1), wish);
  const third = useLayout(op, done(first) && done(second) ? at(2) : null, strategy(2), wish);
  const fourth = useLayout(op, done(first) && done(second) && done(third) ? at(3) : null, strategy(3), wish);
  return [first, second, third, fourth].slice(0, asked.length);
}

/** Strategies and cutters side by side on the same feature, who wins on what, and why. */
export default function StrategiesView({
  op,
  context,
  crib,
  readOnly,
  onTake,
  onKeep,
}: {
  op: MillingOperation;
  context: OperationContext;
  crib: Crib;
  readOnly: boolean;
  onTake: (next: MillingOperation) => void;
  onKeep: (next: MillingOperation) => void;
}) {
  const system = useSystem();
  const [asked, setAsked] = useState<readonly Asked[]>(() =>
    (['levels', 'constant-engagement', op.feature.kind === 'slot' ? 'trochoidal' : 'plunge'] as const).map(
      (strategy) => ({ strategy, cutterId: op.tooling.cutterId }),
    ),
  );
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
  const rows = columns.map((h) => h.data);
  const laid = rows.map((r) => (r && isLaidOut(r) ? r : null));
  const known = laid.flatMap((r, i) => (r ? [{ r, i }] : []));
  const verdict = verdictOf(
    known.map((k) => k.r),
    context.alloy.iso513_group,
  );
  const wins = (aspect: Aspect, column: number): boolean => {
    const winner = verdict.wins[aspect];
    return known.length > 1 && winner !== null && known[winner]?.i === column;
  };
  const change = (i: number, next: Partial<Asked>) =>
    setAsked(asked.map((a, k) => (k === i ? { ...a, ...next } : a)));
  const suits = (c: Offer['cutters'][number]): boolean =>
    c.suits_iso_groups.includes(context.alloy.iso513_group);
  // Any cutter may be tried; those ground for the material come first.
  const cutters = offer.cutters
    .filter(isMillingCutter)
    .sort((p, q) => Number(suits(q)) - Number(suits(p)) || p.name.localeCompare(q.name));
  const show = (v: number, unit: Parameters<typeof formatMeasure>[1]): string =>
    formatMeasure(v, unit, system);

  const lines: readonly (readonly [string, (r: StrategyLayout) => ReactNode, Aspect?])[] = [
    [
      'All limits',
      (r) => (
        <>
          <StateWord state={r.state} />
          {r.state !== 'clear' && <span className="block text-[12.5px] text-soft">{r.governing.name}</span>}
        </>
      ),
    ],
    [
      'Cycle time per feature',
      (r) => <b className="text-[17px]">{show(r.minutes.total, 'min')}</b>,
      'minutes',
    ],
    [
      'Cutting, non-cutting',
      (r) => `${show(r.minutes.contact, 'min')}, ${show(r.minutes.link + r.minutes.air, 'min')}`,
    ],
    ['Cost per feature', (r) => `${show(r.cost, 'money')}, edges ${show(r.edgeCost, 'money')}`, 'cost'],
    [
      'Features per edge',
      (r) =>
        r.featuresPerEdge
          ? `${about(r.featuresPerEdge.value)} (${about(r.featuresPerEdge.low)} to ${about(r.featuresPerEdge.high)})`
          : 'not known',
      'edge',
    ],
    ['Peak radial force', (r) => show(r.peakForceN, 'N'), 'force'],
    ['Power', (r) => show(r.powerKw, 'kW')],
    ['MRR', (r) => show(r.removalCm3Min, 'cm3/min')],
    [
      'Axial depth, radial depth',
      (r) =>
        `${show(r.operation.cut.axialDepthMm, 'mm')}, ${show(r.operation.cut.radialEngagementMm, 'mm')}; ${r.levels} ${r.levels === 1 ? 'level' : 'levels'}`,
    ],
    [
      'Speed, feed',
      (r) => `${show(r.speedMMin, 'm/min')}, ${show(r.operation.cut.feedPerToothMm, 'mm/tooth')}`,
    ],
    ['Engagement angle, temperature', (r) => `${r.arcDeg.toFixed(0)}°, ${show(r.temperatureC, 'degC')}`],
    [
      'Stock to leave',
      (r) => `${show(r.leavesInCornerMm, 'mm')} in corners, ${show(r.leavesStepMm, 'mm')} on steps`,
      'rest',
    ],
    ['Entry', (r) => `${r.entry}, ${show(r.minutes.entry, 'min')}`],
    ['Limited by', (r) => stoppedBy(r) ?? 'its own range'],
    ['Force through the path', (r) => <Course row={r} all={known.map((k) => k.r)} />],
  ];

  /** Why a column has nothing to show. */
  const refusal = (i: number): ReactNode => {
    const row = rows[i];
    if (contexts[i] === null)
      return <p className="text-over">No holder of the crib takes this cutter on this spindle.</p>;
    return row && !isLaidOut(row) ? <p className="text-over">Not possible: {row.impossible}.</p> : '';
  };
  const won = (['minutes', 'cost', 'edge', 'force', 'rest'] as const).map(
    (aspect) => [aspect, verdict.wins[aspect]] as const,
  );
  const winners = known
    .map(({ r }, k) => ({
      // The same strategy twice is told apart by its tool.
      name: known.some((o) => o.r !== r && o.r.strategy === r.strategy)
        ? `${strategyName[r.strategy]} (${r.diameterMm} mm, ${r.flutes} flutes)`
        : strategyName[r.strategy],
      on: won.filter(([, w]) => w === k).map(([aspect]) => ASPECTS[aspect]),
    }))
    .filter((w) => w.on.length > 0);

  return (
    <section aria-label="Strategies side by side" className="space-y-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-[16px]">
          Strategies for this {op.feature.kind}, each balanced within all limits
        </h2>
        <Aim
          objective={objective}
          confidence={confidence}
          onObjective={setObjective}
          onConfidence={setConfidence}
        />
        <Button
          disabled={asked.length >= MOST}
          onClick={() =>
            setAsked([
              ...asked,
              {
                strategy: STRATEGY_IDS.find((s) => !asked.some((a) => a.strategy === s)) ?? 'levels',
                cutterId: op.tooling.cutterId,
              },
            ])
          }
        >
          <Plus size={14} aria-hidden="true" /> Another column
        </Button>
      </div>
      {known.length > 1 && (
        <p role="status" className="text-[16px] font-semibold">
          {winners.map((w) => `${w.name} wins on ${w.on.join(', ')}`).join('; ') ||
            'No column meets all limits'}
          .
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full table-fixed border-collapse rounded-lg border border-line bg-card">
          <thead>
            <tr className="align-top">
              <td className="w-40 p-2" />
              {asked.map((a, i) => (
                <th key={i} scope="col" className="border-l border-line p-2 text-left font-normal">
                  <span className="flex items-center gap-1">
                    <select
                      aria-label={`Strategy of column ${i + 1}`}
                      value={a.strategy}
                      onChange={(e) => change(i, { strategy: e.target.value as StrategyId })}
                      className="min-h-8 w-full rounded-md border border-line bg-raised px-1 font-semibold"
                    >
                      {STRATEGY_IDS.map((s) => (
                        <option key={s} value={s}>
                          {strategyName[s]}
                        </option>
                      ))}
                    </select>
                    {asked.length > 1 && (
                      <Button
                        look="quiet"
                        className="px-1.5"
                        aria-label={`Remove column ${i + 1}`}
                        onClick={() => setAsked(asked.filter((_, k) => k !== i))}
                      >
                        <X size={14} aria-hidden="true" />
                      </Button>
                    )}
                  </span>
                  <select
                    aria-label={`Cutter of column ${i + 1}`}
                    value={a.cutterId}
                    onChange={(e) => change(i, { cutterId: e.target.value })}
                    className="mt-1 min-h-8 w-full rounded-md border border-line bg-raised px-1"
                  >
                    {cutters.map((c) => (
                      <option key={c.id} value={c.id}>
                        {suits(c) ? c.name : `${c.name} (not for ${context.alloy.iso513_group})`}
                      </option>
                    ))}
                  </select>
                  {columns[i]?.busy && (
                    <div className="mt-1">
                      <HeavyState what={strategyName[a.strategy].toLowerCase()} heavy={columns[i]} />
                    </div>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map(([name, of, aspect]) => (
              <tr key={name} className="border-t border-line align-top">
                <th scope="row" className="p-2 text-left text-[13px] font-normal text-soft">
                  {name}
                </th>
                {asked.map((_, i) => {
                  const row = laid[i];
                  const won = aspect !== undefined && wins(aspect, i);
                  return (
                    <td
                      key={i}
                      className={`border-l border-line p-2 ${won ? 'bg-accent-soft' : ''} ${columns[i]?.stale ? 'opacity-60' : ''}`}
                    >
                      {row ? of(row) : name === 'All limits' ? refusal(i) : ''}
                      {won && (
                        <span className="ml-1.5 rounded border border-accent px-1 text-[12px] font-semibold text-accent">
                          best
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
            <tr className="border-t border-line">
              <td />
              {asked.map((_, i) => {
                const row = rows[i];
                return (
                  <td key={i} className="border-l border-line p-2">
                    {row && isLaidOut(row) ? (
                      <span className="flex flex-wrap gap-1.5">
                        <Button
                          look="main"
                          disabled={readOnly || columns[i]?.busy}
                          aria-label={`Use column ${i + 1} in the operation`}
                          onClick={() => onTake(row.operation)}
                        >
                          Use in operation
                        </Button>
                        <Button
                          disabled={readOnly || columns[i]?.busy}
                          aria-label={`Keep column ${i + 1} as a variant`}
                          onClick={() => onKeep(row.operation)}
                        >
                          Keep as variant
                        </Button>
                      </span>
                    ) : null}
                  </td>
                );
              })}
            </tr>
          </tbody>
        </table>
      </div>
      {known.length > 1 && (
        <div className="grid grid-cols-2 gap-3 max-[900px]:grid-cols-1">
          <section aria-label="Why one wins" className="rounded-lg border border-line bg-card p-3">
            <h3 className="mb-1">Why</h3>
            <ul className="list-outside list-disc space-y-1 pl-4">
              {verdict.because.map((s, i) => (
                <li key={i}>{speak(s, system)}</li>
              ))}
              {verdict.because.length === 0 && <li>They come out alike.</li>}
            </ul>
          </section>
          <section aria-label="When to use which" className="rounded-lg border border-line bg-card p-3">
            <h3 className="mb-1">When to use which</h3>
            <ul className="list-outside list-disc space-y-1 pl-4">
              {verdict.schools.map((s, i) => (
                <li key={i}>{speak(s, system)}</li>
              ))}
              {verdict.schools.length === 0 && <li>These strategies are of one school.</li>}
            </ul>
          </section>
        </div>
      )}
    </section>
  );
}
