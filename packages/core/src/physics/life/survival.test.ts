import { describe, expect, it } from 'vitest';
import { seededNormal, seededUniform } from '../../numerics/random.ts';
import { changePoints, cheapestChange, costPerFeature } from './change-point.ts';
import { survivalByFeature } from './edge-survival.ts';
import { kaplanMeier } from './kaplan-meier.ts';

describe('survival of edges', () => {
  it('is the share left where every end was seen', () => {
    const steps = kaplanMeier([3, 1, 2, 4].map((life) => ({ life, ended: true })));
    expect(steps.map((s) => [s.life, s.alive])).toEqual([
      [0, 1],
      [1, 0.75],
      [2, expect.closeTo(0.5, 12)],
      [3, expect.closeTo(0.25, 12)],
      [4, expect.closeTo(0, 12)],
    ]);
  });

  it('an edge still good when last seen counts among those at risk until then, and ends nothing', () => {
    const steps = kaplanMeier([
      { life: 1, ended: true },
      { life: 2, ended: false },
      { life: 3, ended: true },
      { life: 5, ended: false },
    ]);
    expect(steps).toEqual([
      { life: 0, alive: 1 },
      { life: 1, alive: 0.75 },
      { life: 3, alive: 0.375 },
      { life: 5, alive: 0.375 },
    ]);
    expect(kaplanMeier([])).toEqual([{ life: 0, alive: 1 }]);
  });
});

describe('a change point', () => {
  const costs = { change: 40, failure: 300 };
  const alive = survivalByFeature([{ weight: 1, mean: Math.log(30), sd: 0.3 }], 3, 60);

  it('costs what a long run of edges costs', () => {
    const uniform = seededUniform(3);
    const normal = seededNormal(uniform);
    for (const k of [4, 8, 14]) {
      let [cost, made] = [0, 0];
      for (let n = 0; n < 40_000; n++) {
        const lasts = Math.floor((30 * Math.exp(0.3 * normal())) / 3);
        cost += costs.change + (lasts < k ? costs.failure : 0);
        // The feature it fails in is begun: it counts as run, its part is in the cost of a failure.
        made += Math.min(k, lasts + 1);
      }
      expect(cost / made / costPerFeature(alive, k, costs)).toBeCloseTo(1, 1);
    }
  });

  it('comes earlier the dearer a failure, never before one feature', () => {
    const at = (failure: number): number =>
      cheapestChange([{ weight: 1, alive }], { change: 40, failure }).features;
    expect(at(30)).toBeGreaterThan(at(300));
    expect(at(300)).toBeGreaterThan(at(30_000));
    expect(at(1e9)).toBeGreaterThanOrEqual(1);
  });

  it('doubt that all edges share does not run them to their end', () => {
    const shifted = (z: number) => survivalByFeature([{ weight: 1, mean: Math.log(30) + z, sd: 0.3 }], 3, 60);
    const possible = [-1, 0, 1].map((z) => ({ weight: 1 / 3, alive: shifted(z) }));
    const summed = Float64Array.from(alive, (_, k) =>
      possible.reduce((s, p) => s + p.weight * p.alive[k]!, 0),
    );
    const apart = cheapestChange(possible, costs);
    expect(apart.features).toBeLessThan(10);
    // Taken for scatter, the same doubt looks as if whoever survives was made to last.
    const together = changePoints([{ weight: 1, alive: summed }], costs);
    expect(together[apart.features - 1]!.failsEarlier).toBeCloseTo(apart.failsEarlier, 12);
    expect(together.at(-1)!.costPerFeature).toBeLessThan(
      changePoints(possible, costs).at(-1)!.costPerFeature,
    );
  });

  it('needs an edge that costs something and a curve with a feature', () => {
    expect(() => cheapestChange([{ weight: 1, alive: [1] }], costs)).toThrow(/one feature or more/);
    expect(() => cheapestChange([{ weight: 1, alive }], { change: 0, failure: 1 })).toThrow(
      /edge and its change/,
    );
    expect(() => survivalByFeature([], 0, 3)).toThrow(/minutes per feature/);
  });
});
