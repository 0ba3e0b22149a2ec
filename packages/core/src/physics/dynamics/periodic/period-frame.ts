import { type ChatterCut, requireCut } from '../chatter-cut.ts';
import { engagementOf } from './engaged-teeth.ts';
import { type FreeModes, freePropagator, type ModesOfDirection } from './free-motion.ts';
import { type PieceMotion, pieceMotion } from './piece-motion.ts';
import type { Resolution } from './resolution.ts';
import { nodesIn, type Span, spansOf } from './span.ts';
import { type ToothForces, toothForces } from './tooth-forces.ts';

const TURN = 2 * Math.PI;
/** Two turns that differ by less are one, rad. */
const SAME_TURN = 1e-10;

/** A piece of the period in which some tooth cuts. */
export interface FramePiece {
  readonly count: number;
  readonly motion: PieceMotion;
  /** Free flight before it. */
  readonly before: Float64Array | null;
}

/**
 * What one period of a cut is made of, whatever the depth does to its strength: where teeth cut, how the structure moves there and which
 * wave they meet. Forces are those of a metre of depth. A cutter without a helix enters and leaves at every depth alike, so one frame
 * serves all its depths.
 */
export interface PeriodFrame extends ToothForces {
  readonly spans: readonly Span[];
  readonly nodes: number;
  /** Numbers of the modes' state, two a mode. */
  readonly state: number;
  /** Highest frequency the nodes follow, Hz. */
  readonly highestHz: number;
  /** Whether that is every mode. */
  readonly followsAll: boolean;
  /** Seconds of a period. */
  readonly period: number;
  /** Seconds the tool takes for a radian. */
  readonly perRadian: number;
  /** Periods in a turn. */
  readonly perTurn: number;
  /** Directions that give way: 0 is x, 1 is y. */
  readonly directions: readonly number[];
  /** Modes of each of them. */
  readonly modes: readonly ModesOfDirection[];
  readonly pieces: readonly FramePiece[];
  /** Free flight after the last one. */
  readonly after: Float64Array | null;
}

/** Whether a depth changes where teeth enter and leave. */
export const feelsDepth = ({ helix }: ChatterCut): boolean => helix?.some((h) => h !== 0) ?? false;

/** What was worked out for angles, each once. */
function byAngle<V>(): (angle: number, make: () => V) => V {
  const made = new Map<number, V>();
  return (angle, make) => {
    const key = Math.round(angle / SAME_TURN);
    const value = made.get(key) ?? make();
    made.set(key, value);
    return value;
  };
}

/** The frame of a cut at a speed, for a depth, mm, where it matters. Throws on an impossible cut. */
export function periodFrame(
  cut: ChatterCut,
  modes: FreeModes,
  rpm: number,
  depthMm: number,
  resolution: Resolution,
): PeriodFrame {
  requireCut(cut);
  const engagement = engagementOf(cut, depthMm);
  const perRadian = 60 / rpm / TURN;
  const topHz = Math.max(...modes.omega) / TURN;
  const highestHz = Math.min(topHz, resolution.upToHz ?? Infinity);
  const spans = spansOf(engagement, highestHz * perRadian, resolution);
  const flights = byAngle<Float64Array>();
  const flight = (angle: number): Float64Array | null =>
    angle < 1e-9 ? null : flights(angle, () => freePropagator(modes, angle * perRadian));
  // Pieces as long as one another have as many nodes.
  const motions = byAngle<PieceMotion>();
  const forces = toothForces(cut, rpm, engagement, spans, modes.directions);
  const pieces = spans.map(({ from, to, nodes: { count } }, index): FramePiece => ({
    count,
    motion: motions(to - from, () =>
      pieceMotion(modes, count, (to - from) * perRadian, forces.damping !== null),
    ),
    before: flight(from - (index === 0 ? 0 : spans[index - 1]!.to)),
  }));
  return {
    spans,
    nodes: nodesIn(spans),
    state: 2 * modes.count,
    highestHz,
    followsAll: highestHz === topHz,
    period: engagement.period * perRadian,
    perRadian,
    perTurn: engagement.perTurn,
    directions: modes.directions,
    modes: modes.ofDirection,
    pieces,
    after: flight(engagement.period - (spans.at(-1)?.to ?? 0)),
    ...forces,
  };
}
