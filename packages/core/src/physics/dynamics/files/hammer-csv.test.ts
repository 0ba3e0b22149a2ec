import { describe, expect, it } from 'vitest';
import { simulatedHammer } from '../measure/simulated-hammer.ts';
import { receptanceOfHits } from '../measure/hammer-record.ts';
import { isHammerCsv, readHammerCsv, writeHammerCsv } from './hammer-csv.ts';
import { readNumberTable } from './number-table.ts';

const RATE = 20_000;
/** A half sine of force and a ring that dies away, sampled at RATE. */
const samples = Array.from({ length: 80 }, (_, i) => {
  const t = i / RATE;
  const force = i >= 10 && i < 20 ? 180 * Math.sin((Math.PI * (i - 10)) / 10) : 0;
  const ring = i < 10 ? 0 : 40 * Math.exp(-300 * (t - 0.0005)) * Math.sin(2 * Math.PI * 900 * (t - 0.0005));
  return [t, force, ring] as const;
});
/** Two hits as a table: each column in its unit, times as written. */
function table(
  heading: string,
  by: readonly [number, number, number] = [1, 1, 1],
  { mark = ',', between = '', decimals = 8, comma = false } = {},
): string {
  const cell = (v: number, digits: number): string =>
    comma ? v.toFixed(digits).replace('.', ',') : v.toFixed(digits);
  const hit = samples.map((row) => row.map((v, c) => cell(v / by[c]!, c === 0 ? decimals : 10)).join(mark));
  return [heading, ...hit, ...(between === '' ? [''] : []), ...hit].join('\n');
}
const SI = 'time (s),force (N),acceleration (m/s2)';

/** That a read record is the two hits that were written. */
function expectHits(text: string): ReturnType<typeof readHammerCsv> {
  const read = readHammerCsv(text);
  expect(read.rate).toBe(RATE);
  expect(read.hits).toHaveLength(2);
  for (const hit of read.hits) {
    expect(hit.force).toHaveLength(samples.length);
    samples.forEach(([, force, response], i) => {
      expect(hit.force[i]).toBeCloseTo(force, 4);
      expect(hit.response[i]).toBeCloseTo(response, 4);
    });
  }
  return read;
}

