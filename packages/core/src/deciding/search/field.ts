import type { OperationContext } from '../../operations/context.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { type MillingState, millingState } from '../../operations/milling/milling-state.ts';
import { normalDeviate } from '../../numerics/normal.ts';
import { type Freedom, freedomOf } from './freedom.ts';
import { type FreeParameter, readFree, writeFree } from '../../operations/milling/milling-movables.ts';
import { type Objective, worthOf } from './objective.ts';
import { type Judged, judgeNext, type ShareAt, unjudged } from './shares.ts';

/** A cut that is tried. Its limits are judged as far as somebody needed to know. */
export interface Trial {
  readonly x: readonly number[];
  readonly op: MillingOperation;
  readonly worth: number;
  /** Sum of the logarithms of the shares above 1 judged so far: 0 when all of those hold, and never less once more are judged. */
  readonly breach: number;
  readonly shares: readonly ShareAt[];
  /** No limit is left that could matter. */
  readonly done: boolean;
}

interface Open extends Judged {
  readonly x: readonly number[];
  readonly op: MillingOperation;
  readonly worth: number;
  readonly state: MillingState;
}

/** Weight of a breach against the logarithm of worth: a limit is never bought with metal. */
const BREACH_WEIGHT = 12;

/** What a search makes small: breach first, then worth. */
export const scoreOf = (t: Trial): number => BREACH_WEIGHT * t.breach - Math.log(Math.max(1e-12, t.worth));

/** The free parameters of a cut as a unit cube of their logarithms, with everything tried in it. */
export class Field {
  readonly freedoms: readonly Freedom[];
  /** Cuts looked at, however far they were judged. */
  evaluations = 0;
  /** The worthiest cut that holds every limit. */
  best: Trial | null = null;
  private readonly z: number;
  private readonly base: MillingOperation;
  private readonly context: OperationContext;
  private readonly objective: Objective;

  constructor(
    base: MillingOperation,
    context: OperationContext,
    wish: {
      readonly free: readonly FreeParameter[];
      readonly objective: Objective;
      readonly confidence: number;
    },
  ) {
    this.base = base;
    this.context = context;
    this.objective = wish.objective;
    this.z = normalDeviate(wish.confidence);
    this.freedoms = wish.free.map((key) => freedomOf(key, base, context));
  }

  at(x: readonly number[]): MillingOperation {
    return this.freedoms.reduce(
      (op, f, i) => writeFree(op, f.key, f.low * (f.high / f.low) ** Math.min(1, Math.max(0, x[i]!))),
      this.base,
    );
  }

  of(op: MillingOperation): number[] {
    return this.freedoms.map((f) => {
      const value = Math.min(f.high, Math.max(f.low, readFree(op, f.key)));
      return f.high > f.low ? Math.log(value / f.low) / Math.log(f.high / f.low) : 0;
    });
  }

  /** A cut with its worth and nothing judged. */
  private open(op: MillingOperation, x: readonly number[]): Open {
    this.evaluations++;
    const state = millingState(op, this.context);
    return { ...unjudged(), x, op, worth: worthOf(this.objective, state), state };
  }

  private judgeOn(trial: Open): void {
    judgeNext(trial, trial.state, this.z);
    if (trial.done && trial.breach === 0 && (!this.best || trial.worth > this.best.worth)) this.best = trial;
  }

  /** A cut, all limits judged. */
  judge(op: MillingOperation, x: readonly number[] = this.of(op)): Trial {
    const trial = this.open(op, x);
    while (!trial.done) this.judgeOn(trial);
    return trial;
  }

  /** The cut if it holds every limit and is worth more than `above`; null, as soon as that is known, where not. */
  better(op: MillingOperation, above: number, x: readonly number[] = this.of(op)): Trial | null {
    const trial = this.open(op, x);
    if (!(trial.worth > above)) return null;
    while (!trial.done && trial.breach === 0) this.judgeOn(trial);
    return trial.breach === 0 ? trial : null;
  }

  /**
   * The `count` best of the places, by score, best first; only these are judged in full, with those that may be the best of all.
   * A breach only grows as more limits are judged, so what is behind when half judged stays behind.
   */
  bestOf(places: readonly (readonly number[])[], count: number): Trial[] {
    const trials = places.map((place) => {
      const x = place.map((v) => Math.min(1, Math.max(0, v)));
      const trial = this.open(this.at(x), x);
      this.judgeOn(trial);
      return trial;
    });
    for (;;) {
      trials.sort((a, b) => scoreOf(a) - scoreOf(b));
      const next = trials.find(
        (t, i) => !t.done && (i < count || (t.breach === 0 && t.worth > (this.best?.worth ?? 0))),
      );
      if (!next) return trials.slice(0, count);
      this.judgeOn(next);
    }
  }
}
