import { bandOf } from '../../../judging/estimate.ts';
import { SHORTEST_LIFE_MIN } from '../../life-state.ts';
import type { MillingState } from '../milling-state.ts';

/** Where a cut lies in the range its insert or its mill is made for. */
export interface StartingRange {
  /** Speeds of an hour and of a quarter of an hour of life, m/min, and where this cut lies between them, 0 to 1. */
  readonly speed: {
    readonly low: number;
    readonly high: number;
    readonly at: number;
    /** How far the sources of the upper speed lie apart: its 10 and 90% points, m/min. */
    readonly spread: readonly [number, number];
  };
  /** Feed per tooth its record gives, mm. */
  readonly feed: { readonly low: number; readonly high: number; readonly at: number };
}

/** Life at the bottom of the range, min. */
const LONG_LIFE_MIN = 60;

const place = (value: number, low: number, high: number): number =>
  (value - low) / Math.max(1e-9, high - low);

/** The range one starts at the bottom of, raising speed first and feed then; null without a life model or a record of feeds. */
export function startingRange({
  op,
  context,
  cuttingSpeedMMin,
  speedLimitMMin,
  libraryLife,
}: MillingState): StartingRange | null {
  const feed = context.cutter.extended.fz_window_mm;
  if (!feed || !speedLimitMMin || !libraryLife) return null;
  const high = speedLimitMMin.value;
  const low = high * (SHORTEST_LIFE_MIN / LONG_LIFE_MIN) ** libraryLife.taylorN;
  const band = bandOf(speedLimitMMin);
  return {
    speed: { low, high, at: place(cuttingSpeedMMin, low, high), spread: [band.low, band.high] },
    feed: { low: feed[0], high: feed[1], at: place(op.cut.feedPerToothMm, feed[0], feed[1]) },
  };
}
