import type { OperationContext } from '../context.ts';
import { feedForRa } from '../lathe/worn-and-rough.ts';
import { turningWindow } from '../life-state.ts';
import { into, low, tidy } from '../starting.ts';
import { spindleSpeed } from '../../physics/cutting/spindle-speed.ts';
import { deepestOfEdge } from './depth-of-edge.ts';
import { stockOf, type TurningOperation } from './turning-operation.ts';

/** A stretch that asks for size or surface is finished in one cut of this much, mm. */
const FINISHING_MM = 0.5;
/** Most of the spindle a first cut asks for: the rest is for whoever knows chuck and part. */
const OF_THE_SPINDLE = 0.8;

/** First numbers of a turned stretch: low in the window of the insert, a cap well under the spindle. */
export function startingTurning(
  op: TurningOperation,
  context: OperationContext,
  diameterMm: number,
): TurningOperation['cut'] {
  const { cutter, machine } = context;
  const { stretch: s } = op;
  const spindle = machine.max_rpm;
  const nose = cutter.properties.RE ?? 0.8;
  const finishes = s.toleranceMm !== null || s.raUm !== null;
  const [thin, thick] = cutter.extended.f_window_mm_per_rev ?? [0.08, 0.25];
  const marks = feedForRa(s.raUm, nose);
  const feedPerRevMm = tidy(
    Math.min(into([thin, thick], finishes ? 0.2 : 0.4), 0.6 * nose, Math.max(0.3 * thin, marks)),
  );
  const depths = cutter.extended.ap_window_mm ?? [0.2, deepestOfEdge(cutter) ?? 1];
  const stock = stockOf(s);
  const wanted = finishes ? Math.max(depths[0], FINISHING_MM) : into(depths, 0.45);
  const passes = Math.ceil(stock / wanted - 1e-6);
  const capRpm = Math.floor((OF_THE_SPINDLE * spindle) / 50) * 50;
  const vc = op.measured.lifeSpeed30MMin ?? low(turningWindow(context), 60);
  const rpm = Math.min(capRpm, spindleSpeed(s.interrupted ? 0.8 * vc : vc, diameterMm));
  return {
    speedRpm: Math.max(10, Math.floor(rpm / 5) * 5),
    capRpm,
    feedPerRevMm,
    depthMm: tidy(Math.max(1e-3, stock / Math.max(1, passes))),
  };
}
