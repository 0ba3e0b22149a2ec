import { type Span, readAt, spanAt } from './span.ts';

/** Reads of the motion of teeth that passed before, node by node of the whole period. */
export interface DelayedReads {
  /** Reads of node a are `start[a]` to `start[a + 1]`. */
  readonly start: Int32Array;
  /** Where in the record the first node of the piece read lies, for the first direction. */
  readonly from: Int32Array;
  /** Nodes of the piece read. */
  readonly count: Int32Array;
  /** Periods ago: 0 is this one's record, else that of the period before is read. */
  readonly before: Int32Array;
  /** Where the shares of a read begin. */
  readonly at: Int32Array;
  /** Share of each node of the piece read. */
  readonly shares: Float64Array;
  /** Direction matrix of each read, N/m a metre of depth: [read][row][column]. */
  readonly pressing: Float64Array;
}

/** Numbers that come one by one, in a buffer that is used again by the next map. */
class Collected<A extends Float64Array | Int32Array> {
  private held: A;
  private readonly made: (length: number) => A;
  length = 0;

  constructor(made: (length: number) => A) {
    this.made = made;
    this.held = made(1 << 14);
  }

  /** Room for so many more; where they begin in `values`. */
  room(more: number): number {
    if (this.length + more > this.held.length) {
      const larger = this.made(2 * (this.length + more));
      larger.set(this.held);
      this.held = larger;
    }
    this.length += more;
    return this.length - more;
  }

  get values(): A {
    return this.held;
  }

  push(value: number): void {
    const at = this.room(1);
    this.held[at] = value;
  }

  taken(): A {
    return this.held.slice(0, this.length) as A;
  }
}

const ints = (): Collected<Int32Array> => new Collected((length) => new Int32Array(length));
const floats = (): Collected<Float64Array> => new Collected((length) => new Float64Array(length));

const start = ints();
const from = ints();
const count = ints();
const before = ints();
const at = ints();
const shares = floats();
const pressings = floats();

/** Collects the reads of one node after the other, of one map at a time. */
export class DelayedCollector {
  private readonly spans: readonly Span[];
  private readonly period: number;
  private readonly dims: number;

  constructor(spans: readonly Span[], period: number, dims: number) {
    this.spans = spans;
    this.period = period;
    this.dims = dims;
    for (const collected of [start, from, count, before, at, shares, pressings]) collected.length = 0;
    start.push(0);
  }

  /**
   * A tooth that presses with `matrix`, N/m, on what was left at a turn. `toward` is the side of the node's own piece:
   * of two pieces that meet there the one on that side is read.
   */
  add(place: number, toward: number, matrix: Float64Array): void {
    let old = 0;
    while (place < -1e-12) {
      place += this.period;
      old++;
    }
    const source = spanAt(this.spans, place + toward);
    const nodes = source.nodes.count;
    from.push(source.first * this.dims);
    count.push(nodes);
    before.push(old);
    const share = shares.room(nodes);
    at.push(share);
    readAt(source, place, shares.values, share);
    const to = pressings.room(matrix.length);
    for (let k = 0; k < matrix.length; k++) pressings.values[to + k] = matrix[k]!;
  }

  /** The node is done; the next one begins. */
  next(): void {
    start.push(from.length);
  }

  done(): DelayedReads {
    return {
      start: start.taken(),
      from: from.taken(),
      count: count.taken(),
      before: before.taken(),
      at: at.taken(),
      shares: shares.taken(),
      pressing: pressings.taken(),
    };
  }
}
