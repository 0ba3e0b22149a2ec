import type { Growth } from './growth.ts';
import { memoryOf } from '../../../numerics/memory.ts';

/** Highest orders of a piece's polynomial: what nodes follow well has little of them. */
const HIGHEST = 3;
const LEAST_NODES = HIGHEST + 2;
/** What grows is an artefact of nodes that do not follow it where so much of it lies in the highest orders. */
const ARTEFACT = 0.45;

/** Chebyshev coefficients from values at so many Lobatto nodes: [order][node]. Trefethen 2013, ch. 3. */
const made = memoryOf<Float64Array>(64);

const coefficients = (count: number): Float64Array =>
  made.recall(String(count), () => {
    const last = count - 1;
    const half = (i: number): number => (i === 0 || i === last ? 0.5 : 1);
    return Float64Array.from({ length: count * count }, (_, i) => {
      const [order, node] = [Math.floor(i / count), i % count];
      return (2 / last) * half(order) * half(node) * Math.cos((Math.PI * order * node) / last);
    });
  });

/** Share of what grows that lies in the highest orders of the pieces' polynomials, 0 to 1. */
function highestShare({ map, top: { vector } }: Growth): number {
  let high = 0;
  let all = 0;
  for (const { from, to, first, nodes } of map.spans) {
    const { count } = nodes;
    if (count < LEAST_NODES) continue;
    const c = coefficients(count);
    for (let d = 0; d < map.directions.length; d++) {
      const at = map.state + first * map.directions.length + d * count;
      for (const part of [vector.re, vector.im]) {
        for (let k = 0; k < count; k++) {
          let sum = 0;
          for (let j = 0; j < count; j++) sum += c[k * count + j]! * part[at + j]!;
          const energy = sum * sum * (to - from);
          all += energy;
          if (k >= count - HIGHEST) high += energy;
        }
      }
    }
  }
  return all > 0 ? Math.sqrt(high / all) : 0;
}

/** Whether what grows is quicker than the nodes follow: then it may be an artefact of theirs. Never where they follow every mode. */
export const isUnfollowed = (growth: Growth): boolean =>
  growth.log >= 0 && !growth.map.followsAll && highestShare(growth) > ARTEFACT;
