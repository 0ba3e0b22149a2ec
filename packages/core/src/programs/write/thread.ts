import { passShares, threadMillPath } from '../../physics/threads/thread-mill.ts';
import type { ThreadForm } from '../../physics/holes/hole.ts';
import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

export interface ThreadPlan {
  readonly thread: ThreadForm;
  readonly holeMm: number;
  readonly depthMm: number;
  readonly toolMm: number;
  /** Length of the teeth, mm: one row, or as many as it spans. */
  readonly toothLengthMm: number;
  readonly passes: number;
  readonly springPasses: number;
  /** Where the edge cuts the major diameter, mm/min. */
  readonly edgeFeedMmMin: number;
}

/** A right-hand inside thread by climb milling from below: anticlockwise and up, in radial passes, in and out by half turns. */
export function writeThread(
  w: Writer,
  plan: ThreadPlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const { thread, toolMm } = plan;
  const { turns } = threadMillPath(thread, toolMm, plan.toothLengthMm, plan.depthMm, plan.edgeFeedMmMin);
  const shares = [...passShares(plan.passes), ...Array.from({ length: plan.springPasses }, () => 0)];
  const bottom = top - plan.depthMm;
  for (const { x, y } of places) {
    w.rapid({ x, y });
    w.rapid({ z: top + start });
    let done = 0;
    for (const share of shares) {
      done += share;
      const diameter = plan.holeMm + (thread.majorMm - plan.holeMm) * done;
      const radius = (diameter - toolMm) / 2;
      const feed = (plan.edgeFeedMmMin * 2 * radius) / diameter;
      w.rapid({ x, y });
      w.rapid({ z: bottom });
      // A half turn in from the middle touches the wall along it, and climbs as the helix does: a quarter of the pitch.
      const half = radius / 2;
      const lead = (plan.edgeFeedMmMin * half) / (half + toolMm / 2);
      w.arc(false, { x: x + radius, y, z: bottom + thread.pitchMm / 4 }, [x + half, y], lead);
      let height = bottom + thread.pitchMm / 4;
      for (let k = 0; k < turns; k++) {
        height += thread.pitchMm;
        w.arc(false, { x: x + radius, y, z: height }, [x, y], feed);
      }
      w.arc(false, { x, y, z: height + thread.pitchMm / 4 }, [x + half, y], lead);
    }
    w.rapid({ z: top + clear });
  }
}
