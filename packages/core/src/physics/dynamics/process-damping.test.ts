import { describe, expect, it } from 'vitest';
import { dampingOfLand, turningLimit } from './process-damping.ts';

describe('process damping of a straight edge', () => {
  it('grows with the square of the wear land', () => {
    expect(dampingOfLand(25e12, 0.06)).toBeCloseTo(45000, 6);
    expect(dampingOfLand(25e12, 0.12)).toBeCloseTo(180000, 6);
  });

  it('refuses a speed of nothing', () => {
    const mode = { hz: 400, damping: 0.03, stiffness: 1e7 };
    expect(() => turningLimit(mode, { kfNMm2: 1500, diameterMm: 50 }, 0)).toThrow(/spindle speed/);
  });
});
