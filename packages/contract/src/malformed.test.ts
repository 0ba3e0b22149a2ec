import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { malformed, overlong } from './malformed.ts';

const many = (n: number): unknown => ({ a: Array.from({ length: n }, () => 0) });

describe('what holds more than it may', () => {
  it.each([
    ['a long list', many(5010), 'more than 5000 values'],
    ['many keys', Object.fromEntries(Array.from({ length: 5002 }, (_, i) => [`k${i}`, i])), 'more than 5000'],
    ['many lists', { a: Array.from({ length: 3000 }, () => [1, 2]) }, 'more than 5000'],
    ['a deep one', JSON.parse('['.repeat(30) + ']'.repeat(30)), 'more than 24 levels'],
  ])('%s is told from its text and from its values', (_, value, says) => {
    expect(overlong(JSON.stringify(value))?.value).toContain(says);
    expect(malformed(value)?.value).toContain(says);
  });

  it('is as much as its route takes, and no more', () => {
    expect(overlong(JSON.stringify(many(80_000)), 81_000)).toBeNull();
    expect(malformed(many(80_000), 81_000)).toBeNull();
    expect(overlong(JSON.stringify(many(80_000)), 79_000)).not.toBeNull();
  });

  it('counts nothing inside words', () => {
    expect(overlong(JSON.stringify({ notes: ',[{"\\'.repeat(9000) }))).toBeNull();
    // Words without an end are the reader's business.
    expect(overlong('"\\'.repeat(9000))).toBeNull();
  });

  it('of anything JSON can say: what the values allow the text allows too', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), fc.integer({ min: 1, max: 40 }), (value, most) => {
        if (malformed(value, most) === null) expect(overlong(JSON.stringify(value), most)).toBeNull();
      }),
    );
  });
});

describe('characters that are none', () => {
  it.each([
    [{ a: 'x\0' }, 'a'],
    [{ a: ['fine', { b: '\ud800' }] }, 'a[1].b'],
    [{ 'a\0': 1 }, 'body'],
  ])('%j is named where it stands', (value, field) => {
    // A number under a strange name is nobody's field: its schema refuses it.
    const found = malformed(value);
    if (field === 'body') expect(malformed({ 'a\0': 'x' })?.field).toBe('body');
    else expect(found?.field).toBe(field);
  });
});
