import { firstIndex } from '../../../numerics/first-index.ts';
import type { Engagement } from './engaged-teeth.ts';
import { type PieceNodes, pieceNodes, readBetween } from './piece-nodes.ts';
import { nodesOf, type Resolution } from './resolution.ts';

/** A piece of the period in which some tooth cuts, none entering or leaving inside; angles of the tool, rad. */
export interface Span {
  readonly from: number;
  readonly to: number;
  readonly nodes: PieceNodes;
  /** Nodes of the pieces before it. */
  readonly first: number;
}

/** The stretches of a cut in pieces that hold few waves and little turn each. `wavesPerRadian` is the highest mode's. */
export function spansOf(
  { stretches }: Engagement,
  wavesPerRadian: number,
  resolution: Resolution,
): readonly Span[] {
  const longest = Math.min(resolution.turnPerPiece, resolution.wavesPerPiece / wavesPerRadian);
  const spans: Span[] = [];
  let first = 0;
  for (const [a, b] of stretches) {
    const parts = Math.max(1, Math.ceil((b - a) / longest));
    const length = (b - a) / parts;
    const nodes = pieceNodes(nodesOf(resolution, length * wavesPerRadian, length));
    for (let i = 0; i < parts; i++) {
      spans.push({ from: a + length * i, to: i === parts - 1 ? b : a + length * (i + 1), nodes, first });
      first += nodes.count;
    }
  }
  return spans;
}

/** Nodes of all pieces. */
export const nodesIn = (spans: readonly Span[]): number => {
  const last = spans[spans.length - 1];
  return last ? last.first + last.nodes.count : 0;
};

/** The piece a turn lies in; between two of them the nearer one. */
export function spanAt(spans: readonly Span[], place: number): Span {
  const after = Math.max(
    1,
    firstIndex(spans.length, (i) => spans[i]!.from > place),
  );
  const span = spans[after - 1]!;
  const next = spans[after];
  return next && place > span.to && next.from - place < place - span.to ? next : span;
}

/** Share of each node of a piece in the value at a turn, written to `out` from `offset` on; outside it is the end's. */
export function readAt({ from, to, nodes }: Span, place: number, out: Float64Array, offset = 0): void {
  readBetween(nodes, Math.min(1, Math.max(0, (place - from) / (to - from))), out, offset);
}
