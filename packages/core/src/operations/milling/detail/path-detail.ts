import { outerDiameter } from '../../../crib/cutter.ts';
import { driveEfficiency } from '../../sources.ts';
import type { MillingState } from '../milling-state.ts';
import { powerFromTorque } from '../../../physics/cutting/milling-forces.ts';
import { centreFeed } from '../../../physics/cutting/arc-feed.ts';
import {
  cornerArc,
  largestCutterWithoutSpike,
  pathRadiusWithoutSpike,
  straightArc,
  widthOfArc,
} from '../../../physics/path/corner-engagement.ts';
import { type RatedEntry, rateEntries } from '../../../physics/path/entry-plan.ts';
import { loadAt } from './load-at.ts';
import { STEADY_RATIO } from '../path-plan.ts';

export interface CornerPoint {
  readonly pathRadiusMm: number;
  readonly arcDeg: number;
  /** Peak side force over that of the straight cut. */
  readonly forceTimes: number;
}

export interface EntryLoad {
  readonly torqueNm: number;
  readonly sideForceN: number;
  readonly powerKw: number;
}

export interface PathDetail {
  readonly entries: readonly RatedEntry[];
  /** Loads while entering the chosen way; null where the edge cuts nothing new. */
  readonly entryLoad: EntryLoad | null;
  readonly straightArcDeg: number;
  readonly corner: readonly CornerPoint[];
  readonly smallestPathMm: number | null;
  readonly largestCutterMm: number | null;
  /** Feed of the centre that keeps this cut's feed at the edge, mm/min: inside and outside an arc of the corner. */
  readonly insideFeedMmMin: number | null;
  readonly outsideFeedMmMin: number | null;
  readonly leadInMm: number;
}

const DEG = 180 / Math.PI;
const POINTS = 24;

/** Ways in, corner and arcs of this cut, for the page that shows them. */
export function pathDetail(state: MillingState): PathDetail {
  const { op, context, feedRateMmMin, plan } = state;
  const d = outerDiameter(context.cutter);
  const ae = Math.min(op.cut.radialEngagementMm, d);
  const ap = op.cut.axialDepthMm;
  const straight = straightArc({ toolDiameterMm: d, radialMm: ae });
  const base = loadAt(state, ae, ap, 1).peakFxy;
  const hasCorner = plan.corner !== null && straight < Math.PI * 0.9;
  const corner: CornerPoint[] = hasCorner
    ? Array.from({ length: POINTS }, (_, i) => {
        const pathRadiusMm = 0.02 * d * 150 ** (i / (POINTS - 1));
        const arc = cornerArc({ toolDiameterMm: d, radialMm: ae, pathRadiusMm });
        return {
          pathRadiusMm,
          arcDeg: arc * DEG,
          forceTimes: loadAt(state, widthOfArc(arc, d), ap, 1).peakFxy / base,
        };
      })
    : [];
  const entryPlace = {
    cutter: context.cutter,
    alloy: context.alloy,
    feature: op.feature,
    axialDepthMm: Math.min(ap, op.feature.depthMm),
    toolChangeS: context.machine.tool_change_s,
  };
  const entering = plan.entry.method === 'helix' || plan.entry.method === 'ramp';
  const load = entering ? loadAt(state, d, Math.max(0.02, plan.entry.axialMm), plan.entry.feedShare) : null;
  const cornerRadius = op.feature.cornerRadiusMm;
  const smallest = hasCorner ? pathRadiusWithoutSpike(d, ae, STEADY_RATIO) : null;
  return {
    entries: rateEntries(op.path.entry, entryPlace, feedRateMmMin, plan.levels),
    entryLoad: load
      ? {
          torqueNm: load.meanTorqueNm,
          sideForceN: load.peakFxy,
          powerKw: powerFromTorque(load.meanTorqueNm, op.cut.speedRpm) / driveEfficiency(context).value,
        }
      : null,
    straightArcDeg: straight * DEG,
    corner,
    smallestPathMm: smallest !== null && Number.isFinite(smallest) ? smallest : null,
    largestCutterMm:
      cornerRadius === null ? null : largestCutterWithoutSpike(cornerRadius, ae / d, STEADY_RATIO),
    insideFeedMmMin:
      cornerRadius !== null && 2 * cornerRadius > d + 0.1
        ? centreFeed(feedRateMmMin, { finishedMm: 2 * cornerRadius, toolMm: d, internal: true })
        : null,
    outsideFeedMmMin:
      cornerRadius === null
        ? null
        : centreFeed(feedRateMmMin, { finishedMm: 2 * cornerRadius, toolMm: d, internal: false }),
    leadInMm: op.path.leadInRadiusMm ?? d / 2,
  };
}
