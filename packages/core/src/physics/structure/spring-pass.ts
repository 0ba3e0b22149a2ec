import { requirePositive } from '../../units/input-error.ts';

export interface SpringPass {
  /** What the pass finds on the wall, mm. */
  readonly foundMm: number;
  /** What it leaves, mm. */
  readonly leftMm: number;
  /** Thickest chip of the pass, mm. */
  readonly chipMm: number;
  /** The chip stays under what the edge can shear: it rubs and takes nothing reliable. */
  readonly rubs: boolean;
}

/**
 * Passes repeated on the same programmed line.
 *
 * The tool bends until the force of what it really cuts equals what bends it: left = give × force(found − left). Solved
 * by bisection for each pass, since force grows and room shrinks with what is cut. Where the chip is under `least` the
 * edge rubs, and the pass is taken to leave what it found (rules G-02 and G-81). `giveMmPerN` is at the wall's middle;
 * `forceN` and `chipMm` are functions of the width really cut, mm.
 */
export function springPasses(
  firstLeftMm: number,
  passes: number,
  giveMmPerN: number,
  forceN: (widthMm: number) => number,
  chipMm: (widthMm: number) => number,
  leastChipMm: number,
): SpringPass[] {
  requirePositive('give', giveMmPerN);
  const list: SpringPass[] = [];
  let found = Math.max(0, firstLeftMm);
  for (let i = 0; i < passes; i++) {
    if (found <= 1e-6) break;
    let [low, high] = [0, found];
    for (let k = 0; k < 40; k++) {
      const left = (low + high) / 2;
      if (giveMmPerN * forceN(Math.max(1e-6, found - left)) > left) low = left;
      else high = left;
    }
    const left = (low + high) / 2;
    const chip = chipMm(Math.max(1e-6, found - left));
    const rubs = chip < leastChipMm;
    list.push({ foundMm: found, leftMm: rubs ? found : left, chipMm: chip, rubs });
    if (rubs) break;
    found = left;
  }
  return list;
}
