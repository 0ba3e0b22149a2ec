import { describe, expect, it } from 'vitest';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import { frequencyGrid, type Receptance, receptanceOf, type TipMode } from '../tip-structure.ts';
import { fitModes } from './modal-fit.ts';

const SHANK: TipMode = { hz: 860, damping: 0.06, stiffness: 7.5e7 };
const TOOL: readonly TipMode[] = [
  { hz: 1450, damping: 0.055, stiffness: 3.4e7 },
  { hz: 2400, damping: 0.045, stiffness: 2e7 },
  { hz: 3600, damping: 0.03, stiffness: 1.2e7 },
];

/** A response with noise that grows towards low frequencies, as that of an accelerometer does. */
function tapped(modes: readonly TipMode[], seed: number, noise = 1e-8): Receptance {
  const g = receptanceOf(modes, frequencyGrid(200, 8000, 3));
  const normal = seededNormal(seededUniform(seed));
  const noisy = (v: number, i: number): number => v + noise * (1200 / g.hz[i]!) ** 2 * normal();
  return { hz: g.hz, re: g.re.map(noisy), im: g.im.map(noisy) };
}
const SEEDS = Array.from({ length: 24 }, (_, i) => i + 1);

describe('modes of a response', () => {
  it('none is next to undamped, however little of its peak is seen', () => {
    for (const seed of SEEDS) {
      const { modes } = fitModes(tapped([SHANK, ...TOOL], seed), { fromHz: 1170, toHz: 8000 });
      for (const m of modes)
        expect([seed, m.hz, m.damping > 0.02], `${m.damping}`).toEqual([seed, m.hz, true]);
      expect(modes.length).toBeLessThanOrEqual(4);
    }
  });

  it('those whose peaks are seen are what they are', () => {
    for (const seed of SEEDS.slice(0, 8)) {
      const { modes } = fitModes(tapped([SHANK, ...TOOL], seed), { fromHz: 1170, toHz: 8000 });
      const seen = modes.filter((m) => m.hz > 1170);
      expect(seen).toHaveLength(3);
      seen.forEach((m, i) => {
        const truth = TOOL[i]!;
        for (const part of ['hz', 'damping', 'stiffness'] as const)
          expect(Math.abs(Math.log(m[part] / truth[part])), `${seed} ${part}`).toBeLessThan(0.06);
      });
    }
  });

  it('little damping that the lines show is found, however unusual', () => {
    for (const damping of [0.01, 0.15]) {
      const one = { ...TOOL[1]!, damping };
      const { modes } = fitModes(tapped([one], 3, 4e-10), { fromHz: 400, toHz: 8000 });
      expect(modes).toHaveLength(1);
      expect(modes[0]!.damping / damping).toBeCloseTo(1, 1);
    }
  });

  it('a bump that noise makes is no mode', () => {
    const bump = { hz: 1700, damping: 0.01, stiffness: 8e9 };
    const { modes } = fitModes(tapped([...TOOL, bump], 5, 1e-10), { fromHz: 600, toHz: 8000 });
    expect(modes.map((m) => Math.round(m.hz / 50) * 50)).toEqual([1450, 2400, 3600]);
  });
});
