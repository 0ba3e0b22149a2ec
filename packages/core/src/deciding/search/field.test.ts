import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET } from '../../../fixtures/crib.ts';
import { seededUniform } from '../../numerics/random.ts';
import { Field, scoreOf } from './field.ts';
import type { FreeParameter } from '../../operations/milling/milling-movables.ts';

const FREE: readonly FreeParameter[] = ['n', 'fz', 'ap', 'ae'];
/** No land that damps: stability decides more often. */
const SHARP = {
  ...LOCK_POCKET,
  flankWearMm: 0,
  workholding: { ...LOCK_POCKET.workholding, capacityN: 12000 },
};
/** A tip somebody tapped: the stability limit counts, and is the dearest of all. */
const TAPPED = {
  machineSerial: 'A5-1',
  machineId: LOCK_POCKET.machineId,
  holderId: LOCK_POCKET.tooling.holderId,
  cutterId: LOCK_POCKET.tooling.cutterId,
  stickOutMm: LOCK_POCKET.tooling.stickOutMm,
  source: 'measured' as const,
  structure: {
    x: [{ hz: 1400, damping: 0.03, stiffness: 1e6 }],
    y: [{ hz: 1330, damping: 0.028, stiffness: 1e6 }],
  },
  measuredOn: '2026-05-04',
};
const fresh = (): Field =>
  new Field(
    SHARP,
    { ...contextOf(SHARP), resonance: { serial: null, tips: [TAPPED], observations: [] } },
    { free: FREE, objective: 'cost', confidence: 0.9 },
  );
const uniform = seededUniform(5);
const PLACES = Array.from({ length: 60 }, () => FREE.map(() => 0.15 + 0.6 * uniform()));

describe('cuts judged as far as is needed', () => {
  const whole = fresh();
  const all = PLACES.map((x) => whole.judge(whole.at(x), x));

  it('the best of many are those one finds by judging every one in full', () => {
    const field = fresh();
    const best = field.bestOf(PLACES, 7);
    const expected = [...all].sort((a, b) => scoreOf(a) - scoreOf(b)).slice(0, 7);
    expect(best.map((t) => t.x)).toEqual(expected.map((t) => t.x));
    expect(best.map((t) => t.breach)).toEqual(expected.map((t) => t.breach));
    expect(field.best?.x).toEqual(whole.best?.x);
    expect(field.evaluations).toBe(PLACES.length);
  });

  it('some hold, some breach only what is judged last', () => {
    expect(all.some((t) => t.breach === 0)).toBe(true);
    const last = (t: (typeof all)[number]): boolean =>
      t.shares.filter((s) => s.forbids).every((s) => s.id === 'limit-depth') && t.breach > 0;
    expect(all.some(last)).toBe(true);
  });

  it('one is better only when it holds every limit and is worth more', () => {
    const field = fresh();
    for (const t of all) {
      expect(field.better(t.op, 0, t.x)?.worth ?? null).toBe(t.breach === 0 ? t.worth : null);
      expect(field.better(t.op, t.worth, t.x)).toBeNull();
    }
  });
});
