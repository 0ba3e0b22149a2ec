import type { OperationContext } from '../../context.ts';
import { isSurface, leanOf } from '../engaged-edge.ts';
import type { MillingState } from '../milling-state.ts';
import { maximumChip } from '../../../physics/cutting/chip-thickness.ts';
import { leanAfterSprings } from '../../../physics/structure/spring-lean.ts';
import { SHOP_FLOOR, SHOP_FLOOR_MM } from '../../shop-floor.ts';
import { type Estimate, plus, scale, uncertain } from '../../../judging/estimate.ts';
import { measure, say, type Sentence } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Edge radii a finishing pass needs to make a chip; rule G-80 gives three to five. */
const EDGE_RADII = 4;
/** Least part of the stock to leave that a rougher may dig into. */
const LEAST_GOUGE = 0.25;

/** Stock a finisher has to find under what the rougher dug, mm: a chip, and metal that is not hardened. */
const stockFinisherNeeds = ({ alloy, cutter }: OperationContext): number =>
  Math.max(
    (EDGE_RADII * (cutter.extended.edge_radius_um?.[1] ?? 10)) / 1000,
    alloy.work_hardening.hardened_layer_depth_mm.worn_edge,
  );

/** What is judged of a wall: the error, what is allowed and why. */
interface WallVerdict {
  readonly error: Estimate;
  readonly allowedMm: number;
  readonly from: string;
  readonly why: () => Sentence;
}

/** Push on the wall of a fresh edge over that of the worn one: in light cuts wear doubles it. */
function freshShare(state: MillingState, wall: 'offWallN' | 'intoWallN'): number {
  const worn = state.turn[wall];
  return compared(state) && worn > 0 ? Math.min(1, state.freshTurn[wall] / worn) : 1;
}

/** Largest push on the wall with a fresh edge, N. */
const freshPushN = ({ freshTurn }: MillingState): number => Math.max(freshTurn.offWallN, freshTurn.intoWallN);

/** Forces of a fresh edge are a second turn worked out: only once the hand rests, and where wear is assumed at all. */
const compared = ({ op, context }: MillingState): boolean =>
  op.flankWearMm > 0 && context.periodic !== undefined;

/** The words for the same error with a fresh edge, as measure `n`. */
const freshly = (state: MillingState, n: number): string =>
  compared(state) ? `, {${n}} with a fresh edge` : '';

/** A rougher that leaves the wall adds stock for the finisher; one that digs in must leave it a chip. */
function roughed(state: MillingState): WallVerdict {
  const { leanOffMm, leanIntoMm, op, context } = state;
  const left = op.feature.allowanceMm;
  const dig = Math.max(LEAST_GOUGE * left, left - stockFinisherNeeds(context));
  const off = leanOffMm.value / left >= leanIntoMm.value / dig;
  const [error, allowedMm] = off ? [leanOffMm, left] : [leanIntoMm, dig];
  return {
    error,
    allowedMm,
    from: off ? 'stock to leave' : 'stock to leave, less the chip the finisher needs',
    why: () =>
      say(
        off
          ? `Deflection off the wall {0}${freshly(state, 3)}; {1} allowed (stock to leave {2}).`
          : `Deflection into the wall {0}${freshly(state, 3)}; {1} allowed (stock to leave {2}, a chip must remain).`,
        measure(error.value, 'mm-deflection'),
        measure(allowedMm, 'mm-deflection'),
        measure(left, 'mm-deflection'),
        measure(error.value * freshShare(state, off ? 'offWallN' : 'intoWallN'), 'mm-deflection'),
      ),
  };
}

function finished(state: MillingState): WallVerdict {
  const { deflectionMm: first, op, context, diameterInCutMm, turn } = state;
  const { cutter } = context;
  const { feature, path, cut } = op;
  const after = leanAfterSprings(
    first.value,
    cut.radialEngagementMm,
    path.springPasses,
    (cutter.extended.edge_radius_um?.[1] ?? 10) / 1000,
    (width) => maximumChip(cut.feedPerToothMm, Math.min(width, diameterInCutMm), diameterInCutMm),
  );
  // A surface feels of a bend across the axis what points along its normal.
  const felt = isSurface(op) ? Math.sin((leanOf(op) * Math.PI) / 180) : 1;
  const lean = scale(first, felt * (first.value > 0 ? after.leftMm / first.value : 1));
  const floor = uncertain(SHOP_FLOOR_MM, SHOP_FLOOR);
  const error = plus(lean, floor);
  const fresh = freshly(state, 2);
  const wall = turn.offWallN >= turn.intoWallN ? 'offWallN' : 'intoWallN';
  const text =
    path.springPasses === 0
      ? `${isSurface(op) ? 'Surface off by' : 'Wall error'} {0}${fresh}; {1} allowed (tolerance).`
      : after.useful === 0
        ? `Wall error {0}${fresh}, a spring pass would only rub; {1} allowed (tolerance).`
        : `Wall error after the spring pass {0}${fresh}; {1} allowed (tolerance).`;
  return {
    error,
    allowedMm: feature.wallToleranceMm,
    from: 'wall tolerance',
    why: () =>
      say(
        text,
        measure(error.value, 'mm-deflection'),
        measure(feature.wallToleranceMm, 'mm-deflection'),
        measure(plus(scale(lean, freshShare(state, wall)), floor).value, 'mm-deflection'),
      ),
  };
}

/** The tool bends off the wall or into it: what that leaves against what may be left. A face has no wall. */
export const wallErrorLimit: Limit<MillingState> = {
  id: 'wall-error',
  group: 'accuracy',
  name: 'wall deflection',
  asks: 'forces',
  assess(state) {
    const { op, leanParts, wallForceN } = state;
    if (op.feature.kind === 'face') return null;
    const { error, allowedMm, from, why } = op.feature.allowanceMm > 0 ? roughed(state) : finished(state);
    return {
      predicted: { estimate: error, unit: 'mm-deflection' },
      allowed: { value: allowedMm, unit: 'mm-deflection', from },
      ...used(error, allowedMm),
      why,
      formula: 'δ = Fn·(beam + clamp + holder + spindle)',
      inputs: () => [
        input('Fn', 'force while a tooth forms the wall', wallForceN.value, 'N'),
        ...(compared(state) ? [input('Fn fresh', 'the same with a fresh edge', freshPushN(state), 'N')] : []),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
        input('δ tool', 'tool bending', leanParts.tool, 'mm-deflection'),
        input('δ clamp', 'holder joint', leanParts.clamp, 'mm-deflection'),
        input('δ holder', 'holder body', leanParts.holder, 'mm-deflection'),
        input('δ spindle', 'spindle and machine', leanParts.spindle, 'mm-deflection'),
      ],
      source: 'stepped Euler–Bernoulli beam on springs; Kops & Vo 1990 for the fluted section',
    };
  },
};
