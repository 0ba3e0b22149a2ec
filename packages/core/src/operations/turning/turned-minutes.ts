import type { Machine } from '../../crib/machine.ts';
import { rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { minutesAcross, minutesAlong, type SurfaceSpeed } from '../../physics/turning/surface-speed.ts';
import type { OperationContext } from '../context.ts';
import { contourOf } from './profile/contour.ts';
import { lengthDeeperThan, minutesAlongContour } from './profile/profile-passes.ts';
import type { TurningOperation } from './turning-operation.ts';

/** Clearance before a pass, mm. */
const APPROACH = 2;

/** Minutes in the cut and in the air of all passes. */
export function minutesOf(
  op: TurningOperation,
  { machine }: OperationContext,
  set: SurfaceSpeed,
  passes: number,
  depthMm: number,
) {
  const { stretch: s, cut } = op;
  const feed = cut.feedPerRevMm;
  let [cutting, air] = [0, 0];
  const side = s.way === 'inside' ? 1 : -1;
  if (s.profile) return minutesOfProfile(op, machine, set, passes, depthMm);
  for (let i = 1; i <= Math.min(passes, MOST_PASSES); i++) {
    const at =
      side > 0
        ? Math.min(s.endMm, s.startMm + 2 * depthMm * i)
        : Math.max(s.endMm, s.startMm - 2 * depthMm * i);
    cutting +=
      s.way === 'face'
        ? minutesAcross(set, s.startMm + 2 * APPROACH, Math.max(0, s.endMm), feed)
        : minutesAlong(set, at, s.lengthMm + APPROACH, feed);
    const back = s.way === 'face' ? (s.startMm - s.endMm) / 2 : s.lengthMm;
    air += (rapidSeconds(back + APPROACH, s.way === 'face' ? machine.axes.x : machine.axes.z) + 1) / 60;
  }
  const share = passes / Math.min(passes, MOST_PASSES);
  return { cutting: cutting * share, air: air * share };
}
/** Passes added up one by one; more are taken as more of the same. */
const MOST_PASSES = 200;

/** A profile from the full diameter: passes as far as it lies deeper, the last along it; on an even skin all go along it. */
function minutesOfProfile(
  { stretch: s, cut }: TurningOperation,
  machine: Machine,
  set: SurfaceSpeed,
  passes: number,
  depthMm: number,
) {
  const profile = s.profile!;
  const inside = s.way === 'inside';
  const feed = cut.feedPerRevMm;
  const along = minutesAlongContour(contourOf(profile, inside), set, feed);
  const contours = profile.skinMm === null ? 1 : passes;
  const straight = passes - contours;
  let [cutting, air] = [contours * along, 0];
  const back = (length: number): number => (rapidSeconds(length + APPROACH, machine.axes.z) + 1) / 60;
  air += contours * back(s.lengthMm);
  const counted = Math.min(straight, MOST_PASSES);
  for (let i = 1; i <= counted; i++) {
    const radius = s.startMm / 2 + (inside ? 1 : -1) * depthMm * i;
    const length = lengthDeeperThan(profile, inside, radius);
    cutting += (straight / counted) * minutesAlong(set, 2 * radius, length + APPROACH, feed);
    air += (straight / counted) * back(length);
  }
  return { cutting, air };
}
