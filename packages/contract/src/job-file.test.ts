import { readFileSync } from 'node:fs';
import { EMPTY_JOB_PLAN, evaluate, InputError, PLAIN_DEMAND, usualHolding } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { type JobFile, operationsOf, checkJobFile, parseJobFile } from './job-file.ts';
import { fileSource, requireContext } from './context.ts';

const text = readFileSync(
  new URL('../../../docs/examples/wellhead-bonnet.burl.json', import.meta.url),
  'utf8',
);
const changed = (change: (file: JobFile & Record<string, never>) => void): string => {
  const file = JSON.parse(text) as JobFile & Record<string, never>;
  change(file);
  return JSON.stringify(file);
};
const reason = (damaged: string): string => {
  try {
    parseJobFile(damaged);
    return 'accepted';
  } catch (error) {
    expect(error).toBeInstanceOf(InputError);
    return (error as Error).message;
  }
};
type Loose = { -readonly [K in keyof JobFile]: never } & {
  job: Record<string, unknown>;
  setups: Record<string, unknown>[];
};
const loosely = (change: (file: Loose) => void): string => changed((f) => change(f as unknown as Loose));

describe('job file', () => {
  it('is read whole, and carries all that judging it needs', () => {
    const file = parseJobFile(text);
    expect(operationsOf(file)).toHaveLength(5);
    for (const { operation } of operationsOf(file)) {
      expect(evaluate(operation, requireContext(operation, fileSource(file))).limits.length).toBeGreaterThan(
        15,
      );
    }
  });

  it('keeps everything when written and read again', () => {
    expect(parseJobFile(JSON.stringify(parseJobFile(text)))).toEqual(JSON.parse(text));
  });

  it.each([
    ['cut off in the middle', text.slice(0, 900), /damaged or something else/],
    ['empty', '', /damaged or something else/],
    ['null', 'null', /not a job file/],
    ['of another format', loosely((f) => Object.assign(f, { format: 'recipe' })), /format is "recipe"/],
    ['newer', loosely((f) => Object.assign(f, { version: 7 })), /version is 7; allowed: 5 or lower/],
    ['with a word for a number', loosely((f) => Object.assign(f.job, { quantity: 'many' })), /job\.quantity/],
    ['with a field nobody knows', loosely((f) => Object.assign(f.job, { colour: 'red' })), /colour/],
    ['without a number', loosely((f) => Object.assign(f.job, { number: '' })), /job\.number/],
  ])('%s is refused with the reason', (_what, damaged, wanted) => {
    expect(reason(damaged)).toMatch(wanted);
  });

  it('of version 4 says nothing of part, blank and holding: nothing is stated', () => {
    const file = JSON.parse(text) as Loose;
    delete file.job['plan'];
    for (const s of file.setups as unknown as Record<string, unknown>[]) delete s['plan'];
    const read = checkJobFile({ ...file, version: 4 });
    expect(read.job.plan).toEqual(EMPTY_JOB_PLAN);
    expect(read.setups.every((s) => s.plan.holding === null && s.plan.partsPerLoad === 1)).toBe(true);
  });

  it.each([
    [
      'a blank that cannot be',
      (f: Loose) => Object.assign(f.job['plan'] as object, { stock: { top: -1 } }),
      /stock\.top/,
    ],
    [
      'a bond stronger than any',
      (f: Loose) =>
        Object.assign(f.setups[0]!['plan'] as object, {
          holding: { kind: 'adhesive', values: { ...usualHolding('adhesive').values, strengthMPa: 900 } },
        }),
      /setups\[0\]\.plan\.holding\.strengthMPa/,
    ],
    [
      'no part in a load',
      (f: Loose) => Object.assign(f.setups[0]!['plan'] as object, { partsPerLoad: 0 }),
      /partsPerLoad/,
    ],
  ])('%s is refused by its field', (_what, change, wanted) => {
    expect(reason(loosely(change))).toMatch(wanted);
  });

  /** The same file as version 2 wrote it: no kinds of holes, holes only drilled. */
  const asVersion2 = (): Record<string, unknown> => {
    const file = JSON.parse(text) as Record<string, unknown>;
    const gone = ['hole', 'step', 'role', 'followedByDeg', 'breakthroughFeed', 'partWorth', 'hoursLost'];
    const strip = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(strip);
      if (typeof value !== 'object' || value === null) return value;
      const ofHole = 'betweenMm' in value;
      const kept = Object.entries(value).filter(([key, v]) =>
        ofHole
          ? ['diameterMm', 'depthMm', 'through', 'entryAngleDeg', 'piloted'].includes(key)
          : !gone.includes(key) || (key === 'hole' && typeof v === 'object' && v !== null),
      );
      return Object.fromEntries(kept.map(([key, v]) => [key, strip(v)]));
    };
    const { holes: _, ...rest } = { ...file, version: 2, setups: strip(file['setups']) } as Record<
      string,
      unknown
    >;
    return rest;
  };

  /** What an older file did not say: a drill that is not slowed where it breaks through. */
  const notSlowed = parseJobFile(text.replace(/"breakthroughFeed": [\d.]+/g, '"breakthroughFeed": 1'));

  it('of version 2 is read too: a hole was drilled, and nothing else was said of it', () => {
    expect(checkJobFile(asVersion2())).toEqual(notSlowed);
  });

  it('of version 3 is read too: part value and hours lost were not stated', () => {
    const older = JSON.parse(text.replace(/,\s*"(partWorth|hoursLost)": null/g, '')) as Record<
      string,
      unknown
    >;
    expect(JSON.stringify(older)).not.toContain('hoursLost');
    expect(checkJobFile({ ...older, version: 3 })).toEqual(parseJobFile(text));
  });

  it('refuses a kind of hole that cannot be, by its field', () => {
    const file = JSON.parse(text) as Record<string, unknown>;
    const demand = { ...PLAIN_DEMAND, depthMm: -2 };
    expect(reason(JSON.stringify({ ...file, holes: [{ demand, chosen: null, changes: {} }] }))).toMatch(
      /^holes\[0\]\.demand\.depthMm is -2/,
    );
  });

  it('of version 1 is read too: what it did not say is not stated', () => {
    const old = asVersion2();
    old['version'] = 1;
    const later = [
      'economics',
      'path',
      'island',
      'stockMm',
      'through',
      'slopeDeg',
      'raUm',
      'scallopMm',
      'liftCapacityN',
      'releaseC',
    ];
    const strip = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(strip);
      if (typeof value !== 'object' || value === null) return value;
      // A hole always said whether it goes through.
      const kept = Object.entries(value).filter(([key]) => !later.includes(key) || 'diameterMm' in value);
      return Object.fromEntries(kept.map(([key, v]) => [key, strip(v)]));
    };
    old['setups'] = strip(old['setups']);
    const file = checkJobFile(old);
    expect(file).toEqual(notSlowed);
    expect(reason(JSON.stringify({ ...old, setups: 'none' }))).toMatch(/setups/);
  });

  it('names the operation whose cutter the file does not carry', () => {
    const lacking = changed((f) => Object.assign(f.crib, { cutters: f.crib.cutters.slice(1) }));
    expect(reason(lacking)).toMatch(
      /^setups\[\d\]\.operations\[\d\]\.variants\[0\]\.tooling\.cutterId is ".*"; allowed: an entry of the crib/,
    );
  });

  it('wants the chosen variant to be there', () => {
    const wrong = changed((f) => Object.assign(f.setups[0]!.operations[0]!, { selected: 'D' }));
    expect(reason(wrong)).toMatch(/selected is "D"; allowed: A/);
  });
});
