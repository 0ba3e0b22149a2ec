import { InputError } from '../../../units/input-error.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import { structureAtDepth } from '../along-tool.ts';
import { countingModes, type TipStructure } from '../tip-structure.ts';
import { dominantMultiplier } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { periodMap } from './period-map.ts';
import type { Resolution } from './resolution.ts';

/** Growth of vibration over speeds and depths. */
export interface StabilityMap {
  readonly rpm: Float64Array;
  readonly depthMm: Float64Array;
  /** ln of the growth in a turn, row by row from the least depth; below 0 is stable. */
  readonly growth: Float64Array;
  /** Points worked out; the others lie inside a stretch of one kind and are read between. */
  readonly computed: number;
}

export interface StabilityMapWish {
  readonly fromRpm: number;
  readonly toRpm: number;
  readonly mostMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly resolution?: Resolution;
  /** Stick-out, mm: modes that say how they move along the tool are felt as each depth feels them; absent is at the tip. */
  readonly stickOutMm?: number;
}

/** Enough for a picture: border depths within half a per cent on the worked cases. */
export const PICTURE: Resolution = { nodes: 10, wavesPerPiece: 1.25, turnPerPiece: 1.2 };
/** First grid, in columns and rows. */
const COARSE = 8;
/** A cell is worked out further where ln of the growth in a tooth's time comes this near to the border. */
const NEAR = 0.08;
const QUICK = { vectors: 12, tolerance: 0.01, restarts: 1 } as const;
const CLOSE = { vectors: 20, tolerance: 1e-3, restarts: 4 } as const;

/**
 * Map of stability, coarse to fine: whole cells of one kind are not looked into, refinement goes along the border only.
 * A generator of the share done, so that whoever runs it may show progress and stop it.
 * Throws InputError on an empty range.
 */
export function* stabilityMap(
  cut: ChatterCut,
  structure: TipStructure,
  wish: StabilityMapWish,
): Generator<number, StabilityMap> {
  const { fromRpm, toRpm, mostMm, columns, rows, resolution = PICTURE, stickOutMm } = wish;
  if (!(fromRpm > 0 && toRpm > fromRpm && mostMm > 0 && columns > 1 && rows > 1)) {
    throw new InputError([{ field: 'map', value: wish, allowed: 'rising speeds, a depth, at least 2 × 2' }]);
  }
  const rpm = Float64Array.from(
    { length: columns },
    (_, i) => fromRpm + ((toRpm - fromRpm) * i) / (columns - 1),
  );
  const depthMm = Float64Array.from({ length: rows }, (_, i) => (mostMm * (i + 1)) / rows);
  const modes = Array.from(depthMm, (d) =>
    freeModes(countingModes(stickOutMm ? structureAtDepth(structure, d, stickOutMm) : structure)),
  );
  const growth = new Float64Array(columns * rows).fill(NaN);
  let computed = 0;
  const teeth = cut.pitch.length;
  const at = (c: number, r: number): number => {
    const k = r * columns + c;
    if (!Number.isNaN(growth[k]!)) return growth[k]!;
    const map = periodMap(cut, modes[r]!, rpm[c]!, depthMm[r]!, resolution);
    let log = Math.log(Math.max(1e-9, dominantMultiplier(map, QUICK).size)) * map.perTurn;
    if (Math.abs(log) < NEAR * teeth) {
      log = Math.log(Math.max(1e-9, dominantMultiplier(map, CLOSE).size)) * map.perTurn;
    }
    computed++;
    growth[k] = log;
    return log;
  };
  const fill = (c0: number, c1: number, r0: number, r1: number): void => {
    const corners = [at(c0, r0), at(c1, r0), at(c0, r1), at(c1, r1)];
    const most = Math.max(...corners);
    const least = Math.min(...corners);
    const far = Math.min(Math.abs(most), Math.abs(least)) > NEAR * teeth;
    const small = c1 - c0 <= 1 && r1 - r0 <= 1;
    if (small) return;
    if (most * least > 0 && far && c1 - c0 <= COARSE / 2) {
      for (let r = r0; r <= r1; r++) {
        for (let c = c0; c <= c1; c++) {
          const k = r * columns + c;
          if (!Number.isNaN(growth[k]!)) continue;
          const u = c1 === c0 ? 0 : (c - c0) / (c1 - c0);
          const v = r1 === r0 ? 0 : (r - r0) / (r1 - r0);
          growth[k] =
            (1 - v) * ((1 - u) * corners[0]! + u * corners[1]!) +
            v * ((1 - u) * corners[2]! + u * corners[3]!);
        }
      }
      return;
    }
    const cm = c1 - c0 > 1 ? (c0 + c1) >> 1 : c0;
    const rm = r1 - r0 > 1 ? (r0 + r1) >> 1 : r0;
    const cs = cm > c0 ? [c0, cm, c1] : [c0, c1];
    const rs = rm > r0 ? [r0, rm, r1] : [r0, r1];
    for (let i = 1; i < rs.length; i++)
      for (let j = 1; j < cs.length; j++) fill(cs[j - 1]!, cs[j]!, rs[i - 1]!, rs[i]!);
  };
  const grid = (n: number): number[] => {
    const marks: number[] = [];
    for (let i = 0; i < n - 1; i += COARSE) marks.push(i);
    return [...marks, n - 1];
  };
  const [cs, rs] = [grid(columns), grid(rows)];
  const cells = (cs.length - 1) * (rs.length - 1);
  let done = 0;
  for (let j = 1; j < cs.length; j++) {
    for (let i = 1; i < rs.length; i++) {
      fill(cs[j - 1]!, cs[j]!, rs[i - 1]!, rs[i]!);
      yield ++done / cells;
    }
  }
  return { rpm, depthMm, growth, computed };
}
