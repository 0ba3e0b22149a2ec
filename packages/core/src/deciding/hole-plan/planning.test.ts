import { describe, expect, it } from 'vitest';
import {
  BORE_30,
  COBALT,
  DEEP_8,
  demand,
  DOWEL_10,
  DUPLEX,
  M6_BLIND,
  shopOf,
} from '../../../fixtures/holes.ts';
import { isHighSpeedSteel } from '../../operations/context.ts';
import { InputError } from '../../units/input-error.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { groupByTool, toolLoads } from './group-by-tool.ts';
import { countOf, type HolePattern, wayBetween } from './hole-demand.ts';
import { orderRisk, type Station } from './order-risk.ts';
import { type Alternative, type HolePlan, planHole } from './plan-hole.ts';
import { planPart } from './plan-part.ts';
import { broughtEarly } from './brought-early.ts';
import type { Shop } from './shop.ts';

const way = (plan: HolePlan, id: string): Alternative => plan.alternatives.find((a) => a.id === id)!;
const keys = (a: Alternative): string[] => a.steps.map((s) => s.key);

describe('plan of a hole', () => {
  it('blind M6 in super duplex: tap, forming tap and thread mill side by side, each with its drill and chamfer', () => {
    const plan = planHole(DUPLEX, M6_BLIND);
    expect(keys(way(plan, 'tap'))).toEqual(['drill', 'chamfer', 'tap']);
    expect(keys(way(plan, 'thread-mill'))).toEqual(['drill', 'chamfer', 'thread-mill']);
    expect(way(plan, 'tap').minutes).toBeLessThan(way(plan, 'thread-mill').minutes);
    expect(way(plan, 'tap').lost).toBeGreaterThan(3 * way(plan, 'thread-mill').lost);
    expect(way(plan, 'form-tap').state).toBe('over');
  });

  it('a part of worth has its thread milled, a cheap one tapped, and the plan says why', () => {
    const dear = planHole(DUPLEX, M6_BLIND);
    expect(dear.recommended).toBe('thread-mill');
    expect(dear.because.join(' ')).toMatch(/slower per part than drill and tap/);
    expect(dear.because.join(' ')).toMatch(/Scrap risk .* against/);
    expect(planHole(DUPLEX, { ...M6_BLIND, partValue: 60 }).recommended).toBe('tap');
  });

  it('the worth nobody states is assumed, and said to be', () => {
    const plan = planHole(DUPLEX, { ...M6_BLIND, partValue: null });
    expect(plan.valueAssumed).toBe(true);
    expect(plan.because.join(' ')).toContain('(assumed)');
  });

  it('ten ×D deep: a short pilot with a flatter point, then pecks, since one would pack its chips', () => {
    const plan = planHole(DUPLEX, DEEP_8);
    const peck = way(plan, 'peck');
    expect(plan.recommended).toBe('peck');
    expect(keys(peck)).toEqual(['pilot', 'drill']);
    const [pilot, drill] = peck.steps.map((s) => s.context.cutter) as [never, never];
    expect((pilot as { properties: { SIG: number } }).properties.SIG).toBeGreaterThanOrEqual(
      (drill as { properties: { SIG: number } }).properties.SIG,
    );
    expect(peck.steps[1]!.evaluation.pecks.length).toBeGreaterThan(3);
    expect(way(plan, 'drill').state).toBe('over');
  });

  it('an H7 in cobalt-chromium is drilled and reamed: a drill alone is too wide a grade', () => {
    const plan = planHole(COBALT, DOWEL_10);
    expect(plan.recommended).toBe('drill-ream');
    expect(keys(way(plan, 'drill-ream'))).toEqual(['drill', 'chamfer', 'ream']);
    const drill = way(plan, 'drill').steps.find((s) => s.key === 'drill')!;
    expect(drill.governing.id).toBe('hole-tolerance');
    const ream = way(plan, 'drill-ream').steps.at(-1)!.op;
    expect(ream.hole.startMm).toBeCloseTo(9.8, 9);
  });

  it('a hole is milled by the quickest mill no limit forbids, not by the one farthest from its limits', () => {
    const shop = shopOf('4340-28hrc');
    const { steps } = way(planHole(shop, BORE_30), 'mill-bore');
    const taken = steps[0]!;
    const others = taken.choices.map(
      (c) =>
        way(planHole(shop, BORE_30, { 'mill-bore': { mill: { cutterId: c.id } } }), 'mill-bore').steps[0]!,
    );
    const possible = others.filter((s) => s.evaluation.state !== 'over');
    expect(possible.length).toBeGreaterThan(1);
    expect(taken.evaluation.state).not.toBe('over');
    for (const s of possible)
      expect(taken.evaluation.time.perPart).toBeLessThanOrEqual(1.25 * s.evaluation.time.perPart);
    expect(isHighSpeedSteel(taken.context)).toBe(false);
  });

  it('ways that lose as many parts are said to in one figure', () => {
    const plan = planHole(shopOf('4340-28hrc'), BORE_30);
    expect(plan.because.join(' ')).toContain('Scrap risk under 0.05% of parts with each method');
  });

  it('a large hole may be drilled in two steps: the second has no chisel edge in the metal and pushes less', () => {
    const plan = planHole(shopOf('4340-28hrc'), demand({ diameterMm: 12, depthMm: 30 }));
    const two = way(plan, 'step-drill');
    expect(keys(two).filter((k) => k !== 'spot')).toEqual(['drill', 'enlarge']);
    const thrust = (a: Alternative) => a.steps.at(-1)!.evaluation.numbers.find((q) => q.key === 'Ff')!.value;
    expect(thrust(two)).toBeLessThan(0.7 * thrust(way(plan, 'drill')));
  });

  it('says where each belongs in the order: risky ones early, close ones after the roughing', () => {
    const threads = planHole(DUPLEX, M6_BLIND);
    expect(way(threads, 'tap').placement).toMatch(/^Early, before long work is in the part: 1\.\d% of parts/);
    expect(way(planHole(COBALT, DOWEL_10), 'drill-ream').placement).toMatch(/^After the roughing/);
    expect(way(planHole(DUPLEX, demand({ diameterMm: 8.5, depthMm: 15 })), 'drill').placement).toMatch(
      /^Anywhere/,
    );
  });

  it('a split-point jobber drill of 135° is spotted flatter than itself', () => {
    const shop = shopOf('304l', 'bench-2kw');
    const steel = {
      ...shop,
      offer: { ...shop.offer, cutters: shop.offer.cutters.filter((c) => c.type !== 'drill_solid') },
    };
    const plan = planHole(steel, demand({ diameterMm: 6, depthMm: 18 }));
    const spot = way(plan, 'peck').steps.find((s) => s.key === 'spot')!;
    expect(spot.context.cutter.properties.SIG).toBeGreaterThanOrEqual(135);
    expect(spot.evaluation.limits.find((l) => l.id === 'spot-angle')!.state).toBe('clear');
  });

  it('says what the crib lacks for a way it cannot offer', () => {
    const plan = planHole(DUPLEX, demand({ diameterMm: 30, depthMm: 30 }));
    expect(way(plan, 'drill').refused).toMatch(/the crib lacks a drill of 29\.98 mm/);
    const bore = planHole(shopOf('4340-28hrc'), BORE_30);
    expect(keys(way(bore, 'mill-bore'))).toEqual(['mill', 'bore']);
  });

  it('gives the true reason where a drill is there, but ground for other alloys or without a holder', () => {
    // M5 in hardened steel: the only 4.2 mm drill is ground for stainless steels and superalloys.
    const refused = way(planHole(shopOf('d2-60hrc'), demand({ thread: 'M5', depthMm: 8 })), 'tap').refused;
    expect(refused).toMatch(
      /4\.2 mm.* is ground for M, S, and .* is H: the crib lacks a drill of 4\.\d+ mm to 4\.\d+ mm/i,
    );
    const bare: Shop = { ...DUPLEX, offer: { ...DUPLEX.offer, holders: [] } };
    expect(planHole(bare, DEEP_8).alternatives[0]!.refused).toMatch(
      /no holder of the crib takes .* in this spindle/,
    );
  });

  it('does not prefer a drill without coolant channels where the spindle brings coolant through', () => {
    const [own] = way(planHole(DUPLEX, DEEP_8), 'peck').steps.filter((s) => s.key === 'drill');
    const wet = own!.context.cutter;
    // The same drill without channels, and a little shorter, which alone would be preferred.
    const dry = {
      ...wet,
      id: 'dry',
      properties: { ...wet.properties, LU: wet.properties.LU! - 1 },
      extended: { ...wet.extended, through_coolant: false },
    };
    const taken = (throughSpindle: boolean): string => {
      const shop: Shop = {
        ...DUPLEX,
        machine: {
          ...DUPLEX.machine,
          coolant: { ...DUPLEX.machine.coolant, through_spindle: throughSpindle },
        },
        offer: { ...DUPLEX.offer, cutters: [dry, ...DUPLEX.offer.cutters] },
      };
      return way(planHole(shop, DEEP_8), 'peck').steps.find((s) => s.key === 'drill')!.context.cutter.id;
    };
    expect(taken(true)).toBe(wet.id);
    expect(taken(false)).toBe('dry');
  });

  it('every step it plans can be evaluated again to the same state', () => {
    for (const [shop, wanted] of [
      [DUPLEX, M6_BLIND],
      [DUPLEX, DEEP_8],
      [COBALT, DOWEL_10],
    ] as const) {
      for (const s of planHole(shop, wanted).alternatives.flatMap((a) => a.steps))
        expect(evaluate(s.op, s.context).state).toBe(s.evaluation.state);
    }
  });

  it('keeps what somebody changed: another tool, speed and feed, a step left out', () => {
    const plain = way(planHole(DUPLEX, M6_BLIND), 'tap');
    const other = plain.steps[0]!.choices[1]!;
    const changed = way(
      planHole(DUPLEX, M6_BLIND, {
        tap: { drill: { cutterId: other.id, speedRpm: 1500, feedMm: 0.06 }, chamfer: { leftOut: true } },
      }),
      'tap',
    );
    expect(changed.steps[0]!.context.cutter.id).toBe(other.id);
    expect(changed.steps[0]!.op.cut).toMatchObject({ speedRpm: 1500, feedPerRevMm: 0.06 });
    expect(changed.steps[1]!.leftOut).toBe(true);
    const without = plain.steps[1]!.evaluation.time.perPart;
    expect(changed.minutes).toBeLessThan(plain.minutes - 0.5 * without);
    // The tap follows the hole its drill makes, not the one that was recommended.
    expect(other.properties.DC).not.toBe(plain.steps[0]!.context.cutter.properties.DC);
    expect(changed.steps[2]!.op.hole.startMm).toBeCloseTo(other.properties.DC!, 9);
  });

  it('refuses what cannot be with field, value and range', () => {
    expect(() => planHole(DUPLEX, { ...DEEP_8, depthMm: -1 })).toThrow(/depthMm is -1; allowed: 0\.2 to/);
    expect(() => planHole(DUPLEX, { ...M6_BLIND, thread: 'M6.2' })).toThrow(InputError);
    expect(() => planHole(DUPLEX, { ...DEEP_8, grade: 2 })).toThrow(/grade/);
  });
});

