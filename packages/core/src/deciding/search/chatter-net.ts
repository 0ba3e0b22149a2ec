import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { ChatterChance } from '../../operations/milling/stability-state.ts';
import type { MillingState } from '../../operations/milling/milling-state.ts';
import { readFree } from '../../operations/milling/milling-movables.ts';
import type { GridAxis } from './turn-grid.ts';

/** Nodes on each side of the net between which the chance of chatter is read. */
const NODES = 24;

/** Speed moves the lobes and stick-out the tip: along those every point is worked out. */
const bends = (axis: GridAxis): boolean => axis.key === 'n' || axis.key === 'stickOut';

/**
 * Chance of chatter read between a net of worked-out points, since it costs far more than all other limits and changes
 * slowly with width, depth and feed. Chance and share are bilinear in the logarithms of the axes, all else is the nearest node's.
 * `stateAt` works out a node. Returns null where an axis moves the lobes: nothing is saved there.
 */
export function chatterNet(
  x: GridAxis,
  y: GridAxis,
  stateAt: (x: number, y: number) => MillingState,
): ((op: MillingOperation) => ChatterChance) | null {
  if (bends(x) || bends(y)) return null;
  const nodes = new Map<number, ChatterChance>();
  const valueAt = (axis: GridAxis, i: number): number =>
    axis.low * (axis.high / axis.low) ** (i / (NODES - 1));
  const place = (axis: GridAxis, value: number): { i: number; t: number } => {
    const u = (Math.log(value / axis.low) / Math.log(axis.high / axis.low)) * (NODES - 1);
    const i = Math.min(NODES - 2, Math.max(0, Math.floor(u)));
    return { i, t: Math.min(1, Math.max(0, u - i)) };
  };
  const node = (i: number, j: number): ChatterChance => {
    const at = j * NODES + i;
    const known = nodes.get(at);
    if (known) return known;
    const made = stateAt(valueAt(x, i), valueAt(y, j)).stability.chatter();
    nodes.set(at, made);
    return made;
  };
  return (op) => {
    const a = place(x, readFree(op, x.key));
    const b = place(y, readFree(op, y.key));
    let chance = 0;
    let share = 0;
    for (const [i, j, weight] of [
      [a.i, b.i, (1 - a.t) * (1 - b.t)],
      [a.i + 1, b.i, a.t * (1 - b.t)],
      [a.i, b.i + 1, (1 - a.t) * b.t],
      [a.i + 1, b.i + 1, a.t * b.t],
    ] as const) {
      if (weight <= 0) continue;
      const found = node(i, j);
      chance += weight * found.chance;
      share += weight * found.share;
    }
    return { ...node(a.i + Math.round(a.t), b.i + Math.round(b.t)), chance, share };
  };
}
