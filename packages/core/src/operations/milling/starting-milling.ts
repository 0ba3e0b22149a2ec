import { learntLifeOf } from '../learnt-here.ts';
import { isPolymer } from '../../crib/alloy.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { chipFactor } from '../../physics/cutting/edge-profile.ts';
import { FEED_OF_DIAMETER } from '../../physics/surface/surface-contact.ts';
import { speedForLife, withinValidity } from '../../physics/life/taylor.ts';
import { sidesAtOnce } from '../../physics/path/undercut.ts';
import { widthAcross } from '../../physics/path/feature-geometry.ts';
import { diameterEngaged, edgeEngaged, isSurface } from './engaged-edge.ts';
import { finishingEngagement } from './finishing-cut.ts';
import { isHighSpeedSteel, type OperationContext } from '../context.ts';
import type { MillingCut, MillingOperation } from './milling-operation.ts';
import { speedHardnessFactor } from '../sources.ts';
import { into, startingRpm, tidy } from '../starting.ts';
import { feedForFinish } from './feed-for-finish.ts';
import { settledCut } from './settled-cut.ts';
import { chipWindow } from './chip-window.ts';

/** Tool life the first numbers aim at, minutes: below the middle, because raising at the machine is the normal plan. */
const STARTING_LIFE = 60;

/** Depth and width to begin with, by what the alloy and the feature ask for. Rules G-03, G-44. */
function startingEngagement(op: MillingOperation, context: OperationContext): { ap: number; ae: number } {
  const { alloy, cutter } = context;
  const diameter = outerDiameter(cutter);
  const hard = alloy.iso513_group === 'S' || alloy.iso513_group === 'H';
  const edge = Math.min(cutter.properties.APMX ?? diameter, op.tooling.stickOutMm);
  const depth = op.feature.depthMm;
  // Even levels: dividing the depth leaves no sliver for the last one.
  const even = (most: number): number =>
    depth / Math.ceil(depth / Math.max(0.05, Math.min(edge, most)) - 1e-9);
  const { undercut } = op.feature;
  // A head cuts its whole height; a groove deeper than an alloy lets it is reached in passes.
  if (undercut && undercut.form !== 'face-ring') {
    const most = Math.max(0.1, (hard ? 0.06 : 0.12) * diameter);
    const side = op.feature.widthMm;
    const both = sidesAtOnce(undercut, side, diameter) === 2;
    return { ap: even(edge), ae: both ? side : side / Math.ceil(side / most - 1e-9) };
  }
  // A ring in a face is a full slot of a small mill, whose chips have to come up past it.
  if (undercut)
    return { ap: even((hard ? 0.15 : 0.3) * diameter), ae: Math.min(diameter, op.feature.widthMm) };
  const { finishing } = op.feature;
  if (finishing) {
    const { ap, ae } = finishingEngagement(op, context, finishing);
    return { ap: even(ap), ae };
  }
  const ofStrategy = strategyEngagement(op, cutter, hard);
  if (ofStrategy) return { ap: even(ofStrategy.ap), ae: Math.min(ofStrategy.ae, across(op)) };
  if (op.feature.kind === 'face')
    return { ap: even(edge * 0.4), ae: Math.min(op.feature.widthMm, 0.7 * diameter) };
  if (op.feature.kind === 'slot')
    return { ap: even((hard ? 0.4 : 0.8) * diameter), ae: Math.min(diameter, op.feature.widthMm) };
  const share = hard ? 0.08 : 0.2;
  return { ap: even((hard ? 1.5 : 1) * diameter), ae: Math.min(share * diameter, across(op)) };
}

const across = (op: MillingOperation): number => Math.max(0.01, widthAcross(op.feature));

/** Depth and width a strategy asks for; null where the feature decides. Rules G-44, G-47, G-96, G-97. */
function strategyEngagement(
  op: MillingOperation,
  cutter: OperationContext['cutter'],
  hard: boolean,
): { ap: number; ae: number } | null {
  const d = outerDiameter(cutter);
  const edge = cutter.properties.APMX ?? d;
  switch (op.path.strategy) {
    case 'trochoidal':
      return { ap: (hard ? 1.2 : 1.5) * d, ae: (hard ? 0.08 : 0.12) * d };
    case 'plunge':
      return { ap: edge, ae: 0.35 * d };
    case 'high-feed':
      return cutter.type === 'high_feed_mill'
        ? { ap: 0.6 * edge, ae: 0.6 * d }
        : { ap: Math.min(edge, 0.04 * d, (cutter.properties.RE ?? 0.1) / 2), ae: 0.5 * d };
    case 'slot-then-widen':
      // The slot in the middle decides the depth; what widens it is a side cut.
      return { ap: (hard ? 0.3 : 0.6) * d, ae: (hard ? 0.3 : 0.45) * d };
    case 'levels':
      return op.feature.kind === 'pocket'
        ? { ap: (hard ? 0.4 : 0.7) * d, ae: (hard ? 0.35 : 0.5) * d }
        : null;
    default:
      return null;
  }
}

