/** A part's plan and what was taken off two opposite sides. */
export interface Removal {
  /** Long side of the part, mm. */
  readonly lengthMm: number;
  /** Thickness of the blank between the two sides, mm. */
  readonly blankMm: number;
  /** Mean depth taken off each side over the whole plan, mm: volume over plan area. */
  readonly topMm: number;
  readonly bottomMm: number;
}

/**
 * Bow after the part is let go, mm, of a plate whose skin stress `stressMPa` reaches `layerMm` deep from both faces: what one
 * side loses more than the other leaves a moment, and the rest bends by it. `modulusGPa` is Young's. Plate theory, e.g.
 * Timoshenko, with the stress of the skin taken constant through its layer.
 */
export function bowAfter(
  { lengthMm, blankMm, topMm, bottomMm }: Removal,
  stressMPa: number,
  layerMm: number,
  modulusGPa: number,
): number {
  const left = blankMm - topMm - bottomMm;
  if (!(left > 0)) return Infinity;
  const taken = (depth: number): number => Math.min(depth, layerMm);
  const uneven = Math.abs(taken(topMm) - taken(bottomMm));
  // Force of the lost layer per width times its arm to the middle of what is left.
  const moment = stressMPa * uneven * (left / 2 + uneven / 2);
  const curvature = (12 * moment) / (modulusGPa * 1000 * left ** 3);
  return (curvature * lengthMm ** 2) / 8;
}
