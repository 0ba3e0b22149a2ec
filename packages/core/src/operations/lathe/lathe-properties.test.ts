import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { grooved, threaded } from '../../../fixtures/lathe-cuts.ts';
import { remediesFor } from '../../deciding/remedies/remedies.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { threadTurningState } from '../thread-turning/thread-turning-state.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const RUNS = { seed: 11, numRuns: 120 };

const groove = fc
  .record({
    start: between(12, 120),
    depth: between(0.3, 8),
    width: between(3, 25),
    from: between(0, 60),
    more: between(1, 150),
    feed: between(0.02, 0.3),
    rpm: between(50, 2500),
    cap: between(100, 3500),
    step: between(0.5, 2.8),
    lift: between(0.2, 8),
    side: fc.boolean(),
    support: fc.constantFrom('chuck', 'tailstock', 'steady'),
  })
  .map((g) =>
    grooved(
      {
        startMm: g.start,
        endMm: Math.max(1, g.start - 2 * g.depth),
        lengthMm: g.width,
        fromEndMm: g.from,
        overhangMm: g.from + g.width + g.more,
        support: g.support as 'chuck',
      },
      {
        cut: {
          speedRpm: Math.min(g.rpm, g.cap),
          capRpm: g.cap,
          feedPerRevMm: g.feed,
          stepMm: g.step,
          depthMm: g.lift,
          widenBy: g.side ? 'side' : 'plunges',
        },
      },
    ),
  );

const thread = fc
  .record({
    name: fc.constantFrom('M12', 'M16', 'M20', 'M24', 'M30x2'),
    length: between(5, 60),
    more: between(1, 120),
    rpm: between(30, 2500),
    passes: fc.integer({ min: 2, max: 40 }),
    infeed: fc.constantFrom('radial', 'flank', 'alternating'),
  })
  .map((t) =>
    threaded(
      t.name,
      { lengthMm: t.length, overhangMm: t.length + t.more },
      { cut: { speedRpm: t.rpm, passes: t.passes, infeed: t.infeed as 'flank' } },
    ),
  );

describe('any groove and any thread', () => {
  it('is judged with every number finite, and time that goes by', () => {
    fc.assert(
      fc.property(fc.oneof(groove, thread), ({ op, context }) => {
        if (problemsOf(op, context).length > 0) return;
        const e = evaluate(op, context);
        expect(e.numbers.filter((n) => !Number.isFinite(n.value)).map((n) => n.key)).toEqual([]);
        expect(e.limits.filter((l) => l.share && !Number.isFinite(l.share.value)).map((l) => l.id)).toEqual(
          [],
        );
        expect(e.time.cutting).toBeGreaterThan(0);
      }),
      RUNS,
    );
  });

  it('is never slower with the cap raised', () => {
    fc.assert(
      fc.property(groove, between(1, 2), ({ op, context }, more) => {
        const raised = { ...op, cut: { ...op.cut, capRpm: op.cut.capRpm * more } };
        if (problemsOf(raised, context).length > 0 || problemsOf(op, context).length > 0) return;
        expect(evaluate(raised, context).time.cutting).toBeLessThanOrEqual(
          evaluate(op, context).time.cutting * (1 + 1e-12),
        );
      }),
      RUNS,
    );
  });

  it('with a centre in its end errs no more than without', () => {
    fc.assert(
      fc.property(thread, ({ op, context }) => {
        const error = (support: 'chuck' | 'tailstock'): number =>
          threadTurningState({ ...op, turned: { ...op.turned, support } }, context).sizeErrorMm.value;
        expect(error('tailstock')).toBeLessThanOrEqual(error('chuck') * (1 + 1e-9));
      }),
      RUNS,
    );
  });

  it('a remedy for its worst limit clears that limit', () => {
    fc.assert(
      fc.property(fc.oneof(groove, thread), ({ op, context }) => {
        if (problemsOf(op, context).length > 0) return;
        const e = evaluate(op, context);
        if (e.state !== 'over') return;
        for (const remedy of remediesFor(op, context, e.governing)) {
          const after = evaluate(remedy.operation, context);
          const left = after.limits.find((l) => l.id === e.governing);
          expect(left?.state, `${remedy.id} for ${e.governing}`).not.toBe('over');
        }
      }),
      { seed: 11, numRuns: 40 },
    );
  });

  it('says the same of two equal cuts', () => {
    const { op, context } = grooved();
    expect(limitOf(evaluate(op, context), 'groove-chatter')).toEqual(
      limitOf(evaluate({ ...op }, context), 'groove-chatter'),
    );
  });
});
