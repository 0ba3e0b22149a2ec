import { requirePositive } from '../../units/input-error.ts';
import { type ChatterCut, edgeSpeed, isUniform, requireCut } from './chatter-cut.ts';
import type { TipStructure } from './tip-structure.ts';
import { freeModes, freePropagator } from './periodic/free-motion.ts';

/** How a cut is simulated. */
export interface SimulationWish {
  readonly rpm: number;
  readonly depthMm: number;
  readonly feedPerToothMm: number;
  /** Turns simulated. */
  readonly turns?: number;
  /** Steps in a wave of the highest mode. */
  readonly perWave?: number;
  /** Slices the depth is cut into where the cutter has a helix. */
  readonly slices?: number;
  /** A knock at the start, m, from which the cut either settles or does not. */
  readonly knockM?: number;
}

/** A cut as it would run, sampled. */
export interface Simulation {
  /** Seconds between samples. */
  readonly step: number;
  readonly perTurn: number;
  /** Displacement of the tip, mm. */
  readonly xMm: Float64Array;
  readonly yMm: Float64Array;
  /** Thickest chip any tooth takes, mm. */
  readonly chipMm: Float64Array;
  /** Force across the axis, N. */
  readonly forceN: Float64Array;
  /** Once a turn: displacement, mm. A cut that repeats puts them all on one spot. */
  readonly onceX: readonly number[];
  readonly onceY: readonly number[];
  /** Height of the surface left on the wall over the last turns against its mean, mm, along the feed. */
  readonly surface: readonly { readonly alongMm: number; readonly heightMm: number }[];
  /** ln of the growth in a turn of what does not repeat, over the time it was neither settling in nor limited. */
  readonly growthPerTurn: number;
  readonly stable: boolean;
}

const TURN = 2 * Math.PI;
/** A difference from period to period this large against the feed is chatter, whatever it does next. */
const LARGE = 0.05;

/** Steps each edge is behind the first tooth's tip, slice by slice: by its pitch, and by its helix over the height. */
function stepsBehind(cut: ChatterCut, depthMm: number, slices: number, perTurn: number): Int32Array {
  const teeth = cut.pitch.length;
  const tip: number[] = [];
  cut.pitch.reduce((sum, p, j) => {
    tip.push(j === 0 ? 0 : sum + p);
    return j === 0 ? 0 : sum + p;
  }, 0);
  const behind = new Int32Array(slices * teeth);
  for (let s = 0; s < slices; s++) {
    for (let j = 0; j < teeth; j++) {
      const z = ((s + 0.5) * depthMm) / slices;
      const lag = (2 * z * Math.tan(cut.helix?.[j] ?? 0)) / cut.diameterMm;
      behind[s * teeth + j] = Math.round(((tip[j]! + lag) / TURN) * perTurn) % perTurn;
    }
  }
  return behind;
}

/**
 * The cut step by step, with each tooth cutting what the last one to touch that place left, and leaving the
 * cut where it jumps out of it. Tlusty & Ismail 1981; Schmitz & Smith 2019, ch. 4. The modes move exactly between steps
 * in which the force is held. Throws on an impossible cut.
 */
