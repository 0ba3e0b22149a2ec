import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../golden/compare.ts';
import { immersion } from '../milling/engagement.ts';
import { kienzle } from './kienzle.ts';
import { linearEdge } from './linear-edge.ts';
import { type MillingForces, millingForces, powerFromTorque, type RotatingEdge } from './milling-forces.ts';
import type { ForceLaw } from './force-law.ts';

const RAD = Math.PI / 180;

function rotatingEdge(c: GoldenCase): RotatingEdge {
  const [d, ae, ap] = [given(c, 'D_mm'), given(c, 'ae_mm'), given(c, 'ap_mm')];
  const teeth = given(c, 'N');
  const pitch =
    (c.inputs['pitch_deg'] as unknown as number[] | null) ?? Array<number>(teeth).fill(360 / teeth);
  const direction = c.inputs['mode'] === 'down' ? 'climb' : 'conventional';
  return {
    bands: [{ fromMm: 0, toMm: ap, radiusMm: d / 2, kapr: Math.PI / 2, arc: immersion(ae, d, direction) }],
    pitch: pitch.map((p) => p * RAD),
    helix: given(c, 'helix_deg') * RAD,
    feedPerToothMm: Number(c.inputs['fz_mean_mm'] ?? c.inputs['fz_mm']),
    runoutStepMm: pitch.map(() => 0),
  };
}

/** Positions that put a sample every 0.05°, the grid the cases' extremes were read on. */
function onCaseGrid(edge: RotatingEdge): number {
  const equal = edge.pitch.every((p) => p === edge.pitch[0]);
  return equal ? 7200 / edge.pitch.length : 7200;
}

function column(f: MillingForces, index: number): number[] {
  return Array.from({ length: f.positions }, (_, k) => f.trace[k * 5 + index]!);
}

function summary(f: MillingForces, n: number): Record<string, number> {
  const [fx, fy, fz] = [column(f, 1), column(f, 2), column(f, 3)];
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
  };
}

/** Feed force by summing slices at their middles: the plain method the cases were made with. */
function slicedFx(edge: RotatingEdge, law: ForceLaw, theta: number, slices: number): number {
  const band = edge.bands[0]!;
  const dz = band.toMm / slices;
  const force = { tangential: 0, radial: 0, axial: 0 };
  let fx = 0;
  for (let j = 0; j < edge.pitch.length; j++) {
    for (let s = 0; s < slices; s++) {
      const lag = ((s + 0.5) * dz * Math.tan(edge.helix)) / band.radiusMm;
      const turns = theta - j * edge.pitch[0]! - lag;
      const phi = turns - 2 * Math.PI * Math.floor(turns / (2 * Math.PI));
      if (phi < band.arc.entry || phi > band.arc.exit) continue;
      law.at(edge.feedPerToothMm * Math.sin(phi), force);
      fx -= (force.tangential * Math.cos(phi) + force.radial * Math.sin(phi)) * dz;
    }
  }
  return fx;
}

/** Forces at chosen tip angles of tooth 0: the same cutter turned so that the angle is the first position. */
function atAngles(edge: RotatingEdge, law: ForceLaw, anglesDeg: readonly number[]): Record<string, number[]> {
  const fine = millingForces({ ...edge, pitch: [...edge.pitch] }, law, 36000);
  const range = edge.pitch.every((p) => p === edge.pitch[0]) ? 360 / edge.pitch.length : 360;
  const rows = anglesDeg.map((a) => Math.round(((a % range) / range) * 36000) % 36000);
  return {
    Fx_N: rows.map((k) => fine.trace[k * 5 + 1]!),
    Fy_N: rows.map((k) => fine.trace[k * 5 + 2]!),
    Fz_N: rows.map((k) => fine.trace[k * 5 + 3]!),
    torque_Nm: rows.map((k) => fine.trace[k * 5 + 4]!),
  };
}

const linearCases = [
  'force-up25',
  'force-slot',
  'force-down10',
  'force-straight',
  'force-varpitch',
  'force-onefl',
].flatMap((id) => goldenCases(id));

describe('milling forces against worked cases', () => {
  it.each(linearCases)('$id, linear-edge law', (c) => {
    const law = linearEdge({
      Ktc: given(c, 'Ktc_MPa'),
      Krc: given(c, 'Krc_MPa'),
      Kac: given(c, 'Kac_MPa'),
      Kte: given(c, 'Kte_N_mm'),
      Kre: given(c, 'Kre_N_mm'),
      Kae: given(c, 'Kae_N_mm'),
    });
    const edge = rotatingEdge(c);
    const f = millingForces(edge, law, onCaseGrid(edge));
    expect(disagreements(c, summary(f, given(c, 'n_rpm')))).toEqual([]);
    const angles = c.expected['theta_deg'] as readonly number[];
    expect(disagreements(c, atAngles(edge, law, angles), ['Fx_N', 'Fy_N', 'Fz_N', 'torque_Nm'])).toEqual([]);
  });

  it.each(goldenCases('force-kienzle'))('$id, Kienzle law', (c) => {
    const law = kienzle({
      kc11: given(c, 'kc11_MPa'),
      mc: given(c, 'mc'),
      radialRatio: given(c, 'kr'),
      axialRatio: given(c, 'ka'),
    });
    const edge = rotatingEdge(c);
    const got = summary(millingForces(edge, law, onCaseGrid(edge)), given(c, 'n_rpm'));
    if (c.id === 'force-kienzle-1') {
      // The smallest forces of this case carry the error of its 300 slices, shown by the test below.
      delete got['Fx_min_N'];
      delete got['Fy_min_N'];
    }
    expect(disagreements(c, got)).toEqual([]);
  });

  it('force-kienzle-1: its minima are those of a 300-slice sum, which converges to ours', () => {
    const c = goldenCases('force-kienzle-1')[0]!;
    const edge = rotatingEdge(c);
    const law = kienzle({ kc11: 1500, mc: 0.25, radialRatio: 0.4, axialRatio: 0.25 });
    const got = summary(millingForces(edge, law, onCaseGrid(edge)), given(c, 'n_rpm'));
    const sliced = (count: number): number => {
      const grid = Array.from({ length: 1800 }, (_, k) => slicedFx(edge, law, k * 0.05 * RAD, count));
      return Math.min(...grid);
    };
    expect(sliced(300)).toBeCloseTo(Number(c.expected['Fx_min_N']), 4);
    expect(Math.abs(sliced(300) / got['Fx_min_N']! - 1)).toBeGreaterThan(0.003);
    expect(Math.abs(sliced(3000) / got['Fx_min_N']! - 1)).toBeLessThan(0.0006);
  });

  it.each(goldenCases('force-energy-identity'))('$id: power is Ktc times removal rate', (c) => {
    const law = linearEdge({ Ktc: given(c, 'Ktc_MPa'), Krc: 0, Kac: 0, Kte: 0, Kre: 0, Kae: 0 });
    const f = millingForces(rotatingEdge(c), law, 360);
    const power = powerFromTorque(f.meanTorqueNm, given(c, 'n_rpm'));
    expect(disagreements(c, { power_mean_kW: power, torque_mean_Nm: f.meanTorqueNm })).toEqual([]);
  });
});
