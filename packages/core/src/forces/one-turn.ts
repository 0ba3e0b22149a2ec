import { InputError, requirePositive } from '../domain/input-error.ts';
import type { EdgeBand } from '../milling/edge-profile.ts';
import type { EdgeForce, ForceLaw } from './force-law.ts';

/** A cutter as it stands: every tooth with its own place, helix and height. */
export interface ToothedEdge {
  readonly bands: readonly EdgeBand[];
  /** Angle from each tooth to the one that cut just before it at the tip, rad; sums to one turn. */
  readonly pitch: readonly number[];
  /** Helix of each tooth, rad. */
  readonly helix: readonly number[];
  /** Feed per tooth averaged over the teeth, mm. */
  readonly feedPerToothMm: number;
  /** How far each tooth stands off the mean radius, mm; zero without runout. */
  readonly standMm: readonly number[];
}

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
/** Nodes of the tabulated force law: linear between them is within 0.1 % from a hundredth of the thickest chip up. */
const LAW_NODES = 512;

/** A force law read from a table, because a logarithm a slice would cost most of the time. */
function tabulate(law: ForceLaw, thickest: number): { table: Float64Array; perMm: number } {
  const out: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  const table = new Float64Array((LAW_NODES + 1) * 6);
  for (let i = LAW_NODES; i >= 0; i--) {
    law.at(Math.max(1e-9, (thickest * i) / LAW_NODES), out);
    const a = i * 6;
    table[a] = out.tangential;
    table[a + 2] = out.radial;
    table[a + 4] = out.axial;
    if (i === LAW_NODES) continue;
    table[a + 1] = table[a + 6]! - table[a]!;
    table[a + 3] = table[a + 8]! - table[a + 2]!;
    table[a + 5] = table[a + 10]! - table[a + 4]!;
  }
  return { table, perMm: LAW_NODES / thickest };
}

