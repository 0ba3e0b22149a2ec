import { describe, expect, it } from 'vitest';
import { type CutterShape, riseAt, squareCutter } from './cutter-shape.ts';
import { clearedTo, straight } from './passes.ts';

const SHAPES: Record<string, CutterShape> = {
  square: squareCutter(12),
  ball: { radiusMm: 6, flatMm: 0, cornerMm: 6, slope: 0 },
  bull: { radiusMm: 6, flatMm: 4.5, cornerMm: 1.5, slope: 0 },
  cone: { radiusMm: 6, flatMm: 1, cornerMm: 0, slope: 1 },
};

/** The cutter set down at many places of the way. */
function setDown(
  a: readonly number[],
  b: readonly number[],
  shape: CutterShape,
  x: number,
  y: number,
): number {
  let lowest = Infinity;
  const places = 20_000;
  for (let k = 0; k <= places; k++) {
    const at = a.map((from, axis) => from + ((b[axis]! - from) * k) / places);
    const distance = Math.hypot(x - at[0]!, y - at[1]!);
    if (distance <= shape.radiusMm) lowest = Math.min(lowest, at[2]! + riseAt(shape, distance));
  }
  return lowest;
}

describe.each(Object.entries(SHAPES))('an inclined way of a %s end', (_, shape) => {
  const ways = [
    { a: [0, 0, 0], b: [20, 6, -4] },
    { a: [0, 0, -8], b: [9, -3, 2] },
    { a: [0, 0, -1], b: [-0.4, 0.3, -1.3] },
  ];
  it.each(ways)('clears what the cutter set down all along it clears: $a to $b', ({ a, b }) => {
    const pass = straight(a, b, shape);
    let seen = 0;
    for (let x = -9; x <= 27; x += 2.3)
      for (let y = -9; y <= 13; y += 2.1) {
        const wanted = setDown(a, b, shape, x, y);
        if (wanted === Infinity) continue;
        seen++;
        expect(clearedTo(pass, x, y), `at ${x}, ${y}`).toBeCloseTo(wanted, 2);
      }
    expect(seen).toBeGreaterThan(15);
  });
});
