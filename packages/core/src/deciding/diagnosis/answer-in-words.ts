import { formatMeasure, type System } from '../../units/unit.ts';
import { speak } from '../../units/sentence.ts';
import type { DiagnosisCase } from './case.ts';
import type { Suspect } from './diagnose.ts';
import type { FirstChange } from './first-change.ts';
import type { Question } from './questions.ts';
import { SYMPTOMS } from './symptoms.ts';

/** Causes that are told to somebody on the telephone. */
const TOLD = 3;
const BOTH: Readonly<Record<System, System>> = { metric: 'inch', inch: 'metric' };

/** The whole answer as plain text: cut, what it rests on, what fails, first change, questions, cheapest test. Both unit systems. */
export function answerInWords(
  at: DiagnosisCase,
  suspects: readonly Suspect[],
  change: FirstChange,
  questions: readonly Question[],
  assumptions: readonly string[],
  system: System,
): string {
  const { evaluation, context } = at;
  const number = (key: string): string | null => {
    const q = evaluation.numbers.find((n) => n.key === key);
    if (!q) return null;
    const [one, other] = [system, BOTH[system]].map((s) => formatMeasure(q.value, q.unit, s));
    return `${q.symbol} ${one === other ? one : `${one} (${other})`}`;
  };
  const cut = ['n', 'vc', 'fz', 'fn', 'vf', 'ap', 'ae', 'hex'].map(number).filter((s) => s !== null);
  const symptoms = SYMPTOMS.filter((s) => at.symptoms?.includes(s.id)).map((s) => s.name.toLowerCase());
  const over = evaluation.limits.filter((l) => l.state === 'over');
  const lines = [
    `${context.cutter.name} in ${context.alloy.name}, ${context.machine.name}`,
    cut.join(', '),
    ...(symptoms.length ? [`Seen: ${symptoms.join(', ')}`] : []),
    '',
    'Likely causes',
    ...suspects
      .slice(0, TOLD)
      .map(
        (s, i) =>
          `${i + 1}. ${s.name} (${Math.round(100 * s.chance)}%)${s.because.length ? `: ${s.because.slice(0, 3).join('; ')}` : ''}`,
      ),
    ...(over.length ? ['', 'Over limit', ...over.map((l) => `- ${speak(l.why, system)}`)] : []),
    '',
    'First change',
    change.said.length
      ? `${change.said.map((s) => speak(s, system)).join(', ')} (${change.because})`
      : change.because,
    ...(questions.length ? ['', 'To ask', ...questions.map((q, i) => `${i + 1}. ${q.text}`)] : []),
    '',
    'Cheapest test',
    suspects[0]?.test ?? '',
    '',
    'Assumed',
    ...assumptions.map((a) => `- ${a}`),
    '',
    'Advice for a qualified person at the machine; local rules go first.',
  ];
  return lines.join('\n');
}
