import { describe, expect, it } from 'vitest';
import { piecesOf } from '../../../../golden/answers/structure.ts';
import { goldenCases } from '../../../../golden/compare.ts';
import { baseFactor, coupleTip, noseReceptance } from './couple.ts';
import { freeBeam, scale2 } from './free-beam.ts';

const [rcsa] = goldenCases('tip-rcsa');
const tool = piecesOf(rcsa!, 'tool_segments_root_to_tip');
const nose = (
  rcsa!.inputs['holder_modes'] as unknown as { fn_Hz: number; zeta: number; phi_y: number; phi_th: number }[]
).map((m) => ({ hz: m.fn_Hz, damping: m.zeta, move: m.phi_y, turn: m.phi_th }));
const lines = rcsa!.inputs['f_Hz'] as unknown as number[];

describe('receptance coupling', () => {
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
