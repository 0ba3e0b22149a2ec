import type { OperationContext } from '../context.ts';
import type { TappingOperation } from './tapping-operation.ts';
import { low, startingRpm } from '../starting.ts';

/** First speed of a tap; its feed is the pitch. */
export function startingTapping(op: TappingOperation, context: OperationContext): TappingOperation['cut'] {
  const vc = op.measured.lifeSpeed30MMin ?? low(context.alloy.vc_windows_m_min.tap_hss_e, 2);
  return { ...op.cut, speedRpm: startingRpm(context, vc, op.thread.majorMm) };
}
