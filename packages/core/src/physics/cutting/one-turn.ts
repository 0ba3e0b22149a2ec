import { InputError, requirePositive } from '../../units/input-error.ts';
import type { EdgeBand } from './edge-profile.ts';
import type { ToothedEdge } from './toothed-edge.ts';
import type { ForceLaw } from './force-law.ts';
import { type ForceTable, tabulate } from './force-table.ts';
import { smallestChip, type TeethAtHeight, teethAt } from './teeth-at-height.ts';

/** Forces of one turn, sampled; x along the feed, y on the wall, z along the axis. */
export interface OneTurn {
  readonly steps: number;
  /** N, one value a step. */
  readonly fx: Float64Array;
  readonly fy: Float64Array;
  readonly fz: Float64Array;
  /** N·m. */
  readonly torque: Float64Array;
  /** Tangential force of each tooth by step, N. */
  readonly tooth: readonly Float64Array[];
  /** Thickest chip each tooth takes anywhere on its edge, mm. */
  readonly toothChipMm: readonly number[];
  readonly meanFx: number;
  readonly meanFy: number;
  readonly meanFz: number;
  readonly meanTorqueNm: number;
  readonly peakFx: number;
  readonly peakFy: number;
  readonly peakFz: number;
  readonly peakFxy: number;
  readonly peakTorqueNm: number;
}

export interface OneTurnOptions {
  /** Angles in a turn; 360 is a degree each. */
  readonly steps?: number;
  /** Height of a slice, mm. */
  readonly sliceMm?: number;
}

const TURN = 2 * Math.PI;
/** Numbers a sample of a tooth's force holds: x, y, z and tangential, N. */
const PARTS = 4;
/** A slice may be taller than asked for where the edge turns less over it than this share of a step: there the angle is the finer net. */
const FINEST_SHARE = 1 / 4;
/** Unequal helices: how far the spacing of the teeth may change within one stretch of the edge read between its ends. */
const SPACING_CHANGE = 0.1;
const MOST_STRETCHES = 64;

/** A stretch of one tooth's edge, from the lowest slice to the highest. */
interface Stretch {
  readonly band: EdgeBand;
  readonly slices: number;
  readonly dz: number;
  /** Middle of the lowest slice, rad behind the tip of tooth 0. */
  readonly behind: number;
  /** Angle from a slice to the next, a whole part of a step. */
  readonly grid: number;
}

/**
 * Sums from the first sample on, of one tooth's force at the angles of a stretch's grid inside the arc, for edge of
 * height `dz`; `row` is the tooth's row of earlier teeth in `at`.
 */
function runningForce(
  from: number,
  to: number,
  stretch: Stretch,
  at: TeethAtHeight,
  row: number,
  candidates: number,
  { table, perMm }: ForceTable,
): Float64Array {
  const { band, behind, grid, dz } = stretch;
  const sums = new Float64Array((to - from + 2) * PARTS);
  const sinK = Math.sin(band.kapr);
  const lift = Math.cos(band.kapr) / sinK;
  const along = dz / sinK;
  // A slice reaches half a grid step to either side of its middle: at the arc's ends only a part of it is in the cut.
  const last = (band.arc.exit + behind) / grid - (to - 0.5);
  const first = from + 0.5 - (band.arc.entry + behind) / grid - (from === to ? 1 - last : 0);
  const stepSin = Math.sin(grid);
  const stepCos = Math.cos(grid);
  const feed = at.feed[row]! * sinK;
  const stand = at.step[row]! * sinK;
  let sine = Math.sin(from * grid - behind);
  let cosine = Math.cos(from * grid - behind);
  let [x, y, z, t] = [0, 0, 0, 0];
  for (let b = PARTS; b < sums.length; b += PARTS) {
    const h = candidates === 1 ? feed * sine + stand : smallestChip(at, row, candidates, sine) * sinK;
    if (h > 1e-9) {
      const n = h * perMm;
      const node = Math.trunc(n);
      const rest = n - node;
      const a = node * 6;
      const inside = b === PARTS ? first : b === sums.length - PARTS ? last : 1;
      const ft = (table[a]! + rest * table[a + 1]!) * along * inside;
      const fr = (table[a + 2]! + rest * table[a + 3]!) * dz * inside;
      x -= ft * cosine + fr * sine;
      y += ft * sine - fr * cosine;
      z += (table[a + 4]! + rest * table[a + 5]!) * dz * inside - fr * lift;
      t += ft;
    }
    sums[b] = x;
    sums[b + 1] = y;
    sums[b + 2] = z;
    sums[b + 3] = t;
    const next = sine * stepCos + cosine * stepSin;
    cosine = cosine * stepCos - sine * stepSin;
    sine = next;
  }
  return sums;
}

