import { madeOf } from '../../crib/tool-materials.ts';
import type { OperationContext, Shelf } from '../../operations/context.ts';
import type { Coating, Cutter, Substrate } from '../../crib/cutter.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { Operation } from '../../operations/operation.ts';

/** Cutters one could take instead, with what they are made of. */
export interface CutterShelf {
  readonly cutters: readonly Cutter[];
  readonly substrates: Readonly<Record<string, Substrate>>;
  readonly coatings: Readonly<Record<string, Coating>>;
  /** What lies on the shelf of those that were counted, by id. */
  readonly shelves?: Readonly<Record<string, Shelf>>;
}

/** The context without what belongs to its cutter alone, and with what lies on the shelf of another. */
export function withShelfOf(
  { shelf: _, ...context }: OperationContext,
  cutterId: string,
  shelves: CutterShelf['shelves'],
): OperationContext {
  const shelf = shelves && Object.hasOwn(shelves, cutterId) ? shelves[cutterId] : undefined;
  return { ...context, ...(shelf && { shelf }) };
}

/** The same operation with another cutter. */
export interface OtherCutter {
  readonly id: string;
  readonly title: string;
  readonly after: Operation;
  readonly context: OperationContext;
}

const teethOf = (c: Cutter): number => c.properties.ZEFP ?? c.properties.NOF ?? 1;
const unequal = (c: Cutter): boolean => {
  const pitch = c.extended.pitch_angles_deg;
  return !!pitch && pitch.some((p) => Math.abs(p - pitch[0]!) > 0.1);
};

/** An operation with another cutter and what it is made of; none where nobody knows that. */
export function withCutter<O extends Operation>(
  op: O,
  context: OperationContext,
  cutter: Cutter,
  shelf: CutterShelf,
): Pick<OtherCutter, 'id' | 'after' | 'context'> | null {
  const made = madeOf(cutter, shelf);
  return (
    made && {
      id: `cutter-${cutter.id}`,
      context: { ...withShelfOf(context, cutter.id, shelf.shelves), cutter, ...made },
      after: {
        ...op,
        tooling: { ...op.tooling, cutterId: cutter.id },
        workedOutFor: { ...op.workedOutFor, cutterId: cutter.id },
      },
    }
  );
}

/** Tried at most. */
const MOST = 4;

/**
 * Cutters of the same kind, diameter and shank that differ in what chatter cares about: unequal pitch, fewer teeth, more
 * teeth. The feed per tooth stays. Those with unequal pitch and fewer teeth first.
 */
export function otherCutters(
  op: MillingOperation,
  context: OperationContext,
  shelf: CutterShelf,
): OtherCutter[] {
  const now = context.cutter;
  const p = now.properties;
  const like = shelf.cutters.filter((c) => {
    const q = c.properties;
    return (
      c.id !== now.id &&
      c.type === now.type &&
      q.DC === p.DC &&
      q.DCONMS === p.DCONMS &&
      (q.APMX ?? 0) >= op.cut.axialDepthMm &&
      c.suits_iso_groups.includes(context.alloy.iso513_group) &&
      (teethOf(c) !== teethOf(now) || unequal(c) !== unequal(now))
    );
  });
  /** How far a tool is from the present one in what chatter does not care about. */
  const off = ({ properties: q }: Cutter): number =>
    Math.abs((q.RE ?? 0) - (p.RE ?? 0)) + 0.1 * Math.abs((q.LU ?? 0) - (p.LU ?? 0));
  const order = (c: Cutter): number => (unequal(c) ? 0 : 10) + Math.abs(teethOf(c) - teethOf(now) + 0.5);
  // One of each count of teeth and pitch: the shop keeps them with many corner radii and reaches.
  const nearest = new Map<string, Cutter>();
  for (const c of like) {
    const key = `${teethOf(c)}/${unequal(c)}`;
    const known = nearest.get(key);
    if (!known || off(c) < off(known)) nearest.set(key, c);
  }
  return [...nearest.values()]
    .sort((a, b) => order(a) - order(b))
    .slice(0, MOST)
    .flatMap((cutter): OtherCutter[] => {
      const taken = withCutter(op, context, cutter, shelf);
      if (!taken) return [];
      const how = [
        `${teethOf(cutter)} teeth${teethOf(cutter) === teethOf(now) ? '' : ` instead of ${teethOf(now)}`}`,
        ...(unequal(cutter) === unequal(now) ? [] : [unequal(cutter) ? 'unequal pitch' : 'equal pitch']),
      ];
      return [{ ...taken, title: `Take ${cutter.name}: ${how.join(', ')}` }];
    });
}
