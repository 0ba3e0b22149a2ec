import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { leftInCorner } from '../../../physics/path/finishing.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held } from '../../holes/limits/assessments.ts';
import { leastStock } from '../finishing-cut.ts';
import { ribBendOf } from '../finishing-loads.ts';
import { isSurface } from '../engaged-edge.ts';
import type { MillingState } from '../milling-state.ts';

/** Share of a wall's tolerance the rib itself may use. */
const OF_TOLERANCE = 0.5;
/** Height over thickness beyond which a rib rings whatever the cut. */
const SLENDEST = 15;

/** A finishing pass needs stock for a chip, under what the cutter before hardened. */
export const finishStockLimit: Limit<MillingState> = {
  id: 'finish-stock',
  group: 'accuracy',
  name: 'stock to finish',
  assess({ op, context }) {
    const { finishing } = op.feature;
    if (!finishing) return null;
    const floor = finishing.face === 'floor' || finishing.face === 'surface';
    const stock = floor
      ? op.cut.axialDepthMm
      : finishing.face === 'floor-and-wall'
        ? Math.min(op.cut.radialEngagementMm, finishing.floorStockMm)
        : op.cut.radialEngagementMm;
    const needed = leastStock(context);
    return atLeast(Math.max(1e-4, stock), needed, 'mm-fine', 'a chip, under the hardened skin', {
      why: () =>
        say(
          'Takes {0} in a pass; at least {1} makes a chip and reaches under what was hardened before.',
          measure(stock, 'mm-fine'),
          measure(needed, 'mm-fine'),
        ),
      formula: 'stock ≥ max(4·r edge, hardened layer)',
      source: 'judgement rule G-80',
    });
  },
};

/** What the larger cutter before left in a corner: more than the finisher's bite is a job of its own. */
export const cornerStockLimit: Limit<MillingState> = {
  id: 'corner-stock',
  group: 'path',
  name: 'stock in corners',
  assess({ op, diameterInCutMm }) {
    const { finishing, cornerRadiusMm } = op.feature;
    if (!finishing || finishing.rougherMm === null || cornerRadiusMm === null) return null;
    if (finishing.face === 'corner' || finishing.face === 'floor' || isSurface(op)) return null;
    const left = leftInCorner(finishing.rougherMm, cornerRadiusMm) + op.feature.widthMm;
    const most = Math.max(op.cut.radialEngagementMm, 0.08 * diameterInCutMm);
    return held(left, most, 'mm', 'what a finisher takes without a jump', {
      why: () =>
        left > most
          ? say(
              'A {2} cutter before leaves {0} in the corners; {1} goes without a jump. Pick the corners out first.',
              measure(left, 'mm'),
              measure(most, 'mm'),
              measure(finishing.rougherMm!, 'mm'),
            )
          : say(
              '{0} stand in the corners; {1} goes without a jump.',
              measure(left, 'mm'),
              measure(most, 'mm'),
            ),
      formula: '(√2 − 1)·(R before − R corner) + stock ≤ larger of ae and 8% of D',
      inputs: () => [
        input('D', 'cutter before', finishing.rougherMm!, 'mm'),
        input('R', 'corner', cornerRadiusMm, 'mm'),
      ],
      source: 'circle geometry; judgement',
    });
  },
};

/** A rib gives way under the cutter and springs back thick. */
export const ribLimit: Limit<MillingState> = {
  id: 'rib',
  group: 'accuracy',
  name: 'bend of the rib',
  asks: 'forces',
  assess(state) {
    const bend = ribBendOf(state);
    if (!bend) return null;
    const { finishing, wallToleranceMm, depthMm } = state.op.feature;
    const allowed = OF_TOLERANCE * wallToleranceMm;
    const slender = depthMm / (finishing!.ribMm ?? 1);
    return {
      ...held(bend, allowed, 'mm-deflection', 'half the tolerance of the wall', {
        why: () =>
          say(
            `Rib gives {0}; {1} allowed. ${
              finishing!.inTurn
                ? 'Both sides in turn: the level below holds it.'
                : 'One side after the other: the whole {2} stand alone; take both sides in turn, level by level.'
            }`,
            measure(bend.value, 'mm-deflection'),
            measure(allowed, 'mm-deflection'),
            measure(depthMm, 'mm'),
          ),
        formula: 'δ = F·h³/(3·E·I), acting over two heights',
        inputs: () => [
          input('h/t', 'height over thickness', slender, 'ratio'),
          input('t', 'thickness left', finishing!.ribMm ?? 0, 'mm'),
        ],
        source: 'cantilever plate, Jaramillo 1950',
      }),
      ...(slender > SLENDEST && bend.value <= allowed ? { verdict: 'tight' as const, share: exact(1) } : {}),
    };
  },
};