/** Cutting speed to begin with, m/min; the middle of the crib's window where there is no life model. */
function startingSpeed(
  op: MillingOperation,
  context: OperationContext,
  cut: { chip: number; ap: number; ae: number },
): number {
  const { alloy, cutter } = context;
  const windows = alloy.vc_windows_m_min;
  const middle = (w: unknown): number => (Array.isArray(w) ? (Number(w[0]) + Number(w[1])) / 2 : 20);
  if (isHighSpeedSteel(context)) return middle(windows.hss_milling);
  const model = alloy.taylor_milling_coated_carbide;
  if (!model) return middle(windows.carbide_milling.moderate_ae_0_2_0_4);
  const diameter = outerDiameter(cutter);
  const { cut: held } = withinValidity(model, {
    chipMm: cut.chip,
    radialOverDiameter: cut.ae / diameter,
    axialOverDiameter: cut.ap / diameter,
  });
  const learnt = learntLifeOf(op, context)?.factor ?? 1;
  const vc30 =
    op.measured.lifeSpeed30MMin ?? learnt * model.vc_m_min.life_30_min * speedHardnessFactor(op, context);
  return speedForLife(model, vc30, held, STARTING_LIFE);
}

/** Feed of a finishing cut over that of a full chip: thinned or not, its marks and its bend follow the feed. */
const FINISHING_FEED = 1.3;
/** Where in its window a head on a neck begins, and its speed over that of a mill: chips stay in, and the neck swings. */
const HEAD_FEED = 0.4;
const HEAD_SPEED = 0.6;

/** Highest feed per tooth a first cut takes, mm, however thin its chip. */
function mostFeed(op: MillingOperation, { cutter }: OperationContext, target: number): number {
  const { feature } = op;
  // A small cutter's teeth take no more on a surface either, and its ridges follow the feed.
  if (isSurface(op)) return tidy(Math.min(FINISHING_FEED * target, FEED_OF_DIAMETER * outerDiameter(cutter)));
  if (feature.finishing) return tidy(FINISHING_FEED * target);
  const window = cutter.extended.fz_window_mm;
  return feature.undercut && window ? into(window, HEAD_FEED) : Infinity;
}

const undercutShare = ({ feature: { undercut } }: MillingOperation): number =>
  undercut && undercut.form !== 'face-ring' ? HEAD_SPEED : 1;

/** Speed and feed for an engagement that stands. */
function speedAndFeed(
  op: MillingOperation,
  context: OperationContext,
  { ap, ae }: { readonly ap: number; readonly ae: number },
): Pick<MillingCut, 'speedRpm' | 'feedPerToothMm'> {
  const engaged = { ...op, cut: { ...op.cut, axialDepthMm: ap, radialEngagementMm: ae } };
  const widest = diameterEngaged(engaged, context.cutter);
  const bands = edgeEngaged(engaged, context.cutter, ae);
  // A plunge takes its chip along the axis, as thick as the feed.
  const factor = op.path.strategy === 'plunge' ? 1 : Math.max(0.1, chipFactor(bands));
  const { target } = chipWindow(context);
  // Below a thirtieth of the diameter the formula's multiplier is no longer believed (rule G-01).
  const most = mostFeed(op, context, target);
  const feed = feedForFinish(engaged, context, Math.min(most, tidy(target / Math.max(factor, 1 / 3))));
  const vc = undercutShare(op) * startingSpeed(op, context, { chip: feed * factor, ap, ae });
  return { feedPerToothMm: feed, speedRpm: startingRpm(context, vc, widest) };
}

/** The cut's first numbers for its alloy, cutter and machine; a finishing cut and a groove within what they have to hold. */
export function startingMilling(op: MillingOperation, context: OperationContext): MillingCut {
  const { ap, ae } = startingEngagement(op, context);
  const { finishing, undercut } = op.feature;
  const cut: MillingCut = {
    ...op.cut,
    // A polymer's edge frays in climb.
    ...(finishing && isPolymer(context.alloy) && { direction: 'conventional' as const }),
    axialDepthMm: Number(ap.toFixed(2)),
    // Rounded up, a step would leave more than its ridge.
    radialEngagementMm: isSurface(op) ? Math.floor(ae * 1000) / 1000 : Number(ae.toFixed(2)),
    ...speedAndFeed(op, context, { ap, ae }),
  };
  return finishing || undercut ? settledCut({ ...op, cut }, context) : cut;
}

/** Speed and feed worked out anew; depth and stepover stay as they are. */
export const renewedMilling = (op: MillingOperation, context: OperationContext): MillingCut => ({
  ...op.cut,
  ...speedAndFeed(op, context, { ap: op.cut.axialDepthMm, ae: op.cut.radialEngagementMm }),
});
