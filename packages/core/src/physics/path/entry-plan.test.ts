import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, LOCK_POCKET } from '../../../fixtures/crib.ts';
import { type Entry } from '../../operations/operation.ts';
import { usualPath } from '../../operations/milling/milling-operation.ts';
import { deadCentre, entryPlan, type EntryPlace, rateEntries } from './entry-plan.ts';

const entry: Entry = usualPath('pocket').entry;
const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;

function place(over: Partial<EntryPlace> = {}, feature: Partial<EntryPlace['feature']> = {}): EntryPlace {
  const context = contextOf(LOCK_POCKET);
  return {
    cutter: cutter('em-bull-8-z4-re0.5-var'),
    alloy: context.alloy,
    feature: { ...LOCK_POCKET.feature, ...feature },
    axialDepthMm: 8,
    toolChangeS: 4,
    ...over,
  };
}

describe('ways in', () => {
  it('a helix takes the gentler of alloy and cutter, and a hole that leaves no core', () => {
    const plan = entryPlan(entry, place());
    expect(plan.rampAngleDeg).toBeCloseTo(1.5);
    expect(plan.helixDiameterMm).toBeGreaterThan(1.2 * 8);
    expect(plan.helixDiameterMm).toBeLessThanOrEqual(1.8 * 8);
    expect(plan.coreMm).toBe(0);
    expect(plan.impossible).toBeNull();
  });

  it('says that a helix does not fit a feature narrower than 1.2 cutters, the usual reason for no path', () => {
    expect(entryPlan(entry, place({}, { widthMm: 9 })).impossible).toMatch(/too narrow/);
    expect(entryPlan({ ...entry, helixDiameterMm: 60 }, place()).impossible).toMatch(
      /wider than the feature/,
    );
  });

  it('a tapered helix has to fit at its top too, and a deep straight one is told of taper', () => {
    const tight = { ...entry, helixDiameterMm: 14 };
    const narrow = place({ axialDepthMm: 20 }, { widthMm: 14.2 });
    expect(entryPlan(tight, narrow).impossible).toBeNull();
    expect(entryPlan({ ...tight, taperDeg: 1 }, narrow).impossible).toMatch(/wider than the feature/);
    const reason = (taperDeg: number): string =>
      rateEntries({ ...entry, taperDeg }, place({ axialDepthMm: 20 }), 500, 1).find(
        (e) => e.plan.method === 'helix',
      )!.reason;
    expect(reason(0)).toMatch(/a taper of/);
    expect(reason(1)).not.toMatch(/a taper of/);
  });

  it('leaves a post in a helix wider than two cutters, and says whether it may break free', () => {
    const wide = { ...entry, helixDiameterMm: 19 };
    const blind = entryPlan(wide, place({ axialDepthMm: 6 }));
    expect(blind.coreMm).toBeCloseTo(3);
    expect(blind.coreBreaksFree).toBe(false);
    expect(entryPlan(wide, place({ axialDepthMm: 6 }, { through: true })).coreBreaksFree).toBe(true);
  });

  it('a face that does not cut to its centre needs a wider hole and cannot plunge', () => {
    const finisher = cutter('em-bull-12-z7-re1-fin');
    expect(deadCentre(finisher)).toBeGreaterThan(deadCentre(cutter('em-bull-12-z4-re1-var')));
    expect(entryPlan({ ...entry, method: 'plunge' }, place({ cutter: finisher })).impossible).toMatch(
      /centre/,
    );
  });

  it('counts air cut at ramp feed', () => {
    const high = entryPlan({ ...entry, startHeightMm: 5 }, place());
    const low = entryPlan(entry, place());
    expect(high.airMm / low.airMm).toBeCloseTo(10, 6);
    expect(high.pathMm - low.pathMm).toBeCloseTo(high.airMm - low.airMm, 6);
  });

  it('ramps get longer as they get gentler, and reach depth in levels the run allows', () => {
    const gentle = entryPlan({ ...entry, method: 'ramp', rampAngleDeg: 1 }, place());
    const steep = entryPlan({ ...entry, method: 'ramp', rampAngleDeg: 2 }, place());
    expect(gentle.pathMm / steep.pathMm).toBeCloseTo(2, 2);
    expect(entryPlan({ ...entry, method: 'ramp' }, place({}, { lengthMm: 8 })).impossible).toMatch(
      /too short/,
    );
  });

  it('recommends rolling in where it can, the helix in a closed pocket, the drill in a deep one of titanium', () => {
    const best = (p: EntryPlace): string => rateEntries(entry, p, 500, 3)[0]!.plan.method;
    expect(best(place({}, { kind: 'side' }))).toBe('outside');
    expect(best(place({}, { depthMm: 10 }))).toBe('helix');
    expect(best(place({}, { depthMm: 25 }))).toBe('predrilled');
  });

  it('gives every way in a time and a reason, the impossible ones last', () => {
    const all = rateEntries(entry, place({ cutter: cutter('em-bull-12-z7-re1-fin') }), 500, 3);
    expect(all).toHaveLength(5);
    expect(all.every((e) => e.reason.length > 10 && e.minutes > 0)).toBe(true);
    expect(all.at(-1)!.plan.impossible).not.toBeNull();
  });
});
