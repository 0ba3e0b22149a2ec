import { MOST_ELEMENTS, type ProfileElement, type TurnedProfile } from '@burl/core';

/** A corner of a drawn profile: from the free end towards the jaws, diameter, and how the piece to the next one bends. */
export interface DrawnPoint {
  readonly zMm: number;
  readonly diameterMm: number;
  /** Tangent of a quarter of the arc to the next point, above 0 where it lies farther from the axis than its chord; 0 is straight. */
  readonly bulge: number;
}

/** What a file of a profile holds, or why it cannot be read. */
export type ReadProfile =
  { readonly ok: true; readonly profile: TurnedProfile } | { readonly ok: false; readonly error: string };

export const refused = (error: string): ReadProfile => ({ ok: false, error });

/** Two corners this near are one, mm. */
const SAME = 1e-4;
const tidy = (value: number): number => Number(value.toFixed(4));

/** Points from the free end towards the jaws as steps, cones and arcs. */
export function profileOfPoints(points: readonly DrawnPoint[], inside: boolean): ReadProfile {
  const [first] = points;
  if (!first || points.length < 2) return refused('a profile needs two points or more');
  const elements: ProfileElement[] = [];
  let startMm = tidy(first.diameterMm);
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const dz = b.zMm - a.zMm;
    const dr = (b.diameterMm - a.diameterMm) / 2;
    if (dz < -SAME)
      return refused(
        `at ⌀${tidy(a.diameterMm)} mm, ${tidy(a.zMm)} mm from the free end, the profile goes back: a groove is cut as one`,
      );
    if (Math.abs(dz) < SAME && Math.abs(dr) < SAME) continue;
    if (Math.abs(dz) < SAME) {
      // The face before the first diameter is no part of the profile.
      if (elements.length === 0) startMm = tidy(b.diameterMm);
      else elements.push(piece('step', b.diameterMm, 0));
    } else if (Math.abs(a.bulge) > 1e-6) {
      const chord = Math.hypot(dz, dr);
      const radiusMm = tidy((chord * (1 + a.bulge ** 2)) / (4 * Math.abs(a.bulge)));
      const side = a.bulge > 0 !== inside ? 'bulging' : 'hollow';
      elements.push({ ...piece('arc', b.diameterMm, dz), radiusMm, side });
    } else if (Math.abs(dr) < SAME) {
      const last = elements.at(-1);
      if (last?.kind === 'step' && last.lengthMm === 0) elements.pop();
      elements.push(piece('step', b.diameterMm, dz));
    } else elements.push(piece('cone', b.diameterMm, dz));
  }
  if (elements.length === 0) return refused('a profile needs a length');
  if (elements.length > MOST_ELEMENTS)
    return refused(
      `a profile has ${MOST_ELEMENTS} steps, cones and arcs at the most; this one has ${elements.length}: draw curves as arcs`,
    );
  return { ok: true, profile: { startMm, elements, skinMm: null, cornerMm: null } };
}

const piece = (kind: ProfileElement['kind'], toMm: number, lengthMm: number): ProfileElement => ({
  kind,
  toMm: tidy(toMm),
  lengthMm: tidy(lengthMm),
  radiusMm: null,
  side: 'bulging',
});
