import { describe, expect, it } from 'vitest';
import { given, goldenCases } from '../golden/compare.ts';
import { cutOf } from '../golden/stability.ts';
import { directionOf } from '../src/physics/dynamics/chatter-cut.ts';
import { textbookMultiplier } from './textbook-semi-discretisation.ts';

describe('the textbook way kept for comparison', () => {
  it.each(['sdm-bench-up-0.1', 'sdm-bench-down-0.5', 'sdm-bench-slot-1.0'])(
    '%s: its multipliers are the published scheme’s',
    (id) => {
      const [c] = goldenCases(id);
      const cut = cutOf(c!);
      const factor = (angle: number): number => {
        let sum = 0;
        for (let j = 0; j < 2; j++) {
          const phi = (angle + j * Math.PI) % (2 * Math.PI);
          if (phi < cut.entry || phi > cut.exit) continue;
          const [s, co] = [Math.sin(phi), Math.cos(phi)];
          sum += directionOf(cut, s * s, s * co, co * co)[0];
        }
        return sum;
      };
      const points = c!.inputs['points_n_rpm_ap_mm'] as unknown as [number, number][];
      const expected = c!.expected['sdm1_mu_at_m'] as number[];
      points.forEach(([rpm, depth], i) => {
        const mu = textbookMultiplier(
          {
            hz: given(c!, 'fn_Hz'),
            damping: given(c!, 'zeta'),
            massKg: given(c!, 'm_kg'),
            factor,
            teeth: 2,
          },
          rpm,
          depth,
          given(c!, 'm_steps_per_tooth'),
        );
        expect(mu / expected[i]!).toBeCloseTo(1, 2);
      });
    },
    60_000,
  );
});
