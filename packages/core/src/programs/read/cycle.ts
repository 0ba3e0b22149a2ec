import { PLANES, type PlaneCode, type Point } from './motion.ts';

/** A canned cycle as it stands until G80: heights absolute along the axis across the plane, mm. */
export interface Cycle {
  readonly code: number;
  readonly clear: number;
  readonly bottom: number;
  /** Q in mm; null where none is given. */
  readonly peck: number | null;
  /** Dwell at the bottom, s. */
  readonly seconds: number;
  /** Where G98 draws back to. */
  readonly initial: number;
  readonly toInitial: boolean;
}

export type CycleStep =
  | { readonly kind: 'rapid' | 'line'; readonly to: Point }
  | { readonly kind: 'dwell'; readonly seconds: number };

/** More pecks than a hole ever takes: a peck of a thousandth by mistake. */
const MOST_PECKS = 5000;
/** Clearance a control keeps before it feeds again, and draws back to break a chip, mm; a setting of the control. */
export const PECK_CLEARANCE = 1;

/** Pecks from the clear height to the bottom. */
export function pecksOf({ clear, bottom, peck }: Pick<Cycle, 'clear' | 'bottom' | 'peck'>): number {
  if (peck === null || peck <= 0) return 1;
  return Math.min(MOST_PECKS, Math.max(1, Math.ceil(Math.abs(clear - bottom) / peck - 1e-9)));
}

/**
 * Moves of one hole, from above it at the present height to the height it leaves at. Full retract in G83, chip breaking in
 * G73; tapping, boring and reaming cycles feed out, the others draw out in rapid.
 */
export function stepsOfHole(cycle: Cycle, plane: PlaneCode, over: Point): CycleStep[] {
  const { across } = PLANES[plane];
  const at = (height: number): Point => {
    const p: [number, number, number] = [...over];
    p[across] = height;
    return p;
  };
  const steps: CycleStep[] = [{ kind: 'rapid', to: at(cycle.clear) }];
  const down = Math.sign(cycle.bottom - cycle.clear) || -1;
  const count = cycle.code === 83 || cycle.code === 73 ? pecksOf(cycle) : 1;
  for (let k = 1; k <= count; k++) {
    const depth = k === count ? cycle.bottom : cycle.clear + down * k * cycle.peck!;
    steps.push({ kind: 'line', to: at(depth) });
    if (k === count) break;
    if (cycle.code === 83) {
      steps.push(
        { kind: 'rapid', to: at(cycle.clear) },
        { kind: 'rapid', to: at(depth - down * PECK_CLEARANCE) },
      );
    } else {
      steps.push({ kind: 'rapid', to: at(depth - down * Math.min(PECK_CLEARANCE, cycle.peck!)) });
    }
  }
  if (cycle.seconds > 0) steps.push({ kind: 'dwell', seconds: cycle.seconds });
  const feedsOut = cycle.code === 84 || cycle.code === 74 || cycle.code === 85 || cycle.code === 89;
  if (feedsOut) steps.push({ kind: 'line', to: at(cycle.clear) });
  const leave = cycle.toInitial ? Math.max(cycle.initial, cycle.clear) : cycle.clear;
  if (!feedsOut || leave !== cycle.clear) steps.push({ kind: 'rapid', to: at(leave) });
  return steps;
}
