import {
  type Answer,
  answered,
  answerInWords,
  diagnose,
  type DiagnosisCase,
  evaluate,
  firstChange,
  InputError,
  type Question,
  questionsToAsk,
  seenWith,
  speak,
  type Symptom,
} from '@burl/core';
import { ClipboardCopy } from 'lucide-react';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { useSystem } from '../../../frame/preferences.tsx';
import { limitsThatMatter } from '../../../judging/limits-that-matter.ts';
import { Button } from '../../../ui/button.tsx';
import { MatterList } from '../matter-list.tsx';
import type { RunningCut } from './running-cut.ts';

/** Answers given so far, by question. */
export type Answers = Readonly<Record<string, Answer>>;

/** Causes shown with their chance. */
const SHOWN = 4;

/** The case with every answer in it, judged as it then stands. */
function caseOf(cut: RunningCut, symptoms: readonly Symptom[], answers: Answers): DiagnosisCase {
  const plain: DiagnosisCase = {
    seen: seenWith(symptoms),
    symptoms,
    minutes: null,
    op: cut.op,
    context: cut.context,
    evaluation: cut.evaluation,
    earlier: [],
  };
  const at = Object.values(answers).reduce(answered, plain);
  if (at.op === plain.op) return at;
  try {
    return { ...at, evaluation: evaluate(at.op, at.context) };
  } catch (error) {
    if (error instanceof InputError) return plain;
    throw error;
  }
}

/** Questions that would settle most, each answered by a tap. */
function ToAsk({
  questions,
  onAnswer,
}: {
  questions: readonly Question[];
  onAnswer: (questionId: string, answer: Answer) => void;
}) {
  if (questions.length === 0) return null;
  return (
    <section aria-label="To ask" className="rounded-lg border border-line bg-card px-3 py-2">
      <h2>To ask, most telling first</h2>
      <ol className="mt-1 space-y-2">
        {questions.map((q) => (
          <li key={q.id}>
            <div role="group" aria-label={q.text}>
              <p>{q.text}</p>
              <div className="mt-0.5 flex flex-wrap gap-1.5">
                {q.answers.map((a) => (
                  <Button key={a.label} onClick={() => onAnswer(q.id, a)}>
                    {a.label}
                  </Button>
                ))}
              </div>
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What fails in order of likelihood, the first change, what to ask and the cheapest test; as text to copy. */
export function RunningAnswer({
  cut,
  symptoms,
  answers,
  onAnswer,
}: {
  cut: RunningCut;
  symptoms: readonly Symptom[];
  answers: Answers;
  onAnswer: (questionId: string, answer: Answer) => void;
}) {
  const system = useSystem();
  const { at, suspects, change, questions } = useMemo(() => {
    const at = caseOf(cut, symptoms, answers);
    const suspects = diagnose(at);
    return {
      at,
      suspects,
      change: firstChange(at, suspects[0]!.id),
      questions: questionsToAsk(at).filter((q) => !(q.id in answers)),
    };
  }, [cut, symptoms, answers]);
  const { matter } = limitsThatMatter(at.evaluation);
  const copy = async (): Promise<void> => {
    const text = answerInWords(at, suspects, change, questions, cut.supposed, system);
    try {
      await navigator.clipboard.writeText(text);
      toast.success('Copied as text.');
    } catch {
      toast.error('This browser does not let a page copy; select the text instead.');
    }
  };
  const [first, ...rest] = suspects.slice(0, SHOWN);
  return (
    <div className="space-y-2.5">
      <section aria-label="Likely causes" className="rounded-lg border border-line bg-card px-3 py-2">
        <div className="flex items-start justify-between gap-2">
          <h2>Likely causes</h2>
          <Button onClick={() => void copy()}>
            <ClipboardCopy size={15} aria-hidden="true" /> Copy as text
          </Button>
        </div>
        <ol className="mt-1 space-y-1.5">
          {[first!, ...rest].map((s, i) => (
            <li key={s.id}>
              <p className={i === 0 ? 'text-[16px] font-bold' : 'font-semibold'}>
                {s.name} <span className="font-normal text-soft">{Math.round(100 * s.chance)}%</span>
              </p>
              <div className="my-0.5 h-1.5 rounded-sm bg-paper" aria-hidden="true">
                <div className="h-full rounded-sm bg-accent" style={{ width: `${100 * s.chance}%` }} />
              </div>
              {s.because.length > 0 && (
                <p className="text-[13px] text-soft">For it: {s.because.slice(0, 4).join('; ')}.</p>
              )}
              {i === 0 && s.against.length > 0 && (
                <p className="text-[13px] text-soft">Against: {s.against.slice(0, 3).join('; ')}.</p>
              )}
            </li>
          ))}
        </ol>
      </section>
      <section aria-label="First change" className="rounded-lg border border-line bg-card px-3 py-2">
        <h2>First change</h2>
        {change.said.length > 0 && (
          <p className="text-[16px] font-bold">{change.said.map((s) => speak(s, system)).join(', ')}</p>
        )}
        <p className={change.said.length > 0 ? 'text-soft' : ''}>
          <span className="inline-block first-letter:uppercase">{change.because}</span>
        </p>
        <p className="mt-1">
          <b>Cheapest test.</b> {first!.test}
        </p>
      </section>
      <ToAsk questions={questions} onAnswer={onAnswer} />
      <section aria-label="Limits of their cut" className="rounded-lg border border-line bg-card px-3 py-2">
        <h2>Their cut against its limits</h2>
        <MatterList limits={matter} none="Every limit is clear." />
      </section>
      <section aria-label="Assumed" className="rounded-lg border border-line bg-card px-3 py-2 text-[13px]">
        <h2>Assumed</h2>
        <ul className="list-outside list-disc pl-4">
          {cut.supposed.map((s) => (
            <li key={s}>{s}</li>
          ))}
          <li>hardness and runout as usual unless measured</li>
        </ul>
      </section>
    </div>
  );
}
