import { describe, expect, it } from 'vitest';
import { judgedPlate, PLATE_SHOP, wearPlates } from '../../../fixtures/wear-plates.ts';
import { contextOf, DOWEL_HOLE, SEAL_POCKET, SHIPPED } from '../../../fixtures/crib.ts';
import { requireRates, USUAL_RATES } from '../../crib/shop-rates.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { usualHolding } from '../../physics/holding/holdings.ts';
import { InputError } from '../../units/input-error.ts';
import { speak } from '../../units/sentence.ts';
import { batchPlan, batchTools } from './batch-plan.ts';
import { orderRisk } from '../hole-plan/order-risk.ts';
import { operationsFor } from './feature-operations.ts';
import { EMPTY_JOB_PLAN, EMPTY_SETUP_PLAN, PLAIN_PART_FEATURE } from './job-plan.ts';
import { changesOfLoad, jobMinutes } from './job-minutes.ts';
import { enoughSpares, leastRiskOrder } from './job-risk.ts';
import type { JudgedJob, JudgedOperation } from './judged-job.ts';
import { chanceOver } from './loss-chance.ts';
import { holdingReport, temperaturesOf } from './holding-report.ts';
import { nightReport } from './night.ts';
import { plannedEdge } from './planned-edge.ts';
import { routesOf } from './routes.ts';
import { stressClassOf, warpReport } from './warp-report.ts';

const plates = wearPlates();
const plan = batchPlan(plates, 0.9);

/** A pocket and a drilled hole in one setup, as an ordinary job has them. */
function ordinary(change: Partial<JudgedJob> = {}): JudgedJob {
  const judged = (id: string, name: string, document: JudgedOperation['document']): JudgedOperation => {
    const context = { ...contextOf(document, 12), rates: USUAL_RATES };
    return { id, name, holeId: null, document, context, evaluation: evaluate(document, context) };
  };
  return {
    quantity: 12,
    plan: { ...EMPTY_JOB_PLAN, part: { lengthMm: 160, widthMm: 120, heightMm: 40 }, blankPrice: 200 },
    alloy: contextOf(SEAL_POCKET).alloy,
    rates: USUAL_RATES,
    setups: [
      {
        id: 's',
        name: 'Setup 1',
        plan: EMPTY_SETUP_PLAN,
        operations: [judged('p', 'Pocket', SEAL_POCKET), judged('h', 'Dowels', DOWEL_HOLE)],
      },
    ],
    ...change,
  };
}

