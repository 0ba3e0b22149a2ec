import type { ToothedEdge } from './toothed-edge.ts';

const TURN = 2 * Math.PI;

/** The teeth at one height; `feed` and `step` hold a row of candidates a tooth, nearest earlier tooth first. */
export interface TeethAtHeight {
  /** Angle of each tooth behind the tip of tooth 0, rad. */
  readonly behind: Float64Array;
  /** Amplitude of the chip over sin φ since that earlier tooth, mm. */
  readonly feed: Float64Array;
  /** How far the tooth stands out over that earlier one, mm. */
  readonly step: Float64Array;
}

/**
 * Fills in the teeth at height `z`. A tooth cuts down to the lowest surface any tooth of the last turn left: where the
 * one before stood so low that it missed, the chip reaches back to the one before that, so the chip is the smallest of
 * (feed since, plus how far I stand out over him) over all earlier teeth. Kline & DeVor 1983. Unequal helices change
 * the spacing with height: spacing is taken where the slice is.
 */
export function teethAt(
  edge: ToothedEdge,
  z: number,
  radius: number,
  tip: readonly number[],
  order: number[],
  at: TeethAtHeight,
): void {
  const teeth = edge.pitch.length;
  for (let j = 0; j < teeth; j++) at.behind[j] = tip[j]! + (z * Math.tan(edge.helix[j]!)) / radius;
  // Nearly sorted from the slice before: insertion costs nothing there.
  for (let i = 1; i < teeth; i++) {
    for (let k = i; k > 0 && at.behind[order[k]!]! < at.behind[order[k - 1]!]!; k--) {
      const before = order[k - 1]!;
      order[k - 1] = order[k]!;
      order[k] = before;
    }
  }
  const perRadian = (edge.feedPerToothMm * teeth) / TURN;
  for (let k = 0; k < teeth; k++) {
    const j = order[k]!;
    for (let back = 1; back <= teeth; back++) {
      const earlier = order[(k - back + teeth) % teeth]!;
      const gap = at.behind[j]! - at.behind[earlier]!;
      const since = back === teeth ? TURN : gap > 0 ? gap : gap + TURN;
      at.feed[j * teeth + back - 1] = perRadian * since;
      at.step[j * teeth + back - 1] = edge.standMm[j]! - edge.standMm[earlier]!;
    }
  }
}

/** Chip before the edge's inclination, mm, at sin φ: the smallest over all earlier teeth, which stand in `row`. */
export function smallestChip(at: TeethAtHeight, row: number, candidates: number, sine: number): number {
  let h = at.feed[row]! * sine + at.step[row]!;
  for (let c = 1; c < candidates; c++) h = Math.min(h, at.feed[row + c]! * sine + at.step[row + c]!);
  return h;
}
