import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../golden/compare.ts';
import { bucklingLoad } from '../structure/buckling.ts';
import { drillForces } from './drill-forces.ts';

describe('drilling against worked cases', () => {
  it.each(['drill-1', 'drill-2', 'drill-3'].flatMap((id) => goldenCases(id)))('$id', (c) => {
    const f = drillForces(
      { kc11: given(c, 'kc11_MPa'), mc: given(c, 'mc'), kf11: given(c, 'kf11_MPa'), mf: given(c, 'mf') },
      {
        diameterMm: given(c, 'D_mm'),
        pointAngleDeg: given(c, 'point_angle_deg'),
        pilotMm: given(c, 'd_pilot_mm'),
        lips: 2,
      },
      given(c, 'f_mm_rev'),
      given(c, 'n_rpm'),
    );
    expect(
      disagreements(c, {
        h_mm: f.chipMm,
        b_mm: f.lipWidthMm,
        kc_MPa: f.specificForce,
        Fc_per_lip_N: f.forcePerLipN,
        torque_Nm: f.torqueNm,
        power_kW: f.powerKw,
        mrr_cm3_min: f.removalCm3Min,
        thrust_handbook_N: f.handbookThrustN,
        thrust_N: f.lipThrustN,
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('drill-buckling'))('$id', (c) => {
    const load = (ends: 'fixed-free' | 'fixed-pinned' | 'fixed-fixed'): number =>
      bucklingLoad(given(c, 'E_GPa'), given(c, 'd_equivalent_mm'), given(c, 'L_mm'), ends);
    expect(
      disagreements(c, {
        fixed_free_N: load('fixed-free'),
        fixed_pinned_N: load('fixed-pinned'),
        fixed_fixed_N: load('fixed-fixed'),
      }),
    ).toEqual([]);
  });

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
