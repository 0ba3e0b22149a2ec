/**
 * Jaws and chuck where nobody stated them: three jaws of this weight, this far out, of a chuck of this size, and what it pushes with.
 * Estimates of the class.
 */
export const USUAL_CHUCK = {
  jaws: 3,
  massKg: 0.9,
  sizeMm: 254,
  radiusShare: 0.36,
  friction: 0.2,
  forceN: 60_000,
} as const;
