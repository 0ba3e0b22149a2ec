import type { Operation } from '../../operations/operation.ts';
import type { JudgedJob, JudgedOperation, JudgedSetup } from '../job/judged-job.ts';
import type { Side } from '../job/job-plan.ts';
import { type BurrSite, burrSites } from './burr-sites.ts';

/** A burr of the route and what takes it off. */
export interface RoutedBurr extends BurrSite {
  readonly setupId: string;
  readonly operationId: string;
  readonly name: string;
  /** Operation that takes it off; null where nothing does. */
  readonly goneBy: { readonly operationId: string; readonly name: string } | null;
  /** What to do where nothing takes it off. */
  readonly remedy: string | null;
}

/** A setup's operations in the order that leaves fewest burrs, where it is another than theirs. */
export interface BurrOrder {
  readonly setupId: string;
  readonly name: string;
  readonly operationIds: readonly string[];
  /** What moves, and why. */
  readonly moves: readonly {
    readonly operationId: string;
    readonly name: string;
    readonly because: string;
  }[];
}

export interface BurrPlan {
  readonly burrs: readonly RoutedBurr[];
  readonly orders: readonly BurrOrder[];
}

/** Burrs lower than this go with a wipe, mm: no operation is asked for. */
const NO_MATTER = 0.02;
/** Hole and opening that are the same, mm. */
const SAME = 0.6;

const OPPOSITE: Readonly<Record<Side, Side>> = {
  top: 'bottom',
  bottom: 'top',
  left: 'right',
  right: 'left',
  front: 'back',
  back: 'front',
};

const breaksEdges = (op: Operation): boolean =>
  (op.kind === 'edge-milling' && op.edge.form !== 'engraving') || op.kind === 'chamfering';
const finishesBore = (op: Operation): boolean => op.kind === 'boring' || op.kind === 'reaming';
const bore = (op: Operation): number | null => ('hole' in op ? op.hole.diameterMm : null);

/** Whether a later operation of the same setup takes a burr off. */
function takesHere(later: Operation, from: Operation, { place }: BurrSite): boolean {
  if (place === 'near') {
    if (later.kind === 'milling') return later.feature.kind === 'face' && from !== later;
    if (later.kind === 'chamfering') return bore(from) === null || bore(from) === later.hole.diameterMm;
    return breaksEdges(later) && later.kind === 'edge-milling' && later.edge.face === 'near';
  }
  if (later.kind === 'edge-milling') {
    const { face, openingMm } = later.edge;
    const through = bore(from);
    return (
      face === 'far' && (openingMm === null || through === null || Math.abs(openingMm - through) <= SAME)
    );
  }
  // A burr inside a bore goes with the cut that finishes the bore.
  return place === 'crossing' && finishesBore(later);
}

/** Whether an operation of a later setup takes a burr off: from behind it is a near edge. */
function takesLater(later: Operation, setup: JudgedSetup, from: JudgedSetup, site: BurrSite): boolean {
  if (site.place === 'crossing') return finishesBore(later);
  const faces = site.place === 'near' ? from.plan.up : OPPOSITE[from.plan.up];
  if (setup.plan.up !== faces) return false;
  if (later.kind === 'milling') return later.feature.kind === 'face';
  return breaksEdges(later) && (later.kind !== 'edge-milling' || later.edge.face === 'near');
}

function remedyFor(site: BurrSite, from: Operation): string {
  if (site.place === 'near') return 'Break the edge in this setup, or face after it.';
  if (site.place === 'crossing')
    return 'Drill before the bore is finished, or break the edge from inside with a head on a neck.';
  const size = bore(from);
  return size === null
    ? 'Break it from the other side in the next setup.'
    : 'Break it from behind through the hole, or from the other side in the next setup.';
}

/** Where an operation stands in the order that leaves fewest burrs: what makes them first, what breaks edges, what cuts functional bores clean. */
function stage({ document: op }: JudgedOperation): number {
  switch (op.kind) {
    case 'milling':
      if (op.feature.kind === 'face') return 0;
      return op.feature.allowanceMm > 0 && !op.feature.finishing ? 1 : 3;
    case 'drilling':
    case 'hole-milling':
      return 2;
    case 'edge-milling':
      return op.edge.form === 'engraving' ? 7 : 5;
    case 'chamfering':
      return 5;
    case 'tapping':
    case 'thread-milling':
    case 'boring':
    case 'reaming':
      return 6;
    default:
      return 3;
  }
}

const WHY: Readonly<Record<number, string>> = {
  0: 'the face first: everything after is measured from it',
  1: 'roughing before anything that has to stay sharp-edged',
  2: 'holes that cross before what they cross is finished: their burr goes with the finishing cut',
  3: 'walls and floors before their edges are broken',
  5: 'edges once nothing comes after that rolls a burr over them',
  6: 'bores and threads last: they cut clean what was pushed into them',
  7: 'letters on a face that is finished',
};

/** The order of a setup that leaves fewest burrs; null where it is the present one. Steps of one hole stay together. */
function orderOf(setup: JudgedSetup): BurrOrder | null {
  const { operations } = setup;
  if (operations.some((o) => o.document.kind === 'turning' || o.document.kind === 'grooving')) return null;
  const holeAt = new Map<string, number>();
  const stages = operations.map((o) => {
    // What is planned as one hole is made in the plan's own order, where its first step would be.
    if (o.holeId === null) return stage(o);
    if (!holeAt.has(o.holeId)) holeAt.set(o.holeId, stage(o));
    return holeAt.get(o.holeId)!;
  });
  const sorted = operations
    .map((o, i) => ({ o, at: stages[i]!, i }))
    .sort((a, b) => a.at - b.at || a.i - b.i);
  const moves = sorted.filter(({ i, at }) => stages.slice(0, i).some((earlier) => earlier > at));
  return moves.length === 0
    ? null
    : {
        setupId: setup.id,
        name: setup.name,
        operationIds: sorted.map(({ o }) => o.id),
        moves: moves.map(({ o, at }) => ({ operationId: o.id, name: o.name, because: WHY[at] ?? '' })),
      };
}

/** Where burrs will stand on a job's part, what takes each off, and the order of each setup that leaves fewest. */
export function burrPlan(job: Pick<JudgedJob, 'setups'>): BurrPlan {
  const burrs = job.setups.flatMap((setup, s) =>
    setup.operations.flatMap((o, i) =>
      burrSites(o)
        .filter((site) => site.heightMm >= NO_MATTER)
        .map((site): RoutedBurr => {
          const here = setup.operations.slice(i + 1).find((l) => takesHere(l.document, o.document, site));
          const gone =
            here ??
            job.setups
              .slice(s + 1)
              .flatMap((later) =>
                later.operations.filter((l) => takesLater(l.document, later, setup, site)),
              )[0];
          return {
            ...site,
            setupId: setup.id,
            operationId: o.id,
            name: o.name,
            goneBy: gone ? { operationId: gone.id, name: gone.name } : null,
            remedy: gone ? null : remedyFor(site, o.document),
          };
        }),
    ),
  );
  return { burrs, orders: job.setups.map(orderOf).filter((o) => o !== null) };
}