/** Sums of the difference of two running sums, and of that difference times its place. */
function runningChange(
  low: Float64Array,
  high: Float64Array,
): { change: Float64Array; placed: Float64Array } {
  const change = new Float64Array(low.length);
  const placed = new Float64Array(low.length);
  for (let b = PARTS; b < low.length; b++) {
    change[b] = high[b]! - low[b]!;
    const place = Math.trunc(b / PARTS) - 1;
    placed[b] = placed[b - PARTS]! + place * (change[b]! - change[b - PARTS]!);
  }
  return { change, placed };
}

/** Where the forces of a turn are gathered; `parts` holds x, y, z and tangential force of a tooth, step by step. */
interface Gathered {
  readonly steps: number;
  readonly fx: Float64Array;
  readonly fy: Float64Array;
  readonly fz: Float64Array;
  readonly torque: Float64Array;
}

/**
 * Adds a stretch of one tooth to the turn. Every slice stands a whole number of grid steps behind the one below it, so
 * that at each angle the slices read neighbouring samples of the same force over angle: their sum is the difference of
 * two running sums, and the work does not grow with the number of slices. With unequal helices the force of a slice
 * lies between those at the stretch's ends, by height.
 */
function addStretch(
  stretch: Stretch,
  low: TeethAtHeight,
  high: TeethAtHeight | null,
  row: number,
  candidates: number,
  law: ForceTable,
  into: Gathered,
  tooth: Float64Array,
): void {
  const { steps } = into;
  const { band, slices, behind, grid } = stretch;
  const perStep = Math.round(TURN / steps / grid);
  const turn = steps * perStep;
  const from = Math.round((band.arc.entry + behind) / grid);
  const to = Math.round((band.arc.exit + behind) / grid);
  if (to < from) return;
  const sums = runningForce(from, to, stretch, low, row, candidates, law);
  const between =
    high && slices > 1
      ? runningChange(sums, runningForce(from, to, stretch, high, row, candidates, law))
      : null;
  const arm = band.radiusMm / 1000;
  for (let k = 0; k < steps; k++) {
    // Slice s reads sample k·perStep − s, turns apart being the same angle.
    const newest = k * perStep;
    const last = Math.floor((to + slices - 1 - newest) / turn);
    for (let w = Math.ceil((from - newest) / turn); w <= last; w++) {
      const top = newest + w * turn;
      const a = (Math.max(from, top - slices + 1) - from) * PARTS;
      const b = (Math.min(to, top) + 1 - from) * PARTS;
      let x = sums[b]! - sums[a]!;
      let y = sums[b + 1]! - sums[a + 1]!;
      let z = sums[b + 2]! - sums[a + 2]!;
      let t = sums[b + 3]! - sums[a + 3]!;
      if (between) {
        const { change, placed } = between;
        const place = top - from;
        const per = 1 / (slices - 1);
        x += per * (place * (change[b]! - change[a]!) - placed[b]! + placed[a]!);
        y += per * (place * (change[b + 1]! - change[a + 1]!) - placed[b + 1]! + placed[a + 1]!);
        z += per * (place * (change[b + 2]! - change[a + 2]!) - placed[b + 2]! + placed[a + 2]!);
        t += per * (place * (change[b + 3]! - change[a + 3]!) - placed[b + 3]! + placed[a + 3]!);
      }
      into.fx[k]! += x;
      into.fy[k]! += y;
      into.fz[k]! += z;
      into.torque[k]! += t * arm;
      tooth[k]! += t;
    }
  }
}

/**
 * One revolution by slices: every tooth on its own, with unequal pitch, unequal helix and runout.
 *
 * The referee of the integral tables in `milling-forces.ts`, and the source of the per-tooth loads. Kinematics and
 * signs as there (Altintas, Manufacturing Automation, 2012, ch. 2). No slice is taller than asked for, but some are
 * lower, so that each lags the one below by a whole part of a step. Throws without teeth, without feed, or when the
 * lists are not of one length.
 */
