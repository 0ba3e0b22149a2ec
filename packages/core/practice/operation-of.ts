import { withProfile } from '../src/operations/turning/profile/with-profile.ts';
import { type FaceSetup, PLAIN_FACE } from '../src/operations/milling/face-setup.ts';
import type { EntryMethod } from '../src/physics/path/entry.ts';
import type { CoolantKind } from '../src/operations/operation-base.ts';
import { PLAIN_HOLE } from '../src/physics/holes/hole.ts';
import { threadOf } from '../src/physics/threads/thread-table.ts';
import {
  type MillingFeatureKind,
  type Operation,
  type OperationBase,
  PLAIN_FEATURE,
  UNSTATED_ECONOMICS,
  USUAL_WEAR_MM,
} from '../src/operations/operation.ts';
import { PLAIN_STRETCH, type TurnedStretch } from '../src/operations/turning/turning-operation.ts';
import {
  type Groove,
  grooveDepth,
  type GroovingOperation,
  PLAIN_GROOVE,
} from '../src/operations/grooving/grooving-operation.ts';
import {
  PLAIN_TURNED_THREAD,
  threadStart,
  type ThreadTurningOperation,
  type TurnedThread,
} from '../src/operations/thread-turning/thread-turning-operation.ts';
import type { Infeed } from '../src/physics/threads/turned-passes.ts';
import { type PartEdge, PLAIN_EDGE } from '../src/operations/edge-milling/edge-milling-operation.ts';
import { type Finishing, PLAIN_FINISHING } from '../src/physics/path/finishing.ts';
import { PLAIN_UNDERCUT, type Undercut } from '../src/physics/path/undercut.ts';
import { usualPath } from '../src/operations/milling/milling-operation.ts';

/** A cut somebody runs, or one known to fail, by ids of the shipped crib; lengths in mm, speeds in m/min and rpm. */
interface PracticeBase {
  readonly id: string;
  /** Shops run it every day; false where it is known to fail. */
  readonly runs: boolean;
  readonly alloy: string;
  readonly machine: string;
  readonly cutter: string;
  readonly holder: string;
  readonly stickOutMm: number;
  readonly cuttingSpeedMMin: number;
  readonly speedRpm?: number | null;
  readonly coolant: CoolantKind;
  /** Limits of which one at least has to be over where the cut is known to fail. */
  readonly expectOver?: readonly string[];
  readonly why: string;
}

export interface MillingPractice extends PracticeBase {
  readonly kind: 'milling';
  readonly feature: MillingFeatureKind;
  readonly axialDepthMm: number;
  readonly radialEngagementMm: number;
  readonly feedPerToothMm: number;
  /** Left on the wall for the finisher, mm; 0.4 unless stated, 0 where this cut finishes. */
  readonly allowanceMm?: number;
  /** Roughness asked for, Ra in µm; tolerance of wall or face, mm, 0.05 unless stated. */
  readonly raUm?: number;
  readonly toleranceMm?: number;
  /** How inserts of a face mill stand, as it differs from the plain one. */
  readonly face?: Partial<FaceSetup>;
  /** Of a groove under a wall or round a ring: what differs from the plain one, and how deep and high it is. */
  readonly undercut?: Partial<Undercut>;
  /** Of a finishing cut: what it finds, as it differs from a plain wall. */
  readonly finishing?: Partial<Finishing>;
  readonly cornerRadiusMm?: number;
  readonly widthMm?: number;
  readonly depthMm?: number;
  readonly slopeDeg?: number;
  /** Ridges that may stay between passes. */
  readonly scallopMm?: number;
  /** Way in, where it is not the usual one of the feature. */
  readonly entry?: EntryMethod;
}

/** An edge broken, rounded, or a line engraved; the first cut Burl would begin with where no speed is stated. */
export interface EdgePractice extends PracticeBase {
  readonly kind: 'edge-milling';
  readonly edge: Partial<PartEdge>;
  readonly feedPerToothMm: number;
  readonly offTipMm: number;
  readonly passes?: number;
}

interface HolePractice extends PracticeBase {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly through?: boolean;
  /** Hole already there, mm. */
  readonly startMm?: number;
}

export interface DrillingPractice extends HolePractice {
  readonly kind: 'drilling';
  readonly feedPerRevMm: number;
  readonly peck: 'plan' | 'none' | number;
  readonly piloted?: boolean;
}

export interface ReamingPractice extends HolePractice {
  readonly kind: 'reaming';
  readonly feedPerRevMm: number;
}

export interface TappingPractice extends HolePractice {
  readonly kind: 'tapping';
  /** Thread by designation, `M8`. */
  readonly thread: string;
}

export interface ThreadMillingPractice extends HolePractice {
  readonly kind: 'thread-milling';
  readonly thread: string;
  readonly feedPerToothMm: number;
  readonly passes?: number;
}

