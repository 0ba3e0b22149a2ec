import { describe, expect, it } from 'vitest';
import { judgedPlate, wearPlates } from '../../../fixtures/wear-plates.ts';
import { usualHolding } from '../../physics/holding/holdings.ts';
import { holdingReport, temperaturesOf } from './holding-report.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

const plates = wearPlates();

describe('holding', () => {
  it('the bond has room while the slots are cut with mist and loses it when they are cut dry in a row', () => {
    const [slots] = plates.setups;
    const with_ = (coolant: 'flood' | 'dry') => ({
      ...slots!,
      operations: slots!.operations.map((o) => judgedPlate(o.name, o.id, { ...o.document, coolant })),
    });
    const [wet, dry] = [holdingReport(with_('flood'), plates), holdingReport(with_('dry'), plates)];
    expect(wet.worst!.state).toBe('clear');
    expect(dry.hottestC).toBeGreaterThan(wet.hottestC + 10);
    expect(dry.worst!.use.share).toBeGreaterThan(1.3 * wet.worst!.use.share);
    expect(wet.releaseC).toBe(80);
    expect(wet.mends).toEqual([]);
    expect(dry.mends.join()).toMatch(/^flood/);
  });

  it('a part keeps what the operation before it left', () => {
    const job = ordinaryJob();
    const [setup] = job.setups;
    const part = { lengthMm: 160, widthMm: 120, heightMm: 40 };
    const [first, second] = temperaturesOf(setup!, part, job.alloy, job);
    const [, alone] = temperaturesOf(
      { ...setup!, operations: [...setup!.operations].reverse() },
      part,
      job.alloy,
      job,
    );
    expect(first).toBeGreaterThan(20);
    expect(second).not.toBeCloseTo(alone!, 3);
  });

  it('clamps higher than the tool reaches past are struck', () => {
    const [setup] = ordinaryJob().setups;
    const clamped = (heightMm: number) => ({
      ...setup!,
      plan: {
        ...setup!.plan,
        holding: { kind: 'clamps', values: { ...usualHolding('clamps').values, heightMm } } as const,
      },
    });
    expect(holdingReport(clamped(120), ordinaryJob()).operations![0]).toMatchObject({ state: 'over' });
    expect(holdingReport(clamped(5), ordinaryJob()).operations![0]!.clearanceMm).toBeGreaterThan(0);
  });

  it('says what it lacks', () => {
    const [setup] = ordinaryJob().setups;
    expect(holdingReport(setup!, ordinaryJob()).lacks).toBe('how the part is held');
  });
});