describe('raw tap tests', () => {
  it('go out and come back, and give the same receptance', () => {
    const record = simulatedHammer([{ hz: 900, damping: 0.03, stiffness: 2e7 }], { seed: 5 });
    const read = readHammerCsv(writeHammerCsv(record));
    expect([read.rate, read.sensor, read.hits.length]).toEqual([
      record.rate,
      record.sensor,
      record.hits.length,
    ]);
    const [mine, theirs] = [receptanceOfHits(record), receptanceOfHits(read)];
    const most = Math.max(...mine.receptance.im.map(Math.abs));
    mine.receptance.im.forEach((v, i) =>
      expect(Math.abs(v - theirs.receptance.im[i]!) / most).toBeLessThan(1e-3),
    );
  });

  it.each([
    ['seconds and newtons', SI, [1, 1, 1], 'acceleration'],
    [
      'milliseconds and kilonewtons',
      'Time (ms),Force (kN),Acceleration (m/s²)',
      [1e-3, 1e3, 1],
      'acceleration',
    ],
    ['microseconds and pounds', 't [µs];F [lbf];a [mm/s^2]', [1e-6, 4.4482216, 1e-3], 'acceleration'],
    ['shares of gravity', 'time (s),force (N),acceleration (g)', [1, 1, 9.80665], 'acceleration'],
    ['a velocity', 'time (s),force (N),velocity (mm/s)', [1, 1, 1e-3], 'velocity'],
    ['a displacement', 'time (s),force (N),displacement (µm)', [1, 1, 1e-6], 'displacement'],
    ['a displacement nobody named', 'time (s),force (N),tip (mm)', [1, 1, 1e-3], 'displacement'],
    ['no units at all', 'time,force,velocity', [1, 1, 1], 'velocity'],
  ] as const)('are read in %s', (_, heading, by, sensor) => {
    expect(expectHits(table(heading, by)).sensor).toBe(sensor);
  });

  it('are read with semicolons and decimal commas, with tabs, and behind a mark of byte order', () => {
    const heading = SI.replaceAll(',', ';');
    expectHits(table(heading, [1, 1, 1], { mark: ';', comma: true }));
    expectHits(table(SI.replaceAll(',', '\t'), [1, 1, 1], { mark: '\t' }));
    expectHits(`\uFEFFTip x, holder 3\r\n${table(SI).replaceAll('\n', '\r\n')}`);
  });

  it('are parted where time goes back, without an empty line', () => {
    expectHits(table(SI, [1, 1, 1], { between: 'none' }));
  });

  it('have their rate from the whole hit, since written times are rounded', () => {
    // A step of 48.83 µs written to 10 µs: the first two times alone would say 20 000 or 25 000.
    const rate = 20_480;
    const rows = Array.from({ length: 400 }, (_, i) => `${(i / rate).toFixed(5)},${i === 9 ? 100 : 0},0`);
    expect(Math.abs(readHammerCsv([SI, ...rows].join('\n')).rate - rate)).toBeLessThan(rate * 0.001);
  });

  it('name the line that is no number and the one where a sample is missing', () => {
    const lines = table(SI).split('\n');
    const with_ = (at: number, line: string): string => lines.map((l, i) => (i === at ? line : l)).join('\n');
    expect(() => readHammerCsv(with_(30, '0.0015,over,2'))).toThrow(/line 31 is "0.0015,over,2"/);
    expect(() => readHammerCsv(with_(30, '0.0015,12'))).toThrow(/time, force, response/);
    const gap = lines.filter((_, i) => i !== 120).join('\n');
    expect(() => readHammerCsv(gap)).toThrow(/line 121.*even steps of 0\.00005/);
  });

  it('are refused in volts, with a unit that is not the sensor’s, and empty, by name', () => {
    expect(() => readHammerCsv(table('time (s),force (V),acceleration (m/s2)'))).toThrow(
      /force \(V\).*calibrated/,
    );
    expect(() => readHammerCsv(table('time (s),force (N),response (mV)'))).toThrow(/calibrated/);
    expect(() => readHammerCsv(table('time (s),force (N),acceleration (mm/s)'))).toThrow(
      /unit of acceleration/,
    );
    for (const empty of ['', SI, `${SI}\n0,0,0`, `${SI}\n0,0,0\n0,0,0`])
      expect(() => readHammerCsv(empty)).toThrow(/rows of time, force, response/);
  });

  it('are told from responses by the column they begin with', () => {
    expect(isHammerCsv(table(SI))).toBe(true);
    expect(isHammerCsv('Shop 2\n\n"t (ms)";"F (N)";"a (g)"\n0;0;0')).toBe(true);
    expect(isHammerCsv('Time of the test 10:20\nfrequency (Hz),real (m/N),imag\n1,2,3')).toBe(false);
    expect(isHammerCsv('0,0,0\n1,2,3')).toBe(false);
    expect(isHammerCsv('')).toBe(false);
  });
});

describe('tables of numbers', () => {
  it.each([
    ['commas', 'a,b\n1.5,2\n-3e-2,4', false],
    ['semicolons', 'a;b\n1.5;2\n-3e-2;4', false],
    ['decimal commas', 'a;b\n1,5;2\n-3e-2;4', true],
    ['a decimal comma in the last column only', 'a;b\n15e-1;2,0\n-3e-2;4,0', true],
    ['blanks', 'a b\n  1.5   2\n-3e-2 4', false],
  ])('parts %s', (_, text) => {
    const { rows, heading } = readNumberTable(text, 2, 'two numbers');
    expect(rows.map((r) => r.numbers)).toEqual([
      [1.5, 2],
      [-0.03, 4],
    ]);
    expect(heading).toHaveLength(1);
  });

  it('keeps the line of each row and where rows stand apart', () => {
    const { rows } = readNumberTable('x,y\n\n1,2\n3,4\n\n\n5,6', 2, 'two numbers');
    expect(rows.map((r) => [r.line, r.apart])).toEqual([
      [3, true],
      [4, false],
      [7, true],
    ]);
  });
});
