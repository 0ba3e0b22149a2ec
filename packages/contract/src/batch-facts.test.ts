import { batchPlan, EMPTY_SETUP_PLAN, speak, usualHolding } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { wearPlates } from '../../core/fixtures/wear-plates.ts';
import { batchFacts } from './batch-facts.ts';
import { batchChecks, releaseChecks, sharedCautions, type ReleaseSnapshot } from './releases.ts';

const job = wearPlates();
const plan = batchPlan(job, 0.9);
const snapshot: ReleaseSnapshot = {
  job: {} as ReleaseSnapshot['job'],
  operations: job.setups.flatMap((s) =>
    s.operations.map((o) => ({
      operationId: o.id,
      setup: s.name,
      name: o.name,
      variant: 'A',
      document: o.document,
      context: o.context,
      evaluation: o.evaluation,
    })),
  ),
  setups: job.setups.map((s) => ({
    name: s.name,
    plan: s.plan,
    operationIds: s.operations.map((o) => o.id),
  })),
  batch: plan,
};

describe('what the sheet says of a batch', () => {
  const groups = new Map(
    batchFacts(snapshot).map((g) => [g.title, g.lines.map((l) => speak(l, 'metric')).join(' ')]),
  );

  it('names each setup with its holding, its heat and its load', () => {
    expect([...groups.keys()]).toEqual(['Slots', 'Back', 'Batch', 'First piece']);
    expect(groups.get('Slots')).toMatch(/4 parts a load; each tool cuts all of them/);
    expect(groups.get('Slots')).toMatch(/Held by adhesive: bonded area 1,440\smm²/);
    expect(groups.get('Slots')).toMatch(/part at \d+\s°C, lets go at 80\s°C/);
    expect(groups.get('Back')).toMatch(/locates on the slotted face/);
  });

  it('tells minutes, money with its currency, edges, the night and the first piece', () => {
    expect(groups.get('Batch')).toMatch(/33 blanks; [\d.]+ min a part, [\d.]+ h in all; [\d,.]+ EUR a part/);
    expect(groups.get('Batch')).toMatch(/× Flat end mill 2 mm/);
    expect(groups.get('Batch')).toMatch(/Slots alone: .* at 90%/);
    expect(groups.get('First piece')).toMatch(/^One piece goes through every setup first/);
  });

  it('says nothing of what was released before batches were planned', () => {
    const { batch: _, setups: __, ...old } = snapshot;
    expect(batchFacts(old)).toEqual([]);
    expect(releaseChecks(old).some((c) => c.kind === 'batch')).toBe(false);
  });
});

describe('what an approver ticks', () => {
  it('each open limit, the first piece and what may bow, each caution once, what is assumed last', () => {
    const checks = releaseChecks(snapshot);
    const open = snapshot.operations.flatMap((o) => o.evaluation.limits.filter((l) => l.state !== 'clear'));
    expect(checks.filter((c) => c.kind === 'limit')).toHaveLength(open.length);
    expect(checks.find((c) => c.id === 'batch first piece')!.text).toMatch(/^33 parts would go through/);
    const cautions = checks.filter((c) => c.kind === 'caution').map((c) => c.text);
    expect(new Set(cautions).size).toBe(cautions.length);
    expect(checks.at(-1)!.id).toBe('assumptions');
    expect(new Set(checks.map((c) => c.id)).size).toBe(checks.length);
  });

  it('a holding that is not clear has to be seen, a clear one not', () => {
    const tight = {
      ...plan,
      holdings: plan.holdings.map((h) => ({
        ...h,
        worst: h.worst && { ...h.worst, state: 'over' as const },
      })),
    };
    expect(batchChecks(tight).filter((c) => c.id.startsWith('batch holding'))).toHaveLength(2);
    const firm = {
      ...job,
      setups: job.setups.map((s) => ({ ...s, plan: { ...EMPTY_SETUP_PLAN, holding: usualHolding('vice') } })),
    };
    expect(batchChecks(batchPlan(firm, 0.9)).filter((c) => c.id.startsWith('batch holding'))).toEqual([]);
  });

  it('cautions every operation carries are told once; one operation shares with nobody', () => {
    const shared = sharedCautions(snapshot);
    expect(shared.length).toBeGreaterThan(0);
    for (const o of snapshot.operations)
      expect(o.evaluation.cautions).toEqual(expect.arrayContaining([...shared]));
    expect(sharedCautions({ operations: snapshot.operations.slice(0, 1) })).toEqual([]);
  });
});
