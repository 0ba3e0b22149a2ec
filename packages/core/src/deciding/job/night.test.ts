import { describe, expect, it } from 'vitest';
import { jobMinutes } from './job-minutes.ts';
import { nightReport } from './night.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';

describe('alone at night', () => {
  const minutes = jobMinutes(ordinaryJob());
  const [setup] = ordinaryJob().setups;
  it('the surer one wants to be, the shorter the stretch', () => {
    const parts = [0.5, 0.8, 0.95].map((c) => nightReport(setup!, minutes, undefined, c)!.safe?.parts ?? 0);
    expect(parts).toEqual([...parts].sort((a, b) => b - a));
    expect(parts[0]).toBeGreaterThan(0);
  });

  it('an empty shelf ends it, and says so', () => {
    const bare = {
      ...setup!,
      operations: setup!.operations.map((o) => ({ ...o, document: { ...o.document, edgesOnShelf: 0 } })),
    };
    const report = nightReport(bare, minutes, undefined, 0.5)!;
    expect(report.safe).toBeNull();
    expect(report.endedBy).toMatch(/^edges of .* run out$/);
  });
});
