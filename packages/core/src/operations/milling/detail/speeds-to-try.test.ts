import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import { fastestOfEdge, millingState } from '../milling-state.ts';
import { speedsToTry } from './speeds-to-try.ts';

describe('speeds to try for a heard frequency', () => {
  const context = contextOf(SEAL_POCKET);
  const op = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, radialEngagementMm: 6 } };
  const { cutter, machine } = context;

  it('stay inside machine, rating and edge, best metal first, and each puts the teeth just under the heard one', () => {
    const hz = 700;
    const found = speedsToTry(hz, op, context);
    expect(found.length).toBeGreaterThan(1);
    const deepest = Math.min(cutter.properties.APMX!, op.tooling.stickOutMm);
    const metal = found.map((s) => s.rpm * Math.min(s.depthMm ?? deepest, deepest));
    expect(metal).toEqual([...metal].sort((a, b) => b - a));
    for (const { rpm, depthMm } of found) {
      expect(rpm).toBeLessThanOrEqual(
        Math.min(machine.max_rpm, fastestOfEdge(millingState(op, context)) + 1),
      );
      const k = (60 * hz) / (cutter.properties.NOF! * rpm);
      expect(Math.abs(k - Math.round(k)) / k).toBeLessThan(0.03);
      // The lobes' own border.
      expect(depthMm).toBe(millingState(op, context).stability.borderAt(rpm).depthMm);
    }
  });

  it('are none where the machine turns no such speed', () => {
    expect(speedsToTry(700, op, { ...context, machine: { ...machine, max_rpm: 5 } })).toEqual([]);
  });
});
