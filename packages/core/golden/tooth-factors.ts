import type { ChatterCut } from '../src/physics/dynamics/chatter-cut.ts';
import type { EngagedTooth } from '../src/physics/dynamics/periodic/engaged-teeth.ts';

/**
 * Mean over a disc's height of sin², sin·cos, cos² of the part of a tooth that is in the cut at turn θ, times the disc's
 * share of the depth; null where no part of it is. A tooth may pass more than once in a period when the lag is longer than
 * that. Written out on its own, for methods the periodic solution is held against.
 */
export function toothFactors(
  { entry, exit }: ChatterCut,
  { behind, lag, share }: EngagedTooth,
  period: number,
  theta: number,
): readonly [number, number, number] | null {
  // φ of the disc's bottom is θ − behind, that of its top lags.
  const lowest = Math.ceil((entry - (theta - behind)) / period - 1e-12);
  const highest = Math.floor((exit + lag - (theta - behind)) / period + 1e-12);
  let [ss, sc, cc] = [0, 0, 0];
  let cuts = false;
  for (let k = lowest; k <= highest; k++) {
    const phi = theta - behind + k * period;
    const to = Math.min(exit, phi);
    const from = Math.max(entry, phi - lag);
    if (lag < 1e-9) {
      if (phi < entry || phi > exit) continue;
      ss += share * Math.sin(phi) ** 2;
      sc += share * Math.sin(phi) * Math.cos(phi);
      cc += share * Math.cos(phi) ** 2;
      cuts = true;
    } else if (to > from) {
      const half = (to - from) / 2;
      const quarter = (Math.sin(2 * to) - Math.sin(2 * from)) / 4;
      ss += (share / lag) * (half - quarter);
      sc += ((share / lag) * (Math.sin(to) ** 2 - Math.sin(from) ** 2)) / 2;
      cc += (share / lag) * (half + quarter);
      cuts = true;
    }
  }
  return cuts ? [ss, sc, cc] : null;
}
