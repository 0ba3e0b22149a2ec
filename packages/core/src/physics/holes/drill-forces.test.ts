import { describe, expect, it } from 'vitest';
import { drillForces } from './drill-forces.ts';

describe('forces of a drill', () => {
  it('an indexable drill needs the same torque and power for the same chip section, on one edge', () => {
    const k = { kc11: 1500, mc: 0.25, kf11: 1200, mf: 0.3 };
    const drill = { diameterMm: 20, pointAngleDeg: 160, pilotMm: 0 };
    const solid = drillForces(k, { ...drill, lips: 2 }, 0.2, 1000);
    const indexable = drillForces(k, { ...drill, lips: 1 }, 0.1, 1000);
    expect(indexable.chipMm).toBeCloseTo(solid.chipMm, 12);
    expect(indexable.torqueNm).toBeCloseTo(solid.torqueNm / 2, 12);
    expect(indexable.powerKw / indexable.removalCm3Min).toBeCloseTo(solid.powerKw / solid.removalCm3Min, 12);
  });
});
