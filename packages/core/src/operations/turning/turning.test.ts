import { describe, expect, it } from 'vitest';
import { BORED_SEAT, FACED_STEM, FINISHED_STEM, turned } from '../../../fixtures/turned.ts';
import { remediesFor } from '../../deciding/remedies/remedies.ts';
import { setterFacts } from '../../deciding/batch/setter-facts.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { setParameter } from '../../evaluation/set-parameter.ts';
import { usualHolding, heldBy } from '../../physics/holding/holdings.ts';
import { speak } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import type { TurnedStretch, TurningOperation } from './turning-operation.ts';

type Case = { readonly op: TurningOperation; readonly context: OperationContext };
const number = ({ op, context }: Case, key: string): number => numberOf(evaluate(op, context), key).value;
const limit = ({ op, context }: Case, id: string) => limitOf(evaluate(op, context), id);
const withStretch = ({ op, context }: Case, stretch: Partial<TurnedStretch>): Case => ({
  op: { ...op, stretch: { ...op.stretch, ...stretch } },
  context,
});
const SLIM = () => turned({ startMm: 26, endMm: 24, lengthMm: 150, overhangMm: 180, toleranceMm: 0.04 });

describe('a turned stretch', () => {
  it('begins within its limits outside, inside, across a face and finishing', () => {
    for (const c of [turned(), FINISHED_STEM(), FACED_STEM(), BORED_SEAT()]) {
      expect(problemsOf(c.op, c.context)).toEqual([]);
      expect(evaluate(c.op, c.context).limits.filter((l) => l.state === 'over')).toEqual([]);
    }
  });

  it('keeps its surface speed: a smaller diameter turns faster, up to the cap', () => {
    const c = FACED_STEM();
    expect(number(c, 'nMax')).toBe(c.op.cut.capRpm);
    const low = { ...c, op: { ...c.op, cut: { ...c.op.cut, capRpm: 900 } } };
    expect(number(low, 'nMax')).toBe(900);
    expect(number(low, 't')).toBeGreaterThan(number(c, 't'));
    expect(speak(limit(low, 'spindle-cap').why, 'metric')).toMatch(/the cap, from 27\.5\smm down/);
  });

  it('what is typed moves what follows: speed, feed and depth', () => {
    const { op, context } = turned();
    const faster = setParameter(op, context, 'vc', 100) as TurningOperation;
    expect(number({ op: faster, context }, 'vc')).toBeCloseTo(100, 6);
    expect(faster.cut.feedPerRevMm).toBe(op.cut.feedPerRevMm);
    const deeper = setParameter(op, context, 'ap', 5.5) as TurningOperation;
    expect(number({ op: deeper, context }, 'passes')).toBe(1);
    expect(number({ op: deeper, context }, 'Fc')).toBeGreaterThan(1.8 * number({ op, context }, 'Fc'));
  });

  it('holds no diameter closer than a lathe turns round, however stiff the part', () => {
    const stub = turned(
      { startMm: 80.6, endMm: 80, lengthMm: 10, overhangMm: 15, toleranceMm: 0.02 },
      { cutterId: 'ins-fin-55' },
    );
    expect(number(stub, 'size')).toBeGreaterThan(0.0019);
    expect(number(stub, 'size')).toBeLessThan(0.005);
  });

  it('goes in passes no deeper than stated, and its minutes with them', () => {
    const c = turned({}, { cut: { depthMm: 2 } });
    expect(number(c, 'passes')).toBe(3);
    expect(number(turned({}, { cut: { depthMm: 1 } }), 't')).toBeGreaterThan(1.7 * number(c, 't'));
  });

  it('is judged by the spindle that turns the part, of a mill-turn centre as well', () => {
    const c = turned({}, { machineId: 'millturn-26kw' });
    expect(limit(c, 'spindle-cap').allowed!.value).toBe(4000);
    expect(limit(c, 'spindle-power').allowed!.value).toBeGreaterThan(20);
    const mill = turned({}, { machineId: 'millturn-26kw' });
    const milling = {
      ...mill.context,
      machine: { ...mill.context.machine, kind: 'vertical', turning_spindle: undefined },
    };
    expect(problemsOf(mill.op, milling as never).map((p) => p.field)).toContain('machineId');
  });

  it.each<[string, Partial<TurnedStretch>, string]>([
    ['a bore smaller after than before', { way: 'inside', startMm: 26, endMm: 24 }, 'stretch.endMm'],
    ['a stem thicker after than before', { endMm: 60 }, 'stretch.endMm'],
    ['a cut longer than the part stands out', { lengthMm: 200 }, 'stretch.overhangMm'],
    ['a bore through all of the part', { boreMm: 44 }, 'stretch.boreMm'],
    ['a bore with a centre in it', { way: 'inside', support: 'tailstock' }, 'stretch.support'],
    [
      'a face to the middle of a held end',
      { way: 'face', endMm: 0, lengthMm: 1, support: 'tailstock' },
      'stretch.support',
    ],
    ['a part of four metres across', { startMm: 4000 }, 'stretch.startMm'],
  ])('%s is refused by its field', (_, stretch, field) => {
    const base = stretch.way === 'inside' ? BORED_SEAT() : turned();
    const c = withStretch(base, stretch);
    expect(problemsOf(c.op, c.context).map((p) => p.field)).toContain(field);
  });

  it('a feed wider than the nose, or a mill in the place of an insert, is refused', () => {
    const c = FINISHED_STEM();
    const wide = { ...c.op, cut: { ...c.op.cut, feedPerRevMm: 0.9 } };
    expect(problemsOf(wide, c.context).map((p) => p.field)).toContain('cut.feedPerRevMm');
    const inside = { ...c.op, stretch: { ...c.op.stretch, way: 'inside' as const, startMm: 40, endMm: 44 } };
    expect(problemsOf(inside, c.context).map((p) => p.field)).toContain('tooling.cutterId');
  });
});

