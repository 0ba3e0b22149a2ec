import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { contextOf, SHIPPED } from '../../fixtures/crib.ts';
import { operationOf, type PracticeSet } from '../../practice/operation-of.ts';
import type { OperationContext } from '../operations/context.ts';
import type { MillingOperation } from '../operations/milling/milling-operation.ts';
import { limitDepth, type PeriodicLimit } from '../physics/dynamics/periodic/limit-depth.ts';
import { FINE } from '../physics/dynamics/periodic/resolution.ts';
import { problemsOf } from './check-operation.ts';
import { borderAsked } from './periodic-verdict.ts';
import { kindOf } from './registry.ts';

const set = JSON.parse(
  readFileSync(new URL('../../practice/everyday.json', import.meta.url), 'utf8'),
) as PracticeSet;

/** Milling cuts of the floor. */
const cuts = set.cuts.flatMap((cut): [string, MillingOperation, OperationContext][] => {
  const cutter = SHIPPED.cutters.find((c) => c.id === cut.cutter)!;
  const op = operationOf(cut, cutter.properties.DC!);
  const context = contextOf(op, 1);
  const milled = kindOf(op).turning(op);
  return milled && problemsOf(op, context).length === 0 ? [[cut.id, milled, context]] : [];
});

/** The border as the verdict asks for it, or with every mode followed finely, from well below on. */
function borderOf(
  op: MillingOperation,
  context: OperationContext,
  whole: boolean,
): PeriodicLimit & { most: number } {
  const { stability, felt, rpm, wish } = borderAsked(op, context);
  const how = whole ? { mostMm: wish.mostMm, tolerance: 0.002, levels: [FINE] } : wish;
  return { ...limitDepth(stability.cut, felt, rpm, how), most: wish.mostMm };
}

describe('border asked for at rest', () => {
  it.each(cuts.filter((_, i) => i % 4 === 1))(
    '%s: within two per cent of every mode followed finely, and heard the same',
    (_, op, context) => {
      const quick = borderOf(op, context, false);
      const whole = borderOf(op, context, true);
      const depth = (b: typeof quick): number => b.depthMm ?? b.most;
      expect(depth(quick) / depth(whole)).toBeGreaterThan(0.98);
      expect(depth(quick) / depth(whole)).toBeLessThan(1.02);
      if (whole.hz !== null) expect(quick.hz! / whole.hz).toBeCloseTo(1, 1);
    },
    60_000,
  );

  it('a soft mode beyond what is followed at first does not show as chatter', () => {
    const [, op, context] = cuts.find(([id]) => id === 'd2-micro-slot')!;
    const quick = borderOf(op, context, false);
    expect(quick.depthMm! / borderOf(op, context, true).depthMm!).toBeCloseTo(1, 1);
    expect(quick.hz).toBeGreaterThan(400);
  });
});
