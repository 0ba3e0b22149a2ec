import type { TipMode, TipStructure } from '../tip-structure.ts';
import type { PieceNodes } from './piece-nodes.ts';

/** The modes as the periodic solution uses them: rigid directions left out. */
export interface FreeModes {
  /** Directions that give way: 0 is x, 1 is y. */
  readonly directions: readonly number[];
  readonly count: number;
  /** Place in `directions` of each mode. */
  readonly of: Int32Array;
  readonly omega: Float64Array;
  readonly damping: Float64Array;
  readonly mass: Float64Array;
}

export function freeModes(structure: TipStructure): FreeModes {
  const sides = [structure.x, structure.y];
  const directions = [0, 1].filter((d) => sides[d]!.length > 0);
  const modes: [TipMode, number][] = directions.flatMap((d, i) =>
    sides[d]!.map((m): [TipMode, number] => [m, i]),
  );
  const omega = Float64Array.from(modes, ([m]) => 2 * Math.PI * m.hz);
  return {
    directions,
    count: modes.length,
    of: Int32Array.from(modes, ([, i]) => i),
    omega,
    damping: Float64Array.from(modes, ([m]) => m.damping),
    mass: Float64Array.from(modes, ([m], i) => m.stiffness / omega[i]! ** 2),
  };
}

/**
 * Free motion of each mode over a time: amplitude and speed from amplitude and speed. A mode's state is its share of the
 * tip's displacement, m, and that share's speed over ω, m, so that all numbers of a state are of one size.
 * Row by row for each mode: from displacement and from speed to displacement, the same to speed.
 */
export function freePropagator(modes: FreeModes, time: number): Float64Array {
  const out = new Float64Array(modes.count * 4);
  for (let m = 0; m < modes.count; m++) {
    const w = modes.omega[m]!;
    const z = modes.damping[m]!;
    const root = Math.sqrt(1 - z * z);
    const decay = Math.exp(-z * w * time);
    const s = (decay * Math.sin(root * w * time)) / root;
    const c = decay * Math.cos(root * w * time);
    out[m * 4] = c + z * s;
    out[m * 4 + 1] = s;
    out[m * 4 + 2] = -s;
    out[m * 4 + 3] = c - z * s;
  }
  return out;
}

/** What the structure answers within one piece of time of a given length. */
export interface PieceAnswer {
  readonly length: number;
  /** Propagators from the start of the piece to each node: [node][mode][4]. */
  readonly free: readonly Float64Array[];
  /** Displacement at node a from the force at node b, m/N, by direction: [direction][a][b]. */
  readonly moves: readonly Float64Array[];
  /** The same for the speed, m/(N·s). */
  readonly speeds: readonly Float64Array[];
  /** State at the end of the piece from the force at node b: [mode][2][b]. */
  readonly end: Float64Array;
}

/**
 * The structure's exact answer to a force that is a polynomial through the nodes (Duhamel's integral), so that only the
 * cutting force is approximated: steps can be as long as that force is smooth.
 */
export function pieceAnswer(modes: FreeModes, nodes: PieceNodes, length: number): PieceAnswer {
  const { count, points, gauss, gaussWeights, at, basis } = nodes;
  const free: Float64Array[] = [];
  for (let a = 0; a < count; a++) free.push(freePropagator(modes, at[a]! * length));
  const moves = modes.directions.map(() => new Float64Array(count * count));
  const speeds = modes.directions.map(() => new Float64Array(count * count));
  const end = new Float64Array(modes.count * 2 * count);
  for (let m = 0; m < modes.count; m++) {
    const w = modes.omega[m]!;
    const z = modes.damping[m]!;
    const root = Math.sqrt(1 - z * z);
    const wd = root * w;
    const perForce = 1 / (modes.mass[m]! * wd);
    const move = moves[modes.of[m]!]!;
    const speed = speeds[modes.of[m]!]!;
    for (let a = 1; a < count; a++) {
      const upto = at[a]! * length;
      for (let i = 0; i < points; i++) {
        const left = upto * (1 - gauss[i]!);
        const decay = Math.exp(-z * w * left) * perForce * gaussWeights[i]! * upto;
        const s = Math.sin(wd * left);
        const c = Math.cos(wd * left);
        const g = decay * s;
        const v = decay * (wd * c - z * w * s);
        const row = (a * points + i) * count;
        for (let b = 0; b < count; b++) {
          move[a * count + b]! += g * basis[row + b]!;
          speed[a * count + b]! += v * basis[row + b]!;
        }
        if (a === count - 1) {
          for (let b = 0; b < count; b++) {
            end[m * 2 * count + b]! += g * basis[row + b]!;
            end[(m * 2 + 1) * count + b]! += (v / w) * basis[row + b]!;
          }
        }
      }
    }
  }
  return { length, free, moves, speeds, end };
}