describe('a slender part', () => {
  it('is over without support, and a tailstock is what cures it', () => {
    const c = SLIM();
    expect(limit(c, 'part-overhang').state).toBe('over');
    expect(limit(c, 'part-chatter').state).toBe('over');
    const remedies = remediesFor(c.op, c.context, 'part-chatter');
    expect(remedies.map((r) => r.id)).toContain('tailstock');
    const cured = remedies.find((r) => r.id === 'tailstock')!.operation as TurningOperation;
    expect(limit({ op: cured, context: c.context }, 'part-overhang').state).toBe('clear');
    expect(limit({ op: cured, context: c.context }, 'part-chatter').state).toBe('clear');
  });

  it('errs in diameter less the stiffer it stands', () => {
    const c = SLIM();
    const size = (change: Partial<TurnedStretch>): number => number(withStretch(c, change), 'size');
    expect(size({ support: 'tailstock' })).toBeLessThan(size({}));
    expect(size({ overhangMm: 155 })).toBeLessThan(size({}));
  });

  it('chatters from a smaller nose less than from a larger one', () => {
    const [small, large] = ['ins-fin-55', 'ins-fin-wiper-80'].map(
      (cutterId) =>
        limit(turned({ startMm: 27, endMm: 26, overhangMm: 130, lengthMm: 60 }, { cutterId }), 'part-chatter')
          .share!.value,
    );
    expect(small).toBeLessThan(large!);
  });
});

describe('what holds and what cuts', () => {
  it('a chuck somebody stated can be over; one nobody stated is at most tight', () => {
    const hard = turned({ startMm: 120, endMm: 100 }, { cut: { depthMm: 6, feedPerRevMm: 0.5 } });
    expect(limit(hard, 'jaw-grip').state).toBe('tight');
    const holding = { ...usualHolding('chuck'), values: { ...usualHolding('chuck').values, forceN: 9000 } };
    const stated = { ...hard, context: { ...hard.context, held: heldBy(holding) } };
    expect(limit(stated, 'jaw-grip').state).toBe('over');
  });

  it('a bar goes into no bore smaller than its least, and no farther than it stands', () => {
    const c = BORED_SEAT();
    expect(limit(withStretch(c, { startMm: 18 }), 'bore-reach').state).toBe('over');
    expect(limit(withStretch(c, { lengthMm: 50 }), 'bore-reach').state).toBe('over');
    expect(limit(c, 'bore-reach').state).toBe('clear');
  });

  it('passes at one depth notch a nickel alloy; a round insert, or one pass, does not', () => {
    const nickel = { alloyId: '718-aged' };
    const many = turned({}, { ...nickel, cutterId: 'ins-s-med', cut: { depthMm: 2 } });
    expect(limit(many, 'notch').state).toBe('tight');
    expect(
      limit(turned({}, { ...nickel, cutterId: 'ins-round-12', cut: { depthMm: 1.5 } }), 'notch').state,
    ).toBe('clear');
    expect(evaluate(turned().op, turned().context).limits.some((l) => l.id === 'notch')).toBe(false);
  });

  it('ceramic and CBN are held to their own windows', () => {
    const ceramic = turned({}, { alloyId: '718-aged', cutterId: 'ins-round-12', cut: { depthMm: 1.5 } });
    expect(number(ceramic, 'vc')).toBeGreaterThan(150);
    expect(limit(ceramic, 'cutting-speed').state).not.toBe('over');
    const carbide = turned({}, { alloyId: '718-aged', cutterId: 'ins-s-med' });
    expect(number(carbide, 'vc')).toBeLessThan(50);
  });

  it('the sheet says the stretch, the cap and no rating that does not exist', () => {
    const c = withStretch(turned(), { support: 'tailstock' });
    const facts = setterFacts(c.op, c.context, evaluate(c.op, c.context)).map(
      (f) => `${f.name}: ${speak(f.text, 'metric')}`,
    );
    expect(facts[0]).toMatch(/^Turned: ⌀55\smm to ⌀44\smm over 60\smm, 90\smm out of the jaws, tailstock/);
    expect(facts.some((f) => /no faster than 2,800\srpm/.test(f))).toBe(true);
    expect(facts.some((f) => f.startsWith('Never above'))).toBe(false);
    expect(evaluate(c.op, c.context).cautions.join(' ')).not.toContain('– rpm');
  });
});
