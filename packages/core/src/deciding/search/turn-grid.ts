import type { Summarise } from '../../operations/milling/milling-state.ts';
import { type TurnSummary, turnSummary } from '../../operations/milling/milling-loads.ts';
import { type FreeParameter, readFree } from '../../operations/milling/milling-movables.ts';

/** Range of one side of a map. */
export interface GridAxis {
  readonly key: FreeParameter;
  readonly low: number;
  readonly high: number;
}

const NOTHING: TurnSummary = {
  meanFx: 0,
  meanFy: 0,
  meanTorqueNm: 0,
  peakTorqueNm: 0,
  peakFxy: 0,
  pullN: 0,
  offWallN: 0,
  intoWallN: 0,
};
const FIELDS = Object.keys(NOTHING) as (keyof TurnSummary)[];
/** Nodes on each side of the net between which forces are read. */
const NODES = 24;
/** Nodes of a whole net. */
export const KNOTS = NODES * NODES;

/**
 * Forces of a turn read between a net of worked-out points, since they change slowly where limits change fast. A node is
 * worked out when first asked for; between four nodes the values are bilinear in the logarithms of the axes. Speed does not
 * enter a turn's forces, so an axis of speed has one node. `build` makes the operation of a node.
 */
export function turnGrid(
  x: GridAxis,
  y: GridAxis,
  build: (x: number, y: number) => Parameters<Summarise>[0],
  inputsOf: (op: Parameters<Summarise>[0]) => Parameters<Summarise>[2],
): Summarise {
  const count = (axis: GridAxis): number => (axis.key === 'n' || axis.key === 'stickOut' ? 1 : NODES);
  const [nx, ny] = [count(x), count(y)];
  const nodes = new Array<TurnSummary | undefined>(nx * ny);
  const valueAt = (axis: GridAxis, i: number, n: number): number =>
    n === 1 ? axis.low : axis.low * (axis.high / axis.low) ** (i / (n - 1));
  const place = (axis: GridAxis, value: number, n: number): { i: number; t: number } => {
    if (n === 1) return { i: 0, t: 0 };
    const u = (Math.log(value / axis.low) / Math.log(axis.high / axis.low)) * (n - 1);
    const i = Math.min(n - 2, Math.max(0, Math.floor(u)));
    return { i, t: Math.min(1, Math.max(0, u - i)) };
  };
  return (op, context) => {
    const node = (i: number, j: number): TurnSummary => {
      const at = j * nx + i;
      const known = nodes[at];
      if (known) return known;
      const there = build(valueAt(x, i, nx), valueAt(y, j, ny));
      return (nodes[at] = turnSummary(there, context, inputsOf(there)));
    };
    const a = place(x, readFree(op, x.key), nx);
    const b = place(y, readFree(op, y.key), ny);
    const [i2, j2] = [Math.min(nx - 1, a.i + 1), Math.min(ny - 1, b.i + 1)];
    const sum: Record<keyof TurnSummary, number> = { ...NOTHING };
    const add = (i: number, j: number, weight: number): void => {
      if (weight <= 0) return;
      const summary = node(i, j);
      for (const f of FIELDS) sum[f] += weight * summary[f];
    };
    add(a.i, b.i, (1 - a.t) * (1 - b.t));
    add(i2, b.i, a.t * (1 - b.t));
    add(a.i, j2, (1 - a.t) * b.t);
    add(i2, j2, a.t * b.t);
    return sum;
  };
}
