import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { pitchAnglesDeg } from '../../crib/cutter.ts';
import { orthogonalRakeDeg } from './orthogonal-rake.ts';

const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;

describe('rake across the edge', () => {
  it('of a 45° insert counts both angles: −4° radial and 12° axial make 5.8°', () => {
    expect(orthogonalRakeDeg(cutter('face45-63-z6'), 0)).toBeCloseTo(5.76, 1);
  });

  it('of a shoulder mill is the radial one, of a solid mill that of its flute', () => {
    expect(orthogonalRakeDeg(cutter('shoulder90-40-z4'), 0)).toBeCloseTo(-4, 6);
    expect(orthogonalRakeDeg(cutter('em-bull-12-z4-re1-var'), 0)).toBe(6);
  });

  it('falls back where the cutter states none', () => {
    expect(orthogonalRakeDeg(cutter('hf-12-z4'), 7)).toBe(7);
  });
});

describe('angles between teeth', () => {
  it('a mill that says it is variable and lists no angles is not taken for an equal one', () => {
    const plain = cutter('face45-63-z6');
    const silent = { ...plain, extended: { ...plain.extended, pitch_angles_deg: null } };
    const angles = pitchAnglesDeg(silent, 6);
    expect(angles.reduce((a, b) => a + b, 0)).toBeCloseTo(360, 9);
    expect(Math.max(...angles) - Math.min(...angles)).toBeGreaterThan(3);
  });

  it('every shipped mill that says variable lists its angles, and they close', () => {
    for (const c of CRIB.cutters.filter((c) => c.extended.pitch === 'variable')) {
      const listed = c.extended.pitch_angles_deg!;
      expect([c.id, listed.length]).toEqual([c.id, c.properties.ZEFP]);
      expect(Math.abs(listed.reduce((a, b) => a + b, 0) - 360)).toBeLessThan(0.05);
    }
  });

  it('equal teeth stay equal', () => {
    expect(pitchAnglesDeg(cutter('em-flat-12-z2'), 2)).toEqual([180, 180]);
  });
});
