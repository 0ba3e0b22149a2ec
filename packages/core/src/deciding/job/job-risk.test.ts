import { describe, expect, it } from 'vitest';
import { DOWEL_HOLE } from '../../../fixtures/crib.ts';
import { batchPlan } from './batch-plan.ts';
import { orderRisk } from '../hole-plan/order-risk.ts';
import { EMPTY_JOB_PLAN } from './job-plan.ts';
import { enoughSpares, leastRiskOrder } from './job-risk.ts';
import { chanceOver } from './loss-chance.ts';
import { wearPlates } from '../../../fixtures/wear-plates.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

const plates = wearPlates();
const plan = batchPlan(plates, 0.9);

describe('risk', () => {
  it('the first piece carries what the model may be wrong about, the batch a part of it', () => {
    expect(plan.risk.firstLost).toBeGreaterThan(plan.risk.lost);
    for (const o of plan.risk.operations) {
      expect(o.expectedLoss).toBeCloseTo(o.chance * o.value, 9);
      for (const w of o.ways) expect(w.first).toBeGreaterThanOrEqual(w.chance);
    }
  });

  it('what is risky comes before hours are spent, with all it needs before it', () => {
    const station = (id: string, minutes: number, chance: number, ...needs: string[]) => ({
      id,
      minutes,
      chance,
      needs,
    });
    expect(
      leastRiskOrder([
        station('face', 5, 0),
        station('rough', 60, 0.001, 'face'),
        station('tap', 2, 0.02, 'face', 'drill'),
        station('drill', 3, 0.001, 'face'),
      ]),
    ).toEqual(['face', 'drill', 'tap', 'rough']);
  });

  it('nobody is told to move what costs more by the moving: long work with some risk stays behind quick risky holes', () => {
    const base = { setup: 's', after: null, fine: false, opens: false } as const;
    const stations = [
      { ...base, id: 'tap', minutes: 2, chance: 0.015, clears: false },
      { ...base, id: 'rough', minutes: 50, chance: 0.016, clears: true },
      { ...base, id: 'drill', minutes: 1, chance: 0.004, clears: false },
    ];
    const [, rough, drill] = orderRisk(stations, 400, 1.5);
    expect(rough!.earlier).toBeNull();
    expect(rough!.warning).toBe(false);
    expect(drill!.earlier).toMatchObject({ before: 'rough' });
    expect(drill!.earlier!.saves).toBeCloseTo((0.004 * 50 - 0.016 * 1) * 1.5, 9);
  });

  it('no order of a few operations costs less than the one told', () => {
    const stations = [12, 3, 40, 7, 25].map((minutes, i) => ({
      id: `${i}`,
      minutes,
      chance: [0.002, 0.01, 0.0005, 0.03, 0.004][i]!,
      needs: i === 3 ? ['2'] : [],
    }));
    const cost = (order: readonly string[]): number => {
      let [spent, sum] = [0, 0];
      for (const id of order) {
        const s = stations.find((x) => x.id === id)!;
        sum += s.chance * (100 + spent);
        spent += s.minutes;
      }
      return sum;
    };
    const orders = (left: readonly string[]): string[][] =>
      left.length === 0
        ? [[]]
        : left.flatMap((id) => orders(left.filter((x) => x !== id)).map((o) => [id, ...o]));
    const allowed = orders(['0', '1', '2', '3', '4']).filter((o) => o.indexOf('2') < o.indexOf('3'));
    const least = Math.min(...allowed.map(cost));
    expect(cost(leastRiskOrder(stations))).toBeLessThan(least * 1.02);
  });

  it('a value of the part that a hole states fixes what the blank is worth', () => {
    const job = ordinaryJob({ plan: { ...EMPTY_JOB_PLAN } });
    const valued = {
      ...job,
      setups: job.setups.map((s) => ({
        ...s,
        operations: s.operations.map((o) =>
          o.id === 'h'
            ? { ...o, document: { ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, partValue: 2400 } } }
            : o,
        ),
      })),
    };
    const { risk } = batchPlan(valued, 0.9);
    expect(risk.assumed).toBe(false);
    expect(risk.operations.find((o) => o.id === 'h')!.value).toBeCloseTo(2400, 6);
    expect(batchPlan(job, 0.9).risk.assumed).toBe(true);
  });

  it('spares: three of 33 are enough when one in a hundred is lost, not when one in five is', () => {
    expect(enoughSpares(0.01, 30, 3)).toBeGreaterThan(0.99);
    expect(enoughSpares(0.2, 30, 3)).toBeLessThan(0.15);
    expect(enoughSpares(0, 30, 0)).toBe(1);
    expect(enoughSpares(1, 30, 3)).toBe(0);
  });

  it('a limit used to its middle is exceeded as often as not', () => {
    expect(chanceOver({ share: { value: 1, low: 0.8, high: 1.25 }, state: 'tight' })).toBeCloseTo(0.5, 6);
    expect(chanceOver({ share: { value: 0.8, low: 0.64, high: 1 }, state: 'clear' })).toBeCloseTo(0.1, 2);
  });
});
