import {
  type Evaluation,
  evaluate,
  formatMeasure,
  limitOf,
  numberOf,
  KINDS,
  speak,
  type System,
} from '@burl/core';
import { fileSource, type JobFile, operationsOf, requireContext } from '@burl/contract';

export interface Judged {
  readonly name: string;
  readonly selected: boolean;
  readonly evaluation: Evaluation;
}

/** Every variant of a job file evaluated. Throws an InputError on an impossible one. */
export const evaluateFile = (file: JobFile): Judged[] =>
  operationsOf(file).map(({ name, selected, operation, path }) => ({
    name,
    selected,
    evaluation: evaluate(operation, requireContext(operation, fileSource(file), path)),
  }));

/** Exit code: 1 when some limit of a chosen variant is over, else 0. */
export const exitCodeOf = (all: readonly Judged[]): 0 | 1 =>
  all.some((j) => j.selected && j.evaluation.limits.some((l) => l.state === 'over')) ? 1 : 0;

/** What a person reads: one paragraph an operation, every limit that is not clear below it. */
export function report(file: JobFile, all: readonly Judged[], system: System): string {
  const lines = [`${file.job.number}  ${file.job.part}, ${file.job.quantity} off`];
  for (const { name, evaluation } of all) {
    const read = (key: string): string => {
      const q = numberOf(evaluation, key);
      return `${q.symbol} ${formatMeasure(q.value, q.unit, system)}`;
    };
    const keys = [...KINDS[evaluation.kind].shown.set, 't'];
    lines.push(
      '',
      `${evaluation.state.toUpperCase().padEnd(8)}  ${name}`,
      `          ${keys.map(read).join('   ')}`,
    );
    lines.push(`          governs: ${limitOf(evaluation, evaluation.governing).name}`);
    for (const l of evaluation.limits.filter((x) => x.state !== 'clear')) {
      lines.push(`          ${l.state.padEnd(8)}  ${l.name}: ${speak(l.why, system)}`);
    }
  }
  return lines.join('\n').replaceAll('\u00a0', ' ').replaceAll('\u2009', ' ');
}
