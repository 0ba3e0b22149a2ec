import type { Operation } from '../../operations/operation.ts';
import { type Burr, burrAt, type BurrSide } from '../../physics/surface/burr.ts';
import type { JudgedOperation } from '../job/judged-job.ts';

/** Which edge a burr stands on: towards the spindle, at the back of what goes through, or inside a bore that is crossed. */
export type BurrPlace = 'near' | 'far' | 'crossing';

/** A burr an operation leaves. */
export interface BurrSite extends Burr {
  readonly place: BurrPlace;
  /** Where, in words. */
  readonly where: string;
  readonly because: string;
  /** Which way round leaves least of it. */
  readonly direction: string;
}

/** What leaves a burr at an edge: where, by which kind of exit, how thick the chip is there, and why. */
interface Left {
  readonly place: BurrPlace;
  readonly side: BurrSide;
  readonly where: string;
  readonly because: string;
  readonly direction: string;
  /** Chip over that of the cut; 1 unless stated. */
  readonly chip?: number;
}

/** A drill that comes through pushes a cap before it: its chip there is the whole feed of a lip. */
const THROUGH: Left = {
  place: 'far',
  side: 'exit',
  where: 'edge where it comes through',
  because: 'the lips push the last of the wall out as a cap',
  direction: 'drill from the side where it does harm, so that it comes out where a tool gets at it',
};
const CROSSING: Left = {
  place: 'crossing',
  side: 'exit',
  where: 'inside the bore it meets',
  because: 'lips come out of a curved wall on one side first',
  direction: 'drill into the bore while it is still rough, or from it outwards',
};
const RIM: Left = {
  place: 'near',
  side: 'rim',
  where: 'rim',
  because: 'teeth run along the edge',
  direction: 'spotted with a chamfer first: the drill then comes in below the rim',
};

/** Of a milled rim: which way its cutter runs along and out. */
function directionOf({ cut, feature, path }: Operation & { kind: 'milling' }): string {
  if (feature.kind === 'slot' || path.strategy === 'trochoidal')
    return feature.openEnds
      ? 'in at the end that has to stay sharp, out at the one that is broken later'
      : 'the rim that matters on the conventional side';
  return feature.kind === 'side'
    ? 'in at the end that has to stay sharp; out over one that is broken later, or round it on an arc'
    : cut.direction === 'climb'
      ? 'climb thins the chip where teeth leave the wall; a light last turn takes most of it'
      : 'climb instead: conventional ends on its thickest chip and folds it over the rim';
}

/** Edges an operation leaves with burrs. */
function leftBy(op: Operation): Left[] {
  switch (op.kind) {
    case 'milling': {
      const { kind, through, undercut } = op.feature;
      if (kind === 'face')
        return [
          {
            place: 'near',
            side: 'exit',
            where: 'edges where teeth leave the face',
            because:
              'the chip’s end bends over the edge; an exit angle under 60° or a chamfered edge leaves less',
            direction: 'round inwards rather than out over the edges: teeth then leave into the part',
          },
        ];
      const slot = kind === 'slot' || undercut !== undefined;
      return [
        {
          ...RIM,
          where: slot ? 'both rims, the climb side more' : 'rim of the feature',
          because: 'flanks push material up over the edge',
          direction: directionOf(op),
        },
        ...(through
          ? [
              {
                ...THROUGH,
                because: 'the end of the tool pushes the last of the floor out',
                direction: 'the last level from both sides, or a skin that the finisher takes',
              },
            ]
          : []),
      ];
    }
    case 'drilling':
    case 'hole-milling':
    case 'boring':
    case 'reaming': {
      // What runs along a finished wall leaves a feather, and none at a mouth that is chamfered.
      const finishes = op.kind === 'boring' || op.kind === 'reaming';
      const light = finishes ? 0.3 : 1;
      return [
        ...(finishes ? [] : [RIM]),
        ...(op.hole.through ? [{ ...THROUGH, chip: light }] : []),
        ...(op.hole.crossHoles > 0 ? [{ ...CROSSING, chip: light }] : []),
      ];
    }
    case 'tapping':
    case 'thread-milling':
      return [
        {
          ...RIM,
          where: 'first thread',
          because: 'the first flank is pushed up',
          direction: 'the mouth chamfered first',
        },
      ];
    case 'turning':
    case 'grooving':
    case 'thread-turning':
      return [
        {
          place: 'near',
          side: 'feed-end',
          where: 'end of the cut',
          because: 'the edge runs out over a corner',
          direction: 'towards the larger diameter or into a chamfer that is already there',
        },
      ];
    default:
      return [];
  }
}

type Judged = Pick<JudgedOperation, 'document' | 'context' | 'evaluation'>;

/** Thickest chip of an operation, mm. */
function chipOf({ document: op, evaluation }: Judged): number {
  const number = (key: string): number | undefined => evaluation.numbers.find((n) => n.key === key)?.value;
  const perTurn = number('fn');
  return (
    number('hex') ??
    (perTurn === undefined ? (number('fz') ?? 0.05) : perTurn / (op.kind === 'drilling' ? 2 : 1))
  );
}

/** Burrs an operation leaves, thickest first. */
export function burrSites(judged: Judged): BurrSite[] {
  const { document: op, context } = judged;
  const chipMm = chipOf(judged);
  const edgeRadiusMm = (context.cutter.extended.edge_radius_um?.[1] ?? 15) / 1000;
  return leftBy(op)
    .map(({ side, place, where, because, direction, chip = 1 }) => ({
      ...burrAt(side, {
        group: context.alloy.iso513_group,
        chipMm: chip * chipMm,
        edgeRadiusMm,
        wearMm: op.flankWearMm,
      }),
      place,
      where,
      because,
      direction,
    }))
    .sort((a, b) => b.heightMm - a.heightMm);
}
