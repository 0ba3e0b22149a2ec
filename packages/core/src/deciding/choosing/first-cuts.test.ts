import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET, SHIPPED } from '../../../fixtures/crib.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { placeOf } from './doubt.ts';
import { firstCuts } from './first-cuts.ts';
import { contextWith, type Offer } from './rank-cutters.ts';

const offer: Offer = { ...SHIPPED, shelves: {} };
const context = contextOf(LOCK_POCKET, 1);
const cuts = firstCuts(LOCK_POCKET, context, offer);

describe('numbers one would begin with', () => {
  it('come in order, possible as they stand, of tools that make the feature', () => {
    expect(cuts.length).toBeGreaterThan(2);
    const places = cuts.map((c) => placeOf(c.state));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    for (const c of cuts) {
      const cutter = offer.cutters.find((x) => x.id === c.cutterId)!;
      expect(problemsOf(c.operation, contextWith(LOCK_POCKET, context, cutter, offer)!)).toEqual([]);
      expect(cutter.type).not.toMatch(/ball|barrel|face_mill_(45|round)/);
    }
  });

  it('the first is one a shop would take: solid carbide, rated for the alloy, over no limit', () => {
    const first = offer.cutters.find((c) => c.id === cuts[0]!.cutterId)!;
    expect(first.suits_iso_groups).toContain(context.alloy.iso513_group);
    expect(first.extended.substrate).not.toMatch(/hss/);
    expect(cuts[0]!.state).not.toBe('over');
  });
});
