import { describe, expect, it } from 'vitest';
import { frequencyGrid, receptanceOf } from '../tip-structure.ts';
import { fromReceptance, toReceptance } from './response-file.ts';
import { readResponseCsv, writeResponseCsv } from './response-csv.ts';
import { readUniversalFile, writeUniversalFile } from './universal-file.ts';

const g = receptanceOf(
  [
    { hz: 820, damping: 0.03, stiffness: 2e7 },
    { hz: 2100, damping: 0.02, stiffness: 3e7 },
  ],
  frequencyGrid(100, 3000, 5),
);
const close = (a: Float64Array, b: Float64Array): number => {
  const most = Math.max(...b.map(Math.abs));
  return Math.max(...a.map((v, i) => Math.abs(v - b[i]!))) / most;
};
const rows = (f: (i: number) => string, heading: string): string =>
  [heading, ...Array.from(g.hz, (_, i) => f(i))].join('\n');

describe('tables of a frequency response', () => {
  it('goes out and comes back', () => {
    const { receptance, columns, notes } = readResponseCsv(writeResponseCsv(g));
    expect(close(receptance.re, g.re)).toBeLessThan(1e-9);
    expect(close(receptance.im, g.im)).toBeLessThan(1e-9);
    expect([columns, notes]).toEqual(['real and imaginary', []]);
  });

  it('reads amplitude and phase in µm/N and degrees, with semicolons and decimal commas', () => {
    const comma = (v: number): string => v.toPrecision(9).replace('.', ',');
    const text = rows(
      (i) =>
        [
          comma(g.hz[i]!),
          comma(1e6 * Math.hypot(g.re[i]!, g.im[i]!)),
          comma((Math.atan2(g.im[i]!, g.re[i]!) * 180) / Math.PI),
        ].join(';'),
      'Frequency (Hz);Amplitude (µm/N);Phase (deg)',
    );
    const { receptance, columns } = readResponseCsv(text);
    expect(columns).toBe('amplitude and phase');
    expect(close(receptance.im, g.im)).toBeLessThan(1e-6);
  });

  it.each(['mobility', 'accelerance'] as const)('turns %s into receptance', (kind) => {
    const other = fromReceptance(kind, g);
    const heading = kind === 'mobility' ? 'f (Hz)\treal (m/s/N)\timag' : 'f (Hz)\treal (m/s²/N)\timag';
    const text = rows((i) => [g.hz[i], other.re[i], other.im[i]].join('\t'), heading);
    const read = readResponseCsv(text);
    expect(read.kind).toBe(kind);
    expect(close(read.receptance.re, g.re)).toBeLessThan(1e-9);
  });

  it.each([
    ['in/lbf', 'receptance', 4.4482216 / 0.0254],
    ['µin/lbf', 'receptance', 4.4482216 / 2.54e-8],
    ['mils/lb', 'receptance', 4.4482216 / 2.54e-5],
    ['mm/kN', 'receptance', 1e6],
    ['µm/N', 'receptance', 1e6],
    ['nm / N', 'receptance', 1e9],
    ['(in/s)/lbf', 'mobility', 4.4482216 / 0.0254],
    ['mm/s/N', 'mobility', 1e3],
    ['g/lbf', 'accelerance', 4.4482216 / 9.80665],
    ['(mm/s^2)/N', 'accelerance', 1e3],
    ['m/s2/N', 'accelerance', 1],
    ['1/kg', 'accelerance', 1],
  ] as const)('reads %s', (unit, kind, times) => {
    const other = kind === 'receptance' ? g : fromReceptance(kind, g);
    const text = rows(
      (i) => [g.hz[i], times * other.re[i]!, times * other.im[i]!].join(','),
      `Hz,real ${unit},imag`,
    );
    const read = readResponseCsv(text);
    expect(read.kind).toBe(kind);
    expect(close(read.receptance.re, g.re)).toBeLessThan(1e-6);
    expect(read.notes).toEqual([]);
  });

  it.each(['furlong/lbf', 'V/N', 'kg/N'])('refuses a unit that is none of a tip: %s', (unit) => {
    const text = rows((i) => [g.hz[i], g.re[i], g.im[i]].join(','), `Hz,real ${unit},imaginary`);
    expect(() => readResponseCsv(text)).toThrow(
      new RegExp(`unit in the heading.*${unit}.*allowed.*lbf`, 'i'),
    );
  });

  it('turns the sign of an imaginary part that leads', () => {
    const text = rows((i) => [g.hz[i], g.re[i], -g.im[i]!].join(','), 'Hz, receptance m/N real, imaginary');
    const { receptance, notes } = readResponseCsv(text);
    expect(close(receptance.im, g.im)).toBeLessThan(1e-9);
    expect(notes.join()).toMatch(/sign/);
  });

  it('names the line that is no number, the gap, and the line that does not rise', () => {
    const good = Array.from(g.hz, (f, i) => `${f},${g.re[i]},${g.im[i]}`);
    const bad = (at: number, line: string): string => good.map((l, i) => (i === at ? line : l)).join('\n');
    expect(() => readResponseCsv(bad(20, 'broken, row'))).toThrow(/line 21 is "broken, row"/);
    expect(() => readResponseCsv(bad(20, `50,1e-8,-1e-8`))).toThrow(/line 21/);
    expect(() => readResponseCsv([...good.slice(0, 40), ...good.slice(90)].join('\n'))).toThrow(
      /a gap from 295/,
    );
    expect(() => readResponseCsv('x,y\n1,2')).toThrow(/frequency and two numbers/);
  });
});

