import { describe, expect, it } from 'vitest';
import { SHIPPED } from '../../fixtures/crib.ts';
import { wrongHolder, wrongSpindle } from '../crib/pairing.ts';
import { InputError } from '../units/input-error.ts';
import { HOLDER_KINDS, holderOfClass, workingHolders } from './holder-class.ts';
import { MACHINE_CLASSES, machineOfClass, smallMachines } from './machine-class.ts';

describe('holders of a class', () => {
  it.each(Object.keys(HOLDER_KINDS))(
    '%s: larger ones are thicker and stiffer, and never hold less',
    (kind) => {
      const list = HOLDER_KINDS[kind]!.sizes.map(({ name }) => holderOfClass({ kind, size: name }).holder);
      list.slice(1).forEach((h, i) => {
        const before = list[i]!;
        expect(h.body_diameter_mm).toBeGreaterThanOrEqual(before.body_diameter_mm);
        expect(h.bore_diameter_mm[1]).toBeGreaterThan(before.bore_diameter_mm[1]);
        expect(h.clamp_rotation_stiffness_knm_rad.typical).toBeGreaterThanOrEqual(
          before.clamp_rotation_stiffness_knm_rad.typical,
        );
        expect(h.grip_torque_nm_at_12mm?.[1] ?? 0).toBeGreaterThanOrEqual(
          before.grip_torque_nm_at_12mm?.[1] ?? 0,
        );
      });
      for (const h of list) expect(h.nose_diameter_mm).toBeLessThanOrEqual(h.body_diameter_mm);
    },
  );

  it('a shrink fit runs truer and stiffer than a collet of its size, and holds better', () => {
    const shrink = holderOfClass({ kind: 'shrink', size: '12 mm' }).holder;
    const collet = holderOfClass({ kind: 'collet', size: 'size 25' }).holder;
    expect(shrink.runout_at_3xd_um.typical).toBeLessThan(collet.runout_at_3xd_um.typical / 2);
    expect(shrink.clamp_translation_stiffness_n_um.typical).toBeGreaterThan(
      collet.clamp_translation_stiffness_n_um.typical,
    );
    expect(shrink.grip_torque_nm_at_12mm![1]).toBeGreaterThan(collet.grip_torque_nm_at_12mm![1]);
  });

  it('are refused by field where they cannot be', () => {
    for (const [given, field] of [
      [{ kind: 'glue' }, 'kind'],
      [{ kind: 'shrink', interface: 'broomstick' }, 'interface'],
      [{ kind: 'shrink', length: 4000 }, 'length'],
      [{ kind: 'shrink', size: '13 mm' }, 'size'],
    ] as const)
      expect(() => holderOfClass(given)).toThrow(
        expect.objectContaining({ problems: [expect.objectContaining({ field })] }) as unknown as InputError,
      );
  });

  it('take every shank of the working range on a spindle of the shop', () => {
    expect(workingHolders().length).toBeGreaterThan(15);
    const lost = SHIPPED.cutters.filter(
      (c) =>
        !/turning|groov|part|boring/.test(c.type) &&
        !SHIPPED.holders.some(
          (h) => wrongHolder(c, h) === null && SHIPPED.machines.some((m) => wrongSpindle(h, m) === null),
        ),
    );
    expect(lost.map((c) => c.id)).toEqual([]);
  });
});

describe('machines of a class', () => {
  it.each(smallMachines().map((m) => [m.name, m] as const))(
    '%s: power is torque times speed, and no more than its kind',
    (_, m) => {
      for (const rating of ['s1', 's6_40'] as const) {
        const points = m.power_torque[rating];
        for (const p of points) expect(Math.abs((p.nm * p.rpm) / 9549.3 / p.kw - 1)).toBeLessThan(0.02);
        points.slice(1).forEach((p, i) => {
          expect(p.rpm).toBeGreaterThan(points[i]!.rpm);
          expect(p.nm).toBeLessThanOrEqual(points[i]!.nm * 1.01);
        });
        expect(points.at(-1)!.rpm).toBe(m.max_rpm);
      }
      const strongest = Math.max(...m.power_torque.s1.map((p) => p.kw));
      expect(strongest).toBeLessThanOrEqual(5);
      expect(Math.max(...m.power_torque.s6_40.map((p) => p.kw))).toBeGreaterThan(strongest);
      const { x, y } = m.frf_at_bare_holder!.static_stiffness_n_um;
      // A 40 taper machine of the reference data has some 40 N/µm; a router some 4.
      expect(x).toBeGreaterThan(2);
      expect(x).toBeLessThan(30);
      expect(y).toBeLessThan(x);
    },
  );

  it('a stronger one of a class is stiffer; a router is softer than a machining centre of its power', () => {
    const stiffness = (name: string, power: number): number =>
      machineOfClass({ class: name, power }).machine.frf_at_bare_holder!.static_stiffness_n_um.x;
    for (const name of Object.keys(MACHINE_CLASSES))
      expect(stiffness(name, 5)).toBeGreaterThan(stiffness(name, 2));
    expect(stiffness('router', 3)).toBeLessThan(stiffness('small', 3) / 3);
  });

  it('are refused by field where they cannot be', () => {
    expect(() => machineOfClass({ class: 'small', power: 900 })).toThrow(InputError);
    expect(() => machineOfClass({ class: 'submarine' })).toThrow(InputError);
  });
});