export interface TurningPractice extends PracticeBase {
  readonly kind: 'turning';
  /** As it differs from a stretch one would begin with. */
  readonly stretch: Partial<TurnedStretch>;
  readonly feedPerRevMm: number;
  readonly depthMm: number;
  readonly capRpm: number;
}

export interface GroovingPractice extends PracticeBase {
  readonly kind: 'grooving';
  /** As it differs from a groove one would begin with. */
  readonly groove: Partial<Groove>;
  readonly feedPerRevMm: number;
  readonly capRpm: number;
  /** Depth between lifts; the whole groove unless stated. */
  readonly depthMm?: number;
  readonly cut?: Partial<GroovingOperation['cut']>;
}

export interface ThreadTurningPractice extends PracticeBase {
  readonly kind: 'thread-turning';
  /** Thread by designation, `M20`. */
  readonly thread: string;
  readonly turned: Partial<TurnedThread>;
  readonly passes: number;
  readonly infeed: Infeed;
}

export type PracticeCut =
  | EdgePractice
  | GroovingPractice
  | ThreadTurningPractice
  | TurningPractice
  | MillingPractice
  | DrillingPractice
  | ReamingPractice
  | TappingPractice
  | ThreadMillingPractice;

export interface PracticeSet {
  readonly note?: string;
  /** Limits that count. An id counts for all limits it begins, so `drill-feed` for its low and its high end. */
  readonly judged: readonly string[];
  readonly cuts: readonly PracticeCut[];
}

/** Conditions every cut of a set shares unless somebody asks otherwise. */
export interface PracticeConditions {
  /** Flank wear assumed, mm. */
  readonly flankWearMm: number;
  /** Judged as while a hand moves, by the averaged cut, and not by the periodic solution it rests on. */
  readonly moving?: boolean;
}

const USUAL: PracticeConditions = { flankWearMm: 0.1 };

function baseOf(c: PracticeCut, { flankWearMm }: PracticeConditions): OperationBase {
  return {
    alloyId: c.alloy,
    machineId: c.machine,
    tooling: { cutterId: c.cutter, holderId: c.holder, stickOutMm: c.stickOutMm },
    coolant: c.coolant,
    measured: { hardness: null, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: null },
    // A finishing edge is changed before it is worn as a roughing one is.
    flankWearMm:
      'finishing' in c && c.finishing ? Math.min(flankWearMm, USUAL_WEAR_MM.finishing) : flankWearMm,
    featuresPerEdge: 1,
    featuresPerPart: 1,
    edgesOnShelf: null,
    economics: UNSTATED_ECONOMICS,
    workedOutFor: { alloyId: c.alloy, cutterId: c.cutter, hardness: null },
    pins: [],
    notes: '',
  };
}

const millingOf = (
  c: MillingPractice,
  base: OperationBase,
  speedRpm: number,
  cutterDiameterMm: number,
): Operation => ({
  ...base,
  kind: 'milling',
  feature: {
    ...PLAIN_FEATURE,
    kind: c.feature,
    lengthMm: 90,
    widthMm:
      c.widthMm ??
      (c.feature === 'pocket' ? 60 : c.feature === 'slot' ? cutterDiameterMm : c.radialEngagementMm),
    depthMm: c.depthMm ?? Math.max(1, c.axialDepthMm),
    slopeDeg: c.slopeDeg ?? 90,
    scallopMm: c.scallopMm ?? null,
    ...(c.undercut && { undercut: { ...PLAIN_UNDERCUT, ...c.undercut } }),
    cornerRadiusMm: c.cornerRadiusMm ?? (c.feature === 'pocket' ? 12 : null),
    ...(c.finishing && { finishing: { ...PLAIN_FINISHING, floorMm: c.depthMm ?? 10, ...c.finishing } }),
    allowanceMm: c.allowanceMm ?? 0.4,
    wallToleranceMm: c.toleranceMm ?? 0.05,
    raUm: c.raUm ?? null,
  },
  workholding: { kind: 'fixture', capacityN: 20_000, liftCapacityN: null, releaseC: null },
  forceLaw: 'kienzle',
  ...(c.face && { face: { ...PLAIN_FACE, ...c.face } }),
  path: c.entry
    ? { ...usualPath(c.feature), entry: { ...usualPath(c.feature).entry, method: c.entry } }
    : usualPath(c.feature),
  cut: {
    speedRpm,
    feedPerToothMm: c.feedPerToothMm,
    axialDepthMm: c.axialDepthMm,
    radialEngagementMm: c.radialEngagementMm,
    direction: 'climb',
  },
});

