import type { Operation } from '../../operations/operation.ts';
import type { Unit } from '../../units/unit.ts';

/** A thing that can be moved: reads and writes one number of the operation. */
export interface Lever {
  readonly id: string;
  readonly unit: Unit;
  readonly label: string;
  /** What one does to move it up and down, where it is not to raise and to reduce. */
  readonly verbs?: readonly [up: string, down: string];
  readonly low: number;
  readonly high: number;
  /** Values are rounded to this step, towards the safe side. */
  readonly step: number;
  read(op: Operation): number;
  write(op: Operation, value: number): Operation;
}

/** Nobody runs a cut at a sixth or six times of what he had: that is another cut, to be worked out anew. */
const FURTHEST = 6;
/** Levers of the cut itself; looks, ramps and heights may go to their ends. */
const OF_THE_CUT: ReadonlySet<string> = new Set(['speed', 'feed', 'depth', 'width', 'pitch', 'stick-out']);

/** The lever no further than advice may go. */
export function followable(lever: Lever, op: Operation): Lever {
  if (!OF_THE_CUT.has(lever.id)) return lever;
  const now = lever.read(op);
  return {
    ...lever,
    low: Math.max(lever.low, now / FURTHEST),
    high: Math.min(lever.high, now * FURTHEST),
  };
}

/** The change of one lever as an imperative without its numbers: “Reduce axial depth”. */
export function changeOf(lever: Lever, from: number, to: number): string {
  const [up, down] = lever.verbs ?? ['Raise', 'Reduce'];
  return `${to > from ? up : down} ${lever.label.charAt(0).toLowerCase()}${lever.label.slice(1)}`;
}