describe('plan of a part', () => {
  const kinds = [
    M6_BLIND,
    { ...M6_BLIND, name: 'Cover threads', pattern: { kind: 'single' as const } },
    DEEP_8,
  ].map((d, i) => ({ id: `k${i}`, demand: d, chosen: null, changes: {} }));

  it('adds kinds up and loads a shared tool once', () => {
    const part = planPart(DUPLEX, kinds);
    expect(part.holes).toBe(12 + 1 + 6);
    const drill = part.tools.find((t) => t.cutterId === 'drill-5.2-3xd-tough')!;
    expect(drill.serves.map((s) => s.kindId)).toEqual(['k0', 'k1']);
    expect(part.savedMin).toBeCloseTo((3 * DUPLEX.machine.tool_change_s) / 60, 9);
    expect(part.lost).toBeGreaterThan(0);
  });

  it('takes the way somebody chose over the recommended one', () => {
    const tapped = planPart(DUPLEX, [{ ...kinds[0]!, chosen: 'tap' }]);
    expect(tapped.minutes).toBeLessThan(planPart(DUPLEX, [kinds[0]!]).minutes);
    expect(tapped.tools.some((t) => t.cutterId === 'tap-m6-spiral-flute')).toBe(true);
  });
});

describe('patterns', () => {
  it.each<[HolePattern, number, number]>([
    [{ kind: 'single' }, 1, 40],
    [{ kind: 'row', count: 5, pitchMm: 20 }, 5, 20],
    [{ kind: 'circle', count: 6, diameterMm: 100 }, 6, 50],
    [{ kind: 'grid', columns: 3, rows: 2, columnPitchMm: 30, rowPitchMm: 60 }, 6, 40],
    [{ kind: 'scattered', count: 4, betweenMm: 75 }, 4, 75],
  ])('%o: %d holes, %d mm apart', (pattern, count, between) => {
    expect(countOf(pattern)).toBe(count);
    expect(wayBetween(pattern)).toBeCloseTo(between, 9);
  });
});

