import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { engagementAngle } from '../cutting/engagement.ts';
import {
  type ContactCycle,
  contactTemperature,
  exponentialIntegral,
  speedForTemperature,
  type ThermalPair,
} from './contact-temperature.ts';

const TITANIUM: ThermalPair = {
  specificForceNMm2: 1460 * 0.06 ** -0.23,
  densityKgM3: 4430,
  specificHeatJKgK: 526,
  conductivityWMK: 6.7,
  toolConductivityWMK: 80,
  toolDensityKgM3: 14400,
};
const cut = (over: Partial<ContactCycle> = {}): ContactCycle => ({
  speedMMin: 50,
  diameterMm: 12,
  arc: engagementAngle(3.6, 12),
  chipMm: 0.06,
  edgeLengthMm: 12,
  ...over,
});

describe('cutting temperature', () => {
  it('puts carbide in aged titanium at 50 m/min where thermocouples put it: 700 to 850 °C', () => {
    const { temperatureC } = contactTemperature(cut(), TITANIUM);
    expect(temperatureC).toBeGreaterThan(700);
    expect(temperatureC).toBeLessThan(850);
  });

  it('counts heating and cooling of a turn', () => {
    const { heatingMs, coolingMs } = contactTemperature(cut({ arc: Math.PI }), TITANIUM);
    expect(heatingMs).toBeCloseTo(coolingMs, 9);
    expect(heatingMs + coolingMs).toBeCloseTo((60000 * Math.PI * 12) / 50000, 6);
  });

  it('never allows less speed to a narrower arc at an equal chip', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.03, max: 1, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 0.01, max: 0.15, noNaN: true }),
        (wide, narrower, chipMm) => {
          const arcOf = (share: number): number => engagementAngle(share * 12, 12);
          const limit = contactTemperature(cut({ arc: arcOf(wide), chipMm }), TITANIUM).temperatureC;
          const allowed = speedForTemperature(limit, cut({ arc: arcOf(wide * narrower), chipMm }), TITANIUM);
          expect(allowed).toBeGreaterThanOrEqual(50 * 0.999);
        },
      ),
      { numRuns: 60, seed: 3 },
    );
  });

  it('rises with speed and chip, and falls in a metal that conducts', () => {
    const at = (c: Partial<ContactCycle>, p: Partial<ThermalPair> = {}): number =>
      contactTemperature(cut(c), { ...TITANIUM, ...p }).temperatureC;
    expect(at({ speedMMin: 80 })).toBeGreaterThan(at({}));
    expect(at({ chipMm: 0.1 })).toBeGreaterThan(at({}));
    expect(at({}, { conductivityWMK: 50, specificHeatJKgK: 480, densityKgM3: 7850 })).toBeLessThan(at({}));
  });

  it('knows the exponential integral to the digits of the tables', () => {
    expect(exponentialIntegral(0.5)).toBeCloseTo(0.559773595, 6);
    expect(exponentialIntegral(1)).toBeCloseTo(0.219383934, 6);
    expect(exponentialIntegral(3)).toBeCloseTo(0.013048381, 7);
  });

  it('refuses a standing edge', () => {
    expect(() => contactTemperature(cut({ speedMMin: 0 }), TITANIUM)).toThrow(/cutting speed/);
    expect(() => contactTemperature(cut({ arc: 0 }), TITANIUM)).toThrow(/engagement angle/);
  });
});
