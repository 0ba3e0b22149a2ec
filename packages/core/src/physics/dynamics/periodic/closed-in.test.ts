import { describe, expect, it } from 'vitest';
import { bracketed, type SearchWish } from './bracketed.ts';
import { closedIn } from './closed-in.ts';
import type { Growth } from './growth.ts';
import { sharpened } from './sharpened.ts';

/** Growth that follows a rule of the depth, and the depths it was asked at. */
function following(log: (depthMm: number) => number): {
  growth: (depthMm: number) => Growth;
  asked: number[];
} {
  const asked: number[] = [];
  return {
    asked,
    growth: (depthMm) => {
      asked.push(depthMm);
      return { depthMm, log: log(depthMm), map: { followsAll: true } } as Growth;
    },
  };
}

const WISH: SearchWish = { firstMm: 1, nextMm: null, aboutMm: 4, mostMm: 60, slope: 3 };
const STEP = 0.005;

function border(log: (depthMm: number) => number, wish: Partial<SearchWish> = {}) {
  const { growth, asked } = following(log);
  const bracket = bracketed(growth, { ...WISH, ...wish }, STEP);
  const found = bracket && closedIn(growth, bracket, STEP, 0);
  return { depthMm: found?.depthMm ?? null, reached: found?.reached, looks: asked.length, asked };
}

const rising = (slope: number, at: number) => (b: number) => slope * Math.log(b / at);

describe('search for a border', () => {
  it.each([0.9, 2, 6, 11])('gets to that of one multiplier in a few looks where it rises by %f', (slope) => {
    const { depthMm, looks } = border(rising(slope, 3.7));
    expect(depthMm).toBeCloseTo(3.7, 1);
    expect(Math.abs(depthMm! / 3.7 - 1)).toBeLessThan(0.01);
    expect(looks).toBeLessThan(8);
  });

  it('ends at once where the first depth is the border', () => {
    expect(border(rising(3, 4.001), { firstMm: 4 })).toMatchObject({ looks: 1, reached: true });
  });

  it('is not led astray by something below that hardly feels the cut', () => {
    const steep = rising(5, 5.2);
    for (const flat of [-0.2, -0.02]) {
      const { depthMm, looks } = border((b) => Math.max(flat + 0.001 * b, steep(b)));
      expect(Math.abs(depthMm! / 5.2 - 1)).toBeLessThan(0.01);
      expect(looks).toBeLessThan(14);
    }
  });

  it('gets to a border that rises far more slowly than theory says', () => {
    const { depthMm } = border(rising(0.3, 6));
    expect(Math.abs(depthMm! / 6 - 1)).toBeLessThan(0.02);
  });

  it('does not step past the depth of the cut: an island there is seen', () => {
    const island = (b: number): number => Math.max(-1, 0.2 - 8 * Math.abs(Math.log(b / 11)));
    const wish = { firstMm: 6, aboutMm: 6, slope: 1 };
    expect(border(island, wish).depthMm).toBe(null);
    const { depthMm, asked } = border(island, { ...wish, askedMm: 11 });
    expect(asked).toContain(11);
    expect(depthMm!).toBeLessThan(11);
    expect(depthMm!).toBeGreaterThan(10);
  });

  it('a leap of a coarse map does not pass for a slope: the finer one is free to go on', () => {
    const fine = rising(1, 5);
    const coarse = (b: number): number => fine(b) + (b > 4.702 && b < 4.9 ? 0.15 : 0);
    const { growth } = following(coarse);
    const wish = { ...WISH, firstMm: 4, slope: 1 };
    const found = closedIn(growth, bracketed(growth, wish, STEP)!, STEP / 10, 0);
    expect(found.depthMm).toBeCloseTo(4.7, 1);
    const { depthMm, reached } = sharpened(following(fine).growth, found, 60, STEP);
    expect(reached).toBe(true);
    expect(Math.abs(depthMm / 5 - 1)).toBeLessThan(0.005);
  });

  it('comes down to a border where the first depth chatters', () => {
    const { depthMm, looks } = border(rising(2.5, 0.31), { firstMm: 4 });
    expect(Math.abs(depthMm! / 0.31 - 1)).toBeLessThan(0.01);
    expect(looks).toBeLessThan(12);
  });

  it('takes no step that could leap over an island near the border', () => {
    const { asked } = border(rising(0.9, 5), { firstMm: 3.9 });
    for (let i = 1; i < asked.length && asked[i]! > asked[i - 1]!; i++) {
      expect(asked[i]! / asked[i - 1]!).toBeLessThan(1.31);
    }
  });

  it('is none where nothing grows, the deepest having been looked at', () => {
    const { depthMm, asked } = border(() => -0.4);
    expect(depthMm).toBeNull();
    expect(asked.at(-1)).toBe(60);
  });

  it('leaves a leap from one multiplier to another on its upper side', () => {
    const { depthMm } = border((b) => (b < 4.4 ? -0.1 : 0.3));
    expect(Math.abs(depthMm! / 4.4 - 1)).toBeLessThan(0.01);
  });
});
