import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { bendSteppedBeam } from './stepped-beam.ts';
import { bucklingLoad } from './buckling.ts';
import { supportCompliance } from './support-compliance.ts';
import { toolBeam } from './tool-beam.ts';

const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;
const machine = (id: string) => CRIB.machines.find((m) => m.id === id)!;
const holder = (id: string) => CRIB.holders.find((h) => h.id === id)!;
const mill = cutter('em-bull-12-z5-re0.5-var');

describe('tool as a beam', () => {
  it('is shank, neck and flutes, and together as long as it stands out', () => {
    const beam = toolBeam(mill, 50, 580);
    expect(beam.map((s) => s.diameterMm)).toEqual([12, 11.28, expect.closeTo(9.972, 3)]);
    expect(beam.reduce((sum, s) => sum + s.lengthMm, 0)).toBeCloseTo(50, 12);
  });

  it('is flutes alone when it is pushed in to the flutes', () => {
    const beam = toolBeam(mill, 20, 580);
    expect(beam).toEqual([{ lengthMm: 20, diameterMm: expect.closeTo(9.972, 3) as number, modulusGPa: 580 }]);
  });

  it('an indexable body bends like steel', () => {
    expect(toolBeam(cutter('shoulder90-40-z4'), 40, 560)).toEqual([
      { lengthMm: 40, diameterMm: 32, modulusGPa: 207 },
    ]);
  });

  it('carbide bends less than high-speed steel in proportion to its modulus', () => {
    const tip = (modulus: number): number => bendSteppedBeam(toolBeam(mill, 40, modulus), 100, 10).tipMm;
    expect(tip(230) / tip(580)).toBeCloseTo(580 / 230, 9);
  });
});

describe('what gives way behind the tool', () => {
  const at = (holderId: string, machineId: string, lever: number) =>
    supportCompliance(machine(machineId), holder(holderId), 12, lever, 'y');

  it('gives more the longer the lever', () => {
    const near = at('shrink-12-80', 'vmc40-15kw-belt', 20);
    const far = at('shrink-12-80', 'vmc40-15kw-belt', 60);
    for (const part of ['clamp', 'holderBody', 'spindle'] as const)
      expect(far[part]).toBeGreaterThan(near[part]);
  });

  it('a long slim holder gives more than a short thick one', () => {
    expect(at('shrink-slim-6-120', 'vmc40-15kw-belt', 30).holderBody).toBeGreaterThan(
      5 * at('milling-chuck-20-90', 'vmc40-15kw-belt', 30).holderBody,
    );
  });

  it('at the holder’s nose the spindle gives what its record states, within the way to the nose', () => {
    const m = machine('vmc40-22kw-direct');
    const short = { ...holder('collet-er32-70'), gauge_length_mm: 50 };
    const stated = 1 / (m.frf_at_bare_holder!.static_stiffness_n_um.x * 1000);
    expect(supportCompliance(m, short, 12, 0, 'x').spindle / stated).toBeCloseTo(1, 2);
  });

  it('a thicker shank holds stiffer', () => {
    const thin = supportCompliance(machine('hmc50-45kw'), holder('milling-chuck-20-90'), 8, 30, 'x').clamp;
    const thick = supportCompliance(machine('hmc50-45kw'), holder('milling-chuck-20-90'), 20, 30, 'x').clamp;
    expect(thin).toBeGreaterThan(2 * thick);
  });
});

describe('buckling', () => {
  it('falls with the square of length and rises with the fourth power of diameter', () => {
    const load = (d: number, l: number): number => bucklingLoad(580, d, l, 'fixed-pinned');
    expect(load(5, 60) / load(5, 120)).toBeCloseTo(4, 9);
    expect(load(10, 60) / load(5, 60)).toBeCloseTo(16, 9);
  });

  it('refuses a column without length', () => {
    expect(() => bucklingLoad(580, 5, 0, 'fixed-free')).toThrow(/length is 0/);
  });
});