function turningOf(c: TurningPractice, base: OperationBase): Operation {
  const stated = { ...PLAIN_STRETCH, ...c.stretch };
  const stretch = stated.profile ? withProfile(stated, stated.profile) : stated;
  const largest = Math.max(stretch.startMm, stretch.endMm);
  return {
    ...base,
    kind: 'turning',
    stretch,
    cut: {
      speedRpm: c.speedRpm ?? Math.min(c.capRpm, (1000 * c.cuttingSpeedMMin) / (Math.PI * largest)),
      capRpm: c.capRpm,
      feedPerRevMm: c.feedPerRevMm,
      depthMm: c.depthMm,
    },
  };
}

function groovingOf(c: GroovingPractice, base: OperationBase, widthMm: number): Operation {
  const groove = { ...PLAIN_GROOVE, ...c.groove };
  const largest = Math.max(groove.startMm, groove.endMm);
  return {
    ...base,
    kind: 'grooving',
    groove,
    cut: {
      speedRpm: c.speedRpm ?? Math.min(c.capRpm, (1000 * c.cuttingSpeedMMin) / (Math.PI * largest)),
      capRpm: c.capRpm,
      feedPerRevMm: c.feedPerRevMm,
      depthMm: c.depthMm ?? grooveDepth(groove),
      stepMm: 0.75 * widthMm,
      widenBy: 'plunges',
      firstPlunge: 'outer',
      slowBelowMm: Math.max(groove.endMm, groove.boreMm) + 3,
      slowShare: 0.6,
      ...c.cut,
    },
  };
}

function threadTurningOf(c: ThreadTurningPractice, base: OperationBase): Operation {
  const op: ThreadTurningOperation = {
    ...base,
    kind: 'thread-turning',
    thread: threadOf(c.thread),
    turned: { ...PLAIN_TURNED_THREAD, ...c.turned },
    cut: { speedRpm: 1, passes: c.passes, springPasses: 1, infeed: c.infeed },
  };
  const speedRpm = c.speedRpm ?? (1000 * c.cuttingSpeedMMin) / (Math.PI * threadStart(op));
  return { ...op, cut: { ...op.cut, speedRpm } };
}

/**
 * The operation a practice cut stands for: climb, the usual path of the feature, 20 kN of a fixture, a batch of one.
 * `cutterDiameterMm` is what the cutting speed is stated at, of a blade its width. Throws on a thread nobody knows.
 */
export function operationOf(
  c: PracticeCut,
  cutterDiameterMm: number,
  conditions: PracticeConditions = USUAL,
): Operation {
  const base = baseOf(c, conditions);
  if (c.kind === 'turning') return turningOf(c, base);
  if (c.kind === 'grooving') return groovingOf(c, base, cutterDiameterMm);
  if (c.kind === 'thread-turning') return threadTurningOf(c, base);
  if (c.kind === 'edge-milling') {
    const edge = { ...PLAIN_EDGE, ...c.edge };
    return {
      ...base,
      kind: 'edge-milling',
      edge,
      cut: {
        speedRpm:
          c.speedRpm ?? (1000 * c.cuttingSpeedMMin) / (Math.PI * (cutterDiameterMm + 2 * edge.sizeMm)),
        feedPerToothMm: c.feedPerToothMm,
        offTipMm: c.offTipMm,
        passes: c.passes ?? 1,
        direction: 'climb',
      },
    };
  }
  const at = c.kind === 'milling' || c.kind === 'thread-milling' ? cutterDiameterMm : c.diameterMm;
  const speedRpm = c.speedRpm ?? (1000 * c.cuttingSpeedMMin) / (Math.PI * at);
  if (c.kind === 'milling') return millingOf(c, base, speedRpm, cutterDiameterMm);
  const hole = {
    ...PLAIN_HOLE,
    diameterMm: c.diameterMm,
    depthMm: c.depthMm,
    through: c.through ?? false,
    startMm: c.startMm ?? 0,
  };
  switch (c.kind) {
    case 'drilling':
      return {
        ...base,
        kind: 'drilling',
        role: 'drill',
        followedByDeg: null,
        hole: { ...hole, piloted: c.piloted ?? false },
        cut: { speedRpm, feedPerRevMm: c.feedPerRevMm, peck: c.peck, breakthroughFeed: 0.7 },
      };
    case 'reaming':
      return {
        ...base,
        kind: 'reaming',
        hole: { ...hole, toleranceMm: 0.02 },
        cut: { speedRpm, feedPerRevMm: c.feedPerRevMm, outFeed: 1 },
      };
    case 'tapping':
      return {
        ...base,
        kind: 'tapping',
        thread: threadOf(c.thread),
        hole,
        cut: { speedRpm, synchronous: true },
      };
    case 'thread-milling':
      return {
        ...base,
        kind: 'thread-milling',
        thread: threadOf(c.thread),
        hole,
        cut: { speedRpm, feedPerToothMm: c.feedPerToothMm, passes: c.passes ?? 1, springPasses: 0 },
      };
  }
}
