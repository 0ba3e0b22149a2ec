import type { Multiplier } from './dominant.ts';
import type { PeriodMap } from './period-map.ts';

/** Highest orders of a piece's polynomial: what nodes follow well has little of them. */
const HIGHEST = 3;
const LEAST_NODES = HIGHEST + 2;

/**
 * Share of what grows that lies in the highest orders of the pieces' polynomials, 0 to 1: large where it is quicker than the nodes
 * can follow, and so an artefact of theirs. Chebyshev coefficients from values at Lobatto nodes; Trefethen 2013, ch. 3.
 */
export function unfollowedShare(map: PeriodMap, { vector }: Multiplier): number {
  let high = 0;
  let all = 0;
  for (const { from, to, first, nodes } of map.spans) {
    const last = nodes.count - 1;
    if (nodes.count < LEAST_NODES) continue;
    for (let d = 0; d < map.directions.length; d++) {
      const at = map.state + first * map.directions.length + d * nodes.count;
      for (const part of [vector.re, vector.im]) {
        for (let k = 0; k <= last; k++) {
          let sum = 0;
          for (let j = 0; j <= last; j++) {
            const half = j === 0 || j === last ? 0.5 : 1;
            sum += half * part[at + j]! * Math.cos((Math.PI * k * j) / last);
          }
          const energy = (k === 0 || k === last ? 0.25 : 1) * sum * sum * (to - from);
          all += energy;
          if (k > last - HIGHEST) high += energy;
        }
      }
    }
  }
  return all > 0 ? Math.sqrt(high / all) : 0;
}
