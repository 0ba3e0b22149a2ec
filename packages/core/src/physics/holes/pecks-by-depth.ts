import { packingFactor } from './chip-packing.ts';
import { chipReach, type PeckConditions, planPecks } from './peck-plan.ts';

/** What a hole of one depth would need. */
export interface DepthAnswer {
  readonly depthMm: number;
  readonly pecks: number;
  /** Torque at the bottom of one uninterrupted stroke over the cutting torque. */
  readonly packingInOne: number;
}

export interface PecksByDepth {
  readonly answers: readonly DepthAnswer[];
  /** Depths at which the answer changes, with the rule that changes it, mm. */
  readonly changes: readonly { readonly depthMm: number; readonly why: string }[];
}

/**
 * Pecks against depth: where one peck ends, where a pilot begins, where one peck would twist the drill off.
 * `mostPacking` is the torque over the cutting torque this drill stands; `pilotFrom` in diameters.
 */
export function pecksByDepth(
  c: PeckConditions,
  mostMm: number,
  mostPacking: number,
  pilotFrom: number,
  points = 60,
): PecksByDepth {
  const reach = chipReach(c);
  const answers = Array.from({ length: points }, (_, i): DepthAnswer => {
    const depthMm = (mostMm * (i + 1)) / points;
    return {
      depthMm,
      pecks: planPecks({ ...c, depthMm }).length,
      packingInOne: packingFactor(depthMm / c.diameterMm, reach.first),
    };
  });
  const changes: { depthMm: number; why: string }[] = [];
  const twists = answers.find((a) => a.packingInOne > mostPacking);
  const more = answers.find((a) => a.pecks > 1);
  if (more) changes.push({ depthMm: more.depthMm, why: `one peck ends: ${reach.why}` });
  if (pilotFrom * c.diameterMm <= mostMm)
    changes.push({ depthMm: pilotFrom * c.diameterMm, why: 'a pilot guides it from here' });
  if (twists) changes.push({ depthMm: twists.depthMm, why: 'one peck would overload the drill' });
  return { answers, changes: changes.sort((a, b) => a.depthMm - b.depthMm) };
}
