import type { OperationContext } from '../context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { MillingOperation } from './milling-operation.ts';
import { SIDE_STEP } from '../../physics/cutting/plunge.ts';
import {
  cornerArc,
  type CornerCut,
  pathRadiusWithoutSpike,
  steadyStepover,
  straightArc,
} from '../../physics/path/corner-engagement.ts';
import { entryPlan, type EntryPlan } from '../../physics/path/entry-plan.ts';
import { feedOnArc } from '../../physics/path/block-rate.ts';
import { isSurface } from './engaged-edge.ts';
import { floorPath } from './finishing-cut.ts';
import { runsAlong } from '../../physics/path/undercut.ts';
import { terraceHeight } from '../../physics/surface/scallop.ts';
import {
  clearedArea,
  insideCorners,
  isClosed,
  wallLength,
  widthAcross,
} from '../../physics/path/feature-geometry.ts';

/** The corner as this path goes round it. */
export interface CornerPlan {
  /** Radius of the centre's path, mm. */
  readonly pathRadiusMm: number;
  /** Stepover there, mm: less than on the straight where the path keeps the engagement. */
  readonly radialMm: number;
  /** Widest engagement angle, rad. */
  readonly arc: number;
  /** Thickest chip over that of the straight cut. */
  readonly chipPeak: number;
  /** Path radius from which the arc stays within `STEADY_RATIO` of the straight one, mm. */
  readonly steadyPathMm: number;
}

/** Arc in the corner over the straight one that still counts as steady; rule G-08. */
export const STEADY_RATIO = 1.3;

/** What a strategy runs for one feature; lengths in mm, independent of speed and feed. */
export interface PathPlan {
  readonly levels: number;
  readonly passes: number;
  /** Path in the cut without corners and entries. */
  readonly cutMm: number;
  /** Path of the centre in inside corners. */
  readonly cornerMm: number;
  /** Path in the air at linking feed: ways back, approaches. */
  readonly linkMm: number;
  readonly entry: EntryPlan;
  readonly corner: CornerPlan | null;
  /** Thickness left in an inside corner beyond the drawing's radius, mm. */
  readonly leavesInCornerMm: number;
  /** Height of the steps or ridges left on the wall, mm. */
  readonly leavesStepMm: number;
  /** Why this cannot be run, or null. */
  readonly impossible: string | null;
}

/** Sharpest corner a constant-engagement path is given when nobody says otherwise, over the diameter. */
const ROLLING_RADIUS = 0.15;
/** Way down and up for each approach, mm. */
const APPROACH = 20;
/** A cut narrower than this share runs one way and comes back in the air; wide ones go to and fro. */
const ONE_WAY = 0.4;
/** Share of its diameter by which a loop has to be wider than the cutter. */
const LEAST_LOOP = 0.1;

/** Diameter and stepover of one plan, read once. */
interface Measures {
  readonly d: number;
  readonly ae: number;
  readonly levels: number;
  readonly passes: number;
  readonly area: number;
}

function measures(op: MillingOperation, context: OperationContext): Measures {
  const d = outerDiameter(context.cutter);
  const ae = Math.min(op.cut.radialEngagementMm, d);
  const across = widthAcross(op.feature);
  return {
    d,
    ae,
    levels: Math.max(1, Math.ceil(op.feature.depthMm / op.cut.axialDepthMm - 1e-6)),
    passes: Math.max(1, Math.ceil(Math.max(across, ae) / ae - 1e-6)),
    area: clearedArea(op.feature),
  };
}

/** Corners of one cutter and path radius by their stepover: a search asks for the same few widths thousands of times. */
const kept = { diameter: 0, radius: 0, steady: false, byWidth: new Map<number, CornerPlan>() };
const KEPT_MOST = 400;

function cornerPlan(op: MillingOperation, d: number, ae: number): CornerPlan | null {
  const { feature, path } = op;
  if (insideCorners(feature) === 0 || feature.cornerRadiusMm === null) return null;
  const least = Math.max(0, feature.cornerRadiusMm - d / 2);
  const steady = path.strategy === 'constant-engagement' || path.strategy === 'trochoidal';
  const radius = Math.max(least, path.cornerPathRadiusMm ?? (steady ? ROLLING_RADIUS * d : 0));
  if (kept.diameter !== d || kept.radius !== radius || kept.steady !== steady) {
    Object.assign(kept, { diameter: d, radius, steady, byWidth: new Map<number, CornerPlan>() });
  }
  const known = kept.byWidth.get(ae);
  if (known) return known;
  const plan = workOutCorner({ toolDiameterMm: d, radialMm: ae, pathRadiusMm: radius }, steady);
  if (kept.byWidth.size >= KEPT_MOST) kept.byWidth.clear();
  kept.byWidth.set(ae, plan);
  return plan;
}

