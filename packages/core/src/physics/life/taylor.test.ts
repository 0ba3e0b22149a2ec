import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { lifeAtSpeed, speedForLife, withinValidity } from './taylor.ts';

const models = CRIB.alloys.flatMap((a) =>
  a.taylor_milling_coated_carbide ? [[a.id, a.taylor_milling_coated_carbide] as const] : [],
);

describe('extended Taylor', () => {
  it.each(models)('%s: gives the record’s own speeds at its reference cut', (_id, model) => {
    const r = model.reference;
    const cut = { chipMm: r.hmax_mm, radialOverDiameter: r.ae_over_d, axialOverDiameter: r.ap_over_d };
    const vc30 = model.vc_m_min.life_30_min;
    expect(speedForLife(model, vc30, cut, 30)).toBeCloseTo(vc30, 9);
    expect(speedForLife(model, vc30, cut, 15) / model.vc_m_min.life_15_min).toBeCloseTo(1, 1);
    expect(speedForLife(model, vc30, cut, 60) / model.vc_m_min.life_60_min).toBeCloseTo(1, 1);
  });

  it('life and speed are each other’s inverse', () => {
    const [, model] = models[0]!;
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 200, noNaN: true }),
        fc.double({ min: 0.03, max: 1, noNaN: true }),
        (minutes, ae) => {
          const cut = { chipMm: 0.05, radialOverDiameter: ae, axialOverDiameter: 1 };
          const vc = speedForLife(model, 50, cut, minutes);
          expect(lifeAtSpeed(model, 50, cut, vc) / minutes).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('is held at the edge of its range and says which way it left it', () => {
    const [, model] = models[0]!;
    const inside = { chipMm: model.reference.hmax_mm, radialOverDiameter: 0.3, axialOverDiameter: 1 };
    expect(withinValidity(model, inside)).toEqual({ cut: inside, outside: [] });
    const far = withinValidity(model, { chipMm: 9, radialOverDiameter: 0.001, axialOverDiameter: 7 });
    expect(far.outside).toEqual(['chip thickness', 'radial depth', 'axial depth']);
    expect(far.cut.radialOverDiameter).toBe(model.valid.ae_over_d[0]);
    expect(far.cut.axialOverDiameter).toBe(model.valid.ap_over_d[1]);
  });
});
