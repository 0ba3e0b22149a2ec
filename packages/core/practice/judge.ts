import { contextOf, SHIPPED } from '../fixtures/crib.ts';
import type { LimitResult } from '../src/judging/result.ts';
import { InputError } from '../src/units/input-error.ts';
import { evaluate } from '../src/evaluation/evaluate.ts';
import { withPeriodic } from '../src/evaluation/periodic-verdict.ts';
import { speak } from '../src/units/sentence.ts';
import { operationOf, type PracticeConditions, type PracticeCut, type PracticeSet } from './operation-of.ts';

/** What Burl says of a practice cut. */
export interface PracticeJudgement {
  readonly cut: PracticeCut;
  /** Limits of the set that apply. */
  readonly limits: readonly LimitResult[];
  readonly over: readonly LimitResult[];
  readonly unproven: readonly LimitResult[];
  /** Why the operation was refused, or null. */
  readonly refused: string | null;
  /** A daily cut that is over or refused. */
  readonly falseAlarm: boolean;
  /** A daily cut of which something can be said: nothing over, nothing unproven. */
  readonly usable: boolean;
  /** A cut known to fail that reads as if it ran. */
  readonly missed: boolean;
}

const counts = (judged: readonly string[], id: string): boolean =>
  judged.some((j) => id === j || id.startsWith(`${j}-`));

/** Throws where the cutter is not in the crib. */
export function judgePractice(
  cut: PracticeCut,
  judged: readonly string[],
  conditions?: PracticeConditions,
): PracticeJudgement {
  const cutter = SHIPPED.cutters.find((c) => c.id === cut.cutter);
  if (!cutter) throw new Error(`${cut.id}: cutter ${cut.cutter} is not in the crib`);
  const op = operationOf(cut, cutter.properties.DC ?? Number(cutter.properties['CW'] ?? 1), conditions);
  let limits: readonly LimitResult[] = [];
  let refused: string | null = null;
  try {
    const context = contextOf(op, 1);
    const at = conditions?.moving ? context : withPeriodic(op, context);
    limits = evaluate(op, at).limits.filter((l) => counts(judged, l.id));
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    refused = error.message;
  }
  const over = limits.filter((l) => l.state === 'over');
  const unproven = limits.filter((l) => l.state === 'unproven');
  const wrong = over.length > 0 || refused !== null;
  const caught = refused !== null || over.some((l) => counts(cut.expectOver ?? judged, l.id));
  return {
    cut,
    limits,
    over,
    unproven,
    refused,
    falseAlarm: cut.runs && wrong,
    usable: cut.runs && !wrong && unproven.length === 0,
    missed: !cut.runs && !caught,
  };
}

export interface PracticeScore {
  readonly daily: number;
  readonly failing: number;
  readonly falseAlarms: number;
  readonly missed: number;
  readonly usable: number;
}

export const scoreOf = (found: readonly PracticeJudgement[]): PracticeScore => ({
  daily: found.filter((f) => f.cut.runs).length,
  failing: found.filter((f) => !f.cut.runs).length,
  falseAlarms: found.filter((f) => f.falseAlarm).length,
  missed: found.filter((f) => f.missed).length,
  usable: found.filter((f) => f.usable).length,
});

export const judgeSet = (set: PracticeSet, conditions?: PracticeConditions): PracticeJudgement[] =>
  set.cuts.map((cut) => judgePractice(cut, set.judged, conditions));

const percent = (l: LimitResult): string => (l.share ? ` ${Math.round(100 * l.share.value)}%` : '');

/** A line of a report: verdict, cut, and what it hangs on. */
export function lineOf(f: PracticeJudgement): string {
  const verdict = f.falseAlarm
    ? 'ALARM'
    : f.missed
      ? 'MISS'
      : f.cut.runs
        ? f.usable
          ? 'ok'
          : 'open'
        : 'caught';
  const because =
    f.refused ??
    [...f.over, ...f.unproven]
      .map((l) => `${l.id} ${l.state}${percent(l)} (${speak(l.why, 'metric')})`)
      .join('; ');
  return `${verdict.padEnd(7)}${f.cut.id.padEnd(32)}${because}`;
}

export const scoreLine = (s: PracticeScore): string =>
  `SCORE false alarms ${s.falseAlarms}/${s.daily}, missed failures ${s.missed}/${s.failing}, clear or tight ${s.usable}/${s.daily}`;
