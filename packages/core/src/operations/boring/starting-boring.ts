import type { OperationContext } from '../context.ts';
import type { BoringOperation } from './boring-operation.ts';
import { into, low, startingRpm } from '../starting.ts';

/** First numbers of a boring bar: speed as in turning, low in the insert's window of feeds. */
export function startingBoring(
  op: BoringOperation,
  context: OperationContext,
  diameterMm: number,
): BoringOperation['cut'] {
  const vc = op.measured.lifeSpeed30MMin ?? low(context.alloy.vc_windows_m_min.carbide_turning, 25);
  return {
    ...op.cut,
    speedRpm: startingRpm(context, vc, diameterMm),
    feedPerRevMm: into(context.cutter.extended.f_window_mm_per_rev ?? [0.05, 0.15], 0.2),
  };
}
