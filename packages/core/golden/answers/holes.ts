import { drillForces } from '../../src/physics/holes/drill-forces.ts';
import { areaTapTorque, handbookTapTorque } from '../../src/physics/threads/tap-torque.ts';
import { basicDiameters, grooveOf, heightForPilot, pilotForFormed, pilotForHeight } from '../../src/physics/threads/thread-geometry.ts';
import { centreFeed } from '../../src/physics/cutting/arc-feed.ts';
import { bucklingLoad } from '../../src/physics/structure/buckling.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, has } from './answer.ts';

function drill(c: GoldenCase): Answers {
  const f = drillForces(
    { kc11: given(c, 'kc11_MPa'), mc: given(c, 'mc'), kf11: given(c, 'kf11_MPa'), mf: given(c, 'mf') },
    { diameterMm: given(c, 'D_mm'), pointAngleDeg: given(c, 'point_angle_deg'), pilotMm: given(c, 'd_pilot_mm'), lips: 2 },
    given(c, 'f_mm_rev'),
    given(c, 'n_rpm'),
  );
  return {
    h_mm: f.chipMm,
    b_mm: f.lipWidthMm,
    kc_MPa: f.specificForce,
    Fc_per_lip_N: f.forcePerLipN,
    torque_Nm: f.torqueNm,
    power_kW: f.powerKw,
    mrr_cm3_min: f.removalCm3Min,
    thrust_handbook_N: f.handbookThrustN,
    thrust_N: f.lipThrustN,
  };
}

function tap(c: GoldenCase): Answers {
  const t = { designation: c.id, majorMm: given(c, 'D_mm'), pitchMm: given(c, 'P_mm'), flankDeg: 60, taper: 0 } as const;
  const hole = given(c, 'hole_mm');
  return {
    pilot_mm: pilotForHeight(t, given(c, 'percent_thread')),
    percent_for_hole: heightForPilot(t, hole),
    minor_D1_mm: basicDiameters(t).minorMm,
    pilot_form_tap_mm: pilotForFormed(t, given(c, 'percent_thread')),
    torque_handbook_Nm: handbookTapTorque(given(c, 'kc_MPa'), t),
    torque_area_Nm: areaTapTorque(given(c, 'kc_MPa'), t, hole),
    groove_area_mm2: grooveOf(t, hole).areaMm2,
  };
}

function threadMill(c: GoldenCase): Answers {
  const edge = given(c, 'n_rpm') * given(c, 'N') * given(c, 'fz_mm');
  const path = {
    finishedMm: given(c, 'D_thread_mm'),
    toolMm: given(c, 'D_cutter_mm'),
    internal: Boolean(c.inputs['internal']),
  };
  return { vf_periphery_mm_min: edge, vf_center_mm_min: centreFeed(edge, path) };
}

export function holes(c: GoldenCase): Answers | null {
  if (has(c, 'point_angle_deg')) return drill(c);
  if (has(c, 'percent_thread')) return tap(c);
  if (has(c, 'D_thread_mm')) return threadMill(c);
  if (!has(c, 'd_equivalent_mm')) return null;
  const load = (ends: 'fixed-free' | 'fixed-pinned' | 'fixed-fixed'): number =>
    bucklingLoad(given(c, 'E_GPa'), given(c, 'd_equivalent_mm'), given(c, 'L_mm'), ends);
  return { fixed_free_N: load('fixed-free'), fixed_pinned_N: load('fixed-pinned'), fixed_fixed_N: load('fixed-fixed') };
}
