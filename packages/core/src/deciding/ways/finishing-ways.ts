import type { OperationContext } from '../../operations/context.ts';
import type { MillingCut, MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { FinishedFace } from '../../physics/path/finishing.ts';
import { say } from '../../units/sentence.ts';
import { otherDirection } from './other-direction.ts';
import { surfaceWaysOf } from './shapes-on-surface.ts';
import type { Way } from './way.ts';
import { type WayDraft, workedOut } from './way-draft.ts';
import { withTool } from './with-tool.ts';

const LEVEL_WORDS: Readonly<Record<number, string>> = {
  1: 'One length of edge',
  2: 'Two levels',
  4: 'Four levels',
};

/** A wall in one, two and four levels, the stock in two passes, a spring pass, and the other direction. */
function wallWays(op: MillingOperation, context: OperationContext): WayDraft[] {
  const { feature, cut, path } = op;
  const edge = Math.min(context.cutter.properties.APMX ?? Infinity, op.tooling.stickOutMm);
  const at = (change: Partial<MillingCut>): MillingOperation => ({ ...op, cut: { ...cut, ...change } });
  const levels = Math.max(1, Math.ceil(feature.depthMm / cut.axialDepthMm - 1e-6));
  return [
    ...[1, 2, 4]
      .filter((n) => n !== levels && feature.depthMm / n <= edge)
      .map((n) => ({
        id: `levels-${n}`,
        name: LEVEL_WORDS[n]!,
        op: at({ axialDepthMm: feature.depthMm / n }),
        context,
        engaged: true,
        ...(n > 1 && { mind: say('Levels leave borders on the wall; each laps the last by a little.') }),
      })),
    ...(cut.radialEngagementMm > 0.6 * feature.widthMm
      ? [
          {
            id: 'two-passes',
            name: 'Stock in two passes',
            op: at({ radialEngagementMm: feature.widthMm / 2 }),
            context,
            engaged: true,
          },
        ]
      : []),
    {
      id: 'spring',
      name: path.springPasses === 0 ? 'With a spring pass' : 'Without spring passes',
      op: { ...op, path: { ...path, springPasses: path.springPasses === 0 ? 1 : 0 } },
      context,
      engaged: true,
    },
    otherDirection(op, context),
  ];
}

function ribWays(op: MillingOperation, context: OperationContext): WayDraft[] {
  const { feature, cut } = op;
  const finishing = feature.finishing!;
  const thick = finishing.ribMm ?? 3;
  const levels = [2, 4, 8].map((n) => n * thick).filter((mm) => mm < feature.depthMm);
  return [
    ...levels
      .filter((mm) => Math.abs(mm / cut.axialDepthMm - 1) > 0.3)
      .map((mm) => ({
        id: `level-${mm / thick}`,
        name: `Levels of ${mm / thick} thicknesses`,
        op: { ...op, cut: { ...cut, axialDepthMm: mm } },
        context,
        engaged: true,
      })),
    {
      id: 'sides',
      name: finishing.inTurn ? 'One side after the other' : 'Both sides in turn',
      op: { ...op, feature: { ...feature, finishing: { ...finishing, inTurn: !finishing.inTurn } } },
      context,
      engaged: true,
      mind: say(
        finishing.inTurn
          ? 'The finished side has to be filled or backed.'
          : 'What is below still holds the rib; twice the way across.',
      ),
    },
    otherDirection(op, context),
  ];
}

/** A floor with narrower and wider passes, and its stock in two. */
function floorWays(op: MillingOperation, context: OperationContext): WayDraft[] {
  const { cut, feature } = op;
  const d = context.cutter.properties.DC ?? 10;
  return [
    ...[0.4, 0.8]
      .filter(
        (share) => Math.abs((share * d) / cut.radialEngagementMm - 1) > 0.1 && share * d <= feature.widthMm,
      )
      .map((share) => ({
        id: `step-${100 * share}`,
        name: `Passes of ${100 * share}%`,
        op: { ...op, cut: { ...cut, radialEngagementMm: share * d } },
        context,
        engaged: true,
      })),
    {
      id: 'two-passes',
      name: 'Stock in two passes',
      op: { ...op, cut: { ...cut, axialDepthMm: feature.depthMm / 2 } },
      context,
      engaged: true,
    },
  ];
}

/** Corners in lighter bites and lower levels, and with the largest cutter that is smaller. */
function cornerWays(
  op: MillingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): WayDraft[] {
  const { cut, feature } = op;
  const smaller = others
    .filter(({ cutter }) => /^end_mill_(?:flat|bull)/.test(cutter.type))
    .filter(({ cutter: { properties: p } }) => (p.LU ?? 0) >= feature.depthMm)
    .filter(({ cutter: { properties: p } }) => (p.DC ?? 0) < 0.9 * (context.cutter.properties.DC ?? 0))
    .sort((a, b) => (b.cutter.properties.DC ?? 0) - (a.cutter.properties.DC ?? 0))[0];
  return [
    {
      id: 'lighter',
      name: 'Half the bite',
      op: { ...op, cut: { ...cut, radialEngagementMm: cut.radialEngagementMm / 2 } },
      context,
      engaged: true,
    },
    {
      id: 'lower',
      name: 'Half the level',
      op: { ...op, cut: { ...cut, axialDepthMm: cut.axialDepthMm / 2 } },
      context,
      engaged: true,
    },
    ...(smaller
      ? [
          {
            id: 'smaller',
            name: `With ${smaller.cutter.properties.DC} mm`,
            op: withTool(op, smaller),
            context: smaller,
          },
        ]
      : []),
  ];
}

/** Ways of each face that is finished. */
const WAYS: Readonly<
  Record<
    FinishedFace,
    (op: MillingOperation, context: OperationContext, others: readonly OperationContext[]) => WayDraft[]
  >
> = {
  wall: wallWays,
  'floor-and-wall': wallWays,
  rib: ribWays,
  floor: floorWays,
  corner: cornerWays,
  surface: surfaceWaysOf,
};

/**
 * Ways to finish the same face: as it is, and in other levels, passes, directions and shapes, each with its own first numbers; `others` are
 * the contexts of other tools of the crib. Empty of a cut that finishes nothing.
 */
export function finishingWays(
  op: MillingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): Way<MillingOperation>[] {
  const { finishing } = op.feature;
  if (!finishing) return [];
  return workedOut([
    { id: 'as-it-is', name: 'As it is', op, context },
    ...WAYS[finishing.face](op, context, others),
  ]);
}
