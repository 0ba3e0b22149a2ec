import type { Estimate } from '../judging/estimate.ts';
import { judge, type Limit } from '../judging/limit.ts';
import type { HoleRisk, LimitResult, Quantity } from '../judging/result.ts';
import type { Peck } from '../physics/holes/peck.ts';
import type { Cutter } from '../crib/cutter.ts';
import type { OperationContext } from './context.ts';
import type { CutState } from './cut-state.ts';
import { commonMovables } from './common-movables.ts';
import type { Inspection } from './inspection.ts';
import type { Movable } from './movable.ts';
import type { Switch } from './switch.ts';
import type { MillingOperation } from './milling/milling-operation.ts';
import type { Operation } from './operation.ts';
import type { Parameter } from './parameter.ts';
import type { Sentence } from '../units/sentence.ts';

/** Keys of the numbers people look at first in one kind of operation. */
export interface ShownNumbers {
  /** What goes into the machine. */
  readonly set: readonly string[];
  /** What follows and is watched. */
  readonly watch: readonly string[];
  /** All that follows from what is set, in the order it is read on the bench. */
  readonly follows: readonly string[];
}

/** An operation worked out once, for all that is asked of it. */
export interface WorkedOut {
  readonly state: CutState;
  /** Limits that apply, in the ladder's order; only those of the ids, where some are given. */
  judged(among?: readonly string[]): LimitResult[];
  numbers(): Quantity[];
  /** Estimates beside power, torque and life whose sources are told. */
  readonly rests: readonly Estimate[];
  readonly pecks: readonly Peck[];
  /** What may go wrong in one; null where nobody reckons it. */
  risk(): HoleRisk | null;
}

/** The tool a kind needs. */
export interface ToolWanted<O extends Operation = Operation> {
  /** In words, as a refusal says it. */
  readonly named: string;
  readonly fits: (cutter: Pick<Cutter, 'type' | 'properties'>, op: O) => boolean;
  /** What speaks against one that fits, in a few words; null where nothing does. */
  readonly doubt?: (cutter: Pick<Cutter, 'type'>, op: O) => string | null;
  /** It needs neither teeth nor a diameter on its record. */
  readonly toothless?: true;
}

/** A kind of operation: all the judgement knows of it. */
export interface OperationKind<O extends Operation = Operation> {
  readonly kind: O['kind'];
  readonly tool: ToolWanted;
  /** What can be typed, dragged and pinned, in the order it is read. */
  readonly parameters: readonly Parameter[];
  readonly shown: ShownNumbers;
  /** Ids of its limits, always in this order. */
  readonly ladder: readonly Pick<Limit<CutState>, 'id' | 'name' | 'lobed'>[];
  /** What one does, in the words of the sheet: “Pilot”, “Mill the thread”. */
  verb(op: Operation): string;
  /** What the setter has to know that no number says. */
  notes(op: Operation): readonly Sentence[];
  /** What can hurt someone beside what every cut has. */
  cautions(op: Operation, context: OperationContext): readonly string[];
  /** Every number of one that can be moved, its own first. */
  movables(op: Operation, context: OperationContext): readonly Movable[];
  /** Changes of kind rather than amount that may mend one. */
  switches(op: Operation, context: OperationContext): readonly Switch[];
  /** The milling cut whose stability is judged by the periodic solution; null where nobody asks. */
  turning(op: Operation): MillingOperation | null;
  /** It lays open the face that others start from. */
  opens(op: Operation): boolean;
  /** Tells what is impossible in one beside what no operation may be. Throws on another kind. */
  check(op: Operation, context: OperationContext, see: Inspection): void;
  /** Diameter its cutting speed is stated at, mm. */
  speedDiameter(op: Operation, context: Pick<OperationContext, 'cutter'>): number;
  /** One with a parameter of its kind moved, the others following. Throws an InputError when pins leave nothing to move. */
  set(op: Operation, context: OperationContext, key: Parameter, value: number): Operation;
  /** One with first numbers for its alloy, tool and machine. */
  start(op: Operation, context: OperationContext): Operation;
  /** One with speed and feed worked out anew, its engagement as it is. */
  renew(op: Operation, context: OperationContext): Operation;
  /** Works one out. Input must have been checked; throws on another kind. */
  workOut(op: Operation, context: OperationContext): WorkedOut;
}

