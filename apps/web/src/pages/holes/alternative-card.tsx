import {
  STATE_WORDS,
  UNITS,
  type Alternative,
  formatMeasure,
  numberOf,
  type PlannedStep,
  speak,
  type StepChange,
  type StepKey,
} from '@burl/core';
import { Check } from 'lucide-react';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { StateMark, StateWord } from '../../ui/state-mark.tsx';
import { shareOfParts } from '../../judging/hole-words.ts';

/** One way to the holes: its steps with tool, numbers, limit, time and risk; every step can be changed. */
export function AlternativeCard({
  alternative,
  count,
  recommended,
  chosen,
  readOnly,
  onChoose,
  onStep,
}: {
  alternative: Alternative;
  count: number;
  recommended: boolean;
  chosen: boolean;
  readOnly: boolean;
  onChoose: () => void;
  onStep: (key: StepKey, change: StepChange) => void;
}) {
  const system = useSystem();
  const a = alternative;
  return (
    <article
      aria-label={a.name}
      className={`flex min-w-0 flex-col rounded-lg border bg-card ${chosen ? 'border-2 border-accent' : 'border-line'}`}
    >
      <header className="border-b border-line p-2.5">
        <div className="flex items-start justify-between gap-2">
          <h3 className="text-[15px]">{a.name}</h3>
          {recommended && (
            <span className="shrink-0 rounded bg-accent-soft px-1.5 text-[12px] font-semibold">
              recommended
            </span>
          )}
        </div>
        {a.refused === null ? (
          <>
            <p className="text-[13px] text-soft">
              <StateWord state={a.state} />
            </p>
            <dl className="mt-1 flex flex-wrap justify-between gap-x-3 gap-y-1 text-[12.5px] whitespace-nowrap">
              <div>
                <dt className="text-soft">per part</dt>
                <dd className="text-[15px] font-bold">{formatMeasure(a.minutes, 'min', system)}</dd>
              </div>
              <div>
                <dt className="text-soft">cost</dt>
                <dd className="text-[15px] font-bold">{formatMeasure(a.cost, 'money', system)}</dd>
              </div>
              <div>
                <dt className="text-soft">scrap risk</dt>
                <dd className="text-[15px] font-bold">{shareOfParts(a.lost)}</dd>
              </div>
            </dl>
          </>
        ) : (
          <p className="mt-1 text-[13px]">Not possible: {a.refused}.</p>
        )}
      </header>
      <ol className="flex-1 divide-y divide-line">
        {a.steps.map((s) => (
          <Step key={s.key} step={s} count={count} readOnly={readOnly} onChange={(c) => onStep(s.key, c)} />
        ))}
      </ol>
      {a.refused === null && (
        <footer className="border-t border-line p-2">
          <Button
            look={chosen ? 'plain' : 'main'}
            disabled={readOnly || chosen}
            onClick={onChoose}
            className="w-full"
          >
            {chosen ? (
              <>
                <Check size={15} aria-hidden="true" /> In use
              </>
            ) : (
              `Use: ${a.name.toLowerCase()}`
            )}
          </Button>
        </footer>
      )}
    </article>
  );
}

function Step({
  step,
  count,
  readOnly,
  onChange,
}: {
  step: PlannedStep;
  count: number;
  readOnly: boolean;
  onChange: (change: StepChange) => void;
}) {
  const system = useSystem();
  const { evaluation: e, op, governing } = step;
  const risk = e.risk ? e.risk.loses * (1 - (1 - e.risk.lot) * (1 - e.risk.each) ** count) : 0;
  const feed =
    'feedPerRevMm' in op.cut
      ? op.cut.feedPerRevMm
      : 'feedPerToothMm' in op.cut
        ? op.cut.feedPerToothMm
        : null;
  return (
    <li className={`space-y-1 p-2.5 ${step.leftOut ? 'opacity-50' : ''}`}>
      <div className="flex items-baseline justify-between gap-2">
        <span className="font-semibold">{step.name}</span>
        <span className="shrink-0 text-[12.5px]">{formatMeasure(e.time.perPart, 'min', system)}</span>
      </div>
      <select
        aria-label={`Tool for: ${step.name}`}
        value={op.tooling.cutterId}
        disabled={readOnly}
        onChange={(ev) => onChange({ cutterId: ev.target.value })}
        className={`${FIELD_LOOK} py-0.5 text-[12.5px]`}
      >
        {step.choices.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </select>
      <div className="flex items-center gap-1.5 text-[12.5px]">
        <NumberInput
          aria-label={`Speed of: ${step.name}`}
          value={op.cut.speedRpm}
          unit="rpm"
          readOnly={readOnly}
          onTake={(v) => v && onChange({ speedRpm: v })}
          className={`${FIELD_LOOK} !w-[68px] !px-1.5 py-0.5`}
        />
        rpm
        {feed === null ? (
          <span className="text-soft">pitch {formatMeasure(numberOf(e, 'vf').value, 'mm/min', system)}</span>
        ) : (
          <>
            <NumberInput
              aria-label={`Feed of: ${step.name}`}
              value={feed}
              unit={'feedPerRevMm' in op.cut ? 'mm/rev' : 'mm/tooth'}
              readOnly={readOnly}
              onTake={(v) => v && onChange({ feedMm: v })}
              className={`${FIELD_LOOK} !w-[68px] !px-1.5 py-0.5`}
            />
            {UNITS['feedPerRevMm' in op.cut ? 'mm/rev' : 'mm/tooth'][system].label}
          </>
        )}
      </div>
      <p className="flex gap-1.5 text-[12.5px]">
        <span className="mt-0.5 shrink-0">
          <StateMark state={e.state} />
        </span>
        <span>
          <strong className="font-semibold">{STATE_WORDS[e.state]}</strong>, {governing.name}
          {e.state !== 'clear' && <>. {speak(governing.why, system)}</>}
        </span>
      </p>
      {risk >= 0.0005 && (
        <p className="text-[12.5px] text-soft">
          {shareOfParts(risk)} of parts at risk
          {e.risk!.because.length > 0 ? `: ${e.risk!.because.join(', ')}` : ''}
        </p>
      )}
      {step.optional && (
        <label className="flex items-center gap-1.5 text-[12.5px]">
          <input
            type="checkbox"
            checked={!step.leftOut}
            disabled={readOnly}
            onChange={(ev) => onChange({ leftOut: !ev.target.checked })}
          />
          keep this step
        </label>
      )}
    </li>
  );
}
