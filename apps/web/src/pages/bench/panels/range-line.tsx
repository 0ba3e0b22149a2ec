import {
  formatMeasure,
  type MillingOperation,
  millingState,
  type OperationContext,
  startingRange,
} from '@burl/core';
import { useMemo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';

const whereIn = (share: number): string =>
  share < 0 ? 'below it' : share > 1 ? 'above it' : `${String(Math.round(100 * share))}% up`;

/** Where the cut lies in the range its cutter is made for, how far the sources of the speed lie apart, and how one goes up in it. */
export function RangeLine({ op, context }: { op: MillingOperation; context: OperationContext }) {
  const system = useSystem();
  const range = useMemo(() => startingRange(millingState(op, context)), [op, context]);
  if (!range) return null;
  const { speed, feed } = range;
  const vc = (v: number): string => formatMeasure(v, 'm/min', system);
  const fz = (v: number): string => formatMeasure(v, 'mm/tooth', system);
  return (
    <p className="mb-1 text-[12.5px] text-soft">
      Range: {vc(speed.low)} to {vc(speed.high)} for 60 to 15 min of life (sources {vc(speed.spread[0])} to{' '}
      {vc(speed.spread[1])} at the top), here {whereIn(speed.at)}; {fz(feed.low)} to {fz(feed.high)}, here{' '}
      {whereIn(feed.at)}. Start at the bottom; raise the speed first, then the feed.
    </p>
  );
}
