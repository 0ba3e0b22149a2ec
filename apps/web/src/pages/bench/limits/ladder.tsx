import { memo, useState } from 'react';
import { limitsThatMatter } from '../../../judging/limits-that-matter.ts';
import {
  type Evaluation,
  formatMeasure,
  LIMIT_GROUPS,
  type LimitResult,
  type LimitState,
  speak,
  STATE_WORDS,
} from '@burl/core';
import { ChevronDown } from 'lucide-react';
import { useSystem } from '../../../frame/preferences.tsx';
import { StateMark } from '../../../ui/state-mark.tsx';
import { WhyBody } from '../../../ui/why.tsx';

/** Share of the bar's width that stands for the whole allowance. */
const FULL = 72;

/** What a closed rung shows, in primitives: most rungs stay as they are while one parameter is dragged. */
interface RungFace {
  readonly id: string;
  readonly name: string;
  readonly state: LimitState;
  /** Share and band in thousandths; null for a yes-or-no matter. */
  readonly value: number | null;
  readonly low: number;
  readonly high: number;
  readonly open: boolean;
  readonly onOpen: (id: string | null) => void;
}

const thousandths = (v: number): number => Math.round(Math.min(v, 99) * 1000) / 1000;

function Bar({ state, value, low, high }: Pick<RungFace, 'state' | 'value' | 'low' | 'high'>) {
  if (value === null) return <span className="h-2.5 rounded-sm border border-dashed border-line" />;
  const at = (v: number): number => Math.min(100, v * FULL);
  const hatch = state === 'unproven' || state === 'tight';
  return (
    <span className="relative block h-2.5 overflow-hidden rounded-sm bg-paper">
      <span
        className="absolute inset-y-0 left-0"
        style={{
          width: `${at(value)}%`,
          background: hatch
            ? `repeating-linear-gradient(115deg, var(--${state}) 0 4px, color-mix(in srgb, var(--${state}) 62%, transparent) 4px 7px)`
            : `var(--${state})`,
        }}
      />
      <span
        className="absolute top-[3px] h-1 bg-ink/55"
        style={{ left: `${at(low)}%`, width: `${Math.max(0.5, at(high) - at(low))}%` }}
      />
      <span className="absolute inset-y-0 w-px bg-ink" style={{ left: `${FULL}%` }} />
    </span>
  );
}

const RungHead = memo(function RungHead({ id, name, state, value, low, high, open, onOpen }: RungFace) {
  return (
    <button
      type="button"
      aria-expanded={open}
      onClick={() => onOpen(open ? null : id)}
      className="grid min-h-6 w-full grid-cols-[14px_minmax(0,1fr)_96px_44px_12px] items-center gap-1.5 rounded px-1 py-0.5 text-left hover:bg-accent-soft"
    >
      <StateMark state={state} size={13} />
      <span className="block truncate first-letter:uppercase" title={name}>
        {name}
        <span className="sr-only">: {STATE_WORDS[state]}</span>
      </span>
      <Bar state={state} value={value} low={low} high={high} />
      <span className="text-right text-[12.5px]">
        {value !== null ? shareWord(value) : WITHOUT_SHARE[state]}
      </span>
      <ChevronDown size={12} aria-hidden="true" className={`text-soft ${open ? 'rotate-180' : ''}`} />
    </button>
  );
});

/** Beyond three times what is allowed the figure says no more. */
const shareWord = (share: number): string => (share > 3 ? '>300%' : `${(share * 100).toFixed(0)}%`);

/** A limit that is no share of anything. */
const WITHOUT_SHARE = { clear: 'Clear', tight: 'Tight', over: 'Over', unproven: '?' } as const;

function Rung({
  limit,
  evaluation,
  open,
  onOpen,
}: {
  limit: LimitResult;
  evaluation: Evaluation;
  open: boolean;
  onOpen: (id: string | null) => void;
}) {
  const system = useSystem();
  return (
    <li>
      <RungHead
        id={limit.id}
        name={limit.name}
        state={limit.state}
        value={limit.share ? thousandths(limit.share.value) : null}
        low={limit.share ? thousandths(limit.share.low) : 0}
        high={limit.share ? thousandths(limit.share.high) : 0}
        open={open}
        onOpen={onOpen}
      />
      {open && (
        <div className="mb-2 ml-5 border-l-2 border-line pl-2">
          <p className="mb-1">{speak(limit.why, system)}</p>
          {limit.allowed && (
            <p className="mb-1 text-soft">
              Allowed {formatMeasure(limit.allowed.value, limit.allowed.unit, system)}: {limit.allowed.from}.
            </p>
          )}
          <WhyBody
            what={limit}
            band={limit.predicted}
            unit={limit.predicted?.unit ?? null}
            sources={evaluation.sources}
          />
        </div>
      )}
    </li>
  );
}

/** “2 more tight, 26 clear”. */
function countedStates(limits: readonly LimitResult[]): string {
  const of = (state: LimitState): number => limits.filter((l) => l.state === state).length;
  const said = (['over', 'tight', 'unproven'] as const)
    .filter((state) => of(state) > 0)
    .map((state) => `${of(state)} more ${state}`);
  return [...said, `${of('clear')} clear`].join(', ');
}

/**
 * The limits that matter, at most three; the others behind their count, in their fixed order. A bar shows the share used with
 * its band, the line is the allowance.
 */
export const Ladder = memo(function Ladder({
  evaluation,
  opened,
  onOpen,
}: {
  evaluation: Evaluation;
  opened: string | null;
  onOpen: (id: string | null) => void;
}) {
  const [all, setAll] = useState(false);
  const { matter, others } = limitsThatMatter(evaluation);
  const groups = LIMIT_GROUPS.map((g) => ({
    group: g,
    limits: evaluation.limits.filter((l) => l.group === g),
  })).filter((g) => g.limits.length);
  return (
    <section aria-label="Limits" className="rounded-lg border border-line bg-card p-2">
      <div className="mb-1 flex justify-between px-1">
        <h2>Limits</h2>
        <span className="text-[12.5px] text-soft">share of what is allowed</span>
      </div>
      {!all && matter.length > 0 && (
        <ul aria-label="Limits that matter">
          {matter.map((l) => (
            <Rung key={l.id} limit={l} evaluation={evaluation} open={opened === l.id} onOpen={onOpen} />
          ))}
        </ul>
      )}
      <button
        type="button"
        aria-expanded={all}
        onClick={() => setAll(!all)}
        className="flex min-h-8 w-full items-center justify-between rounded px-1 text-left text-soft hover:bg-accent-soft hover:text-ink touch:min-h-11"
      >
        {all ? 'Show those that matter' : countedStates(others)}
        <ChevronDown size={14} aria-hidden="true" className={all ? 'rotate-180' : ''} />
      </button>
      {all &&
        groups.map(({ group, limits }) => (
          <div key={group}>
            <h3 className="mt-1 px-1 text-[12.5px] text-soft first-letter:uppercase">{group}</h3>
            <ul>
              {limits.map((l) => (
                <Rung key={l.id} limit={l} evaluation={evaluation} open={opened === l.id} onOpen={onOpen} />
              ))}
            </ul>
          </div>
        ))}
    </section>
  );
});
