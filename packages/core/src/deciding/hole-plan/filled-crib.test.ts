import { describe, expect, it } from 'vitest';
import { SHIPPED } from '../../../fixtures/crib.ts';
import { BORE_30, DEEP_8, DOWEL_10, M6_BLIND, shopOf } from '../../../fixtures/holes.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { HoleDemand } from './hole-demand.ts';
import { planHole } from './plan-hole.ts';

/** A shop with everything that ships. */
const filled = (alloyId: string) => {
  const shop = shopOf(alloyId);
  return { ...shop, offer: { ...shop.offer, cutters: SHIPPED.cutters, holders: SHIPPED.holders } };
};
const stepsOf = (alloyId: string, demand: HoleDemand) => {
  const [best] = planHole(filled(alloyId), demand).alternatives;
  return best!.steps.map((s) => ({
    key: s.key,
    cutter: SHIPPED.cutters.find((c) => c.id === s.op.tooling.cutterId)!,
  }));
};

describe('with a filled crib a hole is made with what a shop would take', () => {
  it.each(['s32750', '4340-28hrc', '6061-t6'])(
    'in %s: ground for it, of the size, no longer than needed',
    (alloyId) => {
      const { alloy } = filled(alloyId);
      for (const demand of [M6_BLIND, DEEP_8, DOWEL_10, BORE_30])
        for (const { key, cutter } of stepsOf(alloyId, demand)) {
          expect([cutter.id, cutter.suits_iso_groups.includes(alloy.iso513_group)]).toEqual([
            cutter.id,
            true,
          ]);
          if (key === 'chamfer')
            expect(Math.abs(outerDiameter(cutter) - Math.min(12, demand.diameterMm))).toBeLessThan(3);
        }
    },
  );

  it('a dowel hole is drilled two tenths under, with the short drill, and reamed', () => {
    const steps = stepsOf('4340-28hrc', DOWEL_10);
    const drill = steps.find((s) => s.cutter.type === 'drill_solid')!.cutter;
    expect(drill.properties.DC).toBe(9.8);
    expect(drill.properties['ULDR']).toBeLessThanOrEqual(5);
    expect(steps.some((s) => s.cutter.type === 'reamer' && Math.round(s.cutter.properties.DC!) === 10)).toBe(
      true,
    );
  });

  it('a mill for hardened steel is not taken for a soft one', () => {
    for (const { cutter } of stepsOf('4340-28hrc', BORE_30)) expect(cutter.id).not.toMatch(/hard/);
  });
});
