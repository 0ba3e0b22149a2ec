import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measure, say, speak } from './sentence.ts';
import { formatField, formatMeasure, fromShown, toShown, UNITS, type Unit } from './unit.ts';

describe('units', () => {
  it('come back from inch as they went', () => {
    const units = Object.keys(UNITS) as Unit[];
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        (unit, value) => {
          const back = fromShown(toShown(value, unit, 'inch'), unit, 'inch');
          // Degrees Fahrenheit start at 32: what is near nought keeps fewer figures.
          expect(Math.abs(back - value)).toBeLessThan(1e-12 * Math.max(value, UNITS[unit].inch.offset));
        },
      ),
      { seed: 11 },
    );
  });

  it('convert as a machinist expects', () => {
    expect(toShown(25.4, 'mm', 'inch')).toBeCloseTo(1, 12);
    expect(toShown(100, 'm/min', 'inch')).toBeCloseTo(328.084, 2);
    expect(toShown(0.7457, 'kW', 'inch')).toBeCloseTo(1, 4);
    expect(toShown(1.3558, 'Nm', 'inch')).toBeCloseTo(1, 3);
    expect(toShown(25.4, 'um', 'inch')).toBeCloseTo(1, 12);
    expect(toShown(100, 'degC', 'inch')).toBeCloseTo(212, 12);
    expect(toShown(10, 'K', 'inch')).toBeCloseTo(18, 12);
  });

  it.each([
    [1378.6, 'rpm', '1,380 rpm', '1,380 rpm'],
    [812.4, 'rpm', '812 rpm', '812 rpm'],
    [12.34, 'm/min', '12.3 m/min', '40 SFM'],
    [123.4, 'm/min', '123 m/min', '405 SFM'],
    [0.0868, 'mm/tooth', '0.087 mm/tooth', '0.0034 ipt'],
    [24, 'mm', '24 mm', '0.945 in'],
    [0.96, 'mm', '0.96 mm', '0.038 in'],
    [0.0066, 'mm', '0.0066 mm', '0.00026 in'],
    [0.009, 'mm-fine', '0.009 mm', '0.00035 in'],
    [0.15, 'mm-fine', '0.150 mm', '0.0059 in'],
    [0.284, 'mm-deflection', '0.284 mm', '11.2 thou'],
    [6, 'um', '6 µm', '0.24 thou'],
    [1412, 'N', '1,400 N', '320 lbf'],
    [4.56, 'Nm', '4.6 N·m', '40 in·lbf'],
    [45.6, 'Nm', '46 N·m', '34 ft·lbf'],
    [2.04, 'kW', '2.0 kW', '2.7 hp'],
    [473, 'degC', '470 °C', '880 °F'],
    [61.3, 'min-life', '61 min', '61 min'],
    [61.34, 'min', '61.3 min', '61.3 min'],
    [0.0267, 'min', '1.6 s', '1.6 s'],
    [-0.05, 'min', '-3.0 s', '-3.0 s'],
    [0, 'min', '0.0 min', '0.0 min'],
    [20, 'bar', '20 bar', '290 psi'],
    [43.2, 'percent', '43%', '43%'],
    [33.6, 'deg', '33.6°', '33.6°'],
    [NaN, 'mm', '– mm', '– in'],
  ] as const)('%s %s reads %s, or %s', (value, unit, metric, inch) => {
    const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
    expect(plain(formatMeasure(value, unit, 'metric'))).toBe(metric);
    expect(plain(formatMeasure(value, unit, 'inch'))).toBe(inch);
  });

  it('a field holds what was typed', () => {
    expect(formatField(2122, 'rpm', 'metric')).toBe('2122');
    expect(formatField(0.055, 'mm/tooth', 'metric')).toBe('0.055');
    expect(formatField(fromShown(0.0025, 'mm/tooth', 'inch'), 'mm/tooth', 'inch')).toBe('0.0025');
    expect(formatField(fromShown(122, 'degC', 'inch'), 'degC', 'inch')).toBe('122');
    expect(formatField(250_000, 'pieces', 'metric')).toBe('250000');
    expect(formatField(39.961, 'm/min', 'metric')).toBe('40');
    expect(formatField(24, 'mm', 'inch')).toBe('0.9449');
    expect(formatField(0, 'mm', 'metric')).toBe('0');
  });

  it('fill sentences in either system', () => {
    const s = say('The tool deflects {0} of {1}.', measure(0.254, 'mm'), measure(2.54, 'mm'));
    expect(speak(s, 'metric')).toBe('The tool deflects 0.25\u00a0mm of 2.54\u00a0mm.');
    expect(speak(s, 'inch')).toBe('The tool deflects 0.01\u00a0in of 0.1\u00a0in.');
  });
});
