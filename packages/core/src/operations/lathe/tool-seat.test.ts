import { describe, expect, it } from 'vitest';
import { grooved, threaded } from '../../../fixtures/lathe-cuts.ts';
import { BORED_SEAT, turned } from '../../../fixtures/turned.ts';
import { remediesFor } from '../../deciding/remedies/remedies.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { kindOf } from '../../evaluation/registry.ts';
import { wallDeflection, wallHz } from '../../physics/turning/thin-tube.ts';
import { speak } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import type { TurnedOperation } from './turned-kinds.ts';
import { chipsBreakFrom, jetBar } from './coolant-jet.ts';
import { EDGE_SIDES, rotationFor, seatOf, type ToolSeat } from './tool-seat.ts';

type Case = { readonly op: TurnedOperation; readonly context: OperationContext };
const seated = ({ op, context }: Case, seat: ToolSeat, turret?: 'front' | 'rear'): Case => ({
  op: { ...op, seat },
  context: turret ? { ...context, machine: { ...context.machine, turret } } : context,
});
const state = ({ op, context }: Case, id: string) => limitOf(evaluate(op, context), id).state;

describe('how a tool sits and which way the part turns', () => {
  it('turned over on the other side of the axis the same way is right again', () => {
    for (const edge of EDGE_SIDES) expect(rotationFor(edge, 'rear')).not.toBe(rotationFor(edge, 'front'));
    expect(rotationFor('up', 'front')).toBe('forward');
  });

  it('is right where nobody states it, and over where the part meets the heel', () => {
    for (const c of [turned(), grooved(), threaded('M24'), BORED_SEAT()] as Case[]) {
      expect(state(c, 'spindle-direction')).toBe('clear');
      expect(seatOf(c.op, c.context.machine).rotation).toBe('forward');
      const wrong = seated(c, { rotation: 'forward', edge: 'up' });
      expect(state(wrong, 'spindle-direction')).toBe('over');
      expect(state(seated(c, { rotation: 'forward', edge: 'up' }, 'front'), 'spindle-direction')).toBe(
        'clear',
      );
    }
  });

  it('either the spindle turned round or the tool turned over clears it', () => {
    const wrong = seated(turned(), { rotation: 'reverse', edge: 'down' });
    const remedies = remediesFor(wrong.op, wrong.context, 'spindle-direction');
    expect(remedies.length).toBeGreaterThan(0);
    for (const id of ['rotation', 'edge-over'])
      expect(
        kindOf(wrong.op)
          .switches(wrong.op, wrong.context)
          .map((s) => s.id),
      ).toContain(id);
    for (const s of kindOf(wrong.op).switches(wrong.op, wrong.context).slice(0, 2))
      expect(state({ op: s.after as TurnedOperation, context: wrong.context }, 'spindle-direction')).toBe(
        'clear',
      );
  });

  it('reversed, it warns of a chuck that unscrews, and before the axis of a tool that is lifted', () => {
    const cautions = ({ op, context }: Case) => kindOf(op).cautions(op, context).join(' ');
    expect(cautions(turned())).not.toMatch(/screwed/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'up' }))).toMatch(/screwed on comes off/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'up' }))).not.toMatch(/lifts/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'down' }, 'front'))).toMatch(
      /lifts the tool/,
    );
  });

  it('a left-hand thread goes from the jaws outwards, unless the part turns the other way', () => {
    const c = threaded('M24', { runOutMm: 4 });
    const left = { ...c, op: { ...c.op, turned: { ...c.op.turned, leftHand: true } } };
    expect(state(c, 'thread-run-out')).toBe('clear');
    const needs = numberOf(evaluate(left.op, left.context), 'runIn').value;
    expect(state(left, 'thread-run-out')).toBe(needs <= 4 ? 'clear' : 'over');
    const roomy = { ...left, op: { ...left.op, turned: { ...left.op.turned, runOutMm: needs + 0.1 } } };
    expect(state(roomy, 'thread-run-out')).toBe('clear');
    const none = { ...left, op: { ...left.op, turned: { ...left.op.turned, runOutMm: needs - 0.1 } } };
    expect(state(none, 'thread-run-out')).toBe('over');
    const words = ({ op }: { op: TurnedOperation }) =>
      kindOf(op)
        .notes(op)
        .map((n) => speak(n, 'metric'))
        .join(' ');
    expect(words(left)).toMatch(/Left-hand thread, cut from the jaws outwards/);
    const turnedRound = { op: { ...left.op, seat: { rotation: 'reverse', edge: 'up' } as const } };
    expect(words(turnedRound)).toMatch(/Left-hand thread, cut towards the jaws/);
    expect(words(c)).not.toMatch(/hand thread/);
  });
});