/** What a kind's folder brings, in its own types. */
export interface KindParts<O extends Operation, S extends CutState> {
  readonly kind: O['kind'];
  readonly tool: ToolWanted<O>;
  readonly parameters: readonly Parameter[];
  readonly shown: ShownNumbers;
  readonly movables: (op: O, context: OperationContext) => readonly Movable[];
  readonly switches?: (op: O, context: OperationContext) => readonly Switch[];
  readonly turning?: (op: O) => MillingOperation | null;
  readonly opens?: (op: O) => boolean;
  /** What is impossible in one whose tool fits, beside its movable numbers. */
  readonly checks: (op: O, context: OperationContext, see: Inspection) => void;
  readonly speedDiameter: (op: O, context: Pick<OperationContext, 'cutter'>) => number;
  readonly set: (op: O, context: OperationContext, key: Parameter, value: number, diameterMm: number) => O;
  readonly start: (op: O, context: OperationContext, diameterMm: number) => O['cut'];
  /** Absent where a first cut sets nothing but speed and feed. */
  readonly renew?: (op: O, context: OperationContext, diameterMm: number) => O['cut'];
  readonly state: (op: O, context: OperationContext) => S;
  readonly ladder: readonly Limit<S>[];
  readonly numbers: (state: S) => Quantity[];
  readonly rests?: (state: S) => readonly (Estimate | null)[];
  readonly pecks?: (state: S) => readonly Peck[];
  readonly risk?: (state: S) => HoleRisk;
  readonly verb: (op: O) => string;
  readonly notes?: (op: O) => readonly Sentence[];
  readonly cautions?: (op: O, context: OperationContext) => readonly string[];
}

/** A kind of operation from its parts; here alone its types are put away. */
export function operationKind<O extends Operation, S extends CutState>(
  parts: KindParts<O, S>,
): OperationKind<O> {
  const own = (op: Operation): O => {
    if (op.kind !== parts.kind) throw new TypeError(`invalid kind; not ${parts.kind}: ${op.kind}`);
    return op as O;
  };
  return {
    kind: parts.kind,
    tool: {
      ...parts.tool,
      fits: (cutter, op) => parts.tool.fits(cutter, own(op)),
      doubt: (cutter, op) => parts.tool.doubt?.(cutter, own(op)) ?? null,
    },
    parameters: parts.parameters,
    shown: parts.shown,
    ladder: parts.ladder,
    verb: (op) => parts.verb(own(op)),
    notes: (op) => parts.notes?.(own(op)) ?? [],
    cautions: (op, context) => parts.cautions?.(own(op), context) ?? [],
    check(op, context, see) {
      const { tool, checks } = parts;
      if (!tool.fits(context.cutter, own(op))) {
        see.say('tooling.cutterId', context.cutter.name, tool.named);
        return;
      }
      checks(own(op), context, see);
      for (const m of parts.movables(own(op), context)) see.number(m, op);
    },
    movables: (op, context) => [...parts.movables(own(op), context), ...commonMovables(op, context)],
    switches: (op, context) => parts.switches?.(own(op), context) ?? [],
    turning: (op) => parts.turning?.(own(op)) ?? null,
    opens: (op) => parts.opens?.(own(op)) ?? false,
    speedDiameter: (op, context) => parts.speedDiameter(own(op), context),
    set: (op, context, key, value) =>
      parts.set(own(op), context, key, value, parts.speedDiameter(own(op), context)),
    start: (op, context) => ({
      ...own(op),
      cut: parts.start(own(op), context, parts.speedDiameter(own(op), context)),
    }),
    renew: (op, context) => ({
      ...own(op),
      cut: (parts.renew ?? parts.start)(own(op), context, parts.speedDiameter(own(op), context)),
    }),
    workOut(op, context) {
      const state = parts.state(own(op), context);
      return {
        state,
        judged: (among) =>
          parts.ladder
            .filter((l) => !among || among.includes(l.id))
            .map((limit) => judge(limit, state))
            .filter((result) => result !== null),
        numbers: () => parts.numbers(state),
        rests: (parts.rests?.(state) ?? []).filter((e) => e !== null),
        pecks: parts.pecks?.(state) ?? [],
        risk: () => parts.risk?.(state) ?? null,
      };
    },
  };
}
