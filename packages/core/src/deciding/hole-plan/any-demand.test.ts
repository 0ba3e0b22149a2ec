import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { DUPLEX, shopOf } from '../../../fixtures/holes.ts';
import { InputError } from '../../units/input-error.ts';
import { THREAD_SERIES } from '../../physics/threads/thread-table.ts';
import { type HoleDemand, type HolePattern, PLAIN_DEMAND } from './hole-demand.ts';
import { planHole } from './plan-hole.ts';
import { planPart } from './plan-part.ts';

const number = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true }).map((v) => Number(v.toPrecision(4)));
const wild = fc.constantFrom(0, -1, NaN, Infinity, 1e-9, 1e9, 0.5);
const count = fc.integer({ min: 1, max: 60 });
const pattern: fc.Arbitrary<HolePattern> = fc.oneof(
  fc.constant<HolePattern>({ kind: 'single' }),
  fc.record({ kind: fc.constant('row' as const), count, pitchMm: number(1, 300) }),
  fc.record({ kind: fc.constant('circle' as const), count, diameterMm: number(5, 800) }),
  fc.record({
    kind: fc.constant('grid' as const),
    columns: count,
    rows: count,
    columnPitchMm: number(1, 200),
    rowPitchMm: number(1, 200),
  }),
  fc.record({ kind: fc.constant('scattered' as const), count, betweenMm: number(1, 900) }),
);
const threads = THREAD_SERIES.flatMap((s) => s.threads.map((t) => t.designation));

/** Holes anybody might ask for, on any alloy of the crib. */
const asked: fc.Arbitrary<HoleDemand> = fc.record({
  name: fc.constant('Any'),
  thread: fc.option(fc.constantFrom(...threads), { nil: null }),
  diameterMm: number(1, 80),
  depthMm: number(0.5, 200),
  drilledDepthMm: fc.constant(null),
  through: fc.boolean(),
  grade: fc.option(fc.integer({ min: 5, max: 13 }), { nil: null }),
  raUm: fc.option(number(0.2, 12), { nil: null }),
  straightnessMm: fc.option(number(0.01, 1), { nil: null }),
  chamferMm: fc.constantFrom(0, 0.3, 0.5, 1),
  entryAngleDeg: fc.constantFrom(0, 0, 5, 20, 45),
  entrySurface: fc.constantFrom('flat' as const, 'curved' as const),
  exitAngleDeg: fc.constantFrom(0, 0, 10, 40),
  crossHoles: fc.constantFrom(0, 0, 1, 3),
  pattern,
  partValue: fc.option(number(1, 20_000), { nil: null }),
});
const alloys = CRIB.alloys.map((a) => a.id);

describe('any hole anybody asks for', () => {
  it('is planned whole: numbers, reasons, and what the crib lacks said by what and how large', () => {
    let planned = 0;
    fc.assert(
      fc.property(asked, fc.constantFrom(...alloys), (demand, alloyId) => {
        let plan: ReturnType<typeof planHole>;
        try {
          plan = planHole(shopOf(alloyId), { ...PLAIN_DEMAND, ...demand });
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
          return;
        }
        planned += 1;
        expect(plan.alternatives.length).toBeGreaterThan(0);
        expect(plan.because.length).toBeGreaterThan(0);
        for (const a of plan.alternatives) {
          const said = [a.refused ?? '', a.placement, ...plan.because].join(' ');
          expect(said).not.toMatch(/NaN|Infinity|undefined/);
          for (const v of [a.minutes, a.cost, a.lost, a.expectedLoss]) {
            expect([a.id, Number.isFinite(v) && v >= 0]).toEqual([a.id, true]);
          }
          expect(a.lost).toBeLessThanOrEqual(1);
          // What cannot be done has no steps; what can has them, in an order a hole grows by.
          expect(a.steps.length > 0).toBe(a.refused === null);
          const order = [
            'spot',
            'pilot',
            'drill',
            'enlarge',
            'mill',
            'chamfer',
            'ream',
            'bore',
            'tap',
            'thread-mill',
          ];
          const places = a.steps.map((s) => order.indexOf(s.key));
          expect(places).toEqual([...places].sort((x, y) => x - y));
        }
        const best = plan.alternatives.find((a) => a.id === plan.recommended);
        // Nothing over a limit is recommended while something is not.
        if (best?.state === 'over')
          expect(plan.alternatives.every((a) => a.refused !== null || a.state === 'over')).toBe(true);
        if (!best) expect(plan.alternatives.every((a) => a.refused !== null)).toBe(true);
      }),
      { numRuns: 250, seed: 21 },
    );
    expect(planned).toBeGreaterThan(200);
  });

  it('with nonsense in it is refused by field and range', () => {
    const fields = [
      'diameterMm',
      'depthMm',
      'chamferMm',
      'entryAngleDeg',
      'exitAngleDeg',
      'crossHoles',
      'grade',
      'raUm',
      'straightnessMm',
      'partValue',
    ] as const;
    fc.assert(
      fc.property(asked, fc.constantFrom(...fields), wild, (demand, field, value) => {
        try {
          for (const a of planHole(DUPLEX, { ...PLAIN_DEMAND, ...demand, [field]: value }).alternatives)
            expect(Number.isFinite(a.minutes + a.cost + a.lost + a.expectedLoss)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
          for (const p of (error as InputError).problems) expect(p.allowed).not.toMatch(/NaN|undefined/);
        }
      }),
      { numRuns: 150, seed: 22 },
    );
  });

  it('more holes of a kind never take less time or lose fewer parts', () => {
    fc.assert(
      fc.property(asked, fc.integer({ min: 1, max: 20 }), (demand, n) => {
        const of = (many: number) => {
          try {
            return planHole(DUPLEX, { ...demand, pattern: { kind: 'row', count: many, pitchMm: 30 } });
          } catch (error) {
            expect(error).toBeInstanceOf(InputError);
            return null;
          }
        };
        const [few, many] = [of(n), of(2 * n)];
        for (const a of few?.alternatives ?? []) {
          const b = many?.alternatives.find((m) => m.id === a.id);
          if (!b || a.refused !== null || b.refused !== null) continue;
          // The same tools, for the quickest of several may change with the count.
          if (a.steps.some((s, i) => s.context.cutter.id !== b.steps[i]?.context.cutter.id)) continue;
          expect(b.minutes).toBeGreaterThanOrEqual(a.minutes - 1e-9);
          expect(b.lost).toBeGreaterThanOrEqual(a.lost - 1e-12);
        }
      }),
      { numRuns: 80, seed: 23 },
    );
  });

  it('a part of several kinds takes as long as its kinds, less the tools that are loaded once', () => {
    fc.assert(
      fc.property(fc.array(asked, { minLength: 1, maxLength: 4 }), (demands) => {
        const kinds = demands.map((demand, i) => ({ id: `k${i}`, demand, chosen: null, changes: {} }));
        let part: ReturnType<typeof planPart>;
        try {
          part = planPart(DUPLEX, kinds);
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
          return;
        }
        expect(Number.isFinite(part.minutes)).toBe(true);
        expect(part.savedMin).toBeGreaterThanOrEqual(-1e-9);
        expect(part.minutes).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60, seed: 24 },
    );
  });
});
