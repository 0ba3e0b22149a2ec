import { describe, expect, it } from 'vitest';
import { BORED_SEAT, turned } from '../../../fixtures/turned.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { speak } from '../../units/sentence.ts';
import { chipsBreakFrom, jetBar } from './coolant-jet.ts';

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
