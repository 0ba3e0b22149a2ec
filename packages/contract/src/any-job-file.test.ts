import { readFileSync } from 'node:fs';
import { evaluate, InputError } from '@burl/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changed, placesOf, type Tree } from '../test/tree.ts';
import { checkJobFile, operationsOf, parseJobFile } from './job-file.ts';
import { fileSource, requireContext } from './context.ts';

const text = readFileSync(
  new URL('../../../docs/examples/wellhead-bonnet.burl.json', import.meta.url),
  'utf8',
);
const whole = JSON.parse(text) as Tree;
const places = placesOf(whole);
const WILD = [
  null,
  undefined,
  '',
  'x',
  '__proto__',
  -1,
  0,
  1e308,
  true,
  [],
  {},
  [[]],
  { constructor: 1 },
] as const;

/** Read as it would be from disk: a file that was taken holds operations that are judged or refused by field. */
function expectTakenOrRefused(data: unknown): boolean {
  let file;
  try {
    file = checkJobFile(data);
  } catch (error) {
    expect(error).toBeInstanceOf(InputError);
    const { problems } = error as InputError;
    expect(problems.length).toBeGreaterThan(0);
    for (const p of problems) {
      expect(p.field.length).toBeGreaterThan(0);
      expect(p.allowed).not.toMatch(/undefined|\[object|NaN/);
    }
    return false;
  }
  for (const { operation } of operationsOf(file)) {
    try {
      expect(evaluate(operation, requireContext(operation, fileSource(file))).limits.length).toBeGreaterThan(
        10,
      );
    } catch (error) {
      expect(error).toBeInstanceOf(InputError);
    }
  }
  return true;
}

describe('a job file with anything in it', () => {
  it('is taken or refused by field; nothing else comes of it', { timeout: 60_000 }, () => {
    let taken = 0;
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.constantFrom(...WILD), (path, value) => {
        taken += Number(expectTakenOrRefused(changed(whole, path, value)));
      }),
      { numRuns: 200, seed: 41 },
    );
    // Some places may hold other things (a note, a name), most may not.
    expect(taken).toBeGreaterThan(5);
    expect(taken).toBeLessThan(100);
  });

  it('with two places changed at once names both', () => {
    const twice = changed(changed(whole, ['job', 'number'], 7), ['job', 'quantity'], 'many');
    try {
      checkJobFile(twice);
      expect.unreachable();
    } catch (error) {
      const fields = (error as InputError).problems.map((p) => p.field);
      expect(fields).toEqual(expect.arrayContaining(['job.number', 'job.quantity']));
    }
  });

  it('cut off anywhere is damaged, not misread', () => {
    for (let at = 0; at < text.trimEnd().length; at += Math.ceil(text.length / 60))
      expect(() => parseJobFile(text.slice(0, at))).toThrow(/damaged or something else/);
  });

  it.each([
    ['nothing', 'null'],
    ['a number', '7'],
    ['a list', '[]'],
    ['an empty thing', '{}'],
    ['another format', '{"format":"something","version":1}'],
  ])('that is %s is no job file', (_, content) => {
    expect(() => parseJobFile(content)).toThrow(/this is not a job file/);
  });

  it.each([0, -1, 1.5, '3', null, 99])('of version %s is refused', (version) => {
    expect(() => checkJobFile(changed(whole, ['version'], version))).toThrow(InputError);
  });
});