describe('coolant under pressure at the edge', () => {
  it('breaks chips at thinner feeds, from 20 bar on and no further than 70', () => {
    expect(chipsBreakFrom(0)).toBe(1);
    expect(chipsBreakFrom(20)).toBe(1);
    expect(chipsBreakFrom(45)).toBeCloseTo(0.8, 9);
    expect(chipsBreakFrom(70)).toBeCloseTo(0.6, 9);
    expect(chipsBreakFrom(300)).toBeCloseTo(0.6, 9);
  });

  it('clears a chip that stays long, and nothing is said of it where it is poured', () => {
    const c = BORED_SEAT();
    const machine = {
      ...c.context.machine,
      coolant: { ...c.context.machine.coolant, through_spindle: true, pressure_bar: { flood: 5, tsc: 70 } },
    };
    const context = { ...c.context, machine };
    const fine = { ...c.op, cut: { ...c.op.cut, feedPerRevMm: 0.04 } };
    expect(jetBar(fine, context)).toBe(0);
    expect(limitOf(evaluate(fine, context), 'insert-feed').state).toBe('tight');
    const jet = { ...fine, coolant: 'through-tool' as const };
    expect(jetBar(jet, context)).toBe(70);
    expect(limitOf(evaluate(jet, context), 'insert-feed').state).toBe('clear');
    const thinner = { ...jet, cut: { ...jet.cut, feedPerRevMm: 0.02 } };
    expect(speak(limitOf(evaluate(thinner, context), 'insert-feed').why, 'metric')).toMatch(
      /long below 0\.03.*coolant 70\sbar through the tool/,
    );
  });
});

describe('an edge under a jet', () => {
  it('stands a fifth more speed in titanium, and in nothing else', () => {
    const at = (alloyId: string, tsc: number | null) => {
      const { op, context } = turned({ startMm: 60, endMm: 56 }, { alloyId, cutterId: 'ins-s-med' });
      const machine = {
        ...context.machine,
        coolant: { ...context.machine.coolant, through_spindle: true, pressure_bar: { tsc: tsc ?? 20 } },
      };
      const coolant = tsc === null ? ('flood' as const) : ('through-tool' as const);
      return limitOf(evaluate({ ...op, coolant }, { ...context, machine }), 'cutting-speed').allowed!.value;
    };
    const titanium = (tsc: number | null) => at('ti-6al-4v-annealed', tsc);
    expect(titanium(70) / titanium(null)).toBeCloseTo(1.2, 6);
    expect(titanium(45) / titanium(null)).toBeCloseTo(1.1, 6);
    expect(titanium(20)).toBeCloseTo(titanium(null), 9);
    expect(at('1045', 70)).toBeCloseTo(at('1045', null), 9);
  });
});

describe('the wall of a thin tube', () => {
  const tube = { outerMm: 80, boreMm: 74, lengthMm: 60, modulusMPa: 200_000 };
  const at = (change: Partial<typeof tube>) => wallDeflection({ ...tube, ...change }, 100);

  it('is a ring where it is short: waves twisted less the longer it is', () => {
    // A free ring under one force, its waves two and more: F·R³/(π·E·I)·Σ 1/(n²−1)² without twist.
    const long = at({ lengthMm: 1e5 });
    expect(long).toBeLessThan(at({ lengthMm: 60 }));
    const [radius, wall] = [38.5, 3];
    const plate = (200_000 * wall ** 3) / (12 * 0.91);
    const sum = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].reduce((s, n) => s + 1 / (n * n - 1) ** 2, 0);
    expect(long).toBeCloseTo((100 * 3 * radius ** 3 * sum) / (Math.PI * plate * 1e5), 6);
  });

  it('gives way with the cube of its thinness', () => {
    const thin = at({ boreMm: 77 });
    expect(thin / at({})).toBeGreaterThan(7);
    expect(thin / at({})).toBeLessThan(9);
  });

  it('a 3 mm wall of an 80 mm sleeve gives way by hundredths under a finishing cut, a thick one by nothing', () => {
    expect(at({})).toBeGreaterThan(0.002);
    expect(at({})).toBeLessThan(0.05);
    expect(at({ boreMm: 30 })).toBeLessThan(2e-4);
  });

  it('makes the diameter run, unless a centre holds the end round', () => {
    const sleeve = (boreMm: number, support: 'chuck' | 'tailstock' = 'chuck') => {
      const c = turned(
        { startMm: 80.8, endMm: 80, lengthMm: 55, overhangMm: 60, boreMm, support, toleranceMm: 0.04 },
        { cutterId: 'ins-fin-55' },
      );
      return numberOf(evaluate(c.op, c.context), 'size').value;
    };
    expect(sleeve(77)).toBeGreaterThan(3 * sleeve(40));
    expect(sleeve(77, 'tailstock')).toBeLessThan(sleeve(77));
  });

  it('rings as an oval: a sleeve of 1 mm wall at a few hundred hertz, a thicker one higher', () => {
    const steel = (boreMm: number) =>
      wallHz({ outerMm: 80, boreMm, lengthMm: 65, modulusMPa: 193_000 }, 8000);
    expect(steel(78)).toBeGreaterThan(300);
    expect(steel(78)).toBeLessThan(700);
    expect(steel(74)).toBeGreaterThan(2.5 * steel(78));
  });

  it('refuses what is no tube', () => {
    expect(() => at({ boreMm: 81 })).toThrow(/bore/);
    expect(() => at({ lengthMm: 0 })).toThrow(/length/);
  });
});