export function oneTurn(edge: ToothedEdge, law: ForceLaw, options: OneTurnOptions = {}): OneTurn {
  const { steps = 360, sliceMm = 0.1 } = options;
  const teeth = edge.pitch.length;
  requirePositive('number of teeth', teeth);
  requirePositive('feed per tooth', edge.feedPerToothMm);
  requirePositive('slice height', sliceMm);
  if (edge.helix.length !== teeth || edge.standMm.length !== teeth) {
    throw new InputError([
      {
        field: 'teeth',
        value: [edge.helix.length, edge.standMm.length],
        allowed: `${teeth} helices and heights`,
      },
    ]);
  }
  const tip: number[] = [];
  let sum = 0;
  edge.pitch.forEach((p, j) => tip.push(j === 0 ? 0 : (sum += p)));
  const widest = edge.bands.reduce((w, b) => Math.max(w, b.radiusMm), 1e-9);
  const lagPerMm = edge.helix.map((h) => Math.tan(h) / widest);
  const spread = Math.max(...edge.standMm) - Math.min(...edge.standMm);
  const table = tabulate(law, edge.feedPerToothMm * teeth + spread);
  const delta = TURN / steps;
  const into: Gathered = {
    steps,
    fx: new Float64Array(steps),
    fy: new Float64Array(steps),
    fz: new Float64Array(steps),
    torque: new Float64Array(steps),
  };
  const tooth = edge.pitch.map(() => new Float64Array(steps));
  const toothChip = new Array<number>(teeth).fill(0);

  const order = edge.pitch.map((_, j) => j);
  const [low, high] = [teethOf(teeth), teethOf(teeth)];
  // Without runout the tooth before always left the lowest surface.
  const candidates = spread === 0 ? 1 : teeth;
  const alike = edge.helix.every((h) => h === edge.helix[0]);
  const steepest = Math.max(...lagPerMm) - Math.min(...lagPerMm);
  for (const band of edge.bands) {
    const height = band.toMm - band.fromMm;
    if (height <= 0) continue;
    const sinK = Math.sin(band.kapr);
    const { entry, exit } = band.arc;
    const highest =
      entry <= Math.PI / 2 && exit >= Math.PI / 2 ? 1 : Math.max(Math.sin(entry), Math.sin(exit));
    const least = Math.min(...edge.pitch);
    const stretches = Math.min(
      MOST_STRETCHES,
      Math.max(1, Math.ceil((height * steepest) / (SPACING_CHANGE * least))),
    );
    for (let part = 0; part < stretches; part++) {
      const fromMm = band.fromMm + (height * part) / stretches;
      const tall = height / stretches;
      teethAt(edge, fromMm, widest, tip, order, low);
      if (!alike) teethAt(edge, fromMm + tall, widest, tip, order, high);
      for (let j = 0; j < teeth; j++) {
        const row = j * teeth;
        for (const at of alike ? [low] : [low, high])
          toothChip[j] = Math.max(toothChip[j]!, smallestChip(at, row, candidates, highest) * sinK);
        const lag = lagPerMm[j]!;
        const grid =
          lag > 0
            ? delta / Math.max(1, Math.ceil(Math.min(1 / FINEST_SHARE, delta / (lag * sliceMm))))
            : delta;
        // Whole slices first; what is left at the top is one slice of its own.
        const wholeMm = lag > 0 ? grid / lag : tall;
        const whole = Math.floor(tall / wholeMm + 1e-9);
        const rest = tall - whole * wholeMm;
        const start = tip[j]! + fromMm * lag;
        const stretch = { band, grid, slices: whole, dz: wholeMm, behind: start + (wholeMm / 2) * lag };
        const upper = alike ? null : high;
        if (whole > 0) addStretch(stretch, low, upper, row, candidates, table, into, tooth[j]!);
        if (rest > 1e-9 * tall) {
          const behind = start + (tall - rest / 2) * lag;
          const last = { band, grid: delta, slices: 1, dz: rest, behind };
          addStretch(last, upper ?? low, null, row, candidates, table, into, tooth[j]!);
        }
      }
    }
  }
  return summarise({ ...into, tooth, toothChipMm: toothChip });
}

function teethOf(teeth: number): TeethAtHeight {
  return {
    behind: new Float64Array(teeth),
    feed: new Float64Array(teeth * teeth),
    step: new Float64Array(teeth * teeth),
  };
}

function summarise(
  t: Pick<OneTurn, 'steps' | 'fx' | 'fy' | 'fz' | 'torque' | 'tooth' | 'toothChipMm'>,
): OneTurn {
  const mean = (a: Float64Array): number => {
    let sum = 0;
    for (const v of a) sum += v;
    return sum / t.steps;
  };
  const peak = (a: Float64Array): number => {
    let most = 0;
    for (const v of a) if (Math.abs(v) > Math.abs(most)) most = v;
    return most;
  };
  let peakFxy = 0;
  for (let k = 0; k < t.steps; k++) peakFxy = Math.max(peakFxy, Math.hypot(t.fx[k]!, t.fy[k]!));
  return {
    ...t,
    meanFx: mean(t.fx),
    meanFy: mean(t.fy),
    meanFz: mean(t.fz),
    meanTorqueNm: mean(t.torque),
    peakFx: peak(t.fx),
    peakFy: peak(t.fy),
    peakFz: peak(t.fz),
    peakFxy,
    peakTorqueNm: Math.max(0, peak(t.torque)),
  };
}

/** How far each tooth of a tip that runs out by `tirUm` in total stands off the mean radius, mm. */
export function standOfTeeth(pitch: readonly number[], tirUm: number): number[] {
  let angle = 0;
  return pitch.map((p, j) => (tirUm / 2000) * Math.cos(j === 0 ? 0 : (angle += p)));
}
