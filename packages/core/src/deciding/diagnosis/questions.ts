import type { Seen } from '../../learning/trial.ts';
import type { Operation } from '../../operations/operation.ts';
import { isHole } from '../../operations/hole-operation.ts';
import type { DiagnosisCase } from './case.ts';
import { oddsOf } from './diagnose.ts';

/** An answer somebody at the machine can give, and what it changes of the case. */
export interface Answer {
  readonly label: string;
  readonly seen?: Partial<Seen>;
  /** Measured, of the operation. */
  readonly runoutUm?: number;
  /** How often it is the answer before anything is known. */
  readonly usual: number;
}

export interface Question {
  readonly id: string;
  readonly text: string;
  /** Whether it makes sense of this cut, and is not answered yet. */
  readonly open: (at: DiagnosisCase) => boolean;
  readonly answers: readonly Answer[];
}

const hole = (at: DiagnosisCase): boolean => isHole(at.op);

/** What one asks on the telephone: short, and answered by a look. */
export const QUESTIONS: readonly Question[] = [
  {
    id: 'sound',
    text: 'How does it sound?',
    open: (at) => at.seen.sound === null,
    answers: [
      { label: 'Quiet', seen: { sound: 'quiet' }, usual: 0.45 },
      { label: 'Hums', seen: { sound: 'hum' }, usual: 0.3 },
      { label: 'Squeals', seen: { sound: 'squeal' }, usual: 0.25 },
    ],
  },
  {
    id: 'chips',
    text: 'What do the chips look like?',
    open: (at) => at.seen.chipForm === null && at.seen.chipColour === null,
    answers: [
      { label: 'Short or curled, silver', seen: { chipForm: 'curled', chipColour: 'silver' }, usual: 0.35 },
      { label: 'Straw or brown', seen: { chipForm: 'curled', chipColour: 'straw' }, usual: 0.2 },
      { label: 'Blue', seen: { chipForm: 'curled', chipColour: 'blue' }, usual: 0.15 },
      { label: 'Long', seen: { chipForm: 'long' }, usual: 0.1 },
      { label: 'A nest', seen: { chipForm: 'nest' }, usual: 0.1 },
      { label: 'Powder', seen: { chipForm: 'powder' }, usual: 0.1 },
    ],
  },
  {
    id: 'ending',
    text: 'Look at the edge: what is gone?',
    open: (at) => at.seen.ending === 'running',
    answers: [
      { label: 'Even wear along the edge', seen: { ending: 'worn' }, usual: 0.35 },
      { label: 'Chipped teeth or corner', seen: { ending: 'chipped' }, usual: 0.4 },
      { label: 'Tool broken off', seen: { ending: 'broken' }, usual: 0.25 },
    ],
  },
  {
    id: 'place',
    text: 'Where on the path does it happen?',
    open: (at) => at.seen.brokeAt === null && !hole(at),
    answers: [
      { label: 'Going in', seen: { brokeAt: 'entry' }, usual: 0.2 },
      { label: 'On the straight', seen: { brokeAt: 'straight' }, usual: 0.4 },
      { label: 'In the corner', seen: { brokeAt: 'corner' }, usual: 0.3 },
      { label: 'Coming out', seen: { brokeAt: 'exit' }, usual: 0.1 },
    ],
  },
  {
    id: 'hole-place',
    text: 'Where in the hole does it happen?',
    open: (at) => at.seen.brokeAt === null && hole(at),
    answers: [
      { label: 'At the start', seen: { brokeAt: 'entry' }, usual: 0.25 },
      { label: 'On the way down', seen: { brokeAt: 'pecking' }, usual: 0.35 },
      { label: 'At the bottom', seen: { brokeAt: 'floor' }, usual: 0.25 },
      { label: 'Breaking through', seen: { brokeAt: 'exit' }, usual: 0.15 },
    ],
  },
  {
    id: 'coolant',
    text: 'Does the coolant reach the cut all the time?',
    open: (at) => at.seen.coolantSeen === null,
    answers: [
      { label: 'Yes', seen: { coolantSeen: 'as stated' }, usual: 0.6 },
      { label: 'Weak or beside it', seen: { coolantSeen: 'weak' }, usual: 0.2 },
      { label: 'It comes and goes', seen: { coolantSeen: 'interrupted' }, usual: 0.12 },
      { label: 'None', seen: { coolantSeen: 'off' }, usual: 0.08 },
    ],
  },
  {
    id: 'override',
    text: 'Did anybody turn an override?',
    open: (at) => at.seen.speedOverride === 100 && at.seen.feedOverride === 100,
    answers: [
      { label: 'No', usual: 0.75 },
      { label: 'Speed down, feed left', seen: { speedOverride: 75 }, usual: 0.1 },
      { label: 'Feed down', seen: { feedOverride: 65 }, usual: 0.15 },
    ],
  },
  {
    id: 'runout',
    text: 'What does an indicator on the tool read?',
    open: (at) => at.op.measured.runoutUm === null,
    answers: [
      { label: 'Up to 5 µm', runoutUm: 5, usual: 0.35 },
      { label: 'About 10 µm', runoutUm: 10, usual: 0.4 },
      { label: '20 µm or more', runoutUm: 20, usual: 0.25 },
    ],
  },
];

/** The case with an answer given. What an answer says of the tool is measured from then on. */
export const answered = (at: DiagnosisCase, { seen, runoutUm }: Answer): DiagnosisCase => ({
  ...at,
  seen: { ...at.seen, ...seen },
  ...(runoutUm === undefined
    ? {}
    : { op: { ...at.op, measured: { ...at.op.measured, runoutUm } } as Operation }),
});

const entropy = (weights: readonly number[]): number => {
  const total = weights.reduce((s, w) => s + w, 0);
  return -weights.reduce((s, w) => (w > 0 ? s + (w / total) * Math.log2(w / total) : s), 0);
};

/** What an answer to a question is worth, bits: doubt about the cause now less the doubt that is expected after it. */
function worth(at: DiagnosisCase, question: Question): number {
  const now = oddsOf(at);
  const after = question.answers.map((a) => oddsOf(answered(at, a)));
  // How likely each answer is where a cause is the true one: its usual share by what it speaks for that cause.
  const likely = now.map((w, c) => {
    const each = question.answers.map((a, i) => a.usual * (w > 0 ? after[i]![c]! / w : 1));
    const sum = each.reduce((s, v) => s + v, 0);
    return each.map((v) => v / sum);
  });
  const total = now.reduce((s, w) => s + w, 0);
  let expected = 0;
  for (let i = 0; i < question.answers.length; i++) {
    const joint = now.map((w, c) => (w / total) * likely[c]![i]!);
    expected += joint.reduce((s, v) => s + v, 0) * entropy(joint);
  }
  return entropy(now) - expected;
}

/** The questions that would settle most, best first: expected information (Lindley 1956) over the causes as they stand. */
export function questionsToAsk(at: DiagnosisCase, most = 3): readonly Question[] {
  return QUESTIONS.filter((q) => q.open(at))
    .map((q) => ({ q, bits: worth(at, q) }))
    .sort((a, b) => b.bits - a.bits)
    .slice(0, most)
    .map(({ q }) => q);
}
