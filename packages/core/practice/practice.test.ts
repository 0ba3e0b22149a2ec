import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { judgeSet, lineOf, type PracticeJudgement, scoreLine, scoreOf } from './judge.ts';
import type { PracticeSet } from './operation-of.ts';

const setOf = (name: string): PracticeSet =>
  JSON.parse(readFileSync(new URL(`./${name}.json`, import.meta.url), 'utf8')) as PracticeSet;
const [everyday, own, light] = [setOf('everyday'), setOf('own-knowledge'), setOf('light-cuts')];
const lathe = setOf('turning');
const linesOf = (found: readonly PracticeJudgement[], which: 'falseAlarm' | 'missed'): string[] =>
  found.filter((f) => f[which]).map(lineOf);

describe('cuts that run every day, cuts that fail', () => {
  it(
    'at rest: at most one false alarm, no failure missed, something said of 28 of 33',
    { timeout: 240_000 },
    () => {
      const found = judgeSet(everyday);
      const score = scoreOf(found);
      expect(linesOf(found, 'missed')).toEqual([]);
      expect(score.falseAlarms, linesOf(found, 'falseAlarm').join('\n')).toBeLessThanOrEqual(1);
      expect(score.usable).toBeGreaterThanOrEqual(28);
      expect([score.daily, score.failing]).toEqual([33, 17]);
    },
  );

  it.each([
    [0, false],
    [0.1, true],
    [0.15, false],
  ])(
    'with a land worn by %s mm, moving %s: the verdict does not hang on that guess',
    { timeout: 240_000 },
    (flankWearMm, moving) => {
      const found = judgeSet(everyday, { flankWearMm, moving });
      expect(linesOf(found, 'missed')).toEqual([]);
      expect(scoreOf(found).falseAlarms, linesOf(found, 'falseAlarm').join('\n')).toBeLessThanOrEqual(2);
    },
  );

  it('other alloys, sizes, machines and steps of holes', () => {
    const found = judgeSet(own, { flankWearMm: 0.1, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(score.falseAlarms, linesOf(found, 'falseAlarm').join('\n')).toBeLessThanOrEqual(1);
    expect(score.usable / score.daily).toBeGreaterThan(0.85);
    expect(score.daily + score.failing).toBeGreaterThanOrEqual(50);
  });

  it.each([0.25, 0.5])('a skim of %s mm in any slot that runs is clear of chatter', (axialDepthMm) => {
    const slots = [...everyday.cuts, ...own.cuts].filter(
      (c) => c.runs && 'feature' in c && c.feature === 'slot',
    );
    const skims = slots.map((c) => ({ ...c, axialDepthMm }) as (typeof slots)[number]);
    const found = judgeSet({ ...everyday, judged: ['limit-depth'], cuts: skims });
    const wild = found.flatMap((f) =>
      f.limits.filter((l) => l.state !== 'clear').map((l) => `${f.cut.id} ${l.state}`),
    );
    expect(wild).toEqual([]);
    expect(found.filter((f) => f.limits.length > 0).length).toBeGreaterThan(6);
  });

  it.each([0, 0.1, 0.15])('turning on a two-axis lathe, with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(lathe, { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([32, 32, 16]);
  });

  it.each([0, 0.1, 0.15])('grooves, parting and threads, with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(setOf('grooves-and-threads'), { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([26, 26, 14]);
  });

  it.each([0, 0.1, 0.15])('faces, finished, and ways in, with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(setOf('facing-and-entries'), { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([20, 20, 10]);
  });

  it.each([0, 0.1])('walls, floors and ribs, finished, with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(setOf('finishing'), { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([10, 10, 5]);
  });

  it.each([0, 0.05, 0.1])('curved surfaces with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(setOf('surfaces'), { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([7, 7, 5]);
  });

  it.each([0, 0.1, 0.15])('edges, engraving, undercuts and rings, with a land of %s mm', (flankWearMm) => {
    const found = judgeSet(setOf('edges-and-grooves'), { flankWearMm, moving: true });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect([score.daily, score.usable, score.failing]).toEqual([20, 20, 17]);
  });

  it.each([
    [0, false],
    [0.15, true],
  ])('polymers and light metals on small machines, with a land of %s mm', (flankWearMm, moving) => {
    const found = judgeSet(light, { flankWearMm, moving });
    const score = scoreOf(found);
    expect(linesOf(found, 'missed')).toEqual([]);
    expect(linesOf(found, 'falseAlarm')).toEqual([]);
    expect(score.usable).toBeGreaterThanOrEqual(score.daily - 3);
    expect([score.daily, score.failing]).toEqual([22, 6]);
  });

  it('every cut of our own says why', () => {
    for (const c of [...own.cuts, ...light.cuts]) expect([c.id, c.why.length > 12]).toEqual([c.id, true]);
    for (const { cuts } of [own, light]) expect(new Set(cuts.map((c) => c.id)).size).toBe(cuts.length);
  });
});

describe('the judge', () => {
  const [daily] = everyday.cuts;

  it('counts a limit by its id or what it begins', () => {
    const blind = judgeSet({ judged: ['rated-speed'], cuts: [daily!] })[0]!;
    expect(blind.limits.map((l) => l.id)).toEqual(['rated-speed']);
    const feed = everyday.cuts.find((c) => c.kind === 'drilling')!;
    expect(judgeSet({ judged: ['drill-feed'], cuts: [feed] })[0]!.limits.map((l) => l.id)).toEqual([
      'drill-feed-low',
      'drill-feed-high',
    ]);
  });

  it('a daily cut that is refused is an alarm; one known to fail is caught by its own limits only', () => {
    const impossible = { ...daily!, stickOutMm: -1 };
    expect(judgeSet({ judged: everyday.judged, cuts: [impossible] })[0]!.falseAlarm).toBe(true);
    const fails = everyday.cuts.find((c) => c.id === 'face80-too-fast')!;
    const wrong = { ...fails, expectOver: ['chip-space'] };
    expect(judgeSet({ judged: everyday.judged, cuts: [wrong] })[0]!.missed).toBe(true);
  });

  it('says the score in one line', () => {
    expect(scoreLine({ daily: 33, failing: 17, falseAlarms: 1, missed: 0, usable: 30 })).toBe(
      'SCORE false alarms 1/33, missed failures 0/17, clear or tight 30/33',
    );
  });
});
