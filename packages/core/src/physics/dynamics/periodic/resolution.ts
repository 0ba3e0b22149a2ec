/** How finely the cut is resolved. */
export interface Resolution {
  /** Nodes of a piece that is as long as it may be; a shorter one has as few as are as good. */
  readonly nodes: number;
  /** Waves of the highest mode that is followed a piece may hold. */
  readonly wavesPerPiece: number;
  /** Turn of the tool a piece may take, rad: the direction of the force changes with it. */
  readonly turnPerPiece: number;
  /** Highest frequency the nodes need follow, Hz: modes above it give way and no more. Absent is every mode. */
  readonly upToHz?: number;
}

/** A resolution of a search for a border. */
export interface Level extends Resolution {
  /** Frequencies are followed up to so many times the highest one chatter may have; absent is every mode. */
  readonly reach?: number;
}

/** Multipliers within 0.05% of the converged ones on the worked cases. */
export const FINE: Resolution = { nodes: 12, wavesPerPiece: 1.25, turnPerPiece: 0.5 };

/**
 * More and more nodes, and less and less turn: in slow cuts waves make the pieces short, in fast ones the turn does. There
 * what teeth with other spacings left is read with its corners inside a piece, where more nodes alone would not help.
 */
export const LEVELS: readonly [Level, Level, Level] = [
  { nodes: 8, wavesPerPiece: 1.25, turnPerPiece: 1, reach: 1.3 },
  { ...FINE, reach: 2.6 },
  { nodes: 16, wavesPerPiece: 1.25, turnPerPiece: 0.25 },
];

/** Share of a level's error that is left at the next one, at least: what corners inside a piece leave. */
const LEAST_GAIN = 0.1;

/** Share of one level's error that the next one is expected to have. */
export const gainOf = (level: Resolution, next: Resolution): number =>
  Math.max(
    LEAST_GAIN,
    remainder(next.nodes, next.wavesPerPiece) / remainder(level.nodes, level.wavesPerPiece),
  );

const LEAST_NODES = 4;
/** Turning pieces may have so many nodes more than straight ones. */
const FOR_TURN = 2;

/**
 * What a polynomial through so many Chebyshev nodes leaves of a wave over an interval of `waves`, as a share: the first
 * Chebyshev coefficient left out, J_n(π·waves) with n = nodes − 1. Abramowitz & Stegun 9.3.1.
 */
const remainder = (nodes: number, waves: number): number =>
  ((Math.E * Math.PI * waves) / (2 * (nodes - 1))) ** (nodes - 1);

/** Nodes of a piece that holds some waves and some turn, rad: as good as the longest piece is, and an even number, for the kernel. */
export function nodesOf({ nodes, wavesPerPiece }: Resolution, waves: number, turn: number): number {
  // The direction factors go through one wave in half a turn.
  const held = waves + turn / Math.PI;
  const wanted = remainder(nodes, wavesPerPiece);
  let count = LEAST_NODES;
  while (count < nodes + FOR_TURN && remainder(count, held) > wanted) count += 2;
  return count;
}
