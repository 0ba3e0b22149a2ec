import { SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { describe, expect, it } from 'vitest';
import { USUAL_RATES } from '../../crib/shop-rates.ts';
import { batchPlan } from './batch-plan.ts';
import { changesOfLoad, jobMinutes } from './job-minutes.ts';
import { wearPlates } from '../../../fixtures/wear-plates.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

const plates = wearPlates();
const plan = batchPlan(plates, 0.9);

describe('minutes', () => {
  it('count tools by their order: by tool they are shared by the load, by part they are not', () => {
    expect(changesOfLoad(['a', 'b', 'c'], 4, 'by-tool')).toBe(3);
    expect(changesOfLoad(['a', 'b', 'c'], 4, 'by-part')).toBe(12);
    expect(changesOfLoad(['a', 'b', 'a'], 4, 'by-tool')).toBe(2);
    expect(changesOfLoad(['a'], 4, 'by-part')).toBe(0);
  });

  it('hold changes, edges, loading, probing and the first piece: more than what the cut takes', () => {
    const m = jobMinutes(ordinaryJob());
    const cuts = Object.values(m.operations).reduce((sum, o) => sum + o.cutting + o.linking, 0);
    const [setup] = m.setups;
    expect(setup!.changes).toBe(2);
    expect(m.perPart).toBeGreaterThan(cuts + 2 * setup!.oneChangeMin + USUAL_RATES.loadMin);
    // The timeline is the part's minutes, and all blocks together are the batch's.
    expect(setup!.timeline.reduce((sum, t) => sum + t.minutes, 0)).toBeCloseTo(setup!.perPart, 9);
    expect(m.blocks.reduce((sum, b) => sum + b.minutes, 0)).toBeCloseTo(m.batch, 6);
    expect(m.blocks.reduce((sum, b) => sum + b.share, 0)).toBeCloseTo(1, 9);
  });

  it('four parts a load share their changes: less a part, and it is told', () => {
    const one = ordinaryJob();
    const four = ordinaryJob({
      setups: one.setups.map((s) => ({ ...s, plan: { ...s.plan, partsPerLoad: 4 } })),
    });
    expect(jobMinutes(four).perPart).toBeLessThan(jobMinutes(one).perPart - 0.1);
    expect(
      batchPlan({ ...one, rates: { ...USUAL_RATES, chipToChipS: 60 } }, 0.9)
        .shorten.map((s) => s.what)
        .join(),
    ).toMatch(/4 parts a load share/);
    const byPart = ordinaryJob({
      rates: { ...USUAL_RATES, chipToChipS: 60 },
      setups: four.setups.map((s) => ({ ...s, plan: { ...s.plan, order: 'by-part' } })),
    });
    expect(jobMinutes(byPart).setups[0]!.changes).toBe(8);
    expect(
      batchPlan(byPart, 0.9)
        .shorten.map((s) => s.what)
        .join(),
    ).toMatch(/each tool cut all parts/);
  });

  it('spares are cut as well', () => {
    expect(plan.minutes.blanks).toBe(33);
    expect(plan.minutes.batch).toBeCloseTo(
      plan.minutes.setups.reduce((s, x) => s + x.once + 33 * x.perPart, 0),
      6,
    );
  });

  it('a long way in by a helix is told to be drilled, a short one not', () => {
    const told = (depthMm: number, rampAngleDeg: number): string => {
      const job = ordinaryJob();
      const [pocket, dowels] = job.setups[0]!.operations;
      const document = {
        ...SEAL_POCKET,
        feature: { ...SEAL_POCKET.feature, depthMm },
        path: { ...SEAL_POCKET.path, entry: { ...SEAL_POCKET.path.entry, method: 'helix', rampAngleDeg } },
      } as const;
      const evaluation = evaluate(document, pocket!.context);
      const setups = job.setups.map((s) => ({
        ...s,
        operations: [{ ...pocket!, document, evaluation }, dowels!],
      }));
      return batchPlan({ ...job, setups }, 0.9)
        .shorten.map((s) => s.what)
        .join();
    };
    expect(told(24, 0.3)).toMatch(/Pocket: a drilled entry in place of a helix/);
    // A few tenths of a minute are not worth another tool.
    expect(told(6, 3)).not.toMatch(/drilled entry/);
  });
});
