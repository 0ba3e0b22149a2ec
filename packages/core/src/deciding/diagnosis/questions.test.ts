import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, LOCK_POCKET } from '../../../fixtures/crib.ts';
import { evaluate, numberOf } from '../../evaluation/evaluate.ts';
import { setParameter } from '../../evaluation/set-parameter.ts';
import type { Operation } from '../../operations/operation.ts';
import { answerInWords } from './answer-in-words.ts';
import type { DiagnosisCase } from './case.ts';
import { diagnose } from './diagnose.ts';
import { firstChange } from './first-change.ts';
import { answered, QUESTIONS, questionsToAsk } from './questions.ts';
import { seenWith, type Symptom } from './symptoms.ts';

const caseOf = (op: Operation, symptoms: readonly Symptom[] = []): DiagnosisCase => {
  const context = contextOf(op);
  return {
    seen: seenWith(symptoms),
    symptoms,
    minutes: null,
    op,
    context,
    evaluation: evaluate(op, context),
    earlier: [],
  };
};
const entropy = (at: DiagnosisCase): number =>
  -diagnose(at).reduce((s, c) => s + c.chance * Math.log2(c.chance), 0);
const say = (at: DiagnosisCase, id: string, label: string): DiagnosisCase =>
  answered(
    at,
    QUESTIONS.find((q) => q.id === id)!.answers.find((a) => a.label === label)!,
  );

describe('questions to somebody on the telephone', () => {
  it('are three, open, and none that is answered already', () => {
    const asked = questionsToAsk(caseOf(LOCK_POCKET, ['squeal']));
    expect(asked).toHaveLength(3);
    expect(asked.map((q) => q.id)).not.toContain('sound');
    expect(questionsToAsk(caseOf(DOWEL_HOLE), 20).map((q) => q.id)).toContain('hole-place');
    expect(questionsToAsk(caseOf(DOWEL_HOLE), 20).map((q) => q.id)).not.toContain('place');
  });

  it('ask first what would settle more than the last one would', () => {
    const at = caseOf(LOCK_POCKET);
    const order = questionsToAsk(at, 20);
    // Doubt left after each answer, weighed by how usual the answer is.
    const left = (id: string): number => {
      const { answers } = QUESTIONS.find((q) => q.id === id)!;
      return answers.reduce((s, a) => s + a.usual * entropy(answered(at, a)), 0);
    };
    expect(left(order[0]!.id)).toBeLessThan(left(order.at(-1)!.id));
  });

  it('a broken cutter is settled in five: the likeliest cause is found and the doubt falls', () => {
    let at = caseOf(LOCK_POCKET, ['broken']);
    const recut = (now: DiagnosisCase): number => diagnose(now).find((s) => s.id === 'recut')!.chance;
    const [doubt, chance] = [entropy(at), recut(at)];
    // Somebody whose coolant washes nothing out: what he would answer to each question.
    const truth: Readonly<Record<string, string>> = {
      sound: 'Quiet',
      chips: 'A nest',
      place: 'On the straight',
      coolant: 'None',
      override: 'No',
      runout: 'Up to 5 µm',
    };
    for (let asked = 0; asked < 5; asked++) {
      const [next] = questionsToAsk(at, 20).filter((q) => truth[q.id]);
      at = say(at, next!.id, truth[next!.id]!);
    }
    expect(diagnose(at)[0]!.id).toBe('recut');
    expect(recut(at)).toBeGreaterThan(3 * chance);
    expect(entropy(at)).toBeLessThan(doubt - 0.5);
  });

  it('a stalling spindle and a tapered wall point to their causes', () => {
    expect(diagnose(caseOf(LOCK_POCKET, ['stall']))[0]!.id).toBe('spindle');
    expect(
      diagnose(caseOf(LOCK_POCKET, ['wall-off']))
        .slice(0, 2)
        .map((s) => s.id),
    ).toContain('overhang');
  });
});

describe('the first change', () => {
  const hot = (): DiagnosisCase => {
    const context = contextOf(LOCK_POCKET);
    const vc = numberOf(evaluate(LOCK_POCKET, context), 'vc').value;
    return caseOf(setParameter(LOCK_POCKET, context, 'vc', 3 * vc));
  };

  it('clears the limit a cause shows in, and the feed moves with the speed', () => {
    const at = hot();
    const change = firstChange(at, 'heat');
    const after = evaluate(change.operation!, at.context);
    expect(after.limits.find((l) => l.id === 'cutting-speed')!.state).toBe('clear');
    expect(numberOf(after, 'fz').value).toBeCloseTo(numberOf(at.evaluation, 'fz').value, 6);
    expect(change.said.map((s) => s.text.split(' ')[0])).toEqual(expect.arrayContaining(['n', 'vf']));
  });

  it('is a step by rule where no limit is over: half the depth against chatter, the chip kept', () => {
    const at = caseOf({ ...LOCK_POCKET, cut: { ...LOCK_POCKET.cut, axialDepthMm: 2 } });
    const change = firstChange(at, 'chatter');
    expect(numberOf(evaluate(change.operation!, at.context), 'ap').value).toBeCloseTo(1, 6);
    expect(change.because).toMatch(/half the depth first/);
  });

  it('is words where no number is to blame, and a drill gets its feed per revolution', () => {
    expect(firstChange(caseOf(LOCK_POCKET), 'runout')).toMatchObject({ said: [], operation: null });
    expect(firstChange(caseOf(DOWEL_HOLE), 'thick-chip').said[0]!.text).toMatch(/^(vf|fn) /);
  });

  it('stands in a text with both unit systems, its assumptions and the caution', () => {
    const at = caseOf(LOCK_POCKET, ['squeal']);
    const suspects = diagnose(at);
    const text = answerInWords(
      at,
      suspects,
      firstChange(at, suspects[0]!.id),
      questionsToAsk(at),
      ['machine not said'],
      'metric',
    );
    for (const part of [
      'Seen: squeals',
      'Likely causes\n1. Chatter',
      'First change',
      'To ask\n1. ',
      'Cheapest test',
      '- machine not said',
      'SFM',
      'm/min',
      'qualified person',
    ])
      expect(text).toContain(part);
    expect(text).not.toMatch(/\{\d\}|undefined|NaN/);
  });
});
