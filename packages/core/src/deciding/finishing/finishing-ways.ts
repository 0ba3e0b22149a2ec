import type { Cutter } from '../../crib/cutter.ts';
import { isPolymer } from '../../crib/alloy.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { setStickOut, withStartingCut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { MillingCut, MillingOperation } from '../../operations/milling/milling-operation.ts';
import { tiltWords } from '../../operations/milling/finishing-sentence.ts';
import { SAME_ENGAGEMENT, settledCut } from '../../operations/milling/settled-cut.ts';
import { renewedMilling } from '../../operations/milling/starting-milling.ts';
import type { FinishedFace } from '../../physics/path/finishing.ts';
import { wantedTilts } from '../../physics/surface/surface-contact.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import { cutOf, type Way } from '../ways/way.ts';

/** A way that is to be worked out. */
export interface WayDraft {
  readonly id: string;
  readonly name: string;
  readonly op: MillingOperation;
  readonly context: OperationContext;
  /** Depth and width are what makes the way: only speed and feed follow. */
  readonly engaged?: boolean;
  readonly mind?: Sentence;
}

/** Numbers of a way: its own first ones, eased as far as its wall, tool and spindle ask. */
function started({ op, context, engaged }: WayDraft): MillingOperation {
  if (!engaged) return withStartingCut(op, context) as MillingOperation;
  const renewed = { ...op, cut: renewedMilling(op, context) };
  return { ...renewed, cut: settledCut(renewed, context, SAME_ENGAGEMENT) };
}

/** Ways as they come out, those that cannot be run at all left out. */
export const workedOut = (drafts: readonly WayDraft[]): Way<MillingOperation>[] =>
  drafts
    .map((draft) => ({ ...draft, op: draft.id === 'as-it-is' ? draft.op : started(draft) }))
    .filter(({ op, context }) => problemsOf(op, context).length === 0)
    .map(({ op, context, id, name, mind }) => ({
      ...cutOf(op, context),
      id,
      name,
      context,
      ...(mind && { mind }),
    }));

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

/** Why one goes against the usual direction, or with it. */
const DIRECTION: Readonly<Record<MillingCut['direction'], string>> = {
  climb: 'Climb: the chip starts thick and ends on the wall; the table must have no backlash.',
  conventional:
    'Conventional: rubs in before it cuts, and lifts the part; for frayed polymers, scale, and tables with backlash.',
};

function otherDirection(op: MillingOperation, context: OperationContext): WayDraft {
  const direction = op.cut.direction === 'climb' ? 'conventional' : 'climb';
  return {
    id: direction,
    name: direction === 'climb' ? 'Climb' : 'Conventional',
    op: { ...op, cut: { ...op.cut, direction } },
    context,
    engaged: true,
    mind: say(
      isPolymer(context.alloy) && direction === 'climb'
        ? 'Climb frays the edge of a polymer.'
        : DIRECTION[direction],
    ),
  };
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

/** Corners in lighter bites and lower levels, and with the smallest of the other cutters that rolls round them. */
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

/** The operation with the tool of another context, out as far as the feature asks. */
function withTool(op: MillingOperation, { cutter, holder }: OperationContext): MillingOperation {
  const deep = op.feature.finishing?.floorMm ?? op.feature.depthMm;
  return {
    ...op,
    pins: [],
    tooling: {
      cutterId: cutter.id,
      holderId: holder.id,
      stickOutMm: setStickOut({ cutter }, deep),
    },
  };
}

const tapers = ({ properties }: Cutter): boolean => Number(properties['TA'] ?? 0) > 0;
const ROUNDED: readonly (readonly [id: string, name: string, is: (c: Cutter) => boolean])[] = [
  ['ball', 'Ball', (c) => c.type === 'end_mill_ball'],
  ['bull', 'Bull nose', (c) => c.type === 'end_mill_bull'],
  ['barrel', 'Barrel', (c) => c.type === 'end_mill_barrel' && !tapers(c)],
  ['taper-barrel', 'Taper barrel', (c) => c.type === 'end_mill_barrel' && tapers(c)],
  ['lens', 'Lens', (c) => c.type === 'end_mill_lens'],
];

/** Of each rounded shape the cutter nearest in size to the one at hand, tilted as it wants to be. */
function surfaceWaysOf(
  op: MillingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): WayDraft[] {
  const { feature } = op;
  const finishing = feature.finishing!;
  const size = context.cutter.properties.DC ?? 10;
  return [
    ...ROUNDED.flatMap(([id, name, is]): WayDraft[] => {
      const [nearest] = others
        .filter(({ cutter }) => is(cutter) && wantedTilts(cutter, feature.slopeDeg).length > 0)
        .filter(
          ({ cutter: { properties: p } }) => (p.LU ?? Infinity) >= Math.min(finishing.floorMm, 3 * size),
        )
        .sort(
          (a, b) =>
            Math.abs((a.cutter.properties.DC ?? 0) - size) - Math.abs((b.cutter.properties.DC ?? 0) - size),
        );
      if (!nearest) return [];
      const { tiltDeg } = wantedTilts(nearest.cutter, feature.slopeDeg)[0]!;
      const tilted = {
        ...feature,
        finishing: {
          ...finishing,
          surface: { hollowMm: finishing.surface?.hollowMm ?? null, tiltDeg: Number(tiltDeg.toFixed(1)) },
        },
      };
      return [
        {
          id,
          name: `${name} ${nearest.cutter.properties.DC} mm`,
          op: { ...withTool(op, nearest), feature: tilted },
          context: nearest,
          ...(tiltDeg !== 0 && {
            mind: say(`Tilted ${tiltWords(tiltDeg)}.`, measure(Math.abs(tiltDeg), 'deg')),
          }),
        },
      ];
    }),
    otherDirection(op, context),
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
