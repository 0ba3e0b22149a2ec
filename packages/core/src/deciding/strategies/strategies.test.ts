import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, LOCK_POCKET, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { STRATEGY_IDS, type MillingOperation } from '../../operations/milling/milling-operation.ts';
import { placeOf } from '../choosing/doubt.ts';
import { contextWith, rankCutters, reasonsAgainst } from '../choosing/rank-cutters.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { finishPlan } from '../../operations/milling/detail/finish-plan.ts';
import { normalDeviate } from '../../numerics/normal.ts';
import { sharesAt } from '../search/shares.ts';
import { speak } from '../../units/sentence.ts';
import { clearedArea, narrowest, widthAcross } from '../../physics/path/feature-geometry.ts';
import { isLaidOut, layOut, type LayOutWish, type StrategyLayout } from './lay-out.ts';
import { pathMinutes, planPath } from '../../operations/milling/path-plan.ts';
import { verdictOf } from './verdict.ts';

const lock: MillingOperation = {
  ...LOCK_POCKET,
  workholding: { ...LOCK_POCKET.workholding, capacityN: 12000 },
};
const context = contextOf(lock);
const wish: LayOutWish = { objective: 'cost', confidence: 0.9, budget: 500 };
const offer = CRIB;

describe('features', () => {
  const pocket = lock.feature;
  it('know what is to be cleared', () => {
    expect(clearedArea(pocket)).toBeCloseTo(60 * 40 - (4 - Math.PI) * 36, 6);
    expect(clearedArea({ ...pocket, island: { lengthMm: 20, widthMm: 10 } })).toBeCloseTo(
      60 * 40 - (4 - Math.PI) * 36 - 200,
      6,
    );
    expect(clearedArea({ ...pocket, kind: 'boss', stockMm: 5 })).toBe(70 * 50 - 60 * 40);
  });

  it('know their narrowest passage and the width that stepovers divide', () => {
    expect(narrowest(pocket)).toBe(40);
    expect(narrowest({ ...pocket, island: { lengthMm: 20, widthMm: 10 } })).toBe(15);
    expect(narrowest({ ...pocket, kind: 'side' })).toBe(Infinity);
    expect(widthAcross({ ...pocket, kind: 'boss', stockMm: 5 })).toBe(5);
  });
});

describe('paths', () => {
  it('clear the area: path in the cut times stepover times depth is the volume', () => {
    const plan = planPath(lock, context);
    const volume = plan.cutMm * lock.cut.radialEngagementMm * (25 / plan.levels);
    expect(volume / (clearedArea(lock.feature) * 25)).toBeCloseTo(1, 6);
  });

  it('keep the corner steady in constant engagement, and leave it to another tool', () => {
    const steady = planPath(lock, context);
    const levels = planPath({ ...lock, path: { ...lock.path, strategy: 'levels' } }, context);
    expect(steady.corner!.chipPeak).toBe(1);
    expect(levels.corner!.chipPeak).toBeGreaterThan(1.3);
    expect(steady.leavesInCornerMm).toBeGreaterThan(levels.leavesInCornerMm);
    expect(levels.leavesInCornerMm).toBeCloseTo(0, 9);
  });

  it('loop in a slot wider than the cutter only, and loop half in the air', () => {
    const slot = (widthMm: number): MillingOperation => ({
      ...lock,
      feature: { ...lock.feature, kind: 'slot', widthMm, cornerRadiusMm: null },
      path: { ...lock.path, strategy: 'trochoidal' },
    });
    expect(planPath(slot(12.5), context).impossible).toMatch(/no room to loop/);
    const plan = planPath(slot(20), context);
    expect(plan.impossible).toBeNull();
    expect(plan.linkMm / plan.cutMm).toBeGreaterThan(0.8);
  });

  it('slow down where the axes cannot hold the corner', () => {
    const plan = planPath(lock, context);
    const weak = {
      ...context,
      machine: {
        ...context.machine,
        axes: {
          ...context.machine.axes,
          x: { max_feed_mm_min: 10000, max_accel_m_s2: 0.001 },
          y: { max_feed_mm_min: 10000, max_accel_m_s2: 0.001 },
        },
      },
    };
    expect(pathMinutes(plan, weak, 3000).contact).toBeGreaterThan(pathMinutes(plan, context, 3000).contact);
  });
});

