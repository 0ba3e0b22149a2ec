import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { assemblyOf } from '../dynamics/assembly-of.ts';
import { assemblyModes } from '../dynamics/coupling/assembly-modes.ts';
import { bendSteppedBeam } from './stepped-beam.ts';
import { clampStiffness, supportCompliance } from './support-compliance.ts';
import { toolBeam } from './tool-beam.ts';

const entry = <T extends { readonly id: string }>(list: readonly T[], id: string): T =>
  list.find((e) => e.id === id)!;

function parts(machineId: string, holderId: string, cutterId: string) {
  const cutter = entry(CRIB.cutters, cutterId);
  return {
    machine: entry(CRIB.machines, machineId),
    holder: entry(CRIB.holders, holderId),
    cutter,
    substrate: CRIB.substrates[cutter.extended.substrate]!,
  };
}

/** Stiffness of the tip, N/µm, by the beam that bends under the cut and by the one that vibrates. */
function tips(p: ReturnType<typeof parts>, stickOutMm: number): { bends: number; vibrates: number } {
  const of = (axis: 'x' | 'y') => {
    const shank = p.cutter.properties.DCONMS!;
    const s = supportCompliance(p.machine, p.holder, shank, stickOutMm, axis);
    const tool = bendSteppedBeam(toolBeam(p.cutter, stickOutMm, p.substrate.E_gpa), 1, 0).tipMm;
    const modes = assemblyModes(assemblyOf(p, stickOutMm, axis)).modes;
    return {
      bends: 1e-3 / (tool + s.clamp + s.holderBody + s.spindle),
      vibrates: 1e-6 / modes.reduce((sum, m) => sum + 1 / m.stiffness, 0),
    };
  };
  const [x, y] = [of('x'), of('y')];
  return { bends: (x.bends + y.bends) / 2, vibrates: (x.vibrates + y.vibrates) / 2 };
}

/** What is measured at tips of such combinations, N/µm. */
const TABLE = [
  ['vmc40-15kw-belt', 'shrink-12-80', 'em-bull-12-z5-re0.5-var', 36, 6, 9],
  ['vmc40-22kw-direct', 'shrink-12-80', 'em-bull-12-z5-re0.5-var', 36, 6, 9],
  ['vmc40-15kw-belt', 'collet-er32-70', 'em-bull-12-z4-re1-var', 36, 5, 8],
  ['axis5-24k', 'shrink-12-80', 'em-bull-12-z5-re0.5-var', 36, 7, 10],
  ['vmc40-15kw-belt', 'hydraulic-heavy-20-90', 'em-bull-16-z5-re2-ti', 45, 7, 10],
  ['vmc40-15kw-belt', 'milling-chuck-20-90', 'em-bull-20-z6-re3', 55, 9, 13],
  ['hmc50-45kw', 'milling-chuck-20-90', 'em-bull-20-z6-re3', 55, 15, 20],
  ['vmc40-15kw-belt', 'shell-arbor-22-50', 'face45-63-z6', 50, 20, 40],
  ['hmc50-45kw', 'shell-arbor-22-50', 'face45-63-z6', 50, 48, 90],
  ['vmc40-15kw-belt', 'shrink-12-80', 'em-flat-6-z4', 18, 4, 5.2],
  ['vmc40-15kw-belt', 'shrink-12-80', 'em-flat-3-z3', 9, 3, 4],
] as const;

describe('stiffness of a tip from class values', () => {
  it.each(TABLE)('%s, %s, %s at %s mm: between %s and %s N/µm', (machine, holder, cutter, out, low, high) => {
    const { bends } = tips(parts(machine, holder, cutter), out);
    expect(bends).toBeGreaterThanOrEqual(low);
    expect(bends).toBeLessThanOrEqual(high);
  });

  it.each(TABLE)(
    '%s, %s, %s at %s mm bends and vibrates on one stiffness',
    (machine, holder, cutter, out) => {
      const { bends, vibrates } = tips(parts(machine, holder, cutter), out);
      expect(vibrates / bends).toBeGreaterThan(0.93);
      expect(vibrates / bends).toBeLessThan(1.07);
    },
  );

  it('a micro cutter is as soft to chatter as to bending: it is not as stiff as its shank', () => {
    const p = parts('vmc40-22kw-direct', 'collet-er16-slim-100', 'em-flat-1.5-z2');
    const { bends, vibrates } = tips(p, 10);
    expect(bends).toBeLessThan(1);
    expect(vibrates / bends).toBeGreaterThan(0.9);
    expect(vibrates / bends).toBeLessThan(1.1);
  });
});

describe('joint of a shank', () => {
  it('turns with the cube of the diameter: three diameters of grip on an elastic foundation', () => {
    const holder = entry(CRIB.holders, 'shrink-12-80');
    const [six, twelve, twenty] = [6, 12, 20].map((d) => clampStiffness(holder, d));
    expect(twelve!.rotation).toBeCloseTo(45e3, 3);
    expect(six!.rotation / twelve!.rotation).toBeCloseTo(1 / 8, 9);
    expect(twenty!.rotation / twelve!.rotation).toBeCloseTo((20 / 12) ** 3, 9);
    expect(six!.translation / twelve!.translation).toBeCloseTo(0.5, 9);
  });
});
