import { type ChatterCut, edgeSpeed, landCoefficients, requireCut } from '../chatter-cut.ts';
import { DelayedCollector, type DelayedReads } from './delayed-read.ts';
import { engagementOf, factorsAt, inside, pressing } from './engaged-teeth.ts';
import { type FreeModes, freePropagator, type ModesOfDirection } from './free-motion.ts';
import { type PieceMotion, pieceMotion } from './piece-motion.ts';
import type { Resolution } from './resolution.ts';
import { nodesIn, type Span, spansOf } from './span.ts';

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
export interface PeriodFrame {
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
  /** Direction matrix at the nodes of each piece, N/m a metre: [piece][row][column][node] over the giving directions. */
  readonly cutting: Float64Array;
  /** That of the land's damping, N·s/m a metre; null where it has none. */
  readonly damping: Float64Array | null;
  /** What other teeth left; null where every tooth passes alike. */
  readonly delayed: DelayedReads | null;
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
  const dims = modes.directions.length;
  const topHz = Math.max(...modes.omega) / TURN;
  const highestHz = Math.min(topHz, resolution.upToHz ?? Infinity);
  const spans = spansOf(engagement, highestHz * perRadian, resolution);
  const flights = byAngle<Float64Array>();
  const flight = (angle: number): Float64Array | null =>
    angle < 1e-9 ? null : flights(angle, () => freePropagator(modes, angle * perRadian));
  // Pieces as long as one another have as many nodes.
  const motions = byAngle<PieceMotion>();
  const uniform = engagement.teeth.length === 1 || engagement.perTurn > 1;
  const [tangential, radial] = [cut.tangential * 1e6, cut.radial * 1e6];
  const land = landCoefficients(cut, edgeSpeed(cut, rpm));
  const factors = new Float64Array(3);
  const mean = new Float64Array(3);
  const own = new Float64Array(dims * dims);
  const collected = uniform ? null : new DelayedCollector(spans, engagement.period, dims);
  const each = dims * dims;
  const nodes = nodesIn(spans);
  const cutting = new Float64Array(nodes * each);
  const damping = cut.dampingNPerM ? new Float64Array(nodes * each) : null;
  for (const {
    from,
    to,
    nodes: { count, at },
    first,
  } of spans) {
    for (let a = 0; a < count; a++) {
      mean.fill(0);
      const place = from + (to - from) * at[a]!;
      const theta = inside(from, to, at[a]!);
      const toward = a === 0 ? 1e-10 : a === count - 1 ? -1e-10 : 0;
      for (const tooth of engagement.teeth) {
        if (!factorsAt(cut, tooth, engagement.period, theta, factors)) continue;
        for (let i = 0; i < 3; i++) mean[i]! += factors[i]!;
        if (!collected) continue;
        pressing(tangential, radial, factors, modes.directions, own, 0);
        collected.add(place - tooth.delay, toward, own);
      }
      collected?.next();
      pressing(tangential, radial, mean, modes.directions, own, 0);
      for (let k = 0; k < each; k++) cutting[first * each + k * count + a] = own[k]!;
      if (!damping) continue;
      pressing(land[0]!, land[1]!, mean, modes.directions, own, 0);
      for (let k = 0; k < each; k++) damping[first * each + k * count + a] = own[k]!;
    }
  }
  const pieces = spans.map(({ from, to, nodes: { count } }, index): FramePiece => ({
    count,
    motion: motions(to - from, () => pieceMotion(modes, count, (to - from) * perRadian, damping !== null)),
    before: flight(from - (index === 0 ? 0 : spans[index - 1]!.to)),
  }));
  return {
    spans,
    nodes,
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
    cutting,
    damping,
    delayed: collected?.done() ?? null,
  };
}
