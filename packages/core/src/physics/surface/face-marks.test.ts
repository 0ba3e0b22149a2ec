import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crossedMarks, type FaceEdges, faceMarks, hollowOf, stepOf } from './face-marks.ts';

const EDGES: FaceEdges = {
  feedPerToothMm: 0.15,
  teeth: 6,
  noseMm: 0.8,
  flatMm: 0,
  wipers: 0,
  overMm: 0.05,
  runoutMm: 0.015,
};
const at = (change: Partial<FaceEdges>) => faceMarks({ ...EDGES, ...change });
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('the marks of a face mill', () => {
  it('of one insert are those of the feed of a turn, where the others stand lower than its ridges', () => {
    const high = at({ runoutMm: 0.5 });
    expect(high).toMatchObject({ by: 'one insert', markMm: expect.closeTo(0.9, 9) });
    expect(high.rzMm).toBeCloseTo(0.9 ** 2 / 6.4, 9);
  });

  it('of all inserts add their runout to the ridges of a tooth', () => {
    const even = at({ runoutMm: 0.004 });
    expect(even.by).toBe('all inserts');
    expect(even.rzMm).toBeCloseTo(0.15 ** 2 / 6.4 + 0.004, 9);
  });

  it('under a flat that covers the turn are its lean alone, a fraction of a micrometre', () => {
    const wiped = at({ flatMm: 1.6, wipers: 6 });
    expect(wiped.by).toBe('wiper');
    expect(wiped.rzMm).toBeGreaterThan(1e-4);
    expect(wiped.rzMm).toBeLessThan(0.001);
  });

  it('between the tracks of a narrow flat are ridges of what it does not cover', () => {
    const narrow = at({ flatMm: 0.5, wipers: 6 });
    expect(narrow.by).toBe('narrow wiper');
    expect(narrow.rzMm).toBeCloseTo(0.4 ** 2 / 6.4 + 0.5 * Math.tan((0.02 * Math.PI) / 180), 9);
  });

  it('are not the wiper’s where it stands lower than the pockets run out', () => {
    expect(at({ flatMm: 8, wipers: 1, overMm: 0.01, runoutMm: 0.015 }).by).toBe('hidden wiper');
    expect(at({ flatMm: 8, wipers: 1, overMm: 0.02, runoutMm: 0.015 }).by).toBe('wiper');
    expect(at({ flatMm: 8, wipers: 6, overMm: 0, runoutMm: 0.015 }).by).toBe('wiper');
  });

  it('never fall when the feed rises, and are never under what flat or nose can leave', () => {
    const edges = fc.record({
      feedPerToothMm: between(0.02, 0.5),
      teeth: fc.integer({ min: 1, max: 12 }),
      noseMm: between(0.2, 6),
      flatMm: fc.constantFrom(0, 0.5, 1.6, 8),
      overMm: between(0, 0.1),
      runoutMm: between(0.001, 0.05),
    });
    fc.assert(
      fc.property(edges, between(1, 2), (e, more) => {
        const whole = { ...e, wipers: e.teeth };
        const [slow, quick] = [
          faceMarks(whole),
          faceMarks({ ...whole, feedPerToothMm: e.feedPerToothMm * more }),
        ];
        expect(quick.rzMm).toBeGreaterThanOrEqual(slow.rzMm - 1e-12);
        expect(slow.rzMm).toBeGreaterThan(0);
        const none = faceMarks({ ...e, flatMm: 0, wipers: 0 });
        expect(none.rzMm).toBeGreaterThanOrEqual(e.feedPerToothMm ** 2 / (8 * e.noseMm) - 1e-12);
      }),
      { seed: 2, numRuns: 200 },
    );
  });

  it('refuses what is no face mill', () => {
    expect(() => at({ feedPerToothMm: 0 })).toThrow(/feed per tooth/);
    expect(() => at({ teeth: 0 })).toThrow(/teeth/);
    expect(() => at({ wipers: 7 })).toThrow(/wipers/);
  });
});

describe('a spindle that leans', () => {
  it('mills hollow as the ellipse of its circle: a 100 mm cutter over 80 mm at 0.1 mm a metre, 2 µm', () => {
    expect(hollowOf(100, 80, 1e-4)).toBeCloseTo(0.002, 9);
    expect(hollowOf(100, 100, 1e-4)).toBeCloseTo(0.005, 9);
    expect(hollowOf(100, 40, 0)).toBe(0);
    // Narrow passes: w²/(4·D) times the lean.
    expect(hollowOf(100, 10, 1e-3)).toBeCloseTo((10 ** 2 / 400) * 1e-3, 5);
  });

  it('steps between passes by its slope, and clears its back from a few micrometres on', () => {
    expect(stepOf(50, 2e-4)).toBeCloseTo(0.01, 9);
    expect(crossedMarks(63, 0)).toBe(true);
    expect(crossedMarks(63, 2e-4)).toBe(false);
  });
});
