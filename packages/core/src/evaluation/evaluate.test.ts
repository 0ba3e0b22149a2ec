import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, DOWEL_HOLE, SEAL_POCKET } from '../../fixtures/crib.ts';
import { InputError } from '../units/input-error.ts';
import type { MillingOperation } from '../operations/milling/milling-operation.ts';
import type { Operation } from '../operations/operation.ts';
import { isDrill, isMillingCutter } from '../crib/cutter.ts';
import { LIMIT_GROUPS } from '../judging/result.ts';
import { speak } from '../units/sentence.ts';
import { withPeriodic } from './periodic-verdict.ts';
import { evaluate, limitOf, numberOf } from './evaluate.ts';
import { startingStickOut, withStartingCut } from './starting-cut.ts';

const context = contextOf(SEAL_POCKET);
const withCut = (change: Partial<MillingOperation['cut']>): MillingOperation => ({
  ...SEAL_POCKET,
  cut: { ...SEAL_POCKET.cut, ...change },
});
const problemFields = (op: Operation): string[] => {
  try {
    evaluate(op, contextOf(op));
    return [];
  } catch (error) {
    if (error instanceof InputError) return error.problems.map((p) => p.field);
    throw error;
  }
};

describe('evaluation of a milling cut', () => {
  it('reports kinematics that agree with each other', () => {
    const e = evaluate(SEAL_POCKET, context);
    const [n, vc, vf, q] = ['n', 'vc', 'vf', 'Q'].map((k) => numberOf(e, k).value) as [
      number,
      number,
      number,
      number,
    ];
    expect(vc).toBeCloseTo((Math.PI * 12 * n) / 1000, 9);
    expect(vf).toBeCloseTo(n * 5 * 0.06, 9);
    expect(q).toBeCloseTo((12 * 1 * vf) / 1000, 9);
  });

  it('keeps the order of groups and judges every limit by its band', () => {
    const e = evaluate(SEAL_POCKET, context);
    const order = e.limits.map((l) => LIMIT_GROUPS.indexOf(l.group));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    for (const l of e.limits.filter((x) => x.share && x.id !== 'corner-fit' && x.id !== 'long-reach')) {
      if (l.state === 'clear') expect(l.share!.high, l.id).toBeLessThanOrEqual(1);
      if (l.state === 'over') expect(l.share!.value, l.id).toBeGreaterThan(1);
    }
  });

  it('says of a wall what a fresh edge would do, once the hand rests', () => {
    const rested = withPeriodic(SEAL_POCKET, context);
    const of = (flankWearMm: number, at = rested) =>
      limitOf(evaluate({ ...SEAL_POCKET, flankWearMm }, at), 'wall-error').why;
    const worn = of(0.1);
    expect(speak(worn, 'metric')).toMatch(/, 0\.\d+\smm with a fresh edge; /);
    const [now, , , fresh] = worn.measures;
    expect(fresh!.value).toBeLessThan(0.8 * now!.value);
    // It is what an edge without wear is judged by.
    expect(fresh!.value / of(0).measures[0]!.value).toBeCloseTo(1, 6);
    for (const plain of [of(0), of(0.1, context)]) expect(speak(plain, 'metric')).not.toMatch(/fresh/);
  });

  it('says why in words with numbers, in metric and in inch', () => {
    const lean = limitOf(evaluate(SEAL_POCKET, context), 'wall-error');
    expect(speak(lean.why, 'metric')).toMatch(/Deflection off the wall 0\.\d+\smm.*allowed \(stock to leave/);
    expect(speak(lean.why, 'inch')).toMatch(/Deflection off the wall \d+\.\d\sthou/);
  });

  it('grows in power with depth, width, feed and speed', () => {
    const power = (op: Operation): number => numberOf(evaluate(op, context), 'P').value;
    const more = fc.double({ min: 1.05, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(
        more,
        fc.constantFrom('axialDepthMm', 'radialEngagementMm', 'feedPerToothMm', 'speedRpm'),
        (f, key) => {
          const grown = withCut({ [key]: (SEAL_POCKET.cut[key] as number) * f });
          expect(power(grown)).toBeGreaterThan(power(SEAL_POCKET));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('narrows the band when something is measured and widens none', () => {
    const guessed = evaluate(SEAL_POCKET, context);
    const measured = evaluate(
      { ...SEAL_POCKET, measured: { hardness: 42, runoutUm: 6, lifeSpeed30MMin: 30, kc11NMm2: 2650 } },
      context,
    );
    const width = (e: typeof guessed, key: string): number => numberOf(e, key).high / numberOf(e, key).low;
    for (const key of ['P', 'M', 'T', 'lean']) expect(width(measured, key)).toBeLessThan(width(guessed, key));
    expect(measured.sources.find((s) => s.id === 'kc')?.kind).toBe('measured');
  });

  it('three force laws agree within the crib’s own band for Ti-6Al-4V', () => {
    const op = withStartingCut(
      { ...SEAL_POCKET, alloyId: 'ti-6al-4v-annealed', flankWearMm: 0 },
      contextOf({ ...SEAL_POCKET, alloyId: 'ti-6al-4v-annealed' }),
    ) as MillingOperation;
    const torque = (forceLaw: MillingOperation['forceLaw']): number =>
      numberOf(evaluate({ ...op, forceLaw }, contextOf(op)), 'M').value;
    expect(torque('linear-edge') / torque('kienzle')).toBeGreaterThan(0.85);
    expect(torque('linear-edge') / torque('kienzle')).toBeLessThan(1.15);
    expect(torque('orthogonal') / torque('kienzle')).toBeGreaterThan(0.6);
    expect(torque('orthogonal') / torque('kienzle')).toBeLessThan(1.5);
  });

  it('leans less with a shorter stick-out and stiffer with the holder', () => {
    const lean = (op: Operation): number => numberOf(evaluate(op, contextOf(op)), 'lean').value;
    const shorter = { ...SEAL_POCKET, tooling: { ...SEAL_POCKET.tooling, stickOutMm: 38 } };
    expect(lean(shorter)).toBeLessThan(lean(SEAL_POCKET));
    const collet = { ...SEAL_POCKET, tooling: { ...SEAL_POCKET.tooling, holderId: 'collet-er32-70' } };
    expect(lean(collet)).not.toBeCloseTo(lean(SEAL_POCKET), 4);
  });

  it('allows more speed the narrower the arc, at the same chip', () => {
    const allowed = (ae: number): number => {
      const feed = 0.06 / Math.sin(Math.acos(1 - (2 * ae) / 12));
      return limitOf(
        evaluate(withCut({ radialEngagementMm: ae, feedPerToothMm: feed }), context),
        'cutting-speed',
      ).allowed!.value;
    };
    expect(allowed(0.6)).toBeGreaterThan(allowed(1.2));
    expect(allowed(1.2)).toBeGreaterThan(allowed(3));
  });

  it('flags a rubbing chip, a cutter for other metal, numbers of another alloy and a missing coolant', () => {
    expect(limitOf(evaluate(withCut({ feedPerToothMm: 0.02 }), context), 'chip-thin').state).toBe('over');
    const aluminium = { ...SEAL_POCKET, alloyId: '6061-t6' };
    const e = evaluate(aluminium, contextOf(aluminium));
    expect(limitOf(e, 'material-match').state).toBe('over');
    expect(limitOf(e, 'inherited-numbers').state).toBe('over');
    const dry = { ...SEAL_POCKET, coolant: 'dry' as const };
    expect(limitOf(evaluate(dry, context), 'coolant-match').state).toBe('over');
  });

  it('leaves workholding unproven while nothing is declared', () => {
    const op = {
      ...SEAL_POCKET,
      workholding: { kind: 'vacuum' as const, capacityN: null, liftCapacityN: null, releaseC: null },
    };
    expect(limitOf(evaluate(op, context), 'workholding').state).toBe('unproven');
  });

  it('holds power against the curve at the speed, not against the name plate', () => {
    const slow = limitOf(evaluate(withCut({ speedRpm: 200 }), context), 'spindle-power').allowed!.value;
    const fast = limitOf(evaluate(withCut({ speedRpm: 1500 }), context), 'spindle-power').allowed!.value;
    expect(slow).toBeLessThan(fast / 3);
  });
});

describe('evaluation of a hole', () => {
  const hole = contextOf(DOWEL_HOLE);

  it('plans pecks that end at the bottom and never overlap', () => {
    const { pecks } = evaluate(DOWEL_HOLE, hole);
    expect(pecks[0]!.fromMm).toBe(0);
    expect(pecks.at(-1)!.toMm).toBeCloseTo(34, 9);
    for (let i = 1; i < pecks.length; i++) expect(pecks[i]!.fromMm).toBeCloseTo(pecks[i - 1]!.toMm, 9);
  });

  it('calls one stroke over when coolant only comes from outside', () => {
    const op: Operation = { ...DOWEL_HOLE, coolant: 'flood', cut: { ...DOWEL_HOLE.cut, peck: 'none' } };
    const e = evaluate(op, hole);
    expect(limitOf(e, 'chips-out').state).toBe('over');
    expect(numberOf(e, 'M').value).toBeGreaterThan(numberOf(evaluate(DOWEL_HOLE, hole), 'M').value);
  });

  it('wants the drill of the hole’s size, a pilot on a slope, and reach', () => {
    const wrong: Operation = { ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, diameterMm: 8 } };
    expect(limitOf(evaluate(wrong, hole), 'hole-size').state).toBe('over');
    const slope: Operation = { ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, entryAngleDeg: 10 } };
    expect(limitOf(evaluate(slope, hole), 'pilot-needed').state).toBe('over');
    const deep: Operation = { ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, depthMm: 44 } };
    expect(limitOf(evaluate(deep, hole), 'drill-reach').state).toBe('over');
  });
});

describe('impossible input', () => {
  it('is refused with field, value and range', () => {
    expect(() => evaluate(withCut({ axialDepthMm: 30 }), context)).toThrow(
      /cut\.axialDepthMm is 30; allowed: 0 to 26\.4 mm/,
    );
    expect(problemFields(withCut({ radialEngagementMm: 13 }))).toEqual(['cut.radialEngagementMm']);
    const { feature, path, workholding } = SEAL_POCKET;
    const odd: readonly (readonly [string, Partial<MillingOperation>])[] = [
      ['feature.island.widthMm', { feature: { ...feature, island: { lengthMm: 20, widthMm: 70 } } }],
      ['feature.island', { feature: { ...feature, kind: 'side', island: { lengthMm: 20, widthMm: 7 } } }],
      ['feature.stockMm', { feature: { ...feature, kind: 'boss', stockMm: null } }],
      ['feature.slopeDeg', { feature: { ...feature, slopeDeg: 95 } }],
      ['feature.raUm', { feature: { ...feature, raUm: 0 } }],
      ['feature.scallopMm', { feature: { ...feature, scallopMm: 9 } }],
      ['workholding.liftCapacityN', { workholding: { ...workholding, liftCapacityN: 0 } }],
      ['workholding.releaseC', { workholding: { ...workholding, releaseC: 5 } }],
      ['path.entry.rampAngleDeg', { path: { ...path, entry: { ...path.entry, rampAngleDeg: 0 } } }],
      ['path.entry.startHeightMm', { path: { ...path, entry: { ...path.entry, startHeightMm: -1 } } }],
      ['path.toleranceMm', { path: { ...path, toleranceMm: 0 } }],
      ['path.springPasses', { path: { ...path, springPasses: 9 } }],
      ['economics.machinePerHour', { economics: { ...SEAL_POCKET.economics, machinePerHour: 0 } }],
      ['economics.edgeChangeMin', { economics: { ...SEAL_POCKET.economics, edgeChangeMin: -1 } }],
    ];
    for (const [field, change] of odd) expect(problemFields({ ...SEAL_POCKET, ...change })).toEqual([field]);
    expect(problemFields(withCut({ speedRpm: -5, feedPerToothMm: 0 }))).toEqual([
      'cut.speedRpm',
      'cut.feedPerToothMm',
    ]);
    expect(problemFields({ ...SEAL_POCKET, measured: { ...SEAL_POCKET.measured, hardness: 20 } })).toEqual([
      'measured.hardness',
    ]);
    expect(problemFields({ ...SEAL_POCKET, forceLaw: 'orthogonal' })).toEqual(['forceLaw']);
    expect(problemFields({ ...DOWEL_HOLE, hole: { ...DOWEL_HOLE.hole, depthMm: 0 } })).toEqual([
      'hole.depthMm',
    ]);
    expect(
      problemFields({ ...SEAL_POCKET, tooling: { ...SEAL_POCKET.tooling, cutterId: 'drill-6.8-5xd' } }),
    ).toContain('tooling.cutterId');
  });

  it('never yields a number that is not one', () => {
    const size = fc.double({ min: 0.02, max: 30, noNaN: true });
    fc.assert(
      fc.property(
        size,
        size,
        fc.double({ min: 0.001, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 30000 }),
        (ap, ae, fz, n) => {
          const op = withCut({ axialDepthMm: ap, radialEngagementMm: ae, feedPerToothMm: fz, speedRpm: n });
          if (problemFields(op).length > 0) return;
          const e = evaluate(op, context);
          for (const q of e.numbers)
            expect([q.key, Number.isFinite(q.low + q.value + q.high)]).toEqual([q.key, true]);
          for (const l of e.limits)
            if (l.share) expect([l.id, Number.isFinite(l.share.high)]).toEqual([l.id, true]);
        },
      ),
      { numRuns: 120 },
    );
  });
});

describe('first numbers', () => {
  const bareTip = (id: string): boolean => /micro|polymer|barrel/.test(id);

  it.each(CRIB.alloys.map((a) => a.id))(
    '%s: every suitable cutter starts with a chip inside its window',
    (alloyId) => {
      const alloy = CRIB.alloys.find((a) => a.id === alloyId)!;
      const fitting = CRIB.cutters.filter(
        (c) => isMillingCutter(c) && c.suits_iso_groups.includes(alloy.iso513_group) && !bareTip(c.id),
      );
      for (const cutter of fitting) {
        const holderId = CRIB.holders.find(
          (h) =>
            h.interfaces.includes('HSK-A63') &&
            cutter.properties.DCONMS! >= h.bore_diameter_mm[0] &&
            cutter.properties.DCONMS! <= h.bore_diameter_mm[1],
        )!.id;
        const draft: MillingOperation = {
          ...SEAL_POCKET,
          alloyId,
          machineId: 'axis5-24k',
          coolant: 'flood',
          measured: { ...SEAL_POCKET.measured, runoutUm: 1 },
          tooling: { cutterId: cutter.id, holderId, stickOutMm: startingStickOut({ cutter }, 3) },
          feature: { ...SEAL_POCKET.feature, kind: 'side', depthMm: 3, widthMm: 5, cornerRadiusMm: null },
        };
        const started = withStartingCut(draft, contextOf(draft));
        const e = evaluate(started, contextOf(started));
        expect([cutter.id, limitOf(e, 'inherited-numbers').state]).toEqual([cutter.id, 'clear']);
        expect([cutter.id, numberOf(e, 'hex').value > 0]).toEqual([cutter.id, true]);
        expect([cutter.id, limitOf(e, 'chip-thick').state]).not.toEqual([cutter.id, 'over']);
      }
      expect(fitting.length + Number(alloy.family === 'polymer')).toBeGreaterThan(0);
    },
  );

  it('drills of the crib start inside their own feed window', () => {
    for (const cutter of CRIB.cutters.filter(isDrill)) {
      const draft: Operation = {
        ...DOWEL_HOLE,
        alloyId: '316l',
        tooling: {
          cutterId: cutter.id,
          holderId: 'collet-er32-70',
          stickOutMm: startingStickOut({ cutter }, 20),
        },
        hole: { ...DOWEL_HOLE.hole, diameterMm: cutter.properties.DC!, depthMm: 2 * cutter.properties.DC! },
      };
      const e = evaluate(withStartingCut(draft, contextOf(draft)), contextOf(draft));
      expect([cutter.id, limitOf(e, 'drill-feed-low').state, limitOf(e, 'drill-feed-high').state]).toEqual([
        cutter.id,
        'clear',
        'clear',
      ]);
    }
  });
});
