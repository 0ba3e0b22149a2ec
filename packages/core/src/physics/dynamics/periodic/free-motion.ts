import type { TipMode, TipStructure } from '../tip-structure.ts';

/** Modes of one direction: they stand together. */
export interface ModesOfDirection {
  readonly first: number;
  readonly count: number;
}

/** The modes as the periodic solution uses them: rigid directions left out. */
export interface FreeModes {
  /** Directions that give way: 0 is x, 1 is y. */
  readonly directions: readonly number[];
  readonly ofDirection: readonly ModesOfDirection[];
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
    ofDirection: directions.map((d, i) => ({
      first: modes.findIndex(([, of]) => of === i),
      count: sides[d]!.length,
    })),
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
export function freePropagator(
  modes: FreeModes,
  time: number,
  out: Float64Array = new Float64Array(modes.count * 4),
): Float64Array {
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