/** The teeth at one height; `feed` and `step` hold a row of candidates a tooth, nearest earlier tooth first. */
interface TeethAtHeight {
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
function teethAt(
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

/** Values a step of a tooth's sums holds: Fx, Fy, Fz, torque, tangential force. */
const SUMS = 5;

/**
 * A slice of one tooth walked over its arc of contact: the hot loop. Two arrays and plain numbers are all it touches, since
 * every further array costs registers; half as fast otherwise.
 */
function walk(
  sums: Float64Array,
  table: Float64Array,
  perMm: number,
  steps: number,
  start: number,
  count: number,
  angle: number,
  delta: number,
  feed: number,
  stand: number,
  share: number,
  dz: number,
  lift: number,
  arm: number,
): void {
  const stepSin = Math.sin(delta);
  const stepCos = Math.cos(delta);
  let sine = Math.sin(angle);
  let cosine = Math.cos(angle);
  const end = steps * SUMS;
  let b = start * SUMS;
  for (let i = 0; i < count; i++) {
    const h = feed * sine + stand;
    if (h > 1e-9) {
      const x = h * perMm;
      const n = x | 0;
      const t = x - n;
      const a = n * 6;
      // A node holds its value and the rise to the next one, so that one stretch of memory serves the slice.
      const ft = (table[a]! + t * table[a + 1]!) * share;
      const fr = (table[a + 2]! + t * table[a + 3]!) * dz;
      sums[b]! -= ft * cosine + fr * sine;
      sums[b + 1]! += ft * sine - fr * cosine;
      sums[b + 2]! += (table[a + 4]! + t * table[a + 5]!) * dz - fr * lift;
      sums[b + 3]! += ft * arm;
      sums[b + 4]! += ft;
    }
    const next = sine * stepCos + cosine * stepSin;
    cosine = cosine * stepCos - sine * stepSin;
    sine = next;
    b += SUMS;
    if (b === end) b = 0;
  }
}

/** Chip before the edge's inclination, mm, at sin φ: the smallest over all earlier teeth, which stand in `row`. */
function smallestChip(at: TeethAtHeight, row: number, candidates: number, sine: number): number {
  let h = at.feed[row]! * sine + at.step[row]!;
  for (let c = 1; c < candidates; c++) h = Math.min(h, at.feed[row + c]! * sine + at.step[row + c]!);
  return h;
}

/** Sine of the angle below which some earlier tooth left a lower surface than the one before; 0 where none did. */
function deepestSine(at: TeethAtHeight, row: number, candidates: number): number {
  let deep = 0;
  for (let c = 1; c < candidates; c++) {
    const gained = at.feed[row + c]! - at.feed[row]!;
    if (gained > 0) deep = Math.max(deep, (at.step[row]! - at.step[row + c]!) / gained);
  }
  return deep;
}

/**
 * One revolution by slices: every tooth on its own, with unequal pitch, unequal helix and runout.
 *
 * The referee of the integral tables in `milling-forces.ts`, and the source of the per-tooth loads. Kinematics and
 * signs as there (Altintas, Manufacturing Automation, 2012, ch. 2). Throws without teeth, without feed, or when the
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
  const spread = Math.max(...edge.standMm) - Math.min(...edge.standMm);
  const thickest = edge.feedPerToothMm * teeth + spread;
  const { table, perMm } = tabulate(law, thickest);
  const delta = TURN / steps;
  const tooth = edge.pitch.map(() => new Float64Array(steps * SUMS));
  const toothChip = new Array<number>(teeth).fill(0);

  const order = edge.pitch.map((_, j) => j);
  const at: TeethAtHeight = {
    behind: new Float64Array(teeth),
    feed: new Float64Array(teeth * teeth),
    step: new Float64Array(teeth * teeth),
  };
  // Without runout the tooth before always left the lowest surface.
  const candidates = spread === 0 ? 1 : teeth;
  for (const band of edge.bands) {
    const height = band.toMm - band.fromMm;
    if (height <= 0) continue;
    const count = Math.max(1, Math.round(height / sliceMm));
    const dz = height / count;
    const sinK = Math.sin(band.kapr);
    const lift = Math.cos(band.kapr) / sinK;
    const arm = band.radiusMm / 1000;
    const { entry, exit } = band.arc;
    const highest =
      entry <= Math.PI / 2 && exit >= Math.PI / 2 ? 1 : Math.max(Math.sin(entry), Math.sin(exit));
    for (let s = 0; s < count; s++) {
      const z = band.fromMm + (s + 0.5) * dz;
      teethAt(edge, z, widest, tip, order, at);
      for (let j = 0; j < teeth; j++) {
        const behind = at.behind[j]!;
        const row = j * teeth;
        const sums = tooth[j]!;
        // θ of step k puts this slice at φ = θ − behind: walk k over the arc of contact.
        const first = Math.ceil((entry + behind) / delta - 1e-9);
        const last = Math.floor((exit + behind) / delta + 1e-9);
        const run = (from: number, to: number, feed: number, stand: number): void =>
          walk(
            sums,
            table,
            perMm,
            steps,
            ((from % steps) + steps) % steps,
            to - from + 1,
            from * delta - behind,
            delta,
            feed * sinK,
            stand * sinK,
            dz / sinK,
            dz,
            lift,
            arm,
          );
        toothChip[j] = Math.max(toothChip[j]!, smallestChip(at, row, candidates, highest) * sinK);
        // Only near the arc's thin ends an earlier tooth may have cut deeper than the one before.
        const deep = deepestSine(at, row, candidates);
        const edgeAngle = Math.asin(Math.min(1, deep));
        const from = Math.max(first, Math.ceil((edgeAngle + behind) / delta));
        const to = Math.min(last, Math.floor((Math.PI - edgeAngle + behind) / delta));
        if (to >= from) run(from, to, at.feed[row]!, at.step[row]!);
        for (let i = first; i <= last; i++) {
          if (i >= from && i <= to) {
            i = to;
            continue;
          }
          run(i, i, 0, smallestChip(at, row, candidates, Math.sin(i * delta - behind)));
        }
      }
    }
  }
  const column = (c: number, of: readonly Float64Array[] = tooth): Float64Array => {
    const values = new Float64Array(steps);
    for (const sums of of) for (let k = 0; k < steps; k++) values[k]! += sums[k * SUMS + c]!;
    return values;
  };
  return summarise({
    steps,
    fx: column(0),
    fy: column(1),
    fz: column(2),
    torque: column(3),
    tooth: tooth.map((sums) => column(4, [sums])),
    toothChipMm: toothChip,
  });
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
