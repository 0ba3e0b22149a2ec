import type { ForceLaw } from '../../src/physics/cutting/force-law.ts';
import { kienzle } from '../../src/physics/cutting/kienzle.ts';
import { linearEdge } from '../../src/physics/cutting/linear-edge.ts';
import { type MillingForces, millingForces, powerFromTorque, type RotatingEdge } from '../../src/physics/cutting/milling-forces.ts';
import { oblique, obliqueCoefficients, TITANIUM_6AL_4V } from '../../src/physics/cutting/oblique.ts';
import { immersion } from '../../src/physics/cutting/engagement.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, DEG, has, list, RAD } from './answer.ts';

/** The edge a worked case describes. */
function rotatingEdge(c: GoldenCase): RotatingEdge {
  const [d, ae, ap] = [given(c, 'D_mm'), given(c, 'ae_mm'), given(c, 'ap_mm')];
  const teeth = given(c, 'N');
  const pitch = (c.inputs['pitch_deg'] as unknown as number[] | null) ?? Array<number>(teeth).fill(360 / teeth);
  const direction = (c.inputs['mode'] as unknown) === 'down' ? 'climb' : 'conventional';
  return {
    bands: [{ fromMm: 0, toMm: ap, radiusMm: d / 2, kapr: Math.PI / 2, arc: immersion(ae, d, direction) }],
    pitch: pitch.map((p) => p * RAD),
    helix: given(c, 'helix_deg') * RAD,
    feedPerToothMm: Number(c.inputs['fz_mean_mm'] ?? c.inputs['fz_mm']),
    runoutStepMm: pitch.map(() => 0),
  };
}

const number = (c: GoldenCase, key: string): number => Number(c.inputs[key] ?? 0);

const lawOf = (c: GoldenCase): ForceLaw =>
  has(c, 'kc11_MPa')
    ? kienzle({
        kc11: given(c, 'kc11_MPa'),
        mc: given(c, 'mc'),
        radialRatio: given(c, 'kr'),
        axialRatio: given(c, 'ka'),
      })
    : linearEdge({
        Ktc: number(c, 'Ktc_MPa'),
        Krc: number(c, 'Krc_MPa'),
        Kac: number(c, 'Kac_MPa'),
        Kte: number(c, 'Kte_N_mm'),
        Kre: number(c, 'Kre_N_mm'),
        Kae: number(c, 'Kae_N_mm'),
      });

const column = (f: MillingForces, index: number): number[] =>
  Array.from({ length: f.positions }, (_, k) => f.trace[k * 5 + index]!);

/** Forces of a turn, every 0.05° as the cases' extremes were read, and at chosen tip angles. */
function forcesOfTurn(c: GoldenCase): Answers {
  const edge = rotatingEdge(c);
  const law = lawOf(c);
  const equal = edge.pitch.every((p) => p === edge.pitch[0]);
  const f = millingForces(edge, law, equal ? 7200 / edge.pitch.length : 7200);
  const n = given(c, 'n_rpm');
  const [fx, fy, fz] = [column(f, 1), column(f, 2), column(f, 3)];
  const angles = (c.expected['theta_deg'] as readonly number[] | undefined) ?? [];
  const fine = angles.length > 0 ? millingForces(edge, law, 36000) : f;
  const range = equal ? 360 / edge.pitch.length : 360;
  const at = (index: number): number[] =>
    angles.map((a) => fine.trace[(Math.round(((a % range) / range) * 36000) % 36000) * 5 + index]!);
  return {
    Fx_mean_N: f.meanFx,
    Fy_mean_N: f.meanFy,
    Fz_mean_N: f.meanFz,
    torque_mean_Nm: f.meanTorqueNm,
    power_mean_kW: powerFromTorque(f.meanTorqueNm, n),
    Fx_max_N: Math.max(...fx),
    Fx_min_N: Math.min(...fx),
    Fy_max_N: Math.max(...fy),
    Fy_min_N: Math.min(...fy),
    Fz_max_N: Math.max(...fz),
    Fxy_peak_N: f.peakFxy,
    torque_peak_Nm: f.peakTorqueNm,
    power_peak_kW: powerFromTorque(f.peakTorqueNm, n),
    theta_deg: angles,
    Fx_N: at(1),
    Fy_N: at(2),
    Fz_N: at(3),
    torque_Nm: at(4),
  };
}

export const forces = (c: GoldenCase): Answers | null => (has(c, 'helix_deg', 'ap_mm') ? forcesOfTurn(c) : null);

export function obliqueTransform(c: GoldenCase): Answers | null {
  if (!has(c, 'alpha_n_deg')) return null;
  const [rake, inclination] = [given(c, 'alpha_n_deg'), given(c, 'helix_inclination_deg')];
  if (has(c, 'h_list_mm')) {
    const all = list(c, 'h_list_mm').map((h) => obliqueCoefficients(TITANIUM_6AL_4V, h, rake, inclination));
    const mean = (key: 'Ktc' | 'Krc' | 'Kac' | 'Kte' | 'Kre' | 'Kae'): number =>
      all.reduce((sum, k) => sum + k[key], 0) / all.length;
    return {
      Ktc_MPa: mean('Ktc'),
      Krc_MPa: mean('Krc'),
      Kac_MPa: mean('Kac'),
      Kte_N_mm: mean('Kte'),
      Kre_N_mm: mean('Kre'),
      Kae_N_mm: mean('Kae'),
    };
  }
  const r = oblique({ ...TITANIUM_6AL_4V, shearStressMPa: given(c, 'tau_s_MPa') }, given(c, 'h_mm'), rake, inclination);
  return {
    rc: r.chipRatio,
    phi_n_deg: r.shearAngle * DEG,
    beta_a_deg: TITANIUM_6AL_4V.frictionAngleDeg(rake),
    beta_n_deg: r.normalFrictionAngle * DEG,
    Ktc_MPa: r.Ktc,
    Krc_MPa: r.Krc,
    Kac_MPa: r.Kac,
  };
}