describe('strategies side by side', { timeout: 60_000 }, () => {
  const rows = STRATEGY_IDS.map((s) => layOut(lock, context, s, wish));
  const laid = rows.filter(isLaidOut);

  it('are all laid out for a pocket the cutter goes into', () => {
    expect(laid.map((r) => r.strategy)).toEqual(STRATEGY_IDS.filter((s) => s !== 'plunge'));
    const plunger = CRIB.cutters.find((c) => c.id === 'em-bull-12-z4-re1-var')!;
    const plunged = layOut(lock, contextWith(lock, context, plunger, offer)!, 'plunge', wish);
    expect(isLaidOut(plunged) && plunged.leavesStepMm).toBeGreaterThan(0.1);
    for (const r of laid) {
      expect(r.minutes.total).toBeCloseTo(r.minutes.contact + r.minutes.link + r.minutes.air, 9);
      expect(r.cost).toBeGreaterThan(0);
      expect(r.course.reduce((sum, s) => sum + s.minutes, 0)).toBeCloseTo(r.minutes.total, 1);
    }
  });

  it('hold every limit at the confidence where the search found such a cut', () => {
    const found = laid.filter((x) => x.blockedBy.length === 0);
    expect(found.length).toBeGreaterThan(2);
    for (const r of found) {
      const shares = sharesAt(millingState(r.operation, context), normalDeviate(0.9));
      expect(shares.filter((s) => s.forbids).map((s) => `${r.strategy}: ${s.id}`)).toEqual([]);
    }
  });

  it('constant engagement beats wide levels in titanium, and the verdict says why', () => {
    const of = (s: string): StrategyLayout => laid.find((r) => r.strategy === s)!;
    expect(of('constant-engagement').minutes.total).toBeLessThan(of('levels').minutes.total);
    const verdict = verdictOf(laid, 'S');
    const winner = laid[verdict.wins.minutes!]!;
    for (const r of laid.filter((x) => x.state !== 'over'))
      expect(winner.minutes.total).toBeLessThanOrEqual(r.minutes.total);
    expect(verdict.because.length).toBeGreaterThan(0);
    expect(verdict.schools.length).toBeGreaterThan(0);
    for (const s of [...verdict.because, ...verdict.schools])
      expect(speak(s, 'metric')).not.toMatch(/\{\d\}|NaN|undefined/);
  });

  it('a row that breaks a limit does not win', () => {
    const broken = laid.map((r, i) => (i === 0 ? { ...r, state: 'over' as const, cost: 0.01 } : r));
    expect(verdictOf(broken, 'S').wins.cost).not.toBe(0);
    expect(
      verdictOf(
        laid.map((r) => ({ ...r, state: 'over' as const })),
        'S',
      ).wins.minutes,
    ).toBeNull();
  });

  it('hard milling names both schools', () => {
    const schools = verdictOf(laid, 'H')
      .schools.map((s) => speak(s, 'metric'))
      .join(' ');
    expect(schools).toMatch(/one school steps lightly at depth.*The other keeps depth and feed low/);
  });

  it('says why a strategy cannot be run', () => {
    const finisher = CRIB.cutters.find((c) => c.id === 'em-bull-12-z7-re1-fin')!;
    const at = contextWith(lock, context, finisher, offer)!;
    expect(layOut(lock, at, 'plunge', wish)).toMatchObject({
      impossible: expect.stringMatching(/plunge/) as string,
    });
  });
});

