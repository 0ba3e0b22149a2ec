import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measure, say, speak } from './sentence.ts';
import { formatMeasure, formatNumber, fromShown, toShown, UNITS, type Unit } from './unit.ts';

describe('units', () => {
  it('come back from inch as they went', () => {
    const units = Object.keys(UNITS) as Unit[];
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        (unit, value) => {
          const back = fromShown(toShown(value, unit, 'inch'), unit, 'inch');
          expect(Math.abs(back / value - 1)).toBeLessThan(1e-12);
        },
      ),
    );
  });

  it('convert as a machinist expects', () => {
    expect(toShown(25.4, 'mm', 'inch')).toBeCloseTo(1, 12);
    expect(toShown(100, 'm/min', 'inch')).toBeCloseTo(328.084, 2);
    expect(toShown(0.7457, 'kW', 'inch')).toBeCloseTo(1, 4);
    expect(toShown(1.3558, 'Nm', 'inch')).toBeCloseTo(1, 3);
    expect(toShown(2.54, 'um', 'inch')).toBeCloseTo(1, 12);
  });

  it('show sensible digits', () => {
    expect(formatNumber(1378.6, 'rpm', 'metric')).toBe('1379');
    expect(formatNumber(12345, 'rpm', 'metric')).toBe('12\u2009345');
    expect(formatNumber(0.0604, 'mm/tooth', 'metric')).toBe('0.0604');
    expect(formatNumber(24, 'mm', 'metric')).toBe('24.00');
    expect(formatMeasure(33.6, 'deg', 'inch')).toBe('33.6°');
    expect(formatNumber(NaN, 'mm', 'metric')).toBe('–');
  });

  it('fill sentences in either system', () => {
    const s = say('The tool leans {0} of {1}.', measure(0.254, 'mm'), measure(2.54, 'mm'));
    expect(speak(s, 'metric')).toBe('The tool leans 0.25\u00a0mm of 2.54\u00a0mm.');
    expect(speak(s, 'inch')).toBe('The tool leans 0.0100\u00a0in of 0.1000\u00a0in.');
  });
});