describe('features offer their operations', () => {
  it('nine 2 mm slots at 60 HRC: one cutter of their width, in shallow levels, nothing over, nothing left on the wall', () => {
    const [slots] = plates.setups[0]!.operations;
    const { cut, feature, featuresPerPart } = slots!.document as MillingOperation;
    expect(slots!.context.cutter.properties.DC).toBe(2);
    expect(slots!.context.cutter.suits_iso_groups).toContain('H');
    expect(cut.axialDepthMm / 2).toBeLessThan(0.25);
    expect(feature.allowanceMm).toBe(0);
    expect(featuresPerPart).toBe(9);
    expect(slots!.evaluation.state).not.toBe('over');
  });

  it('a pocket that asks for a size is roughed and finished, with a finisher that goes into its corners', () => {
    const shop = {
      ...PLATE_SHOP,
      alloy: contextOf(SEAL_POCKET).alloy,
      machine: contextOf(SEAL_POCKET).machine,
      hardness: null,
    };
    const pocket = { ...PLAIN_PART_FEATURE, name: 'seal', toleranceMm: 0.03, raUm: 0.8 };
    const { operations, lacks } = operationsFor(pocket, shop);
    expect(lacks).toEqual([]);
    expect(operations.map((o) => o.name)).toEqual(['Rough seal', 'Finish seal']);
    const [rough, finish] = operations.map((o) => o.document as MillingOperation);
    expect(rough!.feature.allowanceMm).toBeGreaterThan(0.1);
    expect(finish!.feature).toMatchObject({ kind: 'side', allowanceMm: 0, wallToleranceMm: 0.03, raUm: 0.8 });
    const d = SHIPPED.cutters.find((c) => c.id === finish!.tooling.cutterId)!.properties.DC!;
    expect(d).toBeLessThanOrEqual(16);
    expect(operationsFor({ ...pocket, toleranceMm: null, raUm: null }, shop).operations).toHaveLength(1);
  });

  it('threaded holes bring their drill and tap, with a demand to plan them by', () => {
    const shop = {
      ...PLATE_SHOP,
      alloy: contextOf(DOWEL_HOLE).alloy,
      machine: contextOf(DOWEL_HOLE).machine,
      hardness: null,
    };
    const { operations, demand } = operationsFor(
      { ...PLAIN_PART_FEATURE, kind: 'hole', name: 'M8', thread: 'M8', depthMm: 16, count: 4 },
      shop,
    );
    expect(demand).toMatchObject({ thread: 'M8', pattern: { kind: 'scattered', count: 4 } });
    expect(operations.map((o) => o.step)).toContain('drill');
    expect(operations.length).toBeGreaterThanOrEqual(2);
    for (const o of operations) expect(o.document.featuresPerPart).toBe(4);
  });

  it('says what the crib lacks', () => {
    const { operations, lacks } = operationsFor(
      { ...PLAIN_PART_FEATURE, kind: 'slot', widthMm: 0.05, lengthMm: 5, depthMm: 1, name: 'hair' },
      PLATE_SHOP,
    );
    expect(operations).toEqual([]);
    expect(lacks).toEqual(['Mill hair: no tool of the crib']);
  });
});

describe('minutes', () => {
  it('count tools by their order: by tool they are shared by the load, by part they are not', () => {
    expect(changesOfLoad(['a', 'b', 'c'], 4, 'by-tool')).toBe(3);
    expect(changesOfLoad(['a', 'b', 'c'], 4, 'by-part')).toBe(12);
    expect(changesOfLoad(['a', 'b', 'a'], 4, 'by-tool')).toBe(2);
    expect(changesOfLoad(['a'], 4, 'by-part')).toBe(0);
  });

  it('hold changes, edges, loading, probing and the first piece: more than what the cut takes', () => {
    const m = jobMinutes(ordinary());
    const cuts = Object.values(m.operations).reduce((sum, o) => sum + o.cutting + o.linking, 0);
    const [setup] = m.setups;
    expect(setup!.changes).toBe(2);
    expect(m.perPart).toBeGreaterThan(cuts + 2 * setup!.oneChangeMin + USUAL_RATES.loadMin);
    // The timeline is the part's minutes, and all blocks together are the batch's.
    expect(setup!.timeline.reduce((sum, t) => sum + t.minutes, 0)).toBeCloseTo(setup!.perPart, 9);
    expect(m.blocks.reduce((sum, b) => sum + b.minutes, 0)).toBeCloseTo(m.batch, 6);
    expect(m.blocks.reduce((sum, b) => sum + b.share, 0)).toBeCloseTo(1, 9);
  });

  it('four parts a load share their changes: less a part, and it is told', () => {
    const one = ordinary();
    const four = ordinary({
      setups: one.setups.map((s) => ({ ...s, plan: { ...s.plan, partsPerLoad: 4 } })),
    });
    expect(jobMinutes(four).perPart).toBeLessThan(jobMinutes(one).perPart - 0.1);
    expect(
      batchPlan({ ...one, rates: { ...USUAL_RATES, chipToChipS: 60 } }, 0.9)
        .shorten.map((s) => s.what)
        .join(),
    ).toMatch(/4 parts a load share/);
    const byPart = ordinary({
      rates: { ...USUAL_RATES, chipToChipS: 60 },
      setups: four.setups.map((s) => ({ ...s, plan: { ...s.plan, order: 'by-part' } })),
    });
    expect(jobMinutes(byPart).setups[0]!.changes).toBe(8);
    expect(
      batchPlan(byPart, 0.9)
        .shorten.map((s) => s.what)
        .join(),
    ).toMatch(/each tool cut all parts/);
  });

  it('spares are cut as well', () => {
    expect(plan.minutes.blanks).toBe(33);
    expect(plan.minutes.batch).toBeCloseTo(
      plan.minutes.setups.reduce((s, x) => s + x.once + 33 * x.perPart, 0),
      6,
    );
  });
});

