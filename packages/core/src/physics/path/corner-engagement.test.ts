import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arcInCorner,
  chipPeakInCorner,
  cornerArc,
  largestCutterWithoutSpike,
  pathRadiusWithoutSpike,
  longArc,
  steadyStepover,
  straightArc,
  sweptCornerArc,
} from './corner-engagement.ts';

const DEG = 180 / Math.PI;

describe('engagement in an inside corner', () => {
  it('jumps over 90° where the path turns on the spot, however light the cut', () => {
    const light = { toolDiameterMm: 12, radialMm: 0.6, pathRadiusMm: 0 };
    expect(straightArc(light) * DEG).toBeCloseTo(25.8, 0);
    expect(cornerArc(light) * DEG).toBeGreaterThan(90);
  });

  it.each([
    [12, 1, 20],
    [12, 1, 6],
    [16, 4, 40],
  ])('agrees with the closed form on long arcs: D %d, ae %d, path radius %d', (d, ae, rho) => {
    const corner = { toolDiameterMm: d, radialMm: ae, pathRadiusMm: rho };
    expect(arcInCorner(corner, 0.5, 20000)).toBeCloseTo(longArc(corner), 1.5);
    expect(cornerArc(corner)).toBe(longArc(corner));
  });

  it('reads sharp corners as the sweep would have them, within two degrees', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.double({ min: 0, max: 0.98, noNaN: true }),
        (share, sharp) => {
          const corner = { toolDiameterMm: 10, radialMm: 10 * share, pathRadiusMm: 10 * share * sharp };
          expect(Math.abs(cornerArc(corner) - sweptCornerArc(corner, 720)) * DEG).toBeLessThan(2);
        },
      ),
      { numRuns: 60, seed: 8 },
    );
  });

  it('a short corner is never engaged more than a long arc of the same radius', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        (ae, more) => {
          const corner = { toolDiameterMm: 12, radialMm: ae, pathRadiusMm: ae * more };
          for (const along of [0, 0.3, 0.5, 0.8, 1]) {
            expect(arcInCorner(corner, along, 2000)).toBeLessThanOrEqual(longArc(corner) + 0.002);
          }
        },
      ),
      { numRuns: 100, seed: 11 },
    );
  });

  it('a constant-engagement corner has no peak', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 25, noNaN: true }),
        fc.double({ min: 0.03, max: 0.4, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (d, share, rho) => {
          const corner = { toolDiameterMm: d, radialMm: share * d, pathRadiusMm: rho * d };
          const steady = steadyStepover(corner);
          expect(steady).toBeGreaterThan(0);
          expect(steady).toBeLessThanOrEqual(corner.radialMm);
          expect(cornerArc({ ...corner, radialMm: steady })).toBeLessThanOrEqual(straightArc(corner) * 1.01);
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });

  it('grows without limit of sense as the path gets sharper, never shrinks', () => {
    const arcs = [20, 10, 5, 2, 1, 0.5, 0].map((rho) =>
      cornerArc({ toolDiameterMm: 12, radialMm: 1, pathRadiusMm: rho }),
    );
    for (let i = 1; i < arcs.length; i++) expect(arcs[i]).toBeGreaterThanOrEqual(arcs[i - 1]! - 0.01);
  });

  it('has no chip peak on a path wide enough, and a large one on the spot', () => {
    const rho = pathRadiusWithoutSpike(12, 1, 1.15);
    expect(rho).toBeGreaterThan(6);
    const within = cornerArc({ toolDiameterMm: 12, radialMm: 1, pathRadiusMm: rho });
    expect(within / straightArc({ toolDiameterMm: 12, radialMm: 1 })).toBeCloseTo(1.15, 2);
    expect(chipPeakInCorner({ toolDiameterMm: 12, radialMm: 1, pathRadiusMm: 0 })).toBeCloseTo(1.81, 1);
    expect(chipPeakInCorner({ toolDiameterMm: 12, radialMm: 1, pathRadiusMm: 1000 })).toBeCloseTo(1, 2);
  });

  it('names the largest cutter for a corner, smaller for a stricter peak', () => {
    const loose = largestCutterWithoutSpike(6, 0.08, 1.5);
    const strict = largestCutterWithoutSpike(6, 0.08, 1.2);
    expect(loose).toBeGreaterThan(strict);
    expect(loose).toBeLessThan(12);
    const rho = 6 - loose / 2;
    expect(
      cornerArc({ toolDiameterMm: loose, radialMm: 0.08 * loose, pathRadiusMm: rho }) /
        straightArc({ toolDiameterMm: loose, radialMm: 0.08 * loose }),
    ).toBeCloseTo(1.5, 2);
  });
});
