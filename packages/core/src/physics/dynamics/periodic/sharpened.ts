import { type Border, shortStep } from './border.ts';
import type { Growth } from './growth.ts';
import { believed, learnt } from './growth-slope.ts';

/** Steps to close in on the border at one resolution. */
const STEPS = 12;

/**
 * Secants on ln |μ| over ln of the depth from a near border on, until what a step may be off by is no more than a share of the
 * depth.
 */
export function sharpened(
  growth: (depthMm: number) => Growth,
  from: Pick<Border, 'depthMm' | 'known'>,
  mostMm: number,
  step: number,
): Border {
  let { depthMm } = from;
  let known = believed(from.known);
  let found = growth(depthMm);
  for (let i = 0; i < STEPS; i++) {
    const by = shortStep(found, known);
    const wanted = found.depthMm * Math.exp(by);
    depthMm = wanted > mostMm ? Math.sqrt(found.depthMm * mostMm) : wanted;
    if (Math.abs(by) * known.doubt < step || depthMm === found.depthMm) {
      return { depthMm, found, known, reached: true };
    }
    const next = growth(depthMm);
    known = learnt(known, found, next);
    found = next;
  }
  return { depthMm, found, known, reached: false };
}
