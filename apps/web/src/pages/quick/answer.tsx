import {
  formatMeasure,
  type Odds,
  parametersOf,
  type MillingOperation,
  lastsWords,
  setterFacts,
  speak,
  capital,
} from '@burl/core';
import { proxy } from 'comlink';
import { useSystem } from '../../frame/preferences.tsx';
import { CutDrawing } from '../../drawing/cut/cut-drawing.tsx';
import { basisOf, limitsThatMatter, measureNext } from '../../judging/limits-that-matter.ts';
import type { Moves } from '../../judging/use-moves.ts';
import { question } from '../../workers/question.ts';
import { useHeavy } from '../../workers/use-heavy.ts';
import { MatterList } from './matter-list.tsx';
import { BothUnits } from './both-units.tsx';
import type { Answered } from './use-quick.ts';
import type { Operation, Parameter } from '@burl/core';

const DRAWS = 400;
/** Numbers one sets or is asked for, in the order they are called out; those the cut has not are left out. */
const CALLED = ['n', 'vf', 'vc', 'fz', 'fn', 'ap', 'ae', 'hex'];
const FOLLOWS = ['T', 't'];

/** How sure the answer is: all limits met in so many of some hundreds of worlds, and what it rests on. */
function Confidence({ op, context, evaluation }: Answered) {
  const milling = op.kind === 'milling' ? (op as MillingOperation) : null;
  const odds = useHeavy<Odds>(
    'odds',
    milling && question('quick-odds', milling, context),
    (api) =>
      api.odds(
        milling!,
        context,
        DRAWS,
        proxy(() => undefined),
      ),
    400,
  );
  const next = measureNext(evaluation);
  const met = milling && odds.data && !odds.stale ? Math.round(100 * odds.data.allHold) : null;
  return (
    <p className="text-[13px]">
      <b>Confidence</b>{' '}
      {met === null
        ? milling
          ? 'being worked out'
          : ''
        : `all limits met in ${met}% of ${DRAWS} simulated cuts`}
      <span className="text-soft">
        {milling ? '; ' : ''}
        {basisOf(evaluation)}.{next ? ` Measure next: ${next}.` : ''}
      </span>
    </p>
  );
}

/** The answer before the evidence: tool, numbers in both units, what governs, how sure; the drawing to take hold of. */
export function Answer({
  answer,
  moves,
  onChange,
}: {
  answer: Answered;
  moves: Moves;
  onChange: (next: Operation) => void;
}) {
  const system = useSystem();
  const { op, context, evaluation } = answer;
  const { matter, others } = limitsThatMatter(evaluation);
  const clear = others.filter((l) => l.state === 'clear').length;
  const facts = setterFacts(op, context, evaluation);
  const entry = facts.find((f) => f.name === 'Entry');
  const lasts = lastsWords(op, evaluation);
  const numbers = CALLED.flatMap((key) => evaluation.numbers.find((q) => q.key === key) ?? []);
  const typed = new Set<string>(parametersOf(op));
  return (
    <div className="space-y-2.5">
      <section aria-label="Tool" className="rounded-lg border border-line bg-card px-3 py-2">
        <p className="text-[16px] font-bold">{context.cutter.name}</p>
        <p className="text-[13px] text-soft">
          {context.holder.name}, stick-out {formatMeasure(op.tooling.stickOutMm, 'mm', system)}; coolant{' '}
          {op.coolant}
          {entry ? `; entry ${speak(entry.text, system)}` : ''}
        </p>
      </section>
      <section aria-label="Numbers" className="grid grid-cols-4 gap-2 max-[700px]:grid-cols-2">
        {numbers.map((q) => (
          <BothUnits
            key={q.key}
            quantity={q}
            evaluation={evaluation}
            {...(typed.has(q.key) ? { onTake: (v: number) => moves.parameter(q.key as Parameter, v) } : {})}
          />
        ))}
      </section>
      <section aria-label="What governs" className="rounded-lg border border-line bg-card px-3 py-2">
        <MatterList limits={matter} none="Clear, with room to every limit." />
        <p className="mt-1 text-[13px] text-soft">
          {others.length - clear > 0 ? `${others.length - clear} more to look at on the bench; ` : ''}
          {clear} limits clear.{' '}
          {FOLLOWS.map((key) => evaluation.numbers.find((q) => q.key === key))
            .filter((q) => q !== undefined)
            .map((q) => `${capital(q.name)} ${formatMeasure(q.value, q.unit, system)}`)
            .join('. ')}
          .{lasts ? ` An edge lasts ${lasts}.` : ''}
        </p>
        <Confidence {...answer} />
      </section>
      <div className="grid grid-cols-[minmax(0,5fr)_minmax(0,2fr)] items-start gap-2.5 max-[900px]:grid-cols-1">
        <section aria-label="The cut" className="overflow-hidden rounded-lg border border-line bg-card">
          <CutDrawing
            op={op}
            context={context}
            evaluation={evaluation}
            readOnly={false}
            onParameter={(key, value) => moves.parameter(key, value, key)}
            onChange={onChange}
          />
        </section>
        {evaluation.cautions.length > 0 && (
          <section
            aria-label="Cautions"
            className="rounded-lg border border-line bg-card px-3 py-2 text-[13px]"
          >
            <h2 className="mb-0.5">Cautions</h2>
            <ul className="list-outside list-disc space-y-0.5 pl-4">
              {evaluation.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </div>
  );
}
