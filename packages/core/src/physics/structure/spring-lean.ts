/** Force on the wall over the width of cut: mean of what chip and arc give together for Kienzle's law, 1 − mc/2. */
const FORCE_OVER_WIDTH = 0.88;
/** Edge radii under which nothing is sheared; rule G-02. */
const SHEARS = 0.5;

export interface SpringLean {
  /** What is left after the passes, mm. */
  readonly leftMm: number;
  /** Passes that cut before the chip became too thin. */
  readonly useful: number;
}

/**
 * Lean that is left after passes repeated on the same line, in closed form enough for a limit: the first pass of width `ae`
 * leans `lean`; a pass that finds `found` leaves the δ with δ = lean·((found − δ)/ae)^0.88. It ends where the chip falls under
 * half the edge's radius, since such a pass only rubs. `chipOf` is the max chip thickness of a width, mm. The full account, height by
 * height, is `detail/wall-of.ts`.
 */
export function leanAfterSprings(
  deflectionMm: number,
  radialMm: number,
  passes: number,
  edgeRadiusMm: number,
  chipOf: (widthMm: number) => number,
): SpringLean {
  let found = deflectionMm;
  for (let pass = 0; pass < passes; pass++) {
    let [low, high] = [0, found];
    for (let i = 0; i < 30; i++) {
      const left = (low + high) / 2;
      if (deflectionMm * (Math.max(0, found - left) / radialMm) ** FORCE_OVER_WIDTH > left) low = left;
      else high = left;
    }
    if (chipOf(Math.max(1e-6, found - high)) < SHEARS * edgeRadiusMm) return { leftMm: found, useful: pass };
    found = high;
  }
  return { leftMm: found, useful: passes };
}