describe('universal files', () => {
  it.each(['receptance', 'mobility', 'accelerance'] as const)('%s goes out and comes back', (kind) => {
    const text = writeUniversalFile(g, { name: 'tip x', kind, direction: 'x' });
    const [set] = readUniversalFile(text);
    expect(set).toMatchObject({ name: 'tip x', functionType: 4, kind, response: '1 +X', reference: '1 +X' });
    expect(close(set!.receptance!.re, g.re)).toBeLessThan(1e-9);
    expect(close(set!.receptance!.im, g.im)).toBeLessThan(1e-9);
  });

  it('reads an uneven abscissa and an other length than metres', () => {
    const uneven = { hz: g.hz.map((f, i) => f + (i % 2)), re: g.re, im: g.im };
    const text = writeUniversalFile(uneven, { name: 'u', direction: 'y' });
    expect(close(readUniversalFile(text)[0]!.receptance!.hz, uneven.hz)).toBeLessThan(1e-9);
    // Factors are file units a metre and a newton: millimetres.
    const millimetres = text.replace('1.00000000000000000D+00', '1.00000000000000000D+03');
    expect(
      close(
        readUniversalFile(millimetres)[0]!.receptance!.re,
        g.re.map((v) => v / 1000),
      ),
    ).toBeLessThan(1e-9);
  });

  it('reads a time record', () => {
    const body = ['tap', 'NONE', 'NONE', 'NONE', 'NONE'];
    const place = '    1         0    0         0 NONE               1   1 NONE               1   1';
    const kinds = '        17    0    0    0 Time                 NONE';
    const text = [
      '    -1',
      '    58',
      ...body,
      place,
      '         2         4         1  0.00000E+00  1.95313E-05  0.00000E+00',
      kinds,
      kinds,
      kinds,
      kinds,
      '  1.00000E+00 -2.00000E+00  3.00000E+00  4.00000E+00',
      '    -1',
    ].join('\n');
    expect([...readUniversalFile(text)[0]!.time!.values]).toEqual([1, -2, 3, 4]);
    expect(readUniversalFile(text)[0]!.time!.step).toBeCloseTo(1 / 51200, 9);
  });

  it('says what is wrong: no function, no end, too few numbers', () => {
    expect(() => readUniversalFile('not a universal file')).toThrow(/no data set 58/);
    const text = writeUniversalFile(g, { name: 'tip', direction: 'x' });
    expect(() => readUniversalFile(text.slice(0, text.lastIndexOf('    -1')))).toThrow(/no end/);
    const lines = text.split('\n');
    expect(() => readUniversalFile([...lines.slice(0, 40), ...lines.slice(300)].join('\n'))).toThrow(
      /data set 1, data/,
    );
  });

  it('a receptance times (iω)² is the accelerance', () => {
    const there = fromReceptance('accelerance', g);
    const w = 2 * Math.PI * g.hz[100]!;
    expect(there.re[100]! / (-w * w * g.re[100]!)).toBeCloseTo(1, 9);
    expect(close(toReceptance('accelerance', there).re, g.re)).toBeLessThan(1e-9);
  });
});
