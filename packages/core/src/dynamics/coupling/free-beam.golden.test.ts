import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../../golden/compare.ts';
import type { BeamPiece } from './beam.ts';
import { baseFactor, coupleTip, noseReceptance } from './couple.ts';
import { freeBeam, scale2 } from './free-beam.ts';
import { assemblyModes } from './assembly-modes.ts';

interface Stated {
  readonly L_mm: number;
  readonly d_mm: number;
  readonly E_GPa: number;
  readonly rho_kg_m3: number;
  readonly nu: number;
  readonly kappa: number;
}

const piecesOf = (c: GoldenCase, key: string): BeamPiece[] =>
  (c.inputs[key] as unknown as Stated[]).map((s) => ({
    lengthMm: s.L_mm,
    diameterMm: s.d_mm,
    modulusGPa: s.E_GPa,
    densityKgM3: s.rho_kg_m3,
    poisson: s.nu,
    shearFactor: s.kappa,
  }));

const [rcsa] = goldenCases('tip-rcsa');
const tool = piecesOf(rcsa!, 'tool_segments_root_to_tip');
const nose = (
  rcsa!.inputs['holder_modes'] as unknown as { fn_Hz: number; zeta: number; phi_y: number; phi_th: number }[]
).map((m) => ({ hz: m.fn_Hz, damping: m.zeta, move: m.phi_y, turn: m.phi_th }));
const lines = rcsa!.inputs['f_Hz'] as unknown as number[];

describe('receptance coupling, worked case', () => {
  it('a stepped tool in a holder of known modes', () => {
    const tip = lines.map(
      (hz) => coupleTip(freeBeam(tool, hz, given(rcsa!, 'loss_factor')), noseReceptance(nose, hz))[0],
    );
    const size = rcsa!.expected['G11_abs_m_per_N'] as number[];
    const [re, im] = ['G11_re_m_per_N', 'G11_im_m_per_N'].map((k) => rcsa!.expected[k] as number[]);
    tip.forEach((g, i) => {
      expect(Math.abs(g.re - re![i]!) / size[i]!).toBeLessThan(0.005);
      expect(Math.abs(g.im - im![i]!) / size[i]!).toBeLessThan(0.005);
    });
  });

  it('inverse coupling finds the base again, scaled as it was', () => {
    for (const hz of lines) {
      const beam = freeBeam(tool, hz, 0.003);
      const shape = noseReceptance(nose, hz);
      const hidden = { re: 1.3, im: -0.2 };
      const found = baseFactor(beam, shape, coupleTip(beam, scale2(shape, hidden))[0])!;
      expect(found.re).toBeCloseTo(1.3, 4);
      expect(found.im).toBeCloseTo(-0.2, 4);
    }
  });
});

describe('first natural frequency of a held tool, worked cases', () => {
  const held = goldenCases('tip').filter((c) => c.id !== 'tip-rcsa');
  it.each(held.map((c) => [c.id, c] as const))('%s', (_, c: GoldenCase) => {
    const kt = c.inputs['holder_kt_N_per_m'] as unknown as number | null;
    const kr = c.inputs['holder_kr_Nm_per_rad'] as unknown as number | null;
    const { modes, staticCompliance } = assemblyModes({
      spindle: [],
      nose: { translation: 1e15, rotation: 1e12, damping: 0.01 },
      body: [],
      clamp: { translation: kt ?? 1e15, rotation: kr ?? 1e12, damping: 0.01 },
      tool: piecesOf(c, 'segments_root_to_tip'),
      toolDamping: 0.001,
      highestHz: 200_000,
      element: 0.2,
    });
    expect(
      disagreements(c, {
        f1_Timoshenko_Hz: modes[0]!.hz,
        deflection_Timoshenko_um: staticCompliance * given(c, 'F_tip_N') * 1e6,
      }),
    ).toEqual([]);
  });
});