function workOutCorner(corner: CornerCut, steady: boolean): CornerPlan {
  const radial = steady ? steadyStepover(corner) || corner.radialMm : corner.radialMm;
  const straight = straightArc(corner);
  const arc = cornerArc({ ...corner, radialMm: radial });
  const sine = (angle: number): number => (angle >= Math.PI / 2 ? 1 : Math.sin(angle));
  return {
    pathRadiusMm: corner.pathRadiusMm,
    radialMm: radial,
    arc,
    // The chip is compared with the straight cut's, not with that of the lighter corner pass.
    chipPeak: arc <= straight * 1.002 ? 1 : sine(arc) / sine(straight),
    steadyPathMm: pathRadiusWithoutSpike(corner.toolDiameterMm, corner.radialMm, STEADY_RATIO),
  };
}

/** A full slot along the middle first, then a pass along each side after another; only what is wider than the cutter is widened. */
function slotPlan(op: MillingOperation, m: Measures) {
  const { lengthMm, widthMm } = op.feature;
  const long = Math.max(lengthMm, widthMm);
  const across = Math.min(widthMm, lengthMm);
  const along = Math.max(long - m.d, m.d / 4);
  const beside = Math.max(0, across - m.d);
  const widening = 2 * Math.ceil(beside / 2 / m.ae - 1e-6);
  return {
    cutMm: m.levels * along * (1 + widening),
    cornerMm: 0,
    backMm: m.levels * along * (m.ae < ONE_WAY * m.d ? widening : widening / 2),
    impossible:
      !isClosed(op.feature) || beside < m.ae / 4
        ? 'nothing is left to widen: the slot is as wide as the cutter'
        : op.feature.island
          ? 'an island stands where the slot would go'
          : null,
  };
}

/** A rib has two sides. */
const sidesOf = ({ finishing }: MillingOperation['feature']): number => (finishing?.face === 'rib' ? 2 : 1);

/** Pocket, slot, side, boss or face cleared pass by pass. */
function passesPlan(op: MillingOperation, context: OperationContext, m: Measures, corner: CornerPlan | null) {
  const { feature } = op;
  const { d, ae, levels, passes } = m;
  const closed = isClosed(feature);
  if (feature.kind === 'pocket') {
    const cut = m.area / ae;
    const rings = Math.max(1, passes / 2);
    const turns = 4 * rings * (Math.PI / 2) * (corner?.pathRadiusMm ?? 0);
    // Where the corner is taken in lighter passes each is run and returned from.
    const repeats = corner ? Math.max(1, ae / corner.radialMm) : 1;
    const back = (repeats - 1) * turns + (ae < ONE_WAY * d && op.path.strategy === 'levels' ? cut : 0);
    return {
      cutMm: levels * cut,
      cornerMm: levels * turns * repeats,
      backMm: levels * back,
      impossible: null,
    };
  }
  const along =
    feature.kind === 'boss'
      ? 2 * (feature.lengthMm + feature.widthMm) + Math.PI * d
      : closed
        ? Math.max(feature.lengthMm - d, d / 4)
        : feature.lengthMm + d;
  const cut =
    levels * passes * along * runsAlong(feature.undercut, feature.widthMm, d) * sidesOf(feature) +
    (feature.finishing ? floorPath(feature.finishing, context) : 0);
  const bends = corner ? levels * passes * insideCorners(feature) * (Math.PI / 2) * corner.pathRadiusMm : 0;
  // Over a surface passes go to and fro: their steps are narrow whatever the cutter.
  const back = feature.kind === 'boss' ? 0 : ae < ONE_WAY * d && !isSurface(op) ? cut : levels * along;
  return { cutMm: cut, cornerMm: bends, backMm: back, impossible: null };
}

/** Loops of the trochoid: each moves on by the stepover, half of it in the cut, at two thirds of the width on average. */
function trochoidPlan(op: MillingOperation, m: Measures) {
  const across = Math.min(op.feature.widthMm, op.feature.lengthMm);
  const loop = across - m.d;
  const loops = Math.max(1, Math.max(op.feature.lengthMm, op.feature.widthMm) / m.ae);
  const half = (Math.PI * Math.max(loop, 0)) / 2;
  return {
    cutMm: m.levels * loops * (half + m.ae),
    cornerMm: 0,
    backMm: m.levels * loops * half,
    impossible:
      !isClosed(op.feature) || loop < LEAST_LOOP * m.d
        ? 'there is no room to loop: the slot is hardly wider than the cutter'
        : null,
  };
}

