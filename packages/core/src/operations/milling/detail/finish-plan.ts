import { isPolymer } from '../../../crib/alloy.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import type { MillingState } from '../milling-state.ts';
import { wallOf } from './wall-of.ts';

/** What the finisher is left with and how it should go about it. */
export interface FinishPlan {
  /** Stock for the finisher, mm: least that is a chip and under the hardened skin, most that does not bend it. */
  readonly leastMm: number;
  readonly mostMm: number;
  readonly chosenMm: number;
  readonly passes: number;
  readonly direction: 'climb' | 'conventional';
  readonly directionBecause: string;
  /** When the other direction would be right. */
  readonly exceptions: readonly string[];
  /** Thickness left in inside corners and on steps, mm. */
  readonly restInCornerMm: number;
  readonly restOnStepsMm: number;
  /** Largest cutter that finishes the corner without a spike, mm; null where there is no inside corner. */
  readonly cornerCutterMm: number | null;
  readonly spring: { readonly worth: boolean; readonly because: string };
}

/** Edge radii a chip needs, and the multiple of the least stock beyond which a second pass is due; rule G-80. */
const EDGE_RADII = 4;
const ONE_PASS = 3;
/** Share of a corner's radius a finisher may have; rule G-08. */
const CORNER_SHARE = 0.85;

const EXCEPTIONS = [
  'a hard or cast skin, scale or alpha case: conventional enters under it',
  'an axis with backlash, or a manual table',
  'a part held so lightly that climb draws it into the cutter',
  'polymers and soft copper alloys, whose edges fray in climb',
];

/** Finishing of the wall this cut leaves, or makes. Rules G-45, G-80, G-81. */
export function finishPlan(state: MillingState): FinishPlan {
  const { op, context, plan } = state;
  const { alloy, cutter } = context;
  const edge = (EDGE_RADII * (cutter.extended.edge_radius_um?.[1] ?? 10)) / 1000;
  const wall = wallOf(state);
  const scatter = Math.abs(wall.profile.largestMm - wall.profile.smallestMm);
  const least = Math.max(edge, alloy.work_hardening.hardened_layer_depth_mm.worn_edge) + plan.leavesStepMm;
  const chosen = op.feature.allowanceMm > 0 ? op.feature.allowanceMm : op.cut.radialEngagementMm;
  const most = Math.max(least * 1.5, Math.min(0.06 * outerDiameter(cutter), 1));
  const polymer = isPolymer(alloy);
  const light = op.workholding.kind === 'adhesive' || op.workholding.kind === 'vacuum';
  const corner = op.feature.cornerRadiusMm;
  const [first] = wall.springs;
  const hardens = alloy.iso513_group === 'S' || alloy.iso513_group === 'M';
  const worth = first !== undefined && !first.rubs && !hardens;
  return {
    leastMm: Math.max(least, scatter),
    mostMm: Math.max(most, scatter),
    chosenMm: chosen,
    passes: chosen > ONE_PASS * Math.max(least, 0.1) ? 2 : 1,
    direction: polymer || light ? 'conventional' : 'climb',
    directionBecause: polymer
      ? 'climb frays this material'
      : light
        ? `climb would draw the part into the cutter and off its ${op.workholding.kind}`
        : 'the chip starts thick and ends thin, and the bend leaves stock rather than digging in: it can be taken off',
    exceptions: polymer || light ? ['a stiff fixture allows climb'] : EXCEPTIONS,
    restInCornerMm: plan.leavesInCornerMm,
    restOnStepsMm: plan.leavesStepMm,
    cornerCutterMm: corner === null ? null : 2 * corner * CORNER_SHARE,
    spring: {
      worth,
      because: !first
        ? 'the wall comes out right the first time'
        : first.rubs
          ? `the ${(first.foundMm * 1000).toFixed(0)} µm left give a chip of ${(first.chipMm * 1000).toFixed(1)} µm: the edge only rubs and the size does not move; offset by what was measured instead`
          : hardens
            ? `it would leave ${(first.leftMm * 1000).toFixed(0)} of ${(first.foundMm * 1000).toFixed(0)} µm, but rubbing hardens this alloy: two passes of equal stock and an offset do it better`
            : `it leaves ${(first.leftMm * 1000).toFixed(0)} of ${(first.foundMm * 1000).toFixed(0)} µm`,
    },
  };
}
