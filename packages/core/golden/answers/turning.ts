import { barStiffness } from '../../src/physics/turning/boring-bar.ts';
import { gripLoss } from '../../src/physics/turning/jaw-grip.ts';
import { leastChipWidth } from '../../src/physics/turning/least-chip-width.ts';
import { noseChip } from '../../src/physics/turning/nose-chip.ts';
import { deflectionUnder } from '../../src/physics/turning/part-bending.ts';
import { diameterAtCap, minutesAcross, minutesToCentre } from '../../src/physics/turning/surface-speed.ts';
import { cuttingPower, cuttingTorque, turningForces } from '../../src/physics/turning/turning-force.ts';
import { cornerMarks, cornerMarksExact } from '../../src/physics/surface/feed-marks.ts';
import { given } from '../compare.ts';
import type { Answerer } from './answer.ts';

const force: Answerer = (c) => {
  const g = (key: string): number => given(c, key);
  const chip = noseChip({ noseMm: 0, leadDeg: g('kr_deg') }, g('f_mm'), g('ap_mm'));
  const { cuttingN } = turningForces({ kc11: g('kc11_MPa'), mc: g('mc'), normalRatio: 0 }, chip);
  return {
    h_mm: chip.equivalentMm,
    b_mm: chip.edgeMm,
    Fc_N: cuttingN,
    Pc_kW: cuttingPower(cuttingN, g('vc_m_min')),
    torque_Nm: cuttingTorque(cuttingN, g('D_mm')),
    Q_cm3_min: chip.areaMm2 * g('vc_m_min'),
  };
};

const nose: Answerer = (c) => {
  const { areaMm2, edgeMm, equivalentMm } = noseChip(
    { noseMm: given(c, 'r_mm'), leadDeg: given(c, 'kr_deg') },
    given(c, 'f_mm'),
    given(c, 'ap_mm'),
  );
  return { area_mm2: areaMm2, edge_mm: edgeMm, h_eq_mm: equivalentMm };
};

const finish: Answerer = (c) => {
  const [feed, radius] = [given(c, 'f_mm'), given(c, 'r_mm')];
  const parabola = cornerMarks(feed, radius);
  return {
    Rt_exact_um: 1000 * cornerMarksExact(feed, radius).rzMm,
    Rt_parabola_um: 1000 * parabola.rzMm,
    Ra_parabola_um: 1000 * parabola.raMm,
  };
};

const time: Answerer = (c) => {
  const set = { speedMMin: given(c, 'vc_m_min'), capRpm: given(c, 'n_cap_rpm') };
  return {
    D_at_cap_mm: diameterAtCap(set),
    minutes: minutesAcross(set, given(c, 'D_from_mm'), given(c, 'D_to_mm'), given(c, 'f_mm')),
  };
};

const bar: Answerer = (c) => {
  const stiffness = barStiffness({
    diameterMm: given(c, 'd_mm'),
    overhangMm: given(c, 'L_mm'),
    modulusGPa: given(c, 'E_GPa'),
  });
  return { delta_mm: given(c, 'F_N') / stiffness, k_N_um: stiffness / 1000 };
};

const part: Answerer = (c) => {
  const held = { diameterMm: given(c, 'D_mm'), modulusMPa: given(c, 'E_MPa') };
  const free = deflectionUnder({ ...held, pinsMm: [] }, given(c, 'F_N'), given(c, 'a_mm'));
  return {
    cantilever_mm: free,
    tailstock_mm: deflectionUnder({ ...held, pinsMm: [given(c, 'L_mm')] }, given(c, 'F_N'), given(c, 'a_mm')),
    diameter_error_cantilever_mm: 2 * free,
  };
};

const chatter: Answerer = (c) => {
  const { widthMm, hz } = leastChipWidth(
    { stiffnessNMm: 1000 * given(c, 'k_N_um'), dampingRatio: given(c, 'zeta'), naturalHz: given(c, 'fn_Hz') },
    given(c, 'Kf_MPa'),
  );
  return { b_lim_mm: widthMm, f_chatter_Hz: hz };
};

const partOff: Answerer = (c) => ({
  minutes: minutesToCentre(
    { speedMMin: given(c, 'vc_m_min'), capRpm: given(c, 'n_cap_rpm') },
    given(c, 'D_mm'),
    given(c, 'f_mm'),
    { belowMm: given(c, 'reduce_below_D_mm'), share: given(c, 'feed_share_near_centre') },
  ),
  Fc_per_kc_mm2: given(c, 'width_mm') * given(c, 'f_mm'),
});

const grip: Answerer = (c) => {
  const lossN = gripLoss(
    { count: given(c, 'jaws'), massKg: given(c, 'jaw_mass_kg'), radiusMm: given(c, 'jaw_radius_mm') },
    given(c, 'n_rpm'),
  );
  return { loss_kN: lossN / 1000, left_kN: given(c, 'F0_kN') - lossN / 1000 };
};

/** Burl's answers to the cases about turning, by the name of their topic. */
export const TURNING: Readonly<Record<string, Answerer>> = {
  force,
  nose,
  surface: finish,
  time,
  'boring bar': bar,
  'part bending': part,
  chatter,
  'part off': partOff,
  'chuck grip': grip,
};
