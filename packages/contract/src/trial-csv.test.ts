import { describe, expect, it } from 'vitest';
import { readTrialCsv, trialCsvHead, trialCsvLines } from './trial-csv.ts';
import type { Trial } from './trials.ts';

const TRIAL = {
  id: '11111111-2222-4333-8444-555555555555',
  at: '2026-11-20T09:30:00.000Z',
  jobNumber: 'TT-0412',
  operation: 'Rough, "lock" pocket',
  kind: 'milling',
  alloyId: 'ti-6al-4v-sta',
  heatLot: 'T-0883',
  machineId: 'axis5-24k',
  machineSerial: 'A5-0117',
  cutterId: 'em-bull-12-z5-re0.5-var',
  edgeFamily: 'end_mill_bull/wc/altin',
  edge: 2,
  speedRpm: 1700,
  cuttingSpeedMMin: 64.09,
  feedPerEdgeMm: 0.111,
  depthMm: 6,
  widthMm: 0.8,
  features: 3,
  minutes: 44.7,
  ending: 'worn',
  brokeAt: null,
  wearMm: 0.31,
  raUm: 1.4,
  rzUm: null,
  sizeErrorMm: -0.012,
  expectedRaUm: 1.237891,
  loadPercent: 8,
  idlePercent: null,
  sound: 'hum',
  chipForm: null,
  chipColour: null,
  coolantSeen: null,
  part: 'good',
  speedRatio: 0.7,
  expectedLife: 165,
  expectedLoad: 7,
  madeBy: 'Mira Fontaine',
  note: '=cmd()\nsecond line',
} as unknown as Trial;
const FILE = trialCsvHead() + trialCsvLines([TRIAL]);

describe('trials as CSV', () => {
  it('come back as they went out', () => {
    const { rows, problems } = readTrialCsv(FILE, 10);
    expect(problems).toEqual([]);
    expect(rows[0]).toMatchObject({
      id: TRIAL.id,
      at: TRIAL.at,
      job: 'TT-0412',
      operation: 'Rough, "lock" pocket',
      alloyId: TRIAL.alloyId,
      heatLot: 'T-0883',
      speedRpm: 1700,
      feedMm: 0.111,
      depthMm: 6,
      widthMm: 0.8,
      minutes: 44.7,
      ending: 'worn',
      wearMm: 0.31,
      raUm: 1.4,
      rzUm: null,
      sizeErrorMm: -0.012,
      idlePercent: null,
      note: TRIAL.note,
    });
    // A spreadsheet would run what begins like a formula.
    expect(FILE).toContain("'=cmd()");
    expect(FILE).toContain('1.2379');
  });

  it('headings may stand in any order and case; one that is missing is named', () => {
    const [head, ...lines] = FILE.split('\r\n');
    expect(readTrialCsv([head!.toUpperCase(), ...lines].join('\r\n'), 10).problems).toEqual([]);
    const without = FILE.replace('machine serial', 'plate');
    expect(readTrialCsv(without, 10).problems).toEqual([
      { row: 0, column: 'machine serial', problem: 'no column has this heading' },
    ]);
  });

  it.each([
    ['44.7', 'forty', 'minutes', /“forty”; allowed: 0.001 to 100000/],
    ['worn', 'lost', 'ending', /“lost”; allowed: running, changed, worn, chipped, broken/],
    ['2026-11-20T09:30:00.000Z', '2031-01-01', 'at', /not to come/],
    ['1700', '', 'n rpm', /is missing/],
  ])('%s as “%s” is refused in its row and column', (from, to, column, problem) => {
    const { rows, problems } = readTrialCsv(FILE.replace(from, to), 10);
    expect(rows).toEqual([]);
    expect(problems).toEqual([{ row: 1, column, problem: expect.stringMatching(problem) as string }]);
  });

  it('more rows than may be are refused at once', () => {
    const many = FILE + trialCsvLines([TRIAL, TRIAL]);
    expect(readTrialCsv(many, 2).problems).toEqual([{ row: 0, column: '', problem: '3 rows; allowed: 2' }]);
  });
});
