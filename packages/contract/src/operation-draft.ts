import {
  BLANK_CUT,
  type DrillingOperation,
  type EdgeMillingOperation,
  type Finishing,
  type Groove,
  grooveDepth,
  type GroovingOperation,
  type InLathe,
  isLathe,
  type Machine,
  type MillingFeatureKind,
  type MillingOperation,
  type Operation,
  type OperationBase,
  type PartEdge,
  PLAIN_FEATURE,
  PLAIN_HOLE,
  PLAIN_IN_LATHE,
  type ThreadForm,
  type ThreadTurningOperation,
  type TurnedStretch,
  type TurnedThread,
  type TurningOperation,
  type Undercut,
  USUAL_WEAR_MM,
  usualPath,
} from '@burl/core';

/** Where on a lathe something is milled or drilled; absent takes the usual. */
interface OnPart {
  readonly part?: InLathe;
}

/** A feature that is milled. Lengths in mm. */
export interface MilledSize extends OnPart {
  readonly kind: MillingFeatureKind;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly cornerRadiusMm: number | null;
  /** Of a groove and of a curved surface. */
  readonly slopeDeg?: number;
  readonly scallopMm?: number;
  readonly undercut?: Undercut;
  readonly allowanceMm?: number;
  /** Of a finishing cut. */
  readonly finishing?: Finishing;
}

/** An edge that is broken, rounded or a line that is engraved. */
export interface EdgeSize extends OnPart {
  readonly edge: PartEdge;
}

/** Holes of one size. */
export interface HoleSize extends OnPart {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly through: boolean;
  readonly count: number;
}

/** A shank stands out this far where nothing asks for more, mm. */
const SHANK_OUT = 30;
/** What is turned: a stretch, a groove, a thread. */
export type TurnedSize =
  | { readonly stretch: TurnedStretch }
  | { readonly groove: Groove }
  | { readonly thread: ThreadForm; readonly turned: TurnedThread };
/** What a new operation cuts. */
export type OperationSize = MilledSize | EdgeSize | HoleSize | TurnedSize;

const isTurnedSize = (size: object): size is TurnedSize =>
  'stretch' in size || 'groove' in size || 'turned' in size;

/** How deep the tool has to reach, mm: a bar the whole bore, a parting blade the middle. */
export function reachOf(size: OperationSize): number {
  if ('edge' in size) return size.edge.face === 'far' ? (size.edge.depthMm ?? 0) + 2 : 2;
  if ('kind' in size) return size.undercut?.floorMm ?? size.finishing?.floorMm ?? size.depthMm;
  if ('depthMm' in size) return size.depthMm;
  if ('stretch' in size) return size.stretch.way === 'inside' ? size.stretch.lengthMm + 1 : SHANK_OUT;
  if ('turned' in size)
    return size.turned.internal ? size.turned.fromEndMm + size.turned.lengthMm + 1 : SHANK_OUT;
  const { groove } = size;
  if (groove.way === 'inside') return groove.fromEndMm + groove.lengthMm + 1;
  return groove.way === 'part-off' ? grooveDepth(groove) : SHANK_OUT;
}

/** The sizes of a feature without the part it is on. */
const featureOf = ({ part: _, ...feature }: MilledSize): Omit<MilledSize, 'part'> => feature;

/** Where a lathe mills or drills: by a driven tool, a hole on the axis with the part turning. */
export function lathePart(machine: Machine, size: OperationSize): InLathe | null {
  if (!isLathe(machine) || isTurnedSize(size)) return null;
  if (size.part) return size.part;
  const hole = 'diameterMm' in size;
  // A mill-turn centre mills and drills with its milling spindle like any other.
  if (machine.kind !== 'lathe') return null;
  return { ...PLAIN_IN_LATHE, turns: hole ? 'part' : 'tool' };
}

