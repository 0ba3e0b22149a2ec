import { type Span, readAt, spanAt } from './span.ts';

/** Reads of the motion of teeth that passed before, node by node of the whole period. */
export interface DelayedReads {
  /** Reads of node a are `start[a]` to `start[a + 1]`. */
  readonly start: Int32Array;
  /** Where in the record the first node of the piece read lies, for the first direction. */
  readonly from: Int32Array;
  /** Nodes of the piece read. */
  readonly count: Int32Array;
  /** 1 where the record is that of the period before. */
  readonly before: Uint8Array;
  /** Where the shares of a read begin. */
  readonly at: Int32Array;
  /** Share of each node of the piece read. */
  readonly shares: Float64Array;
  /** Direction matrix times depth of each read, N/m: [read][row][column]. */
  readonly pressing: Float64Array;
}

/** Numbers that come one by one, in a buffer that is used again. */
class Collected {
  private held = new Float64Array(1 << 14);
  length = 0;

  /** Room for so many more; where they begin in `values`. */
  room(more: number): number {
    if (this.length + more > this.held.length) {
      const larger = new Float64Array(2 * (this.length + more));
      larger.set(this.held);
      this.held = larger;
    }
    this.length += more;
    return this.length - more;
  }

  get values(): Float64Array {
    return this.held;
  }

  taken(): Float64Array {
    return this.held.slice(0, this.length);
  }
}

/** Collects the reads of one node after the other. */
export class DelayedCollector {
  private readonly spans: readonly Span[];
  private readonly period: number;
  private readonly dims: number;
  private readonly start: number[] = [0];
  private readonly from: number[] = [];
  private readonly count: number[] = [];
  private readonly before: number[] = [];
  private readonly at: number[] = [];
  private readonly shares = new Collected();
  private readonly pressing = new Collected();

  constructor(spans: readonly Span[], period: number, dims: number) {
    this.spans = spans;
    this.period = period;
    this.dims = dims;
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
    const { count } = source.nodes;
    this.from.push(source.first * this.dims);
    this.count.push(count);
    this.before.push(old);
    const at = this.shares.room(count);
    this.at.push(at);
    readAt(source, place, this.shares.values, at);
    const to = this.pressing.room(matrix.length);
    for (let k = 0; k < matrix.length; k++) this.pressing.values[to + k] = matrix[k]!;
  }

  /** The node is done; the next one begins. */
  next(): void {
    this.start.push(this.from.length);
  }

  done(): DelayedReads {
    return {
      start: new Int32Array(this.start),
      from: new Int32Array(this.from),
      count: new Int32Array(this.count),
      before: new Uint8Array(this.before),
      at: new Int32Array(this.at),
      shares: this.shares.taken(),
      pressing: this.pressing.taken(),
    };
  }
}

/**
 * Adds what the delayed motion presses with to the forces of `nodes` nodes from the period's node `first` on, read from this
 * period's record so far, `to`, or from the one before, `from`; records begin after `state` numbers.
 */
export function addDelayed(
  read: DelayedReads,
  first: number,
  force: Float64Array,
  from: Float64Array,
  to: Float64Array,
  { nodes, dims, state }: { nodes: number; dims: number; state: number },
): void {
  const { start, shares, pressing } = read;
  for (let a = 0; a < nodes; a++) {
    let f0 = 0;
    let f1 = 0;
    for (let i = start[first + a]!; i < start[first + a + 1]!; i++) {
      const source = read.before[i]! > 0 ? from : to;
      const count = read.count[i]!;
      let u = state + read.from[i]!;
      let w = read.at[i]!;
      const end = w + count;
      if (dims === 2) {
        let ux = 0;
        let uy = 0;
        for (; w < end; u++, w++) {
          const share = shares[w]!;
          ux += share * source[u]!;
          uy += share * source[u + count]!;
        }
        f0 += pressing[4 * i]! * ux + pressing[4 * i + 1]! * uy;
        f1 += pressing[4 * i + 2]! * ux + pressing[4 * i + 3]! * uy;
      } else {
        let ux = 0;
        for (; w < end; u++, w++) ux += shares[w]! * source[u]!;
        f0 += pressing[i]! * ux;
      }
    }
    force[a]! += f0;
    if (dims === 2) force[nodes + a]! += f1;
  }
}
