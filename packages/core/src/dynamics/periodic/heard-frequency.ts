import { receptanceAt, type TipStructure } from '../tip-structure.ts';
import type { Multiplier } from './dominant.ts';
import type { PeriodMap } from './period-map.ts';

const TURN = 2 * Math.PI;
/** Frequencies looked at reach this far beyond the highest mode. */
const BEYOND = 1.5;
/** Where the tip gives less than this share of its most, squared, nothing is heard. */
const LEAST_GIVE = 4e-4;

/**
 * The frequency chatter is heard at, Hz: of all f = (k ± arg μ/2π)/T that its vibration has, the one at which the tip moves most.
 * The forces of what grows are known at every node of the period; their spectrum times the receptance is the tip's.
 */
export function heardFrequency(
  map: PeriodMap,
  { angle, vector }: Multiplier,
  structure: TipStructure,
): number {
  const { forceNodes } = map;
  const dims = map.directions.length;
  const length = forceNodes.at.length * dims;
  const out = new Float64Array(map.size);
  const [re, im] = [new Float64Array(length), new Float64Array(length)];
  map.apply(vector.re, out, re);
  map.apply(vector.im, out, im);
  const axes = [structure.x, structure.y];
  const highest = Math.max(...[...structure.x, ...structure.y].map((m) => m.hz)) * BEYOND;
  const count = Math.ceil(highest * map.period) + 1;
  const give = (hz: number, d: number): number => {
    const g = receptanceAt(axes[map.directions[d]!]!, hz);
    return g.re * g.re + g.im * g.im;
  };
  let [most, best] = [-1, 0];
  for (const sign of [1, -1]) {
    const at = (k: number): number => (k + (sign * angle) / TURN) / map.period;
    const gives = Array.from({ length: count }, (_, k) => map.directions.map((_, d) => give(at(k), d)));
    const largest = Math.max(...gives.flat());
    // Each node's phase goes on by one turn of the period from line to line.
    const nodes = forceNodes.at.length;
    const [pr, pi] = [new Float64Array(nodes), new Float64Array(nodes)];
    const [qr, qi] = [new Float64Array(nodes), new Float64Array(nodes)];
    for (let i = 0; i < nodes; i++) {
      const first = TURN * at(0) * forceNodes.at[i]!;
      const step = (TURN * forceNodes.at[i]!) / map.period;
      pr[i] = forceNodes.weights[i]! * Math.cos(first);
      pi[i] = -sign * forceNodes.weights[i]! * Math.sin(first);
      qr[i] = Math.cos(step);
      qi[i] = -sign * Math.sin(step);
    }
    for (let k = 0; k < count; k++) {
      const counts = at(k) > 0 && at(k) <= highest && Math.max(...gives[k]!) > LEAST_GIVE * largest;
      const sums = new Float64Array(4);
      for (let i = 0; i < nodes; i++) {
        const [c, s] = [pr[i]!, pi[i]!];
        if (counts) {
          for (let d = 0; d < dims; d++) {
            const [a, b] = [re[i * dims + d]!, im[i * dims + d]!];
            sums[2 * d]! += a * c - b * s;
            sums[2 * d + 1]! += a * s + b * c;
          }
        }
        pr[i] = c * qr[i]! - s * qi[i]!;
        pi[i] = c * qi[i]! + s * qr[i]!;
      }
      if (!counts) continue;
      let size = 0;
      for (let d = 0; d < dims; d++) size += (sums[2 * d]! ** 2 + sums[2 * d + 1]! ** 2) * gives[k]![d]!;
      if (size > most) [most, best] = [size, at(k)];
    }
  }
  return best;
}
