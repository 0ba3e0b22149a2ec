import { type AnyObjectSchema, number, object, ValidationError } from 'yup';
import { describe, expect, it } from 'vitest';
import { testCutSchema } from './chatter.ts';
import { problemsFromYup } from './problems-from-yup.ts';

const CUT = {
  alloyId: '718-aged',
  heard: 'stable',
  rpm: 2400,
  overridePercent: 100,
  axialDepthMm: 3,
  radialEngagementMm: 6,
  feedPerToothMm: 0.1,
  direction: 'climb',
  hz: null,
  note: '',
};

/** What an input is told, field by field. */
function toldBy(schema: AnyObjectSchema, input: Record<string, unknown>): Record<string, string> {
  try {
    schema.validateSync(input, { abortEarly: false });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return Object.fromEntries(problemsFromYup(error).problems.map((p) => [p.field, p.allowed]));
  }
  return {};
}
const told = (change: Record<string, unknown>): Record<string, string> =>
  toldBy(testCutSchema, { ...CUT, ...change });

describe('what is allowed, in words', () => {
  it('is the bound, without the name of the field', () => {
    expect(told({})).toEqual({});
    expect(told({ axialDepthMm: 500 })).toEqual({ axialDepthMm: '0.001 to 300 mm' });
    expect(told({ rpm: -5 })).toEqual({ rpm: '1 to 200000 rpm' });
    expect(toldBy(object({ parts: number().positive() }), { parts: -5 })).toEqual({ parts: 'above 0' });
    expect(toldBy(object({ hits: number().min(10) }), { hits: 5 })).toEqual({ hits: '10 or more' });
    expect(told({ hz: 25_000, heard: 'loud' })).toEqual({
      hz: 'up to 20000',
      heard: 'one of stable, marginal, chatter',
    });
    expect(told({ note: 'x'.repeat(3000) })).toEqual({ note: 'at most 2000 characters' });
  });

  it('says a kind of thing where that is wrong, and never the key of the field', () => {
    const said = told({ rpm: 'fast', note: 7, direction: null });
    for (const [field, allowed] of Object.entries(said)) expect(allowed).not.toContain(`${field} must`);
    expect(said['rpm']).toBe('a number');
  });
});
