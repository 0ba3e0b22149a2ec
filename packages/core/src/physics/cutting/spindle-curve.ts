import type { CurvePoint } from '../../crib/machine.ts';
import { InputError } from '../../units/input-error.ts';

/** kW·rpm to N·m: 60000/(2π). */
const NM_PER_KW_RPM = 9549.2966;

/**
 * Power available at a speed, kW. Power is interpolated linearly in speed, which is exact both where torque and where
 * power is constant; below the first point its torque holds; above the last there is nothing.
 * Throws on a curve with fewer than two points.
 */
export function powerAt(curve: readonly CurvePoint[], speedRpm: number): number {
  const first = curve[0];
  const last = curve[curve.length - 1];
  if (!first || !last || curve.length < 2) {
    throw new InputError([{ field: 'spindle curve', value: curve.length, allowed: 'two points or more' }]);
  }
  if (speedRpm <= first.rpm) return (first.nm * speedRpm) / NM_PER_KW_RPM;
  if (speedRpm > last.rpm) return 0;
  for (let i = 1; i < curve.length; i++) {
    const a = curve[i - 1]!;
    const b = curve[i]!;
    if (speedRpm <= b.rpm) return a.kw + ((b.kw - a.kw) * (speedRpm - a.rpm)) / (b.rpm - a.rpm);
  }
  return last.kw;
}

/** Torque available at a speed, N·m; at standstill the first point's. */
export const torqueAt = (curve: readonly CurvePoint[], speedRpm: number): number =>
  speedRpm <= (curve[0]?.rpm ?? 0)
    ? (curve[0]?.nm ?? 0)
    : (powerAt(curve, speedRpm) * NM_PER_KW_RPM) / speedRpm;
