import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate, numberOf } from '../../evaluation/evaluate.ts';
import { kindOf } from '../../evaluation/registry.ts';
import { movableOf } from '../../evaluation/set-parameter.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { TurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import type { Parameter } from '../../operations/parameter.ts';
import type { LimitResult } from '../../judging/result.ts';
import { InputError } from '../../units/input-error.ts';
import type { Freedom } from '../search/freedom.ts';
import type { LimitMap } from '../search/limit-map.ts';

/** What the map of a lathe cut can be drawn over. */
export const LATHE_FREE = ['n', 'fn', 'ap'] as const satisfies readonly Parameter[];
export type LatheFree = (typeof LATHE_FREE)[number];

export interface LatheMapWish {
  readonly x: LatheFree;
  readonly y: LatheFree;
  readonly columns: number;
  readonly rows: number;
}

/** What of them a kind has. */
export const latheFreeOf = (op: TurnedOperation): readonly LatheFree[] =>
  LATHE_FREE.filter((key) => kindOf(op).parameters.includes(key));

export function readLathe(op: TurnedOperation, key: LatheFree): number {
  if (key === 'n') return op.cut.speedRpm;
  if (key === 'fn') return op.kind === 'thread-turning' ? op.thread.pitchMm : op.cut.feedPerRevMm;
  return 'depthMm' in op.cut ? op.cut.depthMm : 0;
}

/** The same cut with one of them set; a speed over the cap is the cap. */
export function writeLathe(op: TurnedOperation, key: LatheFree, value: number): TurnedOperation {
  const change =
    key === 'n'
      ? { speedRpm: 'capRpm' in op.cut ? Math.min(op.cut.capRpm, value) : value }
      : key === 'fn'
        ? { feedPerRevMm: value }
        : { depthMm: value };
  return { ...op, cut: { ...op.cut, ...change } } as TurnedOperation;
}

/** Range shown: a sixth to four times where it stands, snapped to powers of two so that it stays while the point moves. */
export function latheRange(
  key: LatheFree,
  op: TurnedOperation,
  context: OperationContext,
): Freedom<LatheFree> {
  const { name, unit, step, low, high } = movableOf(op, context, key);
  const here = readLathe(op, key);
  const most = key === 'n' && 'capRpm' in op.cut ? Math.min(high, op.cut.capRpm) : high;
  const to = Math.min(Math.max(here, most), 2 ** Math.ceil(Math.log2(here * 4)));
  const from = Math.max(key === 'n' ? 5 : low, 2 ** Math.floor(Math.log2(here / 6)));
  return { key, symbol: key, name: name.toLowerCase(), unit, step, low: Math.min(from, to / 2), high: to };
}

/**
 * What all limits leave of two numbers of a lathe cut, the others as they stand; a limit counts at the high end of its band. `rowDone`
 * is told after each row. Throws an InputError when the operation is impossible or both sides are one number.
 */
export function latheMap(
  op: TurnedOperation,
  context: OperationContext,
  { x: across, y: up, columns, rows }: LatheMapWish,
  rowDone: (row: number) => void = () => undefined,
): LimitMap<LatheFree> {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
  if (across === up)
    throw new InputError([{ field: 'y', value: up, allowed: 'another number than the other side' }]);
  const [x, y] = [latheRange(across, op, context), latheRange(up, op, context)];
  const cells = columns * rows;
  const limits: { id: string; name: string }[] = [];
  const shares: Float32Array[] = [];
  const forbids: Uint8Array[] = [];
  const worst = new Int16Array(cells).fill(-1);
  const largest = new Float32Array(cells).fill(NaN);
  const worth = new Float32Array(cells).fill(NaN);
  const places = new Map<string, number>();
  const placeOf = ({ id, name }: LimitResult): number => {
    const known = places.get(id);
    if (known !== undefined) return known;
    limits.push({ id, name });
    shares.push(new Float32Array(cells).fill(NaN));
    forbids.push(new Uint8Array(cells));
    places.set(id, limits.length - 1);
    return limits.length - 1;
  };
  const value = (f: Freedom<LatheFree>, i: number, n: number): number =>
    f.low * (f.high / f.low) ** ((i + 0.5) / n);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = row * columns + column;
      const there = writeLathe(writeLathe(op, x.key, value(x, column, columns)), y.key, value(y, row, rows));
      if (problemsOf(there, context).length > 0) continue;
      const e = evaluate(there, context);
      worth[at] = numberOf(e, 'Q').value;
      let most = -1;
      for (const limit of e.limits) {
        const i = placeOf(limit);
        const share = limit.share?.high ?? null;
        const no = limit.state === 'over' || (share !== null && share > 1);
        if (no) forbids[i]![at] = 1;
        if (share !== null) shares[i]![at] = share;
        const weight = share ?? (no ? Infinity : 0);
        if (weight > most) {
          most = weight;
          worst[at] = i;
        }
      }
      largest[at] = Number.isFinite(most) ? most : NaN;
    }
    rowDone(row);
  }
  return { x, y, columns, rows, limits, shares, forbids, worst, largest, worth };
}
