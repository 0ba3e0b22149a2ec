import { describe, expect, it } from 'vitest';
import { clearOfSurface } from './clear-of-surface.ts';
import { surfaceContact } from './surface-contact.ts';

const ball = (lean: number) => surfaceContact({ type: 'end_mill_ball', properties: { DC: 10 } }, lean)!;
/** Holder of 26 mm, 32 mm over the tip. */
const NOSE = [{ heightMm: 32, radiusMm: 13 }];

describe('shank and holder beside a slope', () => {
  it('stand off it along its normal, as a compass on a drawing would measure', () => {
    // At 45° through the contact (3.54, 1.46): (30.54 − 9.46)·cos 45°.
    const { slope } = clearOfSurface(ball(45), 60, 0, NOSE);
    expect(slope).toBeCloseTo((32 - 5 * (1 - Math.SQRT1_2) - (13 - 5 * Math.SQRT1_2)) * Math.SQRT1_2, 9);
  });

  it('are inside a wall that is as high as the tool is long, and over one that is not', () => {
    expect(clearOfSurface(ball(90), 60, 0, NOSE).slope).toBeCloseTo(-8, 9);
    expect(clearOfSurface(ball(90), 20, 0, NOSE).slope).toBeNull();
  });

  it('upright they are over the level by what is left of the stick-out, tilted they come nearer to it', () => {
    const level = (tilt: number) => clearOfSurface(ball(30 + tilt), 10, tilt, NOSE).level;
    expect(level(0)).toBeCloseTo(32 - 5 * (1 - Math.cos(Math.PI / 6)) - 5, 9);
    expect(level(30)!).toBeLessThan(level(0)!);
    expect(level(50)!).toBeLessThan(level(30)!);
  });

  it('nothing stands over a slope it does not reach', () => {
    expect(clearOfSurface(ball(30), 1, 0, [{ heightMm: 40, radiusMm: 2 }]).slope).toBeNull();
  });
});
