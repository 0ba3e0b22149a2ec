import { assemblyModes } from '../../src/physics/dynamics/coupling/assembly-modes.ts';
import type { BeamPiece } from '../../src/physics/dynamics/coupling/beam.ts';
import { coupleTip, noseReceptance } from '../../src/physics/dynamics/coupling/couple.ts';
import { freeBeam } from '../../src/physics/dynamics/coupling/free-beam.ts';
import { fitModes } from '../../src/physics/dynamics/measure/modal-fit.ts';
import { bendSteppedBeam } from '../../src/physics/structure/stepped-beam.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, has, list } from './answer.ts';

interface Stated {
  readonly L_mm: number;
  readonly d_mm: number;
  readonly E_GPa: number;
  readonly rho_kg_m3: number;
  readonly nu: number;
  readonly kappa: number;
}

export const piecesOf = (c: GoldenCase, key: string): BeamPiece[] =>
  list<Stated>(c, key).map((s) => ({
    lengthMm: s.L_mm,
    diameterMm: s.d_mm,
    modulusGPa: s.E_GPa,
    densityKgM3: s.rho_kg_m3,
    poisson: s.nu,
    shearFactor: s.kappa,
  }));

const segmentsOf = (c: GoldenCase) =>
  list<Stated>(c, 'segments_root_to_tip').map((s) => ({
    lengthMm: s.L_mm,
    diameterMm: s.d_mm,
    modulusGPa: s.E_GPa,
  }));

/** A tool held by springs, or rigidly, as beams of both theories. */
function held(c: GoldenCase): Answers {
  const [kt, kr] = ['holder_kt_N_per_m', 'holder_kr_Nm_per_rad'].map((k) => c.inputs[k] as unknown as number | null);
  const modesOf = (pieces: BeamPiece[]) =>
    assemblyModes({
      spindle: [],
      nose: { translation: 1e15, rotation: 1e12, damping: 0.01 },
      body: [],
      clamp: { translation: kt ?? 1e15, rotation: kr ?? 1e12, damping: 0.01 },
      tool: pieces,
      toolDamping: 0.001,
      highestHz: 200_000,
      element: 0.2,
    });
  const pieces = piecesOf(c, 'segments_root_to_tip');
  const thick = modesOf(pieces);
  const thin = modesOf(pieces.map((p) => ({ ...p, slender: true })));
  const force = given(c, 'F_tip_N');
  const length = pieces.reduce((sum, p) => sum + p.lengthMm, 0);
  const springs = (kt ? 1000 / kt : 0) + (kr ? length ** 2 / (1000 * kr) : 0);
  const bend = force * (bendSteppedBeam(segmentsOf(c), 1, 0).tipMm + springs);
  return {
    deflection_EB_um: 1000 * bend,
    deflection_Timoshenko_um: thick.staticCompliance * force * 1e6,
    k_tip_EB_N_per_um: force / (1000 * bend),
    f1_EB_Hz: thin.modes[0]!.hz,
    f1_Timoshenko_Hz: thick.modes[0]!.hz,
  };
}

function coupled(c: GoldenCase): Answers {
  const tool = piecesOf(c, 'tool_segments_root_to_tip');
  const nose = list<{ fn_Hz: number; zeta: number; phi_y: number; phi_th: number }>(c, 'holder_modes').map((m) => ({
    hz: m.fn_Hz,
    damping: m.zeta,
    move: m.phi_y,
    turn: m.phi_th,
  }));
  const tip = list(c, 'f_Hz').map(
    (hz) => coupleTip(freeBeam(tool, hz, given(c, 'loss_factor')), noseReceptance(nose, hz))[0],
  );
  return {
    G11_re_m_per_N: tip.map((g) => g.re),
    G11_im_m_per_N: tip.map((g) => g.im),
    G11_abs_m_per_N: tip.map((g) => Math.hypot(g.re, g.im)),
  };
}

export function tip(c: GoldenCase): Answers | null {
  if (has(c, 'holder_modes')) return coupled(c);
  return has(c, 'segments_root_to_tip', 'F_tip_N') ? held(c) : null;
}

export function modalFit(c: GoldenCase): Answers | null {
  if (!has(c, 'H_re_m_per_N')) return null;
  const hz = Float64Array.from({ length: given(c, 'n_points') }, (_, i) => given(c, 'f_start_Hz') + i * given(c, 'f_step_Hz'));
  const { modes } = fitModes({
    hz,
    re: Float64Array.from(list(c, 'H_re_m_per_N')),
    im: Float64Array.from(list(c, 'H_im_m_per_N')),
  });
  const [fn, zeta, k] = [modes.map((m) => m.hz), modes.map((m) => m.damping), modes.map((m) => m.stiffness)];
  // The fit is a nonlinear least-squares one: the same answer to both.
  return { fn_Hz: fn, zeta, k_N_per_m: k, nlls_fn_Hz: fn, nlls_zeta: zeta, nlls_k_N_per_m: k };
}

export function deflection(c: GoldenCase): Answers | null {
  if (!has(c, 'F_total_N')) return null;
  const spread = bendSteppedBeam(segmentsOf(c), given(c, 'F_total_N'), given(c, 'ap_mm'));
  return {
    tip_deflection_um: spread.tipMm * 1000,
    stress_at_segment_starts_MPa: spread.stressAtStartMPa,
    tip_deflection_if_point_load_um: bendSteppedBeam(segmentsOf(c), given(c, 'F_total_N'), 0).tipMm * 1000,
  };
}
