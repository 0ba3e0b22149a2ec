import {
  type Evaluation,
  formatMeasure,
  isTurnedKind,
  limitOf,
  type Remedy,
  speak,
  type System,
} from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../../ui/button.tsx';
import { StateWord } from '../../../ui/state-mark.tsx';

const minutes = (m: number): string =>
  Math.abs(m) < 0.05 ? 'Same cycle time' : `Cycle time ${m > 0 ? '+' : '−'}${Math.abs(m).toFixed(1)} min`;

/** Factors beyond this are said in words: no life model knows them. */
const MANY = 10;

function featuresPerEdge(factor: number): string {
  if (factor > MANY) return 'over ten times the features per edge';
  if (factor < 1 / MANY) return 'under a tenth of the features per edge';
  if (factor >= 2) return `${factor.toFixed(1)}× features per edge`;
  const percent = Math.abs((factor - 1) * 100).toFixed(0);
  return `${factor > 1 ? '+' : '−'}${percent}% features per edge`;
}

/** What it does to the cost of one feature, where that is more than small change. */
function cost(more: number | null, system: System): string {
  if (more === null || Math.abs(more) < 0.05) return '';
  return `, cost ${more > 0 ? '+' : '−'}${formatMeasure(Math.abs(more), 'money', system)}`;
}

function effect(r: Remedy, system: System): string {
  const life =
    r.lifeFactor === null || Math.abs(r.lifeFactor - 1) < 0.03 ? '' : `, ${featuresPerEdge(r.lifeFactor)}`;
  const becomes = [
    ...r.pushesOver.map((name) => `${name} becomes Over`),
    ...r.tightens.map((name) => `${name} becomes Tight`),
  ];
  return `${minutes(r.minutesMore)}${cost(r.costMore, system)}${life}.${becomes.length ? ` Also: ${becomes.join(', ')}.` : ''}`;
}

/** Holders and cutters that come to the same are one line with a choice; each other change stands by itself. */
export function groupedRemedies(remedies: readonly Remedy[]): readonly (readonly Remedy[])[] {
  const groups = new Map<string, Remedy[]>();
  for (const r of remedies) {
    const kind = /^(holder|cutter)-/.exec(r.id)?.[1];
    const key = kind ? `${kind} ${r.state} ${effect(r, 'metric')}` : r.id + speak(r.title, 'metric');
    const group = groups.get(key);
    if (group) group.push(r);
    else groups.set(key, [r]);
  }
  return [...groups.values()];
}

/** The governing limit in a sentence, and single changes that clear it. A remedy is seen before it is taken. */
export function Governing({
  evaluation,
  limitId,
  remedies,
  stale,
  previewing,
  readOnly,
  onPreview,
  onApply,
  chatter,
}: {
  evaluation: Evaluation;
  limitId: string;
  remedies: readonly Remedy[];
  stale: boolean;
  previewing: string | null;
  readOnly: boolean;
  onPreview: (remedy: Remedy | null) => void;
  onApply: (remedy: Remedy) => void;
  /** Where the vibration of this combination is measured and remembered. */
  chatter: string;
}) {
  const system = useSystem();
  const [taken, setTaken] = useState<Readonly<Record<string, string>>>({});
  const limit = limitOf(evaluation, limitId);
  const governs = limitId === evaluation.governing;
  return (
    <section
      aria-label="What governs"
      className="rounded-lg border border-line border-l-4 bg-card p-3"
      style={{ borderLeftColor: `var(--${limit.state})` }}
    >
      <div className="mb-1 flex items-center justify-between">
        <h2 className="text-[12.5px] font-semibold text-soft">
          {governs ? 'Governs' : 'Selected limit'}: {limit.name}
        </h2>
        <StateWord state={limit.state} />
      </div>
      <p className="text-[16px] leading-snug font-semibold" aria-live="polite">
        {speak(limit.why, system)}
      </p>
      {/* Of a part between its supports there are no lobes to see. */}
      {limit.group === 'vibration' && !isTurnedKind(evaluation.kind) && (
        <Link to={chatter} className="mt-1 inline-block font-semibold underline">
          {limit.state === 'unproven' ? 'Measure this combination' : 'See lobes, test cuts and sound'}
        </Link>
      )}
      {(limit.state !== 'clear' || previewing !== null) && (
        <div className={`mt-2 ${stale ? 'opacity-60' : ''}`} aria-busy={stale}>
          {remedies.length === 0 && (
            <p className="text-soft">
              {stale
                ? 'Looking for single changes that clear it…'
                : limit.state === 'unproven'
                  ? 'Only a measurement settles this.'
                  : 'No single change, and no pair, clears this. Try another cutter, holder or strategy.'}
            </p>
          )}
          <ul className="divide-y divide-line">
            {groupedRemedies(remedies)
              .slice(0, 4)
              .map((group) => {
                const r = group.find((g) => g.id === (previewing ?? taken[group[0]!.id])) ?? group[0]!;
                return (
                  <li key={group[0]!.id + speak(group[0]!.title, 'metric')} className="py-1.5">
                    <div className="flex items-center justify-between gap-2">
                      <div className="min-w-0">
                        {group.length === 1 ? (
                          <p className="leading-tight">{speak(r.title, system)}</p>
                        ) : (
                          <select
                            aria-label={`One of ${group.length} alike`}
                            value={r.id}
                            disabled={readOnly || stale || previewing !== null}
                            onChange={(e) => setTaken({ ...taken, [group[0]!.id]: e.target.value })}
                            className="mb-0.5 min-h-8 w-full rounded-md border border-field bg-raised px-1 touch:min-h-11"
                          >
                            {group.map((g) => (
                              <option key={g.id} value={g.id}>
                                {speak(g.title, system)}
                              </option>
                            ))}
                          </select>
                        )}
                        <p className={`text-[12.5px] ${r.pushesOver.length ? 'text-over' : 'text-soft'}`}>
                          {effect(r, system)}
                        </p>
                      </div>
                      {previewing === r.id ? (
                        <span className="flex gap-1">
                          <Button look="main" onClick={() => onApply(r)}>
                            Apply
                          </Button>
                          <Button onClick={() => onPreview(null)}>Back</Button>
                        </span>
                      ) : (
                        <Button
                          disabled={readOnly || stale}
                          onClick={() => onPreview(r)}
                          aria-label={`Preview: ${speak(r.title, system)}`}
                        >
                          Preview
                        </Button>
                      )}
                    </div>
                  </li>
                );
              })}
          </ul>
        </div>
      )}
    </section>
  );
}
