import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { powerAt, torqueAt } from './spindle-curve.ts';

const curve = CRIB.machines.find((m) => m.id === 'vmc40-15kw-belt')!.power_torque.s1;

describe('spindle curve', () => {
  it('passes through its points', () => {
    for (const p of curve) expect(powerAt(curve, p.rpm)).toBeCloseTo(p.kw, 1);
  });

  it('holds torque below the first point and gives nothing above the last', () => {
    const first = curve[0]!;
    expect(torqueAt(curve, first.rpm / 2)).toBe(first.nm);
    expect(powerAt(curve, first.rpm / 2)).toBeCloseTo((first.nm * first.rpm) / 2 / 9549.3, 4);
    expect(powerAt(curve, curve.at(-1)!.rpm + 1)).toBe(0);
  });

  it('keeps kW and N·m of one speed together', () => {
    for (const rpm of [150, 700, 2200, 6000]) {
      expect((torqueAt(curve, rpm) * rpm) / 9549.2966).toBeCloseTo(powerAt(curve, rpm), 9);
    }
  });

  it('refuses a curve of one point', () => {
    expect(() => powerAt(curve.slice(0, 1), 100)).toThrow(/spindle curve is 1; allowed: two points or more/);
  });
});
