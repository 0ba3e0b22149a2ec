import type { Multiplier } from './dominant.ts';
import type { PeriodMap } from './period-map.ts';
import { readAt, spanAt } from './span.ts';

/** A vector of one map read at the nodes of another one of the same cut at a near depth, or more finely resolved. */
function read(vector: Float64Array, from: PeriodMap, to: PeriodMap): Float64Array {
  const out = new Float64Array(to.size);
  const dims = to.directions.length;
  out.set(vector.subarray(0, to.state));
  if (from.spans.length === 0) return out;
  const shares = new Float64Array(64);
  for (const span of to.spans) {
    const { count, at } = span.nodes;
    for (let a = 0; a < count; a++) {
      const place = span.from + (span.to - span.from) * at[a]!;
      const source = spanAt(from.spans, place);
      readAt(source, place, shares);
      for (let d = 0; d < dims; d++) {
        const u = from.state + source.first * dims + d * source.nodes.count;
        let sum = 0;
        for (let b = 0; b < source.nodes.count; b++) sum += shares[b]! * vector[u + b]!;
        out[to.state + span.first * dims + d * count + a] = sum;
      }
    }
  }
  return out;
}

/** What a map's answer says of another one's. */
export const transferred = (top: Multiplier, from: PeriodMap, to: PeriodMap): Float64Array =>
  read(top.leading, from, to);
