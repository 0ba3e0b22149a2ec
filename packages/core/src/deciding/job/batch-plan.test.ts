import { describe, expect, it } from 'vitest';
import { DOWEL_HOLE } from '../../../fixtures/crib.ts';
import { batchTools } from './batch-plan.ts';
import { plannedEdge } from './planned-edge.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

describe('edges against the shelf', () => {
  it('a drill that is looked at after every part is not thrown away with it', () => {
    const [, dowels] = ordinaryJob().setups[0]!.operations;
    const looked = { ...dowels!, document: { ...DOWEL_HOLE, featuresPerPart: 6, featuresPerEdge: 6 } };
    const lasts = dowels!.evaluation.featuresPerEdge!.value;
    expect(lasts).toBeGreaterThan(60);
    expect(plannedEdge(looked).perPart).toBeLessThan(0.2);
    // What somebody states is what is planned with.
    expect(
      plannedEdge({ ...looked, document: { ...looked.document, featuresPerEdge: 12 } }).perPart,
    ).toBeCloseTo(0.5, 3);
  });

  it('a cutter used twice is counted once, and the part is named at which it runs out', () => {
    const job = ordinaryJob();
    const tools = batchTools(
      {
        ...job,
        setups: job.setups.map((s) => ({
          ...s,
          operations: s.operations.map((o) => ({ ...o, document: { ...o.document, edgesOnShelf: 1 } })),
        })),
      },
      500,
    );
    expect(tools).toHaveLength(2);
    for (const t of tools) {
      expect(t.edges).toBeGreaterThan(1);
      expect(t.shortFromPart).toBeGreaterThan(0);
      expect(t.shortFromPart).toBeLessThan(500);
    }
  });
});
