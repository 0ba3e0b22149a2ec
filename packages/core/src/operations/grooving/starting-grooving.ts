import { spindleSpeed } from '../../physics/cutting/spindle-speed.ts';
import type { OperationContext } from '../context.ts';
import { feedForRa } from '../lathe/worn-and-rough.ts';
import { turningWindow } from '../life-state.ts';
import { into, low, tidy } from '../starting.ts';
import { cuttingWidth, grooveDepth, type GroovingOperation } from './grooving-operation.ts';
import { GROOVED_SPEED } from './grooving-state.ts';
import { RIM_M_MIN } from './limits/parting.ts';

/** Most of the spindle a first cut asks for: the rest is for whoever knows chuck and part. */
const OF_THE_SPINDLE = 0.8;
/** Depth over width up to which a groove is plunged at once. */
const AT_ONCE = 1.5;
/** Parting slows down in the last of its diameter, mm, to this share. Rule G-117. */
const SLOW = { belowMm: 3, share: 0.6 } as const;

/** First numbers of a groove: the middle of its window, slower than a diameter, a cap at which nothing is thrown. */
export function startingGrooving(
  op: GroovingOperation,
  context: OperationContext,
  diameterMm: number,
): GroovingOperation['cut'] {
  const { groove: g } = op;
  const { cutter } = context;
  const width = cuttingWidth(cutter);
  const [thin, thick] = cutter.extended.f_window_mm_per_rev ?? [0.015 * width, 0.045 * width];
  const marks = feedForRa(g.raUm, cutter.properties.RE ?? 0.2);
  const spindle = OF_THE_SPINDLE * context.machine.max_rpm;
  const rim = RIM_M_MIN[g.caughtBy];
  const thrown =
    g.way === 'part-off' && Number.isFinite(rim) ? (0.9 * 1000 * rim) / (Math.PI * g.startMm) : Infinity;
  const capRpm = Math.max(10, Math.floor(Math.min(spindle, thrown) / 10) * 10);
  const vc = op.measured.lifeSpeed30MMin ?? GROOVED_SPEED * low(turningWindow(context), 60);
  const rpm = Math.min(capRpm, spindleSpeed(vc, diameterMm));
  const depth = grooveDepth(g);
  const lifts = g.way === 'part-off' ? 1 : Math.ceil(depth / (AT_ONCE * width) - 1e-6);
  return {
    speedRpm: Math.max(10, Math.floor(rpm / 5) * 5),
    capRpm,
    feedPerRevMm: tidy(Math.min(into([thin, thick], 0.4), Math.max(0.5 * thin, marks))),
    depthMm: tidy(Math.max(0.01, depth / Math.max(1, lifts))),
    stepMm: tidy(0.75 * width),
    widenBy: 'plunges',
    firstPlunge: 'outer',
    slowBelowMm: Math.max(g.endMm, g.boreMm) + SLOW.belowMm,
    slowShare: SLOW.share,
  };
}
