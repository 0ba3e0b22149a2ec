import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../../fixtures/crib.ts';
import { boringVerdict, type BoringCut } from './boring-bar.ts';
import { drillVibration } from './slender-drill.ts';

const bar = (id: string) => CRIB.cutters.find((c) => c.id === id)!;
const CUT: BoringCut = {
  bar: bar('bore-steel-16-4d'),
  overhangMm: 64,
  alloy: CRIB.alloys.find((a) => a.id === '4340-28hrc')!,
  boreDiameterMm: 30,
  cuttingSpeedMMin: 160,
  feedMmRev: 0.1,
};

describe('a boring bar', () => {
  it('is calm within the four diameters a steel one is made for, and not at five', () => {
    expect(boringVerdict({ ...CUT, overhangMm: 48 }).limitMm).toBe(Infinity);
    expect(boringVerdict({ ...CUT, overhangMm: 80 }).limitMm).toBeLessThan(0.3);
  });

  it('allows less the farther it stands out, about with the cube', () => {
    const [short, long] = [80, 110].map((overhangMm) => boringVerdict({ ...CUT, overhangMm }));
    expect(long!.limitMm).toBeLessThan(short!.limitMm);
    const softer = short!.mode.stiffness / long!.mode.stiffness;
    expect(softer).toBeGreaterThan(2);
    expect(softer).toBeLessThan((110 / 80) ** 3 * 1.05);
  });

  it('is stiffer and faster in carbide, and calmer with a tuned mass', () => {
    const at = { ...CUT, overhangMm: 80 };
    const [steel, carbide] = ['bore-steel-16-4d', 'bore-carbide-16-5d'].map((id) =>
      boringVerdict({ ...at, bar: bar(id) }),
    );
    expect(carbide!.mode.stiffness / steel!.mode.stiffness).toBeGreaterThan(2);
    expect(carbide!.limitMm).toBeGreaterThan(steel!.limitMm);
    const damped = boringVerdict({
      ...CUT,
      bar: bar('bore-damped-25-8d'),
      overhangMm: 200,
      boreDiameterMm: 40,
    });
    expect(damped.mode.damping).toBeGreaterThan(0.08);
    expect(damped.ratio).toBe(8);
  });

  it('at low speed no depth chatters', () => {
    const slow = boringVerdict({ ...CUT, cuttingSpeedMMin: 4 });
    expect(slow.unconditionalMMin).toBeGreaterThan(4);
    expect(slow.limitMm).toBe(Infinity);
  });

  it('refuses a mill, an overhang longer than the bar, and a bore it does not enter', () => {
    expect(() => boringVerdict({ ...CUT, bar: bar('em-flat-6-z4') })).toThrow(/a boring bar/);
    expect(() => boringVerdict({ ...CUT, overhangMm: 400 })).toThrow(/overhang/);
    expect(() => boringVerdict({ ...CUT, boreDiameterMm: 18 })).toThrow(/bore is 18; allowed: from 20/);
  });
});

describe('a slender drill', () => {
  const drill = bar('drill-6.8-5xd');
  const substrate = CRIB.substrates[drill.extended.substrate]!;
  const at = (out: number) => drillVibration(drill, substrate, out, 2000);

  it('bends slower with the square of its length, and twists slower in proportion to it', () => {
    expect(at(40).bendingFreeHz / at(80).bendingFreeHz).toBeCloseTo(4, 6);
    expect(at(40).torsionHz / at(80).torsionHz).toBeCloseTo(2, 6);
    expect(at(60).bendingHeldHz / at(60).bendingFreeHz).toBeCloseTo((3.9266 / 1.8751) ** 2, 4);
  });

  it('whirls to three lobes at the higher of the two speeds', () => {
    const [three, five] = at(80).whirlRpm;
    expect(three!.rpm / five!.rpm).toBeCloseTo(2, 9);
    expect(at(80).torsionWaves).toBeGreaterThan(10);
  });

  it('refuses a stick-out of nothing', () => {
    expect(() => at(0)).toThrow(/stick-out/);
  });
});
