import { describe, expect, it } from 'vitest';
import { momentsOf } from '../numerics/normal-mixture.ts';
import { seededNormal, seededUniform } from '../numerics/random.ts';
import { normalDeviate } from '../numerics/normal.ts';
import { cheapestChange, costPerFeature, type PossibleSurvival } from '../physics/life/change-point.ts';
import { survivalByFeature } from '../physics/life/edge-survival.ts';
import {
  band90,
  type EdgeLifeFit,
  edgeScatter,
  type EdgeTrial,
  fitEdgeLife,
  LOT_SD,
  MACHINE_SD,
  nextEdge,
  speedShift,
} from './fit-edge-life.ts';
import { fitLoad, forceShift, type LoadTrial, USUAL_EFFICIENCY } from './fit-load.ts';

const SHOPS = 200;
const STEPS = [0, 1, 2, 4, 8, 16, 30];
const PRIOR = { speedSd: 0.18, taylorN: 0.25 };

interface EdgeShop {
  readonly truth: number;
  readonly slope: number;
  readonly sigma: number;
  readonly trials: readonly EdgeTrial[];
  readonly nextLn: number;
}

/** A shop with hidden truths drawn from what the library believes, and edges run at speeds of its own choice. */
function edgeShop(uniform: () => number, normal: () => number): EdgeShop {
  const family = PRIOR.speedSd * normal();
  const lot = LOT_SD * normal();
  const machine = MACHINE_SD * normal();
  const slope = Math.exp(0.2 * normal()) / PRIOR.taylorN;
  const sigma = 0.3 * Math.exp(0.4 * normal());
  const truth = family + lot + machine;
  const lnLife = (lnRatio: number): number => Math.log(30) + slope * (truth - lnRatio) + sigma * normal();
  const trials = Array.from({ length: STEPS.at(-1)! }, (_, i): EdgeTrial => {
    const lnRatio = -0.1 + 0.35 * uniform();
    const ln = lnLife(lnRatio);
    // Half of them are to be changed after minutes somebody chose without knowing this edge.
    const planned = uniform() < 1 / 2 ? Math.log(30) + 0.5 * normal() : Infinity;
    const seen = Math.min(ln, planned);
    return {
      id: `${i}`,
      heatLot: 'L1',
      machineId: 'M1',
      speedRatio: Math.exp(lnRatio),
      minutes: Math.exp(seen),
      ended: seen === ln,
      readingSd: 0,
    };
  });
  return { truth, slope, sigma, trials, nextLn: lnLife(Math.log(1.05)) };
}

/** What the next edges may be like: the doubt of one fit in nine steps, each with its scatter from edge to edge. */
function possibleOf(fit: EdgeLifeFit, minutes: number): PossibleSurvival[] {
  const { mean, sd } = momentsOf(nextEdge(fit, NEXT));
  const scatter = Math.min(sd, edgeScatter(fit));
  const shared = Math.sqrt(sd ** 2 - scatter ** 2);
  return [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9].map((p) => ({
    weight: 1 / 9,
    alive: survivalByFeature(
      [{ weight: 1, mean: mean + shared * normalDeviate(p), sd: scatter }],
      minutes,
      200,
    ),
  }));
}

const NEXT = { speedRatio: 1.05, heatLot: 'L1', machineId: 'M1' };
const holds = ([low, high]: readonly [number, number], truth: number): boolean =>
  truth >= low && truth <= high;
const share = (all: readonly boolean[]): number => all.filter(Boolean).length / all.length;
const mean = (all: readonly number[]): number => all.reduce((s, v) => s + v, 0) / all.length;