/** A draft of what is turned; its numbers are worked out next. */
function turnedDraft(common: OperationBase, size: TurnedSize, widthMm: number): Operation {
  if ('stretch' in size)
    return {
      ...common,
      kind: 'turning',
      stretch: size.stretch,
      cut: { speedRpm: 500, capRpm: 1000, feedPerRevMm: 0.1, depthMm: 0.5 },
    } satisfies TurningOperation;
  if ('groove' in size)
    return {
      ...common,
      kind: 'grooving',
      groove: size.groove,
      cut: {
        speedRpm: 300,
        capRpm: 1000,
        feedPerRevMm: 0.05,
        depthMm: Math.max(0.1, grooveDepth(size.groove)),
        stepMm: 0.75 * widthMm,
        widenBy: 'plunges',
        firstPlunge: 'outer',
        slowBelowMm: 3,
        slowShare: 0.6,
      },
    } satisfies GroovingOperation;
  return {
    ...common,
    kind: 'thread-turning',
    thread: size.thread,
    turned: size.turned,
    cut: { speedRpm: 300, passes: 8, springPasses: 1, infeed: 'flank' },
  } satisfies ThreadTurningOperation;
}

/** A slot this narrow has no room for a second cutter: what makes it makes its size. */
const NARROW_SLOT_MM = 4;

/** What is asked of a feature when only its size is known. */
function askedOf(size: MilledSize): { readonly allowanceMm: number; readonly wallToleranceMm: number } {
  // Held as a drawing without a word asks, ISO 2768-m.
  if (size.kind === 'slot' && size.widthMm <= NARROW_SLOT_MM) return { allowanceMm: 0, wallToleranceMm: 0.1 };
  // A face is made at once unless somebody leaves something on it.
  if (size.kind === 'face') return { allowanceMm: 0, wallToleranceMm: 0.05 };
  if (size.undercut) return { allowanceMm: 0, wallToleranceMm: 0.2 };
  return size.finishing
    ? { allowanceMm: 0, wallToleranceMm: 0.05 }
    : { allowanceMm: 0.3, wallToleranceMm: 0.03 };
}

/** A surface is run in short lines, held to a finer tolerance than the surface's own, mm. */
const SURFACE_PATH = { blocks: 'lines', toleranceMm: 0.005 } as const;

const milledDraft = (common: OperationBase, size: MilledSize): MillingOperation => ({
  ...common,
  kind: 'milling',
  feature: {
    ...PLAIN_FEATURE,
    stockMm: size.kind === 'boss' ? 5 : null,
    ...askedOf(size),
    ...featureOf(size),
  },
  workholding: {
    kind: common.inLathe ? 'fixture' : 'vice',
    capacityN: null,
    liftCapacityN: null,
    releaseC: null,
  },
  flankWearMm: size.finishing ? USUAL_WEAR_MM.finishing : USUAL_WEAR_MM.roughing,
  forceLaw: 'kienzle',
  path: { ...usualPath(size.kind), ...(size.finishing?.face === 'surface' && SURFACE_PATH) },
  cut: BLANK_CUT,
});

const drilledDraft = (common: OperationBase, size: HoleSize): DrillingOperation => ({
  ...common,
  kind: 'drilling',
  featuresPerEdge: size.count,
  role: 'drill',
  followedByDeg: null,
  hole: {
    ...PLAIN_HOLE,
    diameterMm: size.diameterMm,
    depthMm: size.depthMm,
    through: size.through,
  },
  cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'plan', breakthroughFeed: 1 },
});

const edgeDraft = (common: OperationBase, { edge }: EdgeSize): EdgeMillingOperation => ({
  ...common,
  kind: 'edge-milling',
  edge,
  cut: { speedRpm: 1000, feedPerToothMm: 0.03, offTipMm: 0.3, passes: 1, direction: 'climb' },
});

/** A draft of an operation for a size; `bladeMm` is the width of a blade. Its numbers are worked out next. */
export function draftOf(common: OperationBase, size: OperationSize, bladeMm: number): Operation {
  if (isTurnedSize(size))
    return turnedDraft({ ...common, flankWearMm: USUAL_WEAR_MM.roughing }, size, bladeMm);
  if ('edge' in size) return edgeDraft(common, size);
  return 'diameterMm' in size ? drilledDraft(common, size) : milledDraft(common, size);
}
