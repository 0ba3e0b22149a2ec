import { describe, expect, it } from 'vitest';
import { PLATE_SHOP, wearPlates } from '../../../fixtures/wear-plates.ts';
import { speak } from '../../units/sentence.ts';
import { batchPlan } from './batch-plan.ts';
import { EMPTY_JOB_PLAN } from './job-plan.ts';
import { stressClassOf, warpReport } from './warp-report.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

const plates = wearPlates();
const plan = batchPlan(plates, 0.9);

describe('first piece and distortion', () => {
  it('a batch through setup one is flagged with what lies in half-made parts', () => {
    expect(plan.first.flagged).toBe(true);
    expect(plan.first.stake).toBeGreaterThan(33 * 38);
    const steps = plan.first.steps.map((x) => speak(x, 'metric'));
    expect(steps.join(' ')).toMatch(/the slotted face is finished and clean/);
    expect(steps.at(-1)).toMatch(/Only now the batch/);
    expect(batchPlan({ ...plates, plan: { ...plates.plan, firstThroughAll: true } }, 0.9).first.flagged).toBe(
      false,
    );
    expect(batchPlan(ordinaryJob(), 0.9).first.flagged).toBe(false);
  });

  it('hardened steel brings much stress, a stretched plate little; one side only bows most', () => {
    expect(stressClassOf(PLATE_SHOP.alloy).name).toBe('high');
    const one = warpReport(
      { ...plates.plan, features: [plates.plan.features[0]!], stock: EMPTY_JOB_PLAN.stock },
      PLATE_SHOP.alloy,
    )!;
    const both = warpReport(plates.plan, PLATE_SHOP.alloy)!;
    expect(one.bow.value).toBeGreaterThan(both.bow.value);
    expect(one.bow.high / one.bow.low).toBeCloseTo(9, 6);
    expect(one.lowers.join()).toMatch(/rough both sides/);
    expect(warpReport(EMPTY_JOB_PLAN, PLATE_SHOP.alloy)).toBeNull();
  });
});
