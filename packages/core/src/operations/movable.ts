import type { Unit } from '../units/unit.ts';
import type { Operation } from './operation.ts';
import type { Parameter } from './parameter.ts';

/** A number of an operation by its field: `cut.axialDepthMm`. */
export interface NumberAt {
  readonly field: string;
  readonly read: (op: Operation) => number;
  readonly write: <O extends Operation>(op: O, value: number) => O;
}

type Plain = Readonly<Record<string, unknown>>;

const written = (of: unknown, path: readonly string[], value: number): unknown => {
  const [key, ...rest] = path;
  return key === undefined ? value : { ...(of as Plain), [key]: written((of as Plain)[key], rest, value) };
};

/** Reads and writes a field, told by its path; `absent` stands for one that holds nothing. */
export function numberAt(field: string, absent = 0): NumberAt {
  const path = field.split('.');
  return {
    field,
    read: (op) => Number(path.reduce<unknown>((of, key) => (of as Plain)[key], op) ?? absent),
    write: (op, value) => written(op, path, value) as typeof op,
  };
}

/** The range of a number and how it is entered. */
export interface Range {
  /** What an operation may be at all; the check refuses the rest. */
  readonly least: number;
  readonly most: number;
  /** The least itself is refused: above it, not at it. */
  readonly above?: true | undefined;
  /** Where one would go from here with this tool: advice, handles and search stay within. */
  readonly low: number;
  readonly high: number;
  /** What a person enters: what is found or dragged is rounded to it. */
  readonly step: number;
}

/** A number that can be moved, described once for typing, dragging, remedies, search and checks. */
export interface Movable extends NumberAt, Range {
  /** Its symbol where it has one, its name otherwise. */
  readonly key: string;
  /** Its name as a field shows it: “Axial depth”. */
  readonly name: string;
  readonly unit: Unit;
  /** Pins that keep it where it is: itself, and whatever it drives. */
  readonly heldBy: readonly Parameter[];
  /** It makes the cut what it is: at a sixth or at six times it is another cut, which no advice goes to. */
  readonly ofTheCut: boolean;
  /** What one does to move it up and down, where it is not to raise and to reduce. */
  readonly verbs?: readonly [up: string, down: string] | undefined;
  /** What stays the same when it moves: “at the same chip load”. */
  readonly keeps?: string | undefined;
}

/** What does not hang on tool or machine of a movable number. */
type Nature = Pick<Movable, 'key' | 'name' | 'unit'> &
  Partial<Pick<Movable, 'heldBy' | 'ofTheCut' | 'verbs' | 'keeps'>> & {
    readonly at: NumberAt;
  };

/** A movable number here: its nature with the range this tool, machine and feature leave it. */
export const movable = (nature: Nature, range: Range): Movable => ({
  // Field by field: every judgement makes them anew, and spreading takes a tenth of it.
  key: nature.key,
  name: nature.name,
  unit: nature.unit,
  field: nature.at.field,
  read: nature.at.read,
  write: nature.at.write,
  least: range.least,
  most: range.most,
  above: range.above,
  low: range.low,
  high: range.high,
  step: range.step,
  heldBy: nature.heldBy ?? NOTHING,
  ofTheCut: nature.ofTheCut ?? false,
  verbs: nature.verbs,
  keeps: nature.keeps,
});

const NOTHING: readonly Parameter[] = [];

/** The largest of 1, 2 and 5 times a power of ten that is not above: steps people count in. */
export function tidyStep(most: number): number {
  const exponent = Math.floor(Math.log10(most) + 1e-9);
  const size = (most / 10 ** exponent) * (1 + 1e-9);
  const times = size >= 5 ? 5 : size >= 2 ? 2 : 1;
  // Divided by a whole power of ten: 0.1 is a tenth, not three times a rounded one.
  return exponent < 0 ? times / 10 ** -exponent : times * 10 ** exponent;
}
