import type { OperationContext } from '../../operations/context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { InputError } from '../../units/input-error.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { millingInput } from '../../operations/milling/milling-input.ts';
import { turnSummary } from '../../operations/milling/milling-loads.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { chatterNet } from './chatter-net.ts';
import { normalDeviate } from '../../numerics/normal.ts';
import { type Freedom, freedomOf } from './freedom.ts';
import { type FreeParameter, readFree, writeFree } from '../../operations/milling/milling-movables.ts';
import { type Objective, worthOf } from './objective.ts';
import { CUT_LIMITS, eachCutShare, guessed, setupShares } from './shares.ts';
import { KNOTS, turnGrid } from './turn-grid.ts';

export interface MapWish {
  readonly x: FreeParameter;
  readonly y: FreeParameter;
  readonly columns: number;
  readonly rows: number;
  readonly confidence: number;
  readonly objective: Objective;
}

/** A map of what is allowed. Values run row by row from the lowest y; axes are logarithmic. */
export interface LimitMap<K extends string = FreeParameter> {
  readonly x: Freedom<K>;
  readonly y: Freedom<K>;
  readonly columns: number;
  readonly rows: number;
  readonly limits: readonly { readonly id: string; readonly name: string }[];
  /** Share used of each limit at the confidence, one array a limit; NaN where it does not apply. */
  readonly shares: readonly Float32Array[];
  /** For each limit, 1 at the points it forbids: above its share, or by a plain no. */
  readonly forbids: readonly Uint8Array[];
  /** Place in `limits` of the one that is worst at each point: a plain no, else the largest share. */
  readonly worst: Int16Array;
  /** Largest share at each point. */
  readonly largest: Float32Array;
  readonly worth: Float32Array;
}

/**
 * Range a map shows of a parameter, within what is possible: from a sixth to four times the working point, snapped to powers
 * of two so that the range, and with it the map, stays while the point moves about.
 */
export function mapRange(key: FreeParameter, op: MillingOperation, context: OperationContext): Freedom {
  const f = freedomOf(key, op, context);
  if (key === 'stickOut') return f;
  const here = readFree(op, key);
  const low = 2 ** Math.floor(Math.log2(here / 6));
  const high = Math.min(f.high, 2 ** Math.ceil(Math.log2(here * 4)));
  const floor = key === 'ae' ? 0.01 * outerDiameter(context.cutter) : f.low;
  return { ...f, low: Math.min(Math.max(floor, low), high / 2), high };
}

/** Where column or row `i` of `n` lies. */
export const atCell = (f: Freedom, i: number, n: number): number =>
  f.low * (f.high / f.low) ** ((i + 0.5) / n);

/**
 * Works a map out row by row; `rowDone` is told after each and stops the work by returning false. Forces are read between
 * a net of worked-out points (see `turnGrid`), everything else is worked out at every point. Returns null when stopped.
 * Throws an InputError when the operation is impossible or both sides are one parameter.
 */
export function limitMap(
  op: MillingOperation,
  context: OperationContext,
  wish: MapWish,
  rowDone: (row: number) => boolean = () => true,
): LimitMap | null {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
  if (wish.x === wish.y)
    throw new InputError([{ field: 'y', value: wish.y, allowed: 'another parameter than the other side' }]);
  const { columns, rows } = wish;
  const x = mapRange(wish.x, op, context);
  const y = mapRange(wish.y, op, context);
  const z = normalDeviate(wish.confidence);
  const build = (u: number, v: number): MillingOperation => writeFree(writeFree(op, x.key, u), y.key, v);
  // A coarse picture has fewer points than the net has knots.
  const summarise =
    columns * rows < KNOTS ? turnSummary : turnGrid(x, y, build, (there) => millingInput(there, context));
  const chatter =
    columns * rows < KNOTS ? null : chatterNet(x, y, (u, v) => millingState(build(u, v), context, summarise));
  const limits: { id: string; name: string }[] = [];
  const shares: Float32Array[] = [];
  /** Place on the map of each limit, in the order they are told; −1 until it applies somewhere. */
  const places = new Int16Array(CUT_LIMITS.length).fill(-1);
  const forbids: Uint8Array[] = [];
  const worst = new Int16Array(columns * rows).fill(-1);
  const largest = new Float32Array(columns * rows).fill(NaN);
  const worth = new Float32Array(columns * rows).fill(NaN);
  const place = ({ id, name }: { readonly id: string; readonly name: string }): number => {
    limits.push({ id, name });
    shares.push(new Float32Array(columns * rows).fill(NaN));
    forbids.push(new Uint8Array(columns * rows));
    return limits.length - 1;
  };
  let at = 0;
  /** A limit has said no without a share at this point: nothing is worse, and no share tells how far off it is. */
  let refused = false;
  const note = (i: number, share: number | null, no: boolean): void => {
    if (no) forbids[i]![at] = 1;
    if (share !== null) shares[i]![at] = share;
    if (refused) return;
    if (no && share === null) {
      refused = true;
      largest[at] = NaN;
      worst[at] = i;
    } else if (share !== null && !(largest[at]! >= share)) {
      largest[at] = share;
      worst[at] = i;
    }
  };
  const noteCut = (limit: number, share: number | null, no: boolean): void => {
    if (places[limit]! < 0) places[limit] = place(CUT_LIMITS[limit]!);
    note(places[limit]!, share, no);
  };
  const here = millingState(op, context);
  const fixed = setupShares(here, z).map((s) => ({ ...s, at: place(s) }));
  // A tip is known at a stick-out: only an axis of stick-out changes what is known.
  const tipIsGuessed = x.key === 'stickOut' || y.key === 'stickOut' ? null : guessed(here);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const there = build(atCell(x, column, columns), atCell(y, row, rows));
      at = row * columns + column;
      const state = millingState(there, context, summarise, chatter ?? undefined);
      refused = false;
      for (const s of fixed) note(s.at, s.share, s.forbids);
      eachCutShare(state, z, tipIsGuessed ?? guessed(state), noteCut);
      worth[at] = worthOf(wish.objective, state);
    }
    if (!rowDone(row)) return null;
  }
  return { x, y, columns, rows, limits, shares, forbids, worst, largest, worth };
}
