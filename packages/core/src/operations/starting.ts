import type { SpeedWindow } from '../crib/alloy.ts';
import { spindleSpeed } from '../physics/cutting/spindle-speed.ts';
import type { OperationContext } from './context.ts';

/** First numbers are round ones. */
export const tidy = (value: number): number => Number(value.toPrecision(3));

/** Where in a window of speeds one begins: below the middle, because raising at the machine is the normal plan. */
export const low = (window: SpeedWindow | undefined, otherwise: number): number =>
  window && window !== 'not used' ? window[0] + 0.3 * (window[1] - window[0]) : otherwise;

/** A share of the way into a window. */
export const into = ([a, b]: readonly [number, number], share: number): number => tidy(a + share * (b - a));

/** Spindle speed for a cutting speed at a diameter, in tens below it, and no faster than machine, cutter and holder. */
export function startingRpm(
  { machine, cutter, holder }: OperationContext,
  vcMMin: number,
  diameterMm: number,
): number {
  const most = Math.min(machine.max_rpm, cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity);
  const rpm = Math.min(most, spindleSpeed(vcMMin, diameterMm));
  return Math.max(10, Math.floor(rpm / 10 + 1e-9) * 10);
}
