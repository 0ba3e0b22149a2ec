import { readFileSync } from 'node:fs';
import type { Operation } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { operationsOf, parseJobFile } from './job-file.ts';
import { operationSchema } from './operation-schema.ts';
import { decisionSchema } from './releases.ts';

const file = parseJobFile(
  readFileSync(new URL('../../../docs/examples/wellhead-bonnet.burl.json', import.meta.url), 'utf8'),
);
const all = operationsOf(file).map((o) => o.operation);
const milling = all.find((o) => o.kind === 'milling')!;
const drilling = all.find((o) => o.kind === 'drilling')!;
const ok = (op: unknown): boolean => operationSchema.isValidSync(op, { strict: true });

describe('shape of an operation', () => {
  it('takes both kinds as they are', () => {
    for (const op of all) expect(operationSchema.validateSync(op, { strict: true })).toEqual(op);
  });

  it.each<[string, (op: Operation) => unknown]>([
    ['text for a number', (op) => ({ ...op, cut: { ...op.cut, speedRpm: '900' } })],
    ['not a number', (op) => ({ ...op, flankWearMm: NaN })],
    ['a missing part', ({ tooling: _, ...rest }) => rest],
    ['an unknown field', (op) => ({ ...op, tooling: { ...op.tooling, colour: 'red' } })],
    ['an unknown coolant', (op) => ({ ...op, coolant: 'tea' })],
    ['a broken count', (op) => ({ ...op, featuresPerEdge: 1.5 })],
    ['another kind', (op) => ({ ...op, kind: 'knitting' })],
    ['nothing', () => null],
  ])('refuses %s', (_what, damage) => {
    expect(ok(damage(milling))).toBe(false);
    expect(ok(damage(drilling))).toBe(false);
  });

  it('takes plan, none or a length as pecks', () => {
    const withPeck = (peck: unknown): boolean => ok({ ...drilling, cut: { ...drilling.cut, peck } });
    expect([withPeck('plan'), withPeck('none'), withPeck(4)]).toEqual([true, true, true]);
    expect([withPeck('often'), withPeck(NaN), withPeck(null)]).toEqual([false, false, false]);
  });
});

describe('decision', () => {
  it('wants a reason to return and none to release', () => {
    const valid = (decision: string, reason: string): boolean =>
      decisionSchema.isValidSync({ decision, reason, checks: [] });
    expect([
      valid('release', ''),
      valid('return', ''),
      valid('return', 'no runout'),
      valid('burn', 'x'),
    ]).toEqual([true, false, true, false]);
  });
});
