import { wearPlates } from '../../../fixtures/wear-plates.ts';
import { describe, expect, it } from 'vitest';
import { SEAL_POCKET } from '../../../fixtures/crib.ts';
import { requireRates, USUAL_RATES } from '../../crib/shop-rates.ts';
import { InputError } from '../../units/input-error.ts';
import { batchPlan } from './batch-plan.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

const plan = batchPlan(wearPlates(), 0.9);

describe('money', () => {
  it('has one currency, and its lines come to the batch', () => {
    const { money } = plan;
    expect(money.currency).toBe('EUR');
    expect(money.lines.reduce((sum, l) => sum + l.batch, 0)).toBeCloseTo(money.batch, 6);
    expect(money.perPart * 30).toBeCloseTo(money.batch, 6);
    expect(money.lines.find((l) => l.name === 'Blanks')!.batch).toBe(33 * 38);
  });

  it('a dearer machine and a fixture cost what they cost', () => {
    const job = ordinaryJob();
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
