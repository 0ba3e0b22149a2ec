import { describe, expect, it } from 'vitest';
import { SHIPPED, contextOf } from '../../../fixtures/crib.ts';
import { grooved, threaded } from '../../../fixtures/lathe-cuts.ts';
import { FINISHED_STEM, turned } from '../../../fixtures/turned.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { TurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import type { TurningOperation } from '../../operations/turning/turning-operation.ts';
import { withProfile } from '../../operations/turning/profile/with-profile.ts';
import { speak } from '../../units/sentence.ts';
import { cutOf } from '../ways/way.ts';
import { quickest } from './quickest.ts';
import { turnedWays } from './turned-ways.ts';
import { verdictOfWays } from '../ways/verdict-of-ways.ts';
import { latheFreeOf, latheMap, readLathe, writeLathe } from './lathe-map.ts';

const others = (op: TurnedOperation): OperationContext[] =>
  SHIPPED.cutters
    .filter((c) => /turning_insert|grooving|parting/.test(c.type))
    .map((c) => contextOf({ ...op, tooling: { ...op.tooling, cutterId: c.id } }));

describe('the best numbers of a lathe cut', () => {
  it('break no limit, and take no longer than the first ones', () => {
    for (const { op, context } of [turned(), grooved(), threaded('M24')]) {
      const [first, best] = [cutOf(op, context), quickest(op, context)];
      expect(first.evaluation.state).not.toBe('over');
      expect(best.evaluation.state).not.toBe('over');
      expect(best.minutes).toBeLessThanOrEqual(first.minutes);
    }
  });

  it('for money run slower than for minutes where edges are dear', () => {
    const { op, context } = turned();
    const dear = { ...op, economics: { ...op.economics, edgePrice: 400, machinePerHour: 20 } };
    const speed = (aim: 'minutes' | 'cost'): number => quickest(dear, context, aim).op.cut.speedRpm;
    expect(speed('cost')).toBeLessThan(speed('minutes'));
    expect(quickest(dear, context, 'cost').cost).toBeLessThanOrEqual(quickest(dear, context, 'minutes').cost);
  });

  it('are the first ones where every one breaks a limit', () => {
    const { op, context } = turned({ overhangMm: 1200, endMm: 50, lengthMm: 60 });
    expect(evaluate(op, context).state).toBe('over');
    expect(quickest(op, context).evaluation.state).toBe('over');
  });
});