describe('choosing the cutter', { timeout: 60_000 }, () => {
  const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;
  it.each([
    ['em-flat-6-z1-polymer', /rated for ISO N/],
    ['em-bull-8-z4-re0.5-var', /reach 24\smm/],
    ['shoulder90-63-z6-ti', /does not go into/],
    ['ball-10-z4-var', /flat floor/],
  ])('%s is disqualified, in words', (id, why) => {
    expect(
      reasonsAgainst(lock, context, cutter(id), offer)
        .map((s) => speak(s, 'metric'))
        .join('; '),
    ).toMatch(why);
  });

  it('a finisher larger than the corner is disqualified', () => {
    const finish = { ...lock, feature: { ...lock.feature, allowanceMm: 0, cornerRadiusMm: 5 } };
    expect(
      reasonsAgainst(finish, context, context.cutter, offer)
        .map((s) => speak(s, 'metric'))
        .join(),
    ).toMatch(/too large for the 5\smm corner/);
  });

  it('ranks the rest by what was asked, five at most, and says what size would change', () => {
    const ranking = rankCutters(lock, context, offer, { ...wish, budget: 300 })!;
    expect(ranking.best.length).toBeGreaterThan(1);
    expect(ranking.best.length).toBeLessThanOrEqual(5);
    const layouts = ranking.best.map((b) => b.layout!);
    const states = layouts.map((l) => placeOf(l.state));
    expect(states).toEqual([...states].sort((a, b) => a - b));
    const between = layouts.filter((l) => placeOf(l.state) === 1).map((l) => l.cost * l.doubt);
    expect(between).toEqual([...between].sort((a, b) => a - b));
    expect(ranking.disqualified.every((d) => d.against.length > 0)).toBe(true);
    expect(ranking.sizes.length).toBeGreaterThan(0);
    expect(rankCutters(lock, context, offer, { ...wish, budget: 50 }, () => false)).toBeNull();
    // What is found so far comes row by row, in order.
    const rows: number[] = [];
    rankCutters(lock, context, offer, { ...wish, budget: 50 }, (_, __, best) => {
      rows.push(best.length);
      return rows.length < 3;
    });
    expect(rows).toEqual([1, 2, 3]);
  });
});

describe('finishing', () => {
  it('asks for climb in metal, with its exceptions, and warns of a spring pass in nickel', () => {
    const plan = finishPlan(millingState(SEAL_POCKET, contextOf(SEAL_POCKET)));
    expect(plan.direction).toBe('climb');
    expect(plan.exceptions.length).toBeGreaterThan(2);
    expect(plan.spring.worth).toBe(false);
    expect(plan.cornerCutterMm).toBeCloseTo(13.6);
    expect(plan.leastMm).toBeLessThanOrEqual(plan.mostMm);
  });

  it('asks for conventional where climb would pull the part off', () => {
    const held = { ...SEAL_POCKET, workholding: { ...SEAL_POCKET.workholding, kind: 'vacuum' as const } };
    expect(finishPlan(millingState(held, contextOf(held)))).toMatchObject({ direction: 'conventional' });
  });
});

describe('a way in that somebody chose, and a slot that is widened', () => {
  const row = (strategy: (typeof STRATEGY_IDS)[number], entry?: 'ramp' | 'outside' | 'plunge') =>
    layOut(lock, context, strategy, entry ? { ...wish, entry } : wish);

  it('stands in the column as it was chosen, and is refused where it cannot be', () => {
    const ramped = row('levels', 'ramp');
    if (!isLaidOut(ramped)) throw new Error(ramped.impossible);
    expect(ramped.entry).toBe('ramp');
    expect(ramped.operation.path.entry.method).toBe('ramp');
    const outside = row('levels', 'outside');
    expect(isLaidOut(outside) ? '' : outside.impossible).toMatch(/closed on all sides/);
  });

  it('is judged in the full slot and timed over slot and sides', () => {
    const widened: MillingOperation = { ...lock, path: { ...lock.path, strategy: 'slot-then-widen' } };
    const state = millingState(widened, context);
    expect((state.arc * 180) / Math.PI).toBeCloseTo(180, 6);
    const { cutMm, levels } = planPath(widened, context);
    const d = context.cutter.properties.DC!;
    const widening = 2 * Math.ceil((40 - d) / 2 / lock.cut.radialEngagementMm - 1e-6);
    expect(cutMm).toBeCloseTo(levels * (60 - d) * (1 + widening), 6);
    const narrow = { ...widened, feature: { ...lock.feature, widthMm: d } };
    expect(planPath(narrow, context).impossible).toMatch(/nothing is left to widen/);
  });
});