describe('order of a route', () => {
  const station = (id: string, minutes: number, chance = 0, more: Partial<Station> = {}): Station => ({
    id,
    setup: 's',
    minutes,
    chance,
    after: null,
    fine: false,
    clears: chance === 0,
    opens: false,
    ...more,
  });

  it('a risky hole behind an hour of roughing is to come before it, not before the face it begins from', () => {
    const risks = orderRisk(
      [station('face', 5, 0, { opens: true }), station('rough', 60), station('tap', 2, 0.02)],
      1000,
      1.5,
    );
    const tap = risks[2]!;
    expect(tap.value).toBeCloseTo(1000 + 65 * 1.5, 9);
    expect(tap.expectedLoss).toBeCloseTo(0.02 * tap.value, 9);
    expect(tap).toMatchObject({ warning: true, earlier: { before: 'rough', saves: 0.02 * 60 * 1.5 } });
  });

  it('its own drill before it costs nothing to bring along, and one that finishes to size stays', () => {
    const risks = orderRisk(
      [
        station('rough', 60),
        station('drill', 1),
        station('tap', 2, 0.02, { after: 'drill' }),
        station('ream', 1, 0.02, { fine: true }),
      ],
      1000,
      1.5,
    );
    expect(risks[2]!.earlier).toMatchObject({ before: 'rough', saves: 0.02 * 60 * 1.5 });
    expect(risks[3]).toMatchObject({ earlier: null, warning: false });
  });

  it('says nothing of a safe hole or one that stands early already', () => {
    const risks = orderRisk(
      [station('tap', 2, 0.02), station('rough', 60), station('safe', 2, 0.0001)],
      1000,
      1.5,
    );
    expect(risks.map((r) => r.warning)).toEqual([false, false, false]);
  });

  it('brings an operation early with the steps before it in the same hole', () => {
    const route = ['face', 'rough', 'drill', 'other', 'tap'].map((id) => ({
      id,
      holeId: id === 'drill' || id === 'tap' ? 'h' : null,
    }));
    expect(broughtEarly(route, 'tap', 1)).toEqual(['face', 'drill', 'tap', 'rough', 'other']);
  });
});

describe('same tools together', () => {
  const use = (id: string, cutterId: string, holeId: string | null) => ({ id, cutterId, holeId });
  const route = [
    use('face', 'mill', null),
    use('a1', 'drill', 'a'),
    use('a2', 'tap', 'a'),
    use('b1', 'drill', 'b'),
    use('b2', 'tap', 'b'),
    use('rough', 'mill', null),
    use('c1', 'drill', 'c'),
  ];

  it('saves loads, keeps the steps of a hole in their order and never crosses a milling operation', () => {
    const order = groupByTool(route);
    expect(order).toEqual(['face', 'a1', 'b1', 'a2', 'b2', 'rough', 'c1']);
    const at = (ids: readonly string[]) => ids.map((id) => route.find((r) => r.id === id)!);
    expect([toolLoads(route), toolLoads(at(order))]).toEqual([7, 5]);
  });
});