export function simulateCut(cut: ChatterCut, structure: TipStructure, wish: SimulationWish): Simulation {
  requireCut(cut);
  const { rpm, depthMm, feedPerToothMm, turns = 60, perWave = 60, knockM = 1e-6 } = wish;
  requirePositive('spindle speed', rpm);
  requirePositive('axial depth', depthMm);
  requirePositive('feed per tooth', feedPerToothMm);
  const modes = freeModes(structure);
  const highest = Math.max(...modes.omega) / TURN;
  const perTurn = Math.ceil(Math.max(720, (perWave * highest * 60) / rpm) / 360) * 360;
  const step = 60 / rpm / perTurn;
  const teeth = cut.pitch.length;
  const helical = (cut.helix ?? []).some((h) => h !== 0);
  const slices = helical ? (wish.slices ?? Math.max(4, Math.ceil(depthMm / 0.5))) : 1;
  const width = depthMm / 1000 / slices;
  const behind = stepsBehind(cut, depthMm, slices, perTurn);
  const sine = Float64Array.from({ length: perTurn }, (_, k) => Math.sin((TURN * k) / perTurn));
  const cosine = Float64Array.from({ length: perTurn }, (_, k) => Math.cos((TURN * k) / perTurn));
  const first = Math.ceil((cut.entry / TURN) * perTurn - 1e-6);
  const last = Math.floor((cut.exit / TURN) * perTurn + 1e-6);
  // How far the surface reaches at each angle, by slice; the feed carries the tool along x.
  const reach = new Float64Array(slices * perTurn);
  const perTooth = feedPerToothMm / 1000;
  const feedPerStep = (perTooth * teeth) / perTurn;
  for (let s = 0; s < slices; s++) {
    for (let k = 0; k < perTurn; k++) {
      // What the steady cut of the turn before would have left.
      reach[s * perTurn + k] = -perTooth * sine[k]!;
    }
  }
  const total = turns * perTurn;
  const xMm = new Float64Array(total);
  const yMm = new Float64Array(total);
  const chipMm = new Float64Array(total);
  const forceN = new Float64Array(total);
  const propagator = freePropagator(modes, step);
  const q = new Float64Array(modes.count);
  const v = new Float64Array(modes.count);
  q.fill(knockM / modes.count);
  const [kt, kr] = [cut.tangential * 1e6, cut.radial * 1e6];
  const kd = (cut.dampingNPerM ?? 0) / edgeSpeed(cut, rpm);
  const friction = cut.dampingFriction ?? 0;
  const surface: { alongMm: number; heightMm: number }[] = [];
  // On the wall the tool leaves its surface where it points along y: φ = 0 in conventional, π in climb.
  const wall = cut.exit > Math.PI - 1e-6 ? -1 : 1;
  let farthest = -Infinity;
  for (let n = 0; n < total; n++) {
    let [x, y, vx, vy] = [0, 0, 0, 0];
    for (let m = 0; m < modes.count; m++) {
      if (modes.directions[modes.of[m]!] === 0) {
        x += q[m]!;
        vx += v[m]! * modes.omega[m]!;
      } else {
        y += q[m]!;
        vy += v[m]! * modes.omega[m]!;
      }
    }
    const along = n * feedPerStep + x;
    let [fx, fy, thickest] = [0, 0, 0];
    for (let s = 0; s < slices; s++) {
      for (let j = 0; j < teeth; j++) {
        let k = (n - behind[s * teeth + j]!) % perTurn;
        if (k < 0) k += perTurn;
        if (k < first || k > last) continue;
        const place = s * perTurn + k;
        const now = along * sine[k]! + y * cosine[k]!;
        const h = now - reach[place]!;
        if (h <= 0) continue;
        reach[place] = now;
        if (h > thickest) thickest = h;
        const pressed = kd * width * (vx * sine[k]! + vy * cosine[k]!);
        const ft = kt * h * width + friction * pressed;
        const fr = kr * h * width + pressed;
        fx -= ft * cosine[k]! + fr * sine[k]!;
        fy += ft * sine[k]! - fr * cosine[k]!;
      }
    }
    xMm[n] = x * 1000;
    yMm[n] = y * 1000;
    chipMm[n] = thickest * 1000;
    forceN[n] = Math.hypot(fx, fy);
    if (n >= total - 8 * perTurn) {
      farthest = Math.max(farthest, y * wall * 1000);
      if ((n + 1) % Math.round(perTurn / teeth) === 0) {
        surface.push({ alongMm: along * 1000, heightMm: farthest });
        farthest = -Infinity;
      }
    }
    for (let m = 0; m < modes.count; m++) {
      const force = modes.directions[modes.of[m]!] === 0 ? fx : fy;
      // Motion about the rest position this force would hold the mode at.
      const rest = force / (modes.mass[m]! * modes.omega[m]! ** 2);
      const off = q[m]! - rest;
      const p = m * 4;
      q[m] = rest + propagator[p]! * off + propagator[p + 1]! * v[m]!;
      v[m] = propagator[p + 2]! * off + propagator[p + 3]! * v[m]!;
    }
  }
  const once = (a: Float64Array): number[] =>
    Array.from({ length: turns }, (_, k) => a[(k + 1) * perTurn - 1]!);
  const height = surface.reduce((sum, p) => sum + p.heightMm, 0) / Math.max(1, surface.length);
  return {
    step,
    perTurn,
    xMm,
    yMm,
    chipMm,
    forceN,
    onceX: once(xMm),
    onceY: once(yMm),
    surface: surface.map((p) => ({ alongMm: p.alongMm, heightMm: p.heightMm - height })),
    ...judgeGrowth(xMm, yMm, perTurn, isUniform(cut) ? teeth : 1, turns, feedPerToothMm),
  };
}

/**
 * Growth of what does not repeat: root mean square of the difference of two periods, from tooth to tooth where the teeth
 * are alike, since a wave that doubles its period comes round again after two teeth. Chatter that throws teeth out of
 * the cut grows no further: it stays as large as the feed.
 */
function judgeGrowth(
  x: Float64Array,
  y: Float64Array,
  perTurn: number,
  periodsPerTurn: number,
  turns: number,
  feedMm: number,
): { growthPerTurn: number; stable: boolean } {
  const period = Math.round(perTurn / periodsPerTurn);
  const off: number[] = [];
  for (let t = 1; t < turns; t++) {
    let sum = 0;
    for (let k = t * perTurn; k < (t + 1) * perTurn; k++) {
      sum += (x[k]! - x[k - period]!) ** 2 + (y[k]! - y[k - period]!) ** 2;
    }
    off.push(Math.sqrt(sum / perTurn));
  }
  const end = off[off.length - 1]!;
  const from = Math.ceil(turns * 0.2);
  const floor = 1e-9 * feedMm;
  // Past this size teeth leave the cut.
  const grown = off.findIndex((d, i) => i > 0 && d > LARGE * feedMm);
  const to = grown > from ? grown : off.length - 1;
  const slope = Math.log(Math.max(off[to]!, floor) / Math.max(off[from]!, floor)) / (to - from);
  return {
    growthPerTurn: end > LARGE * feedMm && slope <= 0 ? 0 : slope,
    stable: end < LARGE * feedMm && (slope < 0 || end <= floor),
  };
}