function plungePlan(op: MillingOperation, m: Measures) {
  const strokes = Math.max(1, Math.ceil(m.area / (SIDE_STEP * m.d * m.ae)));
  const depth = op.feature.depthMm;
  return {
    cutMm: strokes * depth,
    cornerMm: 0,
    backMm: strokes * (depth + op.path.entry.startHeightMm + m.d),
    ridge: m.d / 2 - Math.sqrt((m.d / 2) ** 2 - ((SIDE_STEP * m.d) / 2) ** 2),
  };
}

/** The path of an operation: passes, corners, ways back, entry, and what it leaves for the finisher. */
export function planPath(op: MillingOperation, context: OperationContext): PathPlan {
  const { feature, path, cut } = op;
  const m = measures(op, context);
  const entry = entryPlan(path.entry, {
    cutter: context.cutter,
    alloy: context.alloy,
    feature,
    axialDepthMm: Math.min(cut.axialDepthMm, feature.depthMm),
    toolChangeS: context.machine.tool_change_s,
  });
  const corner = path.strategy === 'plunge' ? null : cornerPlan(op, m.d, m.ae);
  const left =
    feature.cornerRadiusMm === null ? 0 : (corner?.pathRadiusMm ?? 0) + m.d / 2 - feature.cornerRadiusMm;
  const leavesInCornerMm = insideCorners(feature) > 0 ? Math.max(0, (Math.SQRT2 - 1) * left) : 0;
  const { levels, passes } = m;
  if (path.strategy === 'plunge') {
    const p = plungePlan(op, m);
    return {
      levels: 1,
      passes,
      cutMm: p.cutMm,
      cornerMm: 0,
      linkMm: p.backMm + APPROACH,
      entry,
      corner,
      leavesInCornerMm,
      leavesStepMm: p.ridge,
      impossible: context.cutter.extended.plunge_ok === false ? 'this end face is not made to plunge' : null,
    };
  }
  const p =
    path.strategy === 'trochoidal'
      ? trochoidPlan(op, m)
      : path.strategy === 'slot-then-widen'
        ? slotPlan(op, m)
        : passesPlan(op, context, m, corner);
  return {
    levels,
    passes,
    cutMm: p.cutMm + path.springPasses * levels * wallLength(feature),
    cornerMm: p.cornerMm,
    linkMm: p.backMm + levels * (feature.depthMm + APPROACH),
    entry,
    corner,
    leavesInCornerMm,
    // The walls of a groove are those of its cutter.
    leavesStepMm: feature.undercut || isSurface(op) ? 0 : terraceHeight(feature.slopeDeg, cut.axialDepthMm),
    impossible: p.impossible,
  };
}

/** Feed of ways back and links, as a share of the axis' maximum and at most, mm/min. */
const LINK_SHARE = 0.3;
const LINK_MOST = 10000;

export interface PathMinutes {
  /** Edge in the metal, entries included. */
  readonly contact: number;
  /** Of the contact, the part that is entry. */
  readonly entry: number;
  /** Entry feed above the material. */
  readonly air: number;
  readonly link: number;
}

/** Cycle time per feature feature at a table feed (mm/min); the axes slow the path in sharp corners. */
export function pathMinutes(plan: PathPlan, context: OperationContext, feedMmMin: number): PathMinutes {
  const { x, y } = context.machine.axes;
  const most = Math.min(x.max_accel_m_s2, (y ?? x).max_accel_m_s2);
  const inCorner = plan.corner
    ? Math.max(1, Math.min(feedMmMin, feedOnArc(most, Math.max(0.05, plan.corner.pathRadiusMm))))
    : feedMmMin;
  const entryFeed = feedMmMin * plan.entry.feedShare;
  const entry = (plan.levels * (plan.entry.pathMm - plan.entry.airMm)) / entryFeed;
  const link = Math.min(LINK_MOST, (context.rates?.linkFeedShare ?? LINK_SHARE) * x.max_feed_mm_min);
  return {
    contact: plan.cutMm / feedMmMin + plan.cornerMm / inCorner + entry,
    entry,
    air: (plan.levels * plan.entry.airMm) / entryFeed,
    link: plan.linkMm / link + plan.entry.extraMin,
  };
}
