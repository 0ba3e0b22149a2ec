import {
  BLANK_CUT,
  type DrillingOperation,
  type EdgeMillingOperation,
  type PartEdge,
  fittingHolders,
  type InLathe,
  isLathe,
  type Machine,
  PLAIN_IN_LATHE,
  isDrill,
  type MillingOperation,
  type Operation,
  type OperationBase,
  PLAIN_FEATURE,
  PLAIN_HOLE,
  startingStickOut,
  cuttingWidth,
  type Groove,
  grooveDepth,
  type GroovingOperation,
  type ThreadForm,
  type ThreadTurningOperation,
  type TurnedStretch,
  type TurnedThread,
  type TurningOperation,
  UNSTATED_ECONOMICS,
  USUAL_WEAR_MM,
  usualPath,
  wantsDry,
  withStartingCut,
} from '@burl/core';
import { cribSource, resolveContext } from './context.ts';
import type { Crib } from './crib.ts';
import type { JobFields } from './jobs.ts';

const unmeasured = { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null } as const;

/** Holder of the crib that takes the cutter and fits the spindle; stiff kinds first. */
export function fittingHolder(crib: Crib, machineId: string, cutterId: string): string | null {
  const machine = crib.machines.find((m) => m.id === machineId)?.document;
  const cutter = crib.cutters.find((c) => c.id === cutterId)?.document;
  if (!machine || !cutter) return null;
  return (
    fittingHolders(
      crib.holders.filter((h) => !h.retired).map((h) => h.document),
      machine,
      cutter,
    )[0]?.id ?? null
  );
}

/** A slot this narrow has no room for a second cutter: what makes it makes its size. */
const NARROW_SLOT_MM = 4;

/** A shank stands out this far where nothing asks for more, mm. */
const SHANK_OUT = 30;
/** What is turned: a stretch, a groove, a thread. */
export type TurnedSize =
  | { readonly stretch: TurnedStretch }
  | { readonly groove: Groove }
  | { readonly thread: ThreadForm; readonly turned: TurnedThread };
/** An edge that is broken, rounded or a line that is engraved. */
export interface EdgeSize {
  readonly edge: PartEdge;
}
const isTurnedSize = (size: object): size is TurnedSize =>
  'stretch' in size || 'groove' in size || 'turned' in size;

/** How deep the tool has to reach, mm: a bar the whole bore, a parting blade the middle. */
function reachOf(size: { readonly depthMm: number } | EdgeSize | TurnedSize): number {
  if ('edge' in size) return size.edge.face === 'far' ? (size.edge.depthMm ?? 0) + 2 : 2;
  if ('depthMm' in size) return size.depthMm;
  if ('stretch' in size) return size.stretch.way === 'inside' ? size.stretch.lengthMm + 1 : SHANK_OUT;
  if ('turned' in size)
    return size.turned.internal ? size.turned.fromEndMm + size.turned.lengthMm + 1 : SHANK_OUT;
  const { groove } = size;
  if (groove.way === 'inside') return groove.fromEndMm + groove.lengthMm + 1;
  return groove.way === 'part-off' ? grooveDepth(groove) : SHANK_OUT;
}

/** The sizes of a feature without the part it is on. */
const featureOf = <T extends { part?: InLathe }>({ part: _, ...feature }: T): Omit<T, 'part'> => feature;

/** Where a lathe mills or drills: by a driven tool, a hole on the axis with the part turning. */
function lathePart(machine: Machine, size: object): InLathe | null {
  if (!isLathe(machine) || isTurnedSize(size)) return null;
  if ('part' in size) return size.part as InLathe;
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

/** A new operation with numbers worked out for its cutter, or null when no holder fits. */
export function blankOperation(
  crib: Crib,
  job: Pick<JobFields, 'alloyId' | 'machineId' | 'quantity' | 'heatLot'>,
  cutterId: string,
  size:
    | {
        lengthMm: number;
        widthMm: number;
        depthMm: number;
        cornerRadiusMm: number | null;
        kind: MillingOperation['feature']['kind'];
        part?: InLathe;
      }
    | { diameterMm: number; depthMm: number; through: boolean; count: number; part?: InLathe }
    | (EdgeSize & { part?: InLathe })
    | TurnedSize,
): Operation | null {
  const cutter = crib.cutters.find((c) => c.id === cutterId)?.document;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const holderId = fittingHolder(crib, job.machineId, cutterId);
  if (!cutter || !machine || !alloy || !holderId) return null;
  const throughTool =
    isDrill(cutter) && machine.coolant.through_spindle && cutter.extended.through_coolant === true;
  // Held as a drawing without a word asks, ISO 2768-m.
  const narrow = 'kind' in size && size.kind === 'slot' && size.widthMm <= NARROW_SLOT_MM;
  const dry = wantsDry(alloy) && !isDrill(cutter);
  const inLathe = lathePart(machine, size);
  const common = {
    ...(inLathe && { inLathe }),
    alloyId: job.alloyId,
    machineId: job.machineId,
    tooling: {
      cutterId,
      holderId,
      stickOutMm: Math.ceil(startingStickOut({ cutter }, reachOf(size) + 2) * 2) / 2,
    },
    coolant: throughTool
      ? ('through-tool' as const)
      : dry && machine.coolant.air_blast
        ? ('air' as const)
        : ('flood' as const),
    measured: unmeasured,
    flankWearMm: USUAL_WEAR_MM.finishing,
    featuresPerEdge: 1,
    featuresPerPart: 'count' in size ? size.count : 1,
    edgesOnShelf: null,
    economics: UNSTATED_ECONOMICS,
    workedOutFor: { alloyId: job.alloyId, cutterId, hardness: null },
    pins: [],
    notes: '',
  };
  const draft: Operation = isTurnedSize(size)
    ? turnedDraft({ ...common, flankWearMm: USUAL_WEAR_MM.roughing }, size, cuttingWidth(cutter))
    : 'edge' in size
      ? ({
          ...common,
          kind: 'edge-milling',
          edge: size.edge,
          cut: { speedRpm: 1000, feedPerToothMm: 0.03, offTipMm: 0.3, passes: 1, direction: 'climb' },
        } satisfies EdgeMillingOperation)
      : 'diameterMm' in size
        ? ({
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
          } satisfies DrillingOperation)
        : ({
            ...common,
            kind: 'milling',
            feature: {
              ...PLAIN_FEATURE,
              stockMm: size.kind === 'boss' ? 5 : null,
              ...featureOf(size),
              ...(narrow
                ? { allowanceMm: 0, wallToleranceMm: 0.1 }
                : { allowanceMm: 0.3, wallToleranceMm: 0.03 }),
            },
            workholding: {
              kind: inLathe ? 'fixture' : 'vice',
              capacityN: null,
              liftCapacityN: null,
              releaseC: null,
            },
            flankWearMm: USUAL_WEAR_MM.roughing,
            forceLaw: 'kienzle',
            path: usualPath(size.kind),
            cut: BLANK_CUT,
          } satisfies MillingOperation);
  const found = resolveContext(draft, cribSource(crib, job));
  return 'context' in found ? withStartingCut(draft, found.context) : null;
}