describe('ways to make the same', () => {
  it('a profile that the insert does not follow is cut by the next slimmer one', () => {
    const { op, context } = turned({ startMm: 40, endMm: 30, overhangMm: 90 }, { cutterId: 'ins-fin-55' });
    const neck = (over: number): TurningOperation => ({
      ...op,
      stretch: withProfile(op.stretch, {
        startMm: 40,
        elements: [
          { kind: 'step', toMm: 38, lengthMm: 10, radiusMm: null, side: 'bulging' },
          { kind: 'cone', toMm: 30, lengthMm: over, radiusMm: null, side: 'bulging' },
          { kind: 'step', toMm: 30, lengthMm: 20, radiusMm: null, side: 'bulging' },
        ],
        skinMm: null,
        cornerMm: null,
      }),
    });
    const ways = (o: TurningOperation) => turnedWays(o, context, others(o), 'minutes');
    expect(ways(neck(10)).map((w) => w.id)).not.toContain('slim');
    const slim = ways(neck(4)).find((w) => w.id === 'slim')!;
    expect(slim.op.tooling.cutterId).toMatch(/^ins-profile-35-93/);
    expect(slim.evaluation.limits.find((l) => l.id === 'profile-reach')!.state).toBe('clear');
  });

  it('outside before the bore is made: the wall does not spring', () => {
    const { op, context } = turned(
      { startMm: 80.8, endMm: 80, boreMm: 76, lengthMm: 55, overhangMm: 60, toleranceMm: 0.03 },
      { cutterId: 'ins-fin-55' },
    );
    const ways = turnedWays(op, context, others(op), 'minutes');
    const size = (id: string) =>
      ways.find((w) => w.id === id)!.evaluation.numbers.find((n) => n.key === 'lean')!.value;
    expect(size('before-bore')).toBeLessThan(0.3 * size('as-it-is'));
  });

  it('roughing: deep or shallow, and a depth that varies where the edge is notched', () => {
    const { op, context } = turned(
      { startMm: 90, endMm: 60, overhangMm: 100 },
      { alloyId: '718-aged', cutterId: 'ins-s-med' },
    );
    const ways = turnedWays(op, context, others(op), 'minutes');
    expect(ways.map((w) => w.id)).toEqual(
      expect.arrayContaining(['deep', 'shallow', 'varied', 'round', 'tailstock', 'steady']),
    );
    const varied = ways.find((w) => w.id === 'varied')!;
    expect((varied.op as TurningOperation).cut.varied).toBe(true);
    const notch = varied.evaluation.limits.find((l) => l.id === 'notch')!;
    expect(notch.state).toBe('clear');
    const round = ways.find((w) => w.id === 'round')!;
    expect(round.op.tooling.cutterId).toBe('ins-round-12');
    const [deep, shallow] = ['deep', 'shallow'].map(
      (id) => ways.find((w) => w.id === id)!.evaluation.numbers.find((n) => n.key === 'passes')!.value,
    );
    expect(deep).toBeLessThan(shallow!);
  });

  it('finishing: one cut or two', () => {
    const { op, context } = FINISHED_STEM();
    const ids = turnedWays(op, context, [], 'minutes').map((w) => w.id);
    expect(ids).toEqual(expect.arrayContaining(['one-cut', 'two-cuts']));
    expect(ids).not.toContain('deep');
  });

  it('a wide groove: plunges or layers, another blade; a face from either end; a thread by three ways in', () => {
    const wide = grooved({ lengthMm: 12 });
    const ways = turnedWays(wide.op, wide.context, others(wide.op), 'minutes');
    expect(ways.map((w) => w.id)).toEqual(expect.arrayContaining(['plunges', 'sideways']));
    expect(ways.some((w) => w.id.startsWith('blade-'))).toBe(true);
    const face = grooved(
      { way: 'face', startMm: 42, endMm: 34, lengthMm: 3, fromEndMm: 0, overhangMm: 60 },
      { cutterId: 'groove-face-3-32-50' },
    );
    expect(turnedWays(face.op, face.context, [], 'minutes').map((w) => w.id)).toEqual(
      expect.arrayContaining(['outer-first', 'inner-first']),
    );
    const thread = threaded('M24');
    expect(turnedWays(thread.op, thread.context, [], 'cost').map((w) => w.id)).toEqual(
      expect.arrayContaining(['radial', 'flank', 'alternating']),
    );
  });

  it('who breaks a limit wins nothing and is told why', () => {
    const slender = grooved({ startMm: 30, endMm: 25, lengthMm: 3.6, overhangMm: 150 });
    const ways = turnedWays(slender.op, slender.context, [], 'minutes');
    const verdict = verdictOfWays(ways, true);
    expect(['tailstock', 'steady']).toContain(verdict.quickest);
    const said = verdict.because.map((s) => speak(s, 'metric')).join('\n');
    expect(said).toMatch(/“As it is, best numbers” is over at any speed and feed tried: Edge/);
  });
});

describe('the window of a lathe cut', () => {
  it('ends at the insert, at the life of its edge and at what the part stands', () => {
    const { op, context } = turned();
    const map = latheMap(op, context, { x: 'fn', y: 'ap', columns: 16, rows: 10 });
    const forbidden = (at: number): boolean => map.forbids.some((f) => f[at] === 1);
    expect(forbidden(16 * 10 - 1)).toBe(true);
    const free = Array.from({ length: 160 }, (_, at) => !forbidden(at)).filter(Boolean).length;
    expect(free).toBeGreaterThan(10);
    expect(map.limits.map((l) => l.id)).toEqual(expect.arrayContaining(['insert-feed', 'insert-depth']));
    // Where it is free, a cut of those numbers is not over.
    const at = Array.from({ length: 160 }, (_, i) => i).find((i) => !forbidden(i))!;
    const value = (f: { low: number; high: number }, i: number, n: number) =>
      f.low * (f.high / f.low) ** ((i + 0.5) / n);
    const there = writeLathe(
      writeLathe(op, 'fn', value(map.x, at % 16, 16)),
      'ap',
      value(map.y, Math.floor(at / 16), 10),
    );
    expect(evaluate(there, context).state).not.toBe('over');
  });

  it('of a groove is of speed and feed; no side twice', () => {
    const { op, context } = grooved();
    const map = latheMap(op, context, { x: 'n', y: 'fn', columns: 12, rows: 8 });
    const speed = map.limits.findIndex((l) => l.id === 'cutting-speed');
    expect(map.forbids[speed]!.some((v) => v === 1)).toBe(true);
    expect(() => latheMap(op, context, { x: 'n', y: 'n', columns: 2, rows: 2 })).toThrow(/another number/);
    expect(latheFreeOf(threaded('M24').op)).toEqual(['n']);
    expect(readLathe(writeLathe(op, 'ap', 1.5), 'ap')).toBe(1.5);
  });
});
