import { isHighSpeedSteel, type OperationContext } from '../operations/context.ts';
import { outerDiameter } from '../crib/cutter.ts';
import type { HoleOperation } from '../operations/hole-operation.ts';
import type { SpeedWindow } from '../crib/alloy.ts';
import { pastFloorNeeded } from '../physics/holes/helical-bore.ts';
import { chipWindow } from '../operations/milling/chip-window.ts';
import { drillFeedWindow } from '../operations/drilling/limits/drill-feed.ts';
import { entrySteepness } from '../physics/path/entry-plan.ts';
import { chipFactor, diameterInCut, edgeProfile } from '../physics/cutting/edge-profile.ts';
import { spindleSpeed } from '../physics/cutting/spindle-speed.ts';
import { drillWindow, REAMING_SHARE } from '../operations/life-state.ts';
import { speedDiameter } from './set-parameter.ts';
import { isDifficultToClear } from '../operations/holes/difficult-chips.ts';

const down = (value: number, step: number): number => Math.max(step, Math.floor(value / step + 1e-9) * step);
const tidy = (value: number): number => Number(value.toPrecision(3));
/** Where in a window one begins: below the middle, because raising at the machine is the normal plan. */
const low = (window: SpeedWindow | undefined, otherwise: number): number =>
  window && window !== 'not used' ? window[0] + 0.3 * (window[1] - window[0]) : otherwise;
const into = ([a, b]: readonly [number, number], share: number): number => tidy(a + share * (b - a));

/** Cutting speed a step begins with, m/min. */
function startingSpeed(op: HoleOperation, context: OperationContext): number {
  const { alloy } = context;
  const own = op.measured.lifeSpeed30MMin;
  if (own !== null) return own;
  const windows = alloy.vc_windows_m_min;
  switch (op.kind) {
    case 'drilling':
      return low(drillWindow(context), 15);
    case 'reaming':
      return REAMING_SHARE * low(drillWindow(context), 15);
    case 'boring':
      return low(windows.carbide_turning, 25);
    case 'tapping':
      return low(windows.tap_hss_e, 2);
    case 'hole-milling':
      if (isHighSpeedSteel(context)) return low(windows.hss_milling, 10);
      return low(
        op.hole.startMm > 0.5 * op.hole.diameterMm
          ? windows.carbide_milling.moderate_ae_0_2_0_4
          : windows.carbide_milling.heavy_ae_over_0_5,
        20,
      );
    default:
      return low(
        isHighSpeedSteel(context) ? windows.hss_milling : windows.carbide_milling.moderate_ae_0_2_0_4,
        isHighSpeedSteel(context) ? 10 : 20,
      );
  }
}

/** Share of the feed kept while the whole width is in the cut. Rule G-44. */
const INTO_SOLID = 0.65;
/** Even then the chip stays this much above the one at which the edge rubs. */
const ABOVE_RUBBING = 1.1;

/** The step's first numbers for its alloy, tool and machine. */
export function startingHole(op: HoleOperation, context: OperationContext): HoleOperation['cut'] {
  const { cutter, machine, holder, alloy } = context;
  const most = Math.min(machine.max_rpm, cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity);
  const speed = (diameter: number): number =>
    down(Math.min(most, spindleSpeed(startingSpeed(op, context), diameter)), 10);
  const tool = outerDiameter(cutter) || op.hole.diameterMm;
  // Chips of small mills grow with their diameter like the alloy's window does.
  const chip = cutter.extended.fz_window_mm
    ? into(cutter.extended.fz_window_mm, 0.35)
    : tidy(alloy.hm_window.c_mm * (tool / 12) ** alloy.hm_window.p);
  const hole = op.hole;
  switch (op.kind) {
    case 'drilling': {
      const window = drillFeedWindow(context) ?? [0.01 * tool, 0.02 * tool];
      const least = hole.crossHoles > 0 || hole.exitAngleDeg > 3 ? 0.5 : 0.6;
      const breaks = hole.through || hole.crossHoles > 0;
      return {
        ...op.cut,
        speedRpm: speed(speedDiameter(op, context)),
        feedPerRevMm: into(window, 0.35),
        peck: 'plan',
        breakthroughFeed: breaks && (isDifficultToClear(context) || least === 0.5) ? least : 1,
      };
    }
    case 'reaming':
      return {
        ...op.cut,
        speedRpm: speed(tool),
        feedPerRevMm: into(drillFeedWindow(context) ?? [0.2, 0.6], 0.3),
        outFeed: 1.5,
      };
    case 'boring':
      return {
        ...op.cut,
        speedRpm: speed(hole.diameterMm),
        feedPerRevMm: into(cutter.extended.f_window_mm_per_rev ?? [0.05, 0.15], 0.2),
      };
    case 'hole-milling': {
      const slope = 0.9 * Math.min(cutter.properties.RMPX ?? 90, entrySteepness(alloy).helixDeg);
      const path = Math.PI * Math.max(0.02 * tool, Math.min(hole.diameterMm, 2 * tool) - tool);
      const pitch = Math.min(
        cutter.properties.APMX ?? 1,
        0.3 * tool,
        path * Math.tan((slope * Math.PI) / 180),
      );
      const solid = hole.startMm < tool;
      const ap = tidy(Math.max(0.02, pitch));
      const window = chipWindow(context);
      // A shallow turn runs on the corner's radius, which thins the chip.
      const factor = chipFactor(edgeProfile(cutter, ap, diameterInCut(cutter, ap), 'climb'));
      return {
        ...op.cut,
        speedRpm: speed(diameterInCut(cutter, ap)),
        feedPerToothMm: tidy(
          Math.max((solid ? INTO_SOLID : 1) * window.target, ABOVE_RUBBING * window.thinnest) /
            Math.max(factor, 1 / 3),
        ),
        pitchMm: ap,
        pastFloorMm: hole.through
          ? tidy(pastFloorNeeded(cutter.properties.RE ?? 0, op.flankWearMm) + 0.1)
          : 0,
      };
    }
    case 'chamfering':
      return { ...op.cut, speedRpm: speed(speedDiameter(op, context)), feedPerToothMm: chip };
    case 'tapping':
      return { ...op.cut, speedRpm: speed(op.thread.majorMm) };
    case 'thread-milling':
      return { ...op.cut, speedRpm: speed(tool), feedPerToothMm: chip };
  }
}