describe('200 shops with hidden truths', () => {
  const uniform = seededUniform(3);
  const normal = seededNormal(uniform);
  const shops = Array.from({ length: SHOPS }, () => edgeShop(uniform, normal));
  const fits = STEPS.map((n) => shops.map((s) => fitEdgeLife(s.trials.slice(0, n), PRIOR)));

  it('90% bands hold the speed constant, after any number of trials', () => {
    for (const [i, n] of STEPS.entries()) {
      const held = share(fits[i]!.map((f, k) => holds(band90(speedShift(f, 'L1', 'M1')), shops[k]!.truth)));

      expect(held, `${n} trials`).toBeGreaterThanOrEqual(0.85);
      expect(held, `${n} trials`).toBeLessThanOrEqual(0.95);
    }
  });

  it('90% bands hold the life of the next edge', () => {
    for (const [i, n] of STEPS.entries()) {
      const held = share(fits[i]!.map((f, k) => holds(band90(nextEdge(f, NEXT)), shops[k]!.nextLn)));

      expect(held, `${n} trials`).toBeGreaterThanOrEqual(0.85);
      expect(held, `${n} trials`).toBeLessThanOrEqual(0.95);
    }
  });

  it('bands narrow with every further trial', () => {
    const widths = fits.map((of) =>
      mean(of.map((f) => band90(speedShift(f, 'L1', 'M1'))).map(([low, high]) => high - low)),
    );
    for (let i = 1; i < widths.length; i++) expect(widths[i]!).toBeLessThan(widths[i - 1]!);
    expect(widths.at(-1)! / widths[0]!).toBeLessThan(0.35);
  });

  it('two trials help and twenty overrule the library', () => {
    const edge = (i: number): EdgeTrial => ({
      id: `${i}`,
      heatLot: '',
      machineId: '',
      speedRatio: 1,
      minutes: 30 * Math.exp(-4 * 0.3 + 0.1 * (i % 3)),
      ended: true,
      readingSd: 0,
    });
    // Edges last as if the speed were a quarter too high.
    const at = (n: number) =>
      momentsOf(
        speedShift(
          fitEdgeLife(
            Array.from({ length: n }, (_, i) => edge(i)),
            PRIOR,
          ),
          null,
          null,
        ),
      ).mean;
    expect(at(2)).toBeLessThan(-0.12);
    expect(at(20)).toBeLessThan(at(2));
    expect(at(20)).toBeCloseTo(-0.275, 1);
  });

  it('the learnt change point costs within 5% of the one chosen with the truth known', () => {
    const costs = { change: 40, failure: 400 };
    const minutes = 3;
    const ratios = fits.at(-1)!.map((fit, k) => {
      const { truth, slope, sigma } = shops[k]!;
      const real = [{ weight: 1, mean: Math.log(30) + slope * (truth - Math.log(1.05)), sd: sigma }];
      const alive = survivalByFeature(real, minutes, 200);
      const learnt = cheapestChange(possibleOf(fit, minutes), costs);
      return (
        costPerFeature(alive, learnt.features, costs) /
        cheapestChange([{ weight: 1, alive }], costs).costPerFeature
      );
    });
    expect(mean(ratios)).toBeLessThan(1.05);
  });

  it('90% bands hold kc, and narrow', () => {
    const truths: number[] = [];
    const results = Array.from({ length: SHOPS }, () => {
      const kc = 0.1 * normal();
      const lot = 0.05 * normal();
      const efficiency = 0.07 * normal();
      const idle = 0.04 * 20 * Math.exp(0.5 * normal());
      truths.push(kc + lot);
      const trials = Array.from({ length: 16 }, (_, i): LoadTrial => {
        const edgeKw = 1 + 8 * uniform();
        const drawn = (edgeKw / USUAL_EFFICIENCY) * Math.exp(kc + lot - efficiency);
        const off = Math.hypot(0.015 * 20, (0.08 * edgeKw) / USUAL_EFFICIENCY) * normal();
        return {
          id: `${i}`,
          alloyId: 'a',
          heatLot: 'L1',
          machineId: 'm',
          edgeKw,
          fullKw: 20,
          percent: Math.max(0.1, (100 * (idle + drawn + off)) / 20),
          idlePercent: i % 4 === 0 ? Math.max(0, (100 * (idle + 0.3 * normal())) / 20) : null,
        };
      });
      return [1, 4, 16].map((n) =>
        band90(
          forceShift(
            fitLoad(trials.slice(0, n), () => 0.1),
            'a',
            'L1',
          ),
        ),
      );
    });
    for (const i of [0, 1, 2]) {
      const held = share(results.map((r, k) => holds(r[i]!, truths[k]!)));

      expect(held).toBeGreaterThanOrEqual(0.85);
      expect(held).toBeLessThanOrEqual(0.95);
    }
    const widths = [0, 1, 2].map((i) => mean(results.map((r) => r[i]![1] - r[i]![0])));
    expect(widths[1]!).toBeLessThan(widths[0]!);
    expect(widths[2]!).toBeLessThan(widths[1]!);
  });
});
