import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../../golden/compare.ts';
import { bendSteppedBeam, type BeamSegment } from './stepped-beam.ts';

interface GivenSegment {
  readonly L_mm: number;
  readonly d_mm: number;
  readonly E_GPa: number;
}

describe('stepped beam', () => {
  it.each(goldenCases('deflect'))('$id', (c) => {
    const segments: BeamSegment[] = (c.inputs['segments_root_to_tip'] as unknown as GivenSegment[]).map(
      (s) => ({
        lengthMm: s.L_mm,
        diameterMm: s.d_mm,
        modulusGPa: s.E_GPa,
      }),
    );
    const spread = bendSteppedBeam(segments, given(c, 'F_total_N'), given(c, 'ap_mm'));
    const point = bendSteppedBeam(segments, given(c, 'F_total_N'), 0);
    expect(
      disagreements(c, {
        tip_deflection_um: spread.tipMm * 1000,
        stress_at_segment_starts_MPa: spread.stressAtStartMPa,
        tip_deflection_if_point_load_um: point.tipMm * 1000,
      }),
    ).toEqual([]);
  });

  it('bends with the cube of length and the inverse fourth power of diameter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 80, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (l, d) => {
          const tip = (length: number, diameter: number): number =>
            bendSteppedBeam([{ lengthMm: length, diameterMm: diameter, modulusGPa: 600 }], 100, 0).tipMm;
          expect(tip(2 * l, d) / tip(l, d)).toBeCloseTo(8, 6);
          expect(tip(l, d) / tip(l, 2 * d)).toBeCloseTo(16, 6);
        },
      ),
    );
  });

  it('refuses a load longer than the beam', () => {
    expect(() => bendSteppedBeam([{ lengthMm: 20, diameterMm: 6, modulusGPa: 600 }], 10, 30)).toThrow(
      /loaded length is 30; allowed: 0 to 20/,
    );
  });
});
