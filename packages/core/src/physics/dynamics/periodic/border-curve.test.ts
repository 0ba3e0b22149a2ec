import { describe, expect, it } from 'vitest';
import { borderCurve, turningSpeeds } from './border-curve.ts';

/** Lobes of one mode: between two of them the border has a corner. */
const HZ = 1000;
const lobes = (rpm: number): { depthMm: number; hz: number } => {
  const waves = (60 * HZ) / (rpm * 4);
  const share = waves - Math.floor(waves);
  return { depthMm: 1 + 6 * Math.min(share, 1 - share) ** 2, hz: HZ * (1.1 - 0.08 * share) };
};
const straight = (points: readonly { rpm: number; depthMm: number | null }[], rpm: number): number => {
  const k = points.findIndex((p) => p.rpm >= rpm);
  if (k <= 0) return points[0]!.depthMm!;
  const [a, b] = [points[k - 1]!, points[k]!];
  return Math.exp(
    Math.log(a.depthMm!) + ((rpm - a.rpm) / (b.rpm - a.rpm)) * (Math.log(b.depthMm!) - Math.log(a.depthMm!)),
  );
};

describe('a border over speed', () => {
  const [from, to] = [800, 6000];
  const first = turningSpeeds((rpm) => Math.log(lobes(rpm).depthMm), from, to, 60);
  const curve = borderCurve(lobes, first, { most: 220, mostMm: 20 })!;

  it('misses no lobe that is wider than a fiftieth of its speed', () => {
    // Top of the lobe between k and k + 1 waves; its width is about rpm / (k + 1/2).
    for (let k = 2; k < 19; k++) {
      const top = (60 * HZ) / ((k + 0.5) * 4);
      if (top < from || top > to) continue;
      expect(straight(curve, top) / lobes(top).depthMm, `lobe ${k}`).toBeGreaterThan(0.85);
    }
  });

  it('is no further off than was asked for nearly everywhere, with fewer points than an even curve would need', () => {
    const speeds = Array.from({ length: 1500 }, (_, i) => from + ((to - from) * i) / 1499);
    const bad = (points: typeof curve): number =>
      speeds.filter((n) => Math.abs(Math.log(straight(points, n) / lobes(n).depthMm)) > 0.06).length;
    const even = Array.from({ length: curve.length }, (_, i) => {
      const rpm = from + ((to - from) * i) / (curve.length - 1);
      return { rpm, ...lobes(rpm) };
    });
    expect(bad(curve)).toBeLessThan(bad(even));
  });

  it('takes no more points than allowed, rises in speed, and stops when told', () => {
    const few = borderCurve(lobes, [1000, 2000, 5000], { most: 12, mostMm: 20 })!;
    expect(few).toHaveLength(12);
    expect(few.map((p) => p.rpm)).toEqual(few.map((p) => p.rpm).sort((a, b) => a - b));
    let asked = 0;
    expect(borderCurve(lobes, [1000, 2000], { most: 50, mostMm: 20 }, () => ++asked < 5)).toBeNull();
    expect(asked).toBe(5);
  });

  it('needs one more point in a gap where nothing bends', () => {
    const flat = borderCurve(() => ({ depthMm: 2, hz: 900 }), [1000, 2000, 3000], { most: 50, mostMm: 20 })!;
    expect(flat).toHaveLength(5);
  });
});