describe('money', () => {
  it('has one currency, and its lines come to the batch', () => {
    const { money } = plan;
    expect(money.currency).toBe('EUR');
    expect(money.lines.reduce((sum, l) => sum + l.batch, 0)).toBeCloseTo(money.batch, 6);
    expect(money.perPart * 30).toBeCloseTo(money.batch, 6);
    expect(money.lines.find((l) => l.name === 'Blanks')!.batch).toBe(33 * 38);
  });

  it('a dearer machine and a fixture cost what they cost', () => {
    const job = ordinary();
    const rates = { ...USUAL_RATES, byMachine: { [SEAL_POCKET.machineId]: 180 } };
    const dear = batchPlan(
      { ...job, rates, setups: job.setups.map((s) => ({ ...s, plan: { ...s.plan, fixturePrice: 400 } })) },
      0.9,
    ).money;
    const usual = batchPlan(job, 0.9).money;
    const line = (m: typeof dear, name: string): number => m.lines.find((l) => l.name === name)?.batch ?? 0;
    expect(line(dear, 'Machine time')).toBeCloseTo(2 * line(usual, 'Machine time'), 6);
    expect(line(dear, 'Fixtures')).toBe(400);
  });

  it('rates are refused by name', () => {
    const fields = (): string[] => {
      try {
        requireRates({ ...USUAL_RATES, currency: 'euro', machinePerHour: 0, byMachine: { x: -1 } });
      } catch (error) {
        if (error instanceof InputError) return error.problems.map((p) => p.field);
      }
      return [];
    };
    expect(fields()).toEqual(['machinePerHour', 'byMachine.x', 'currency']);
    expect(() => requireRates(USUAL_RATES)).not.toThrow();
  });
});

describe('holding', () => {
  it('the bond has room while the slots are cut with mist and loses it when they are cut dry in a row', () => {
    const [slots] = plates.setups;
    const with_ = (coolant: 'flood' | 'dry') => ({
      ...slots!,
      operations: slots!.operations.map((o) => judgedPlate(o.name, o.id, { ...o.document, coolant })),
    });
    const [wet, dry] = [holdingReport(with_('flood'), plates), holdingReport(with_('dry'), plates)];
    expect(wet.worst!.state).toBe('clear');
    expect(dry.hottestC).toBeGreaterThan(wet.hottestC + 10);
    expect(dry.worst!.use.share).toBeGreaterThan(1.3 * wet.worst!.use.share);
    expect(wet.releaseC).toBe(80);
    expect(wet.mends).toEqual([]);
    expect(dry.mends.join()).toMatch(/^flood/);
  });

  it('a part keeps what the operation before it left', () => {
    const job = ordinary();
    const [setup] = job.setups;
    const part = { lengthMm: 160, widthMm: 120, heightMm: 40 };
    const [first, second] = temperaturesOf(setup!, part, job.alloy, job);
    const [, alone] = temperaturesOf(
      { ...setup!, operations: [...setup!.operations].reverse() },
      part,
      job.alloy,
      job,
    );
    expect(first).toBeGreaterThan(20);
    expect(second).not.toBeCloseTo(alone!, 3);
  });

  it('clamps higher than the tool reaches past are struck', () => {
    const [setup] = ordinary().setups;
    const clamped = (heightMm: number) => ({
      ...setup!,
      plan: {
        ...setup!.plan,
        holding: { kind: 'clamps', values: { ...usualHolding('clamps').values, heightMm } } as const,
      },
    });
    expect(holdingReport(clamped(120), ordinary()).operations![0]).toMatchObject({ state: 'over' });
    expect(holdingReport(clamped(5), ordinary()).operations![0]!.clearanceMm).toBeGreaterThan(0);
  });

  it('says what it lacks', () => {
    const [setup] = ordinary().setups;
    expect(holdingReport(setup!, ordinary()).lacks).toBe('how the part is held');
  });
});

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
    const job = ordinary({ plan: { ...EMPTY_JOB_PLAN } });
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

