import { describe, expect, it } from 'vitest';
import { burrAt } from './burr.ts';

const cut = { group: 'M', chipMm: 0.05, edgeRadiusMm: 0.01, wearMm: 0.05 } as const;

describe('a burr', () => {
  it('is thickest where teeth leave, thinnest along a rim', () => {
    const [exit, end, rim] = (['exit', 'feed-end', 'rim'] as const).map((side) => burrAt(side, cut).heightMm);
    expect(exit).toBeGreaterThan(end!);
    expect(end).toBeGreaterThan(rim!);
  });

  it('grows with chip, edge radius and wear', () => {
    const height = (change: object): number => burrAt('exit', { ...cut, ...change }).heightMm;
    for (const more of [{ chipMm: 0.1 }, { edgeRadiusMm: 0.02 }, { wearMm: 0.2 }])
      expect(height(more)).toBeGreaterThan(height({}));
  });

  it('hangs in ductile stainless, crumbles off cast iron and hardened steel', () => {
    const of = (group: 'M' | 'K' | 'H' | 'N') => burrAt('exit', { ...cut, group }).heightMm;
    expect(of('M')).toBeGreaterThan(of('N'));
    for (const brittle of ['K', 'H'] as const) expect(of(brittle)).toBeLessThan(of('M') / 5);
    // A drilled hole in stainless: tenths at its exit, not millimetres.
    expect(of('M')).toBeGreaterThan(0.05);
    expect(of('M')).toBeLessThan(0.6);
  });
});
