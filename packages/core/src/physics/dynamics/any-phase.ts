import { type ChatterCut, dampingOf, edgeSpeed, meanDirection, meanFactors } from './chatter-cut.ts';
import { eigenvaluePair, keepApart } from '../../numerics/eigenvalue-pair.ts';
import { receptanceAt, type TipStructure } from './tip-structure.ts';

const TURN = 2 * Math.PI;
/** Phases between one wave and the next that are tried. */
const PHASES = 16;

/**
 * The inverse of the least depth, 1/mm, at which some phase from wave to wave makes the averaged cut chatter at a frequency; 0 where none
 * does, or where it is less than `least`.
 */
export function averagedAtAnyPhase(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
): (hz: number, least: number) => number {
  const w = meanDirection(cut);
  const [ss, sc, cc] = meanFactors(cut);
  const d = dampingOf(cut, edgeSpeed(cut, rpm), ss, sc, cc);
  const now = new Float64Array(4);
  const last = new Float64Array(4);
  const strength = 2 * Math.hypot(...w);
  const damped = Math.hypot(...d);
  const detW = w[0] * w[3] - w[1] * w[2];
  const detD = d[0] * d[3] - d[1] * d[2];
  const mixed = w[0] * d[3] + d[0] * w[3] - w[1] * d[2] - d[1] * w[2];
  return (hz, least) => {
    const omega = TURN * hz;
    const x = receptanceAt(structure.x, hz);
    const y = receptanceAt(structure.y, hz);
    // No eigenvalue is larger than the norms of what it comes of.
    if (
      Math.max(Math.hypot(x.re, x.im), Math.hypot(y.re, y.im)) * (strength + omega * damped) <
      least * 1000
    ) {
      return 0;
    }
    // −G·(S·W + iωD), S = 1 − e^(−iθ): its trace and determinant are polynomials of S.
    const tsr = x.re * w[0] + y.re * w[3];
    const tsi = x.im * w[0] + y.im * w[3];
    const tdr = -omega * (x.im * d[0] + y.im * d[3]);
    const tdi = omega * (x.re * d[0] + y.re * d[3]);
    const gr = x.re * y.re - x.im * y.im;
    const gi = x.re * y.im + x.im * y.re;
    let most = 0;
    for (let k = 0; k <= PHASES; k++) {
      const theta = (TURN * k) / PHASES;
      const sr = 1 - Math.cos(theta);
      const si = Math.sin(theta);
      const tr = -(tsr * sr - tsi * si + tdr) / 2;
      const ti = -(tsr * si + tsi * sr + tdi) / 2;
      const pr = detW * (sr * sr - si * si) - omega * mixed * si - omega * omega * detD;
      const pi = detW * 2 * sr * si + omega * mixed * sr;
      const dr = gr * pr - gi * pi;
      const di = gr * pi + gi * pr;
      eigenvaluePair(tr, ti, dr, di, now);
      if (k > 0) {
        keepApart(now, last);
        most = Math.max(most, crossing(last, now, 0), crossing(last, now, 2));
      }
      last.set(now);
    }
    return most / 1000;
  };
}

/** Where an eigenvalue on its way to the next becomes real, 0 where it does not; the first begins at 0, the second at 2. */
function crossing(from: Float64Array, to: Float64Array, at: number): number {
  const im = from[at + 1]!;
  const next = to[at + 1]!;
  if (im * next > 0 || im === next) return 0;
  return from[at]! + (im / (im - next)) * (to[at]! - from[at]!);
}
