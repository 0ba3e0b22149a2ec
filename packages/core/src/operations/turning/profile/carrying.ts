import { contourOf, radiusAt } from './contour.ts';
import type { TurnedProfile } from './turned-profile.ts';

const PLACES = 48;

/**
 * Diameter of a plain bar that gives way at its free end as the profiled part does, mm: ∫(L−x)²/I dx is the same. Euler–Bernoulli.
 * `skinMm` still stands on the profile; between it and the jaws the part is `rootMm` thick; `boreMm` goes through.
 */
export function carryingOf(
  profile: TurnedProfile,
  part: {
    readonly overhangMm: number;
    readonly rootMm: number;
    readonly skinMm: number;
    readonly boreMm: number;
  },
): number {
  const contour = contourOf(profile, false);
  const length = contour.at(-1)!.z;
  const { overhangMm, rootMm, skinMm, boreMm } = part;
  let compliance = 0;
  const step = overhangMm / PLACES;
  for (let i = 0; i < PLACES; i++) {
    const [near, far] = [i * step, (i + 1) * step];
    const at = (near + far) / 2;
    const diameter = at > length ? rootMm : Math.min(rootMm, 2 * (radiusAt(contour, at) + skinMm));
    compliance += (far ** 3 - near ** 3) / 3 / Math.max(1e-6, diameter ** 4 - boreMm ** 4);
  }
  return (overhangMm ** 3 / (3 * compliance) + boreMm ** 4) ** 0.25;
}
