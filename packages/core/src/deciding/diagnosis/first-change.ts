import { evaluate } from '../../evaluation/evaluate.ts';
import { parametersOf, setParameter } from '../../evaluation/set-parameter.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Parameter } from '../../operations/parameter.ts';
import { InputError } from '../../units/input-error.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import { remediesFor } from '../remedies/remedies.ts';
import type { DiagnosisCase } from './case.ts';
import { CAUSES } from './causes.ts';

/** One change to make first, with everything that moves with it. */
export interface FirstChange {
  /** Each number that changes, from and to; the feed that goes with a speed is one of them. */
  readonly said: readonly Sentence[];
  /** What stays, or why so much. */
  readonly because: string;
  /** The operation after it; null where nothing of the numbers changes. */
  readonly operation: Operation | null;
}

/** Where no limit is over: how far one goes first, in one parameter, and why. */
const RULES: Readonly<
  Record<string, { readonly key: Parameter; readonly times: number; readonly because: string }>
> = {
  heat: { key: 'n', times: 0.85, because: 'the feed per tooth stays, so the chip stays as thick' },
  'thin-chip': { key: 'fz', times: 1.25, because: 'a thicker chip cuts instead of rubbing' },
  'thick-chip': { key: 'fz', times: 0.8, because: 'a fifth off the chip, the speed stays' },
  spike: {
    key: 'ae',
    times: 0.7,
    because: 'the corner takes more than the straight: less radial depth eases both',
  },
  recut: {
    key: 'ap',
    times: 0.7,
    because: 'fewer chips at a time; see first that air or coolant clears them',
  },
  chatter: { key: 'ap', times: 0.5, because: 'half the depth first rather than half the feed' },
  held: { key: 'ap', times: 0.7, because: 'force falls with depth; check the clamping first' },
  overhang: {
    key: 'ae',
    times: 0.6,
    because: 'bending falls with the force; the shortest stick-out that reaches helps most',
  },
  spindle: { key: 'ap', times: 0.7, because: 'power and torque fall with depth, the chip stays' },
};
/** What is done instead where no number is to blame. */
const INSTEAD: Readonly<Record<string, string>> = {
  runout:
    'Indicate the tool in the spindle; clean the taper, change the collet or turn the tool in it until it runs true.',
  'thermal-cracks': 'Coolant always or never: aim it so that it cannot be interrupted, or run dry with air.',
  'worn-out': 'Change the edge earlier; count the features each lasts.',
  accident: 'Run the next edge just the same, and look at it after one feature.',
};

const NAMES: Readonly<Partial<Record<Parameter, string>>> = {
  n: 'n',
  vf: 'vf',
  fz: 'fz',
  fn: 'fn',
  ap: 'ap',
  ae: 'ae',
};
const CHANGED = 0.003;

/** Every number of a cut that is another after a change: `n 2,120 rpm → 1,800 rpm`. */
export function whatChanges(before: Evaluation, after: Evaluation): Sentence[] {
  return Object.entries(NAMES).flatMap(([key, name]) => {
    const a = before.numbers.find((q) => q.key === key);
    const b = after.numbers.find((q) => q.key === key);
    return a && b && Math.abs(b.value / a.value - 1) > CHANGED
      ? [say(`${name} {0} → {1}`, measure(a.value, a.unit), measure(b.value, b.unit))]
      : [];
  });
}

const tryEvaluate = (op: Operation, at: DiagnosisCase): Evaluation | null => {
  try {
    return evaluate(op, at.context);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
};

/** What a single change of the cut that clears the limit comes to, where one does. */
function fromLimit(at: DiagnosisCase, limitId: string): FirstChange | null {
  const limit = at.evaluation.limits.find((l) => l.id === limitId);
  if (!limit || limit.state === 'clear') return null;
  // What one can do at the machine: other numbers, not another tool or holder.
  const remedy = remediesFor(at.op, at.context, limitId).find(
    (r) =>
      r.operation.tooling === at.op.tooling && r.operation.cut !== at.op.cut && r.pushesOver.length === 0,
  );
  const after = remedy && tryEvaluate(remedy.operation, at);
  if (!remedy || !after) return null;
  return {
    said: whatChanges(at.evaluation, after),
    because: `clears ${limit.name}`,
    operation: remedy.operation,
  };
}

/**
 * The first change against a cause: what clears the limit it shows in, else a step as one would take it by rule; the feed moves
 * with the speed, so the chip stays. A cause that is not of the numbers has its remedy in words and no operation.
 */
export function firstChange(at: DiagnosisCase, causeId: string): FirstChange {
  const cause = CAUSES.find((c) => c.id === causeId);
  for (const id of cause?.limits ?? []) {
    const found = fromLimit(at, id);
    if (found && found.said.length > 0) return found;
  }
  if (causeId === 'inherited') {
    const started = withStartingCut(at.op, at.context);
    const after = tryEvaluate(started, at);
    if (after)
      return {
        said: whatChanges(at.evaluation, after),
        because: 'worked out for this alloy and tool',
        operation: started,
      };
  }
  const rule = RULES[causeId];
  const key = rule && ruleKey(at.op, rule.key);
  const now = key && at.evaluation.numbers.find((q) => q.key === key);
  if (!rule || !key || !now)
    return { said: [], because: INSTEAD[causeId] ?? cause?.test ?? '', operation: null };
  try {
    const operation = setParameter(at.op, at.context, key, now.value * rule.times);
    const after = evaluate(operation, at.context);
    return { said: whatChanges(at.evaluation, after), because: rule.because, operation };
  } catch (error) {
    if (error instanceof InputError) return { said: [], because: rule.because, operation: null };
    throw error;
  }
}

/** A drill has its feed per revolution where a mill has it per tooth, and no radial depth. */
function ruleKey(op: Operation, key: Parameter): Parameter | null {
  const has = parametersOf(op);
  if (has.includes(key)) return key;
  const other: Partial<Record<Parameter, Parameter>> = { fz: 'fn', ae: 'fn', ap: 'fn' };
  const instead = other[key];
  return instead && has.includes(instead) ? instead : null;
}
