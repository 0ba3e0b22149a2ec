import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

export interface LadderPlan {
  /** Speeds to hear, rpm, in the order they run. */
  readonly speeds: readonly number[];
  readonly feedPerToothMm: number;
  readonly teeth: number;
  readonly toolMm: number;
  readonly axialMm: number;
  readonly radialMm: number;
  readonly lengthMm: number;
}

/** Cuts for a chatter test along the front face of a block: one speed a cut, chip the same, a stop before each to note what was heard. */
export function writeSpeedLadder(
  w: Writer,
  plan: LadderPlan,
  { x, y }: Place,
  top: number,
  start: number,
  clear: number,
): void {
  const room = plan.toolMm / 2 + 2;
  for (const [k, speed] of plan.speeds.entries()) {
    w.comment(`cut ${k + 1}: ${Math.round(speed)} rpm`);
    w.raw('M1');
    w.raw(`S${Math.round(speed)} M3`);
    // Climb: the material stands on the right of the way.
    const across = y - plan.toolMm / 2 + (k + 1) * plan.radialMm;
    w.rapid({ x: x + plan.lengthMm + room, y: across });
    // It comes down beside the block.
    w.rapid({ z: top + start });
    w.rapid({ z: top - plan.axialMm });
    w.line({ x: x - room }, speed * plan.teeth * plan.feedPerToothMm);
    w.rapid({ z: top + clear });
  }
}