describe('first piece and distortion', () => {
  it('a batch through setup one is flagged with what lies in half-made parts', () => {
    expect(plan.first.flagged).toBe(true);
    expect(plan.first.stake).toBeGreaterThan(33 * 38);
    const steps = plan.first.steps.map((x) => speak(x, 'metric'));
    expect(steps.join(' ')).toMatch(/the slotted face is finished and clean/);
    expect(steps.at(-1)).toMatch(/Only now the batch/);
    expect(batchPlan({ ...plates, plan: { ...plates.plan, firstThroughAll: true } }, 0.9).first.flagged).toBe(
      false,
    );
    expect(batchPlan(ordinary(), 0.9).first.flagged).toBe(false);
  });

  it('hardened steel brings much stress, a stretched plate little; one side only bows most', () => {
    expect(stressClassOf(PLATE_SHOP.alloy).name).toBe('high');
    const one = warpReport(
      { ...plates.plan, features: [plates.plan.features[0]!], stock: EMPTY_JOB_PLAN.stock },
      PLATE_SHOP.alloy,
    )!;
    const both = warpReport(plates.plan, PLATE_SHOP.alloy)!;
    expect(one.bow.value).toBeGreaterThan(both.bow.value);
    expect(one.bow.high / one.bow.low).toBeCloseTo(9, 6);
    expect(one.lowers.join()).toMatch(/rough both sides/);
    expect(warpReport(EMPTY_JOB_PLAN, PLATE_SHOP.alloy)).toBeNull();
  });
});

describe('alone at night', () => {
  const minutes = jobMinutes(ordinary());
  const [setup] = ordinary().setups;
  it('the surer one wants to be, the shorter the stretch', () => {
    const parts = [0.5, 0.8, 0.95].map((c) => nightReport(setup!, minutes, undefined, c)!.safe?.parts ?? 0);
    expect(parts).toEqual([...parts].sort((a, b) => b - a));
    expect(parts[0]).toBeGreaterThan(0);
  });

  it('an empty shelf ends it, and says so', () => {
    const bare = {
      ...setup!,
      operations: setup!.operations.map((o) => ({ ...o, document: { ...o.document, edgesOnShelf: 0 } })),
    };
    const report = nightReport(bare, minutes, undefined, 0.5)!;
    expect(report.safe).toBeNull();
    expect(report.endedBy).toMatch(/^edges of .* run out$/);
  });
});

describe('edges against the shelf', () => {
  it('a drill that is looked at after every part is not thrown away with it', () => {
    const [, dowels] = ordinary().setups[0]!.operations;
    const looked = { ...dowels!, document: { ...DOWEL_HOLE, featuresPerPart: 6, featuresPerEdge: 6 } };
    const lasts = dowels!.evaluation.featuresPerEdge!.value;
    expect(lasts).toBeGreaterThan(60);
    expect(plannedEdge(looked).perPart).toBeLessThan(0.2);
    // What somebody states is what is planned with.
    expect(
      plannedEdge({ ...looked, document: { ...looked.document, featuresPerEdge: 12 } }).perPart,
    ).toBeCloseTo(0.5, 9);
  });

  it('a cutter used twice is counted once, and the part is named at which it runs out', () => {
    const job = ordinary();
    const tools = batchTools(
      {
        ...job,
        setups: job.setups.map((s) => ({
          ...s,
          operations: s.operations.map((o) => ({ ...o, document: { ...o.document, edgesOnShelf: 1 } })),
        })),
      },
      500,
    );
    expect(tools).toHaveLength(2);
    for (const t of tools) {
      expect(t.edges).toBeGreaterThan(1);
      expect(t.shortFromPart).toBeGreaterThan(0);
      expect(t.shortFromPart).toBeLessThan(500);
    }
  });
});

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
