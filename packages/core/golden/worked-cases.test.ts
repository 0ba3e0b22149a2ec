import { describe, expect, it } from 'vitest';
import { answersTo } from './answers/index.ts';
import { casesOf, compareAll, disagreements, goldenCases } from './compare.ts';

/**
 * Values that nobody answers: multipliers of first-order semi-discretisation for unequal pitch, whose delays are no whole
 * number of the stated steps and whose rounding the file does not state. The converged multipliers are answered.
 */
const NOT_ANSWERED = new Set(['sdm-varpitch-1 sdm1_mu_at_m', 'sdm-varpitch-2 sdm1_mu_at_m']);

describe('worked cases of an independent implementation', () => {
  const more = ['./programs.json', './turning.json'].flatMap((file) => casesOf(new URL(file, import.meta.url)));
  it.each([...casesOf(), ...more].map((c) => [c.id, c] as const))('%s: every expected value', (id, c) => {
    const { disagreements: bad } = compareAll(c, answersTo(c));
    expect(bad.filter((d) => !NOT_ANSWERED.has(`${id} ${d.split(/[[:]/)[0]}`))).toEqual([]);
  });
});

describe('the comparison', () => {
  const [c] = goldenCases('kin-speed');
  const right = answersTo(c!)!;

  it('sees a wrong value, a missing one and one of another length', () => {
    expect(compareAll(c!, right).disagreements).toEqual([]);
    expect(compareAll(c!, { ...right, n_rpm: 1.001 * Number(right['n_rpm']) }).disagreements).toHaveLength(1);
    expect(compareAll(c!, { n_rpm: right['n_rpm']! }).disagreements).toHaveLength(2);
    expect(compareAll(c!, null).agreed).toBe(0);
    expect(disagreements(c!, { n_rpm: [1, 2] })[0]).toContain('2 values, expected 1');
  });

  it('holds null for no finite limit and nothing else', () => {
    const of = goldenCases('pd-turning')[0]!;
    const got = answersTo(of)!;
    expect(compareAll(of, got).disagreements).toEqual([]);
    const finite = { ...got, b_limit_pd_mm: [1e9, ...(got['b_limit_pd_mm'] as number[]).slice(1)] };
    expect(compareAll(of, finite).disagreements).toHaveLength(1);
  });
});
