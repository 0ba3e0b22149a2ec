import { describe, expect, it } from 'vitest';
import { PLATE_SHOP, wearPlates } from '../../../fixtures/wear-plates.ts';
import { routesOf } from './routes.ts';
import { batchPlan } from './batch-plan.ts';

const plates = wearPlates();
const plan = batchPlan(plates, 0.9);

describe('the same job run otherwise', () => {
  it('one tool for all changes no tool, and every way is worked out as a whole', () => {
    const wish = { objective: 'cost', confidence: 0.8, budget: 60 } as const;
    const routes = routesOf(plates, PLATE_SHOP.offer, 0.9, wish);
    expect(routes[0]).toMatchObject({ id: 'as-planned', changed: [] });
    expect(routes[0]!.minutesBatch).toBeCloseTo(plan.minutes.batch, 6);
    for (const r of routes.slice(1)) {
      expect(r.changed.length).toBeGreaterThan(0);
      expect(r.costBatch).toBeGreaterThan(0);
    }
  });
});
