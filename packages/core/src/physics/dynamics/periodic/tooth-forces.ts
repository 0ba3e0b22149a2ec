import { type ChatterCut, edgeSpeed, landCoefficients } from '../chatter-cut.ts';
import type { DelayedReads } from './delayed-reads.ts';
import type { Engagement } from './engaged-teeth.ts';
import { kernel, type Place } from '../../../numerics/kernel.ts';
import type { PieceNodes } from './piece-nodes.ts';
import { nodesIn, type Span } from './span.ts';

/** What the teeth press with at the nodes of a period, a metre of depth. */
export interface ToothForces {
  /** Direction matrix at the nodes of each piece, N/m a metre: [piece][row][column][node] over the giving directions. */
  readonly cutting: Float64Array;
  /** That of the land's damping, N·s/m a metre; null where it has none. */
  readonly damping: Float64Array | null;
  /** What other teeth left; null where every tooth passes alike. */
  readonly delayed: DelayedReads | null;
}

/** Forces of the teeth of a cut at a speed on the pieces of a period, over the directions that give way. */
export function toothForces(
  cut: ChatterCut,
  rpm: number,
  engagement: Engagement,
  spans: readonly Span[],
  directions: readonly number[],
): ToothForces {
  const k = kernel();
  k.layAnew(spans);
  const dims = directions.length;
  const nodes = nodesIn(spans);
  const numbers = nodes * dims * dims;
  const uniform = engagement.teeth.length === 1 || engagement.perTurn > 1;
  const laid = [
    dims,
    directions[0]!,
    spans.length,
    k.lay(spans.flatMap(({ from, to }) => [from, to])),
    laySpans(spans),
    layNodes(spans, nodes),
    engagement.passes.length,
    k.lay(engagement.passes.flatMap(numbersOf)),
    layWindow(cut, rpm, engagement.period),
  ];
  const [cutting, damping] = [k.room(numbers), cut.dampingNPerM ? k.room(numbers) : 0];
  const taken = (place: Place, length: number): Float64Array => k.at(place, length).slice();
  const pressed = () => ({
    cutting: taken(cutting, numbers),
    damping: damping ? taken(damping, numbers) : null,
  });
  if (uniform) {
    k.run.layTeeth(k.layWords([...laid, cutting, damping, 0, 0, 0, 0, 0, 0, 0]));
    return { ...pressed(), delayed: null };
  }
  const reads = k.run.passesInCut(k.layWords(laid));
  const most = spans.reduce((n, { nodes: { count } }) => Math.max(n, count), 0);
  const words = (length: number): Place => k.room(Math.ceil(length / 2));
  const [start, from, count, before, at] = [
    words(nodes + 1),
    words(reads),
    words(reads),
    words(reads),
    words(reads),
  ];
  const [shares, pressing] = [k.room(reads * most), k.room(reads * dims * dims)];
  const used = k.run.layTeeth(
    k.layWords([...laid, cutting, damping, start, from, count, before, at, shares, pressing]),
  );
  return {
    ...pressed(),
    delayed: {
      start: k.wordsAt(start, nodes + 1).slice(),
      from: k.wordsAt(from, reads).slice(),
      count: k.wordsAt(count, reads).slice(),
      before: k.wordsAt(before, reads).slice(),
      at: k.wordsAt(at, reads).slice(),
      shares: taken(shares, used),
      pressing: taken(pressing, reads * dims * dims),
    },
  };
}

/** Count of nodes, the nodes before, and where places and weights of the nodes lie, of each piece. */
function laySpans(spans: readonly Span[]): Place {
  const k = kernel();
  const kinds = new Map<PieceNodes, readonly [Place, Place]>();
  const words = spans.flatMap(({ nodes, first }) => {
    const kind = kinds.get(nodes) ?? ([k.lay(nodes.at), k.lay(nodes.weights)] as const);
    kinds.set(nodes, kind);
    return [nodes.count, first, ...kind];
  });
  return k.layWords(words);
}

/** A turn just inside the piece: at its ends a tooth is about to enter or leave. */
const INSIDE = 1e-9;

/** Turn of each node and the sine and cosine of twice the turn. */
function layNodes(spans: readonly Span[], nodes: number): Place {
  const k = kernel();
  const place = k.room(3 * nodes);
  const out = k.at(place, 3 * nodes);
  let to = 0;
  for (const { from, to: end, nodes: own } of spans) {
    const length = end - from;
    for (const share of own.at) {
      const theta = from + length * Math.min(1 - INSIDE, Math.max(INSIDE, share));
      out[to++] = theta;
      out[to++] = Math.sin(2 * theta);
      out[to++] = Math.cos(2 * theta);
    }
  }
  return place;
}

/** A pass as `Pass` of the kernel has it. */
function numbersOf({ behind, lag, share, delay }: Engagement['passes'][number]): number[] {
  const [low, top] = [2 * behind, 2 * (behind + lag)];
  return [behind, lag, share, delay, Math.sin(low), Math.cos(low), Math.sin(top), Math.cos(top)];
}

/** `Window` of the kernel: where teeth cut, and what they press with. */
function layWindow(cut: ChatterCut, rpm: number, period: number): Place {
  const { entry, exit, tangential, radial } = cut;
  return kernel().lay([
    entry,
    exit,
    Math.sin(2 * entry),
    Math.cos(2 * entry),
    Math.sin(2 * exit),
    Math.cos(2 * exit),
    period,
    tangential * 1e6,
    radial * 1e6,
    ...landCoefficients(cut, edgeSpeed(cut, rpm)),
  ]);
}
