import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET, SHIPPED } from '../../fixtures/crib.ts';
import { contextWith } from '../deciding/choosing/rank-cutters.ts';
import { otherCutters } from '../deciding/remedies/other-cutters.ts';
import { evaluate, limitOf } from '../evaluation/evaluate.ts';
import { costBasis } from './cost.ts';

const context = contextOf(LOCK_POCKET, 40);
const counted = (edges: number, edgePrice: number | null = null) => ({
  ...context,
  shelf: { edges, edgePrice },
});

describe('what lies on the shelf', () => {
  it('is what a batch is held against where the operation sets nothing aside', () => {
    const of = (op: typeof LOCK_POCKET, at = counted(0)) => limitOf(evaluate(op, at), 'edges-on-shelf');
    expect(evaluate(LOCK_POCKET, context).limits.some((l) => l.id === 'edges-on-shelf')).toBe(false);
    expect(of(LOCK_POCKET)?.state).toBe('over');
    expect(of(LOCK_POCKET, counted(500))?.state).toBe('clear');
    // What is set aside for the operation is its own.
    expect(of({ ...LOCK_POCKET, edgesOnShelf: 500 })?.state).toBe('clear');
  });

  it('prices an edge: the operation first, then the shelf, then the record, then the diameter', () => {
    const price = (op: typeof LOCK_POCKET, at = context) => costBasis(op, at).edgePrice;
    const stated = { ...LOCK_POCKET, economics: { ...LOCK_POCKET.economics, edgePrice: 11 } };
    expect(price(stated, counted(1, 22))).toBe(11);
    expect(price(LOCK_POCKET, counted(1, 22))).toBe(22);
    const cutter = { ...context.cutter, extended: { ...context.cutter.extended, price: 33 } };
    expect(price(LOCK_POCKET, { ...counted(1), cutter })).toBe(33);
    expect(price(LOCK_POCKET, counted(1))).toBeCloseTo(4 * 12 ** 1.2, 6);
  });

  it('is another one with another cutter', () => {
    const offer = { ...SHIPPED, shelves: { 'em-bull-16-z5-re2-ti': { edges: 3, edgePrice: 130 } } };
    const other = SHIPPED.cutters.find((c) => c.id === 'em-bull-16-z5-re2-ti')!;
    expect(contextWith(LOCK_POCKET, counted(7), other, offer)?.shelf).toEqual({ edges: 3, edgePrice: 130 });
    const uncounted = SHIPPED.cutters.find((c) => c.id === 'em-bull-12-z4-re1-var')!;
    expect(contextWith(LOCK_POCKET, counted(7), uncounted, offer)?.shelf).toBeUndefined();
    const others = otherCutters(LOCK_POCKET, counted(7), offer);
    expect(others.length).toBeGreaterThan(1);
    for (const o of others) expect(o.context.shelf).toBeUndefined();
    // Of many corner radii and reaches one of each count of teeth is tried.
    const teeth = others.map((o) => `${o.context.cutter.properties.ZEFP}/${o.context.cutter.extended.pitch}`);
    expect(new Set(teeth).size).toBe(teeth.length);
  });
});
