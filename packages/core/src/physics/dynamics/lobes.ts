import { type ChatterCut, meanDirection, requireCut } from './chatter-cut.ts';
import type { Receptance } from './tip-structure.ts';
import { InputError } from '../../units/input-error.ts';

const TURN = 2 * Math.PI;

/** One point of a lobe. */
export interface LobePoint {
  readonly hz: number;
  /** Whole waves between two teeth. */
  readonly lobe: number;
  readonly rpm: number;
  readonly depthMm: number;
}

/** Depth and phase at a frequency, before it is placed on lobes. */
interface Root {
  readonly depthMm: number;
  /** Phase between the waves of two teeth, rad, in (0, 2π). */
  readonly phase: number;
}

/** Both roots of a0·Λ² + a1·Λ + 1 = 0 that have a positive depth. Altintas & Budak 1995. */
function rootsAt(
  w: readonly [number, number, number, number],
  xre: number,
  xim: number,
  yre: number,
  yim: number,
  put: (depthMm: number, phase: number) => void,
): void {
  // W·G with G diagonal; its trace and determinant.
  const tre = w[0] * xre + w[3] * yre;
  const tim = w[0] * xim + w[3] * yim;
  const det = w[0] * w[3] - w[1] * w[2];
  const gre = xre * yre - xim * yim;
  const gim = xre * yim + xim * yre;
  const [dre, dim] = [det * gre, det * gim];
  // Eigenvalues μ of W·G: μ² − tr·μ + det = 0; −1/a = (1 − e^(−iωT))·μ.
  const [hre, him] = [tre / 2, tim / 2];
  const qre = hre * hre - him * him - dre;
  const qim = 2 * hre * him - dim;
  const size = Math.hypot(qre, qim);
  const rre = Math.sqrt(Math.max(0, (size + qre) / 2));
  const rim = (qim < 0 ? -1 : 1) * Math.sqrt(Math.max(0, (size - qre) / 2));
  for (let sign = -1; sign <= 1; sign += 2) {
    const mre = hre + sign * rre;
    const mim = him + sign * rim;
    const m2 = mre * mre + mim * mim;
    if (m2 === 0) continue;
    // 1 − e^(−iωT) = −1/(a·μ): of every number z with |1 − z| = 1 the real part of −1/μ is half of a·|1/μ|².
    const depth = -1 / (2 * mre);
    if (!(depth > 0)) continue;
    // e^(−iωT) = 1 + 1/(a·μ)
    const c = 1 + mre / (depth * m2);
    const s = mim / (depth * m2);
    const phase = Math.atan2(s, c);
    put(depth * 1000, phase < 0 ? phase + TURN : phase);
  }
}

function meanOf(cut: ChatterCut): readonly [number, number, number, number] {
  requireCut(cut);
  return meanDirection(cut);
}

/** Every lobe point at one frequency, for lobes 0 to `lobes` − 1: the classical closed form, for equal pitch. */
export function lobePointsAt(
  cut: ChatterCut,
  hz: number,
  x: { re: number; im: number },
  y: { re: number; im: number },
  lobes: number,
): LobePoint[] {
  const found: Root[] = [];
  rootsAt(meanOf(cut), x.re, x.im, y.re, y.im, (depthMm, phase) => found.push({ depthMm, phase }));
  return found.flatMap(({ depthMm, phase }) =>
    Array.from({ length: lobes }, (_, lobe) => ({
      hz,
      lobe,
      depthMm,
      rpm: (60 * TURN * hz) / (cut.pitch.length * (phase + TURN * lobe)),
    })),
  );
}

/** The border over a range of speeds. */
export interface LobeChart {
  readonly rpm: Float64Array;
  /** Stability limit, mm; Infinity where no lobe reaches. */
  readonly depthMm: Float64Array;
  /** Frequency it would be heard at, Hz. */
  readonly hz: Float64Array;
  /** The depth below which no speed chatters, mm. */
  readonly leastDepthMm: number;
  readonly leastHz: number;
}

/**
 * Zero-order lobes of a whole frequency response at once, as measured, without a modal fit: each line of the response
 * gives its depths and phases, each lobe is joined from line to line, and the lowest at each speed is the border.
 * For equal pitch without process damping (`limitAtSpeed` has both). Altintas & Budak 1995.
 * Throws InputError unless both responses have the same lines and the speeds rise.
 */
export function lobeChart(
  cut: ChatterCut,
  x: Receptance,
  y: Receptance,
  { fromRpm, toRpm, columns = 400 }: { fromRpm: number; toRpm: number; columns?: number },
): LobeChart {
  const w = meanOf(cut);
  const lines = x.hz.length;
  if (y.hz.length !== lines) {
    throw new InputError([{ field: 'response in y', value: y.hz.length, allowed: `${lines} lines as in x` }]);
  }
  if (!(fromRpm > 0 && toRpm > fromRpm)) {
    throw new InputError([{ field: 'speeds', value: [fromRpm, toRpm], allowed: 'rising, above 0' }]);
  }
  const rpm = Float64Array.from(
    { length: columns },
    (_, i) => fromRpm + ((toRpm - fromRpm) * i) / (columns - 1),
  );
  const depth = new Float64Array(columns).fill(Infinity);
  const heard = new Float64Array(columns);
  const perRpm = (columns - 1) / (toRpm - fromRpm);
  let [least, leastHz] = [Infinity, 0];
  // Two roots a line; each is joined to the root of the line before with the nearer phase.
  const before = [
    { depth: 0, turns: 0 },
    { depth: 0, turns: 0 },
  ];
  let beforeCount = 0;
  const now = [
    { depth: 0, turns: 0 },
    { depth: 0, turns: 0 },
  ];
  let count = 0;
  const put = (d: number, phase: number): void => {
    now[count]!.depth = d;
    now[count]!.turns = phase / TURN;
    count++;
  };
  const teeth = cut.pitch.length;
  for (let i = 0; i < lines; i++) {
    count = 0;
    const hz = x.hz[i]!;
    rootsAt(w, x.re[i]!, x.im[i]!, y.re[i]!, y.im[i]!, put);
    for (let r = 0; r < count; r++) {
      const here = now[r]!;
      if (here.depth < least) [least, leastHz] = [here.depth, hz];
      if (i === 0 || beforeCount === 0) continue;
      let from = before[0]!;
      if (beforeCount > 1 && Math.abs(before[1]!.turns - here.turns) < Math.abs(from.turns - here.turns)) {
        from = before[1]!;
      }
      let fromTurns = from.turns;
      if (fromTurns - here.turns > 0.5) fromTurns -= 1;
      else if (here.turns - fromTurns > 0.5) fromTurns += 1;
      if (Math.abs(fromTurns - here.turns) > 0.25) continue;
      const hzBefore = x.hz[i - 1]!;
      const most = Math.floor((60 * hz) / (teeth * fromRpm));
      const first = Math.max(0, Math.floor((60 * hzBefore) / (teeth * toRpm) - here.turns) - 1);
      for (let k = first; k <= most; k++) {
        const a = (60 * hzBefore) / (teeth * (fromTurns + k));
        const b = (60 * hz) / (teeth * (here.turns + k));
        if (!(a > 0 && b > 0)) continue;
        const [low, high] = a < b ? [a, b] : [b, a];
        if (high < fromRpm || low > toRpm) continue;
        const end = Math.min(columns - 1, Math.floor((high - fromRpm) * perRpm));
        for (let c = Math.max(0, Math.ceil((low - fromRpm) * perRpm)); c <= end; c++) {
          const t = b === a ? 0 : (rpm[c]! - a) / (b - a);
          const d = from.depth + t * (here.depth - from.depth);
          if (d < depth[c]!) {
            depth[c] = d;
            heard[c] = hzBefore + t * (hz - hzBefore);
          }
        }
      }
    }
    for (let r = 0; r < count; r++) {
      before[r]!.depth = now[r]!.depth;
      before[r]!.turns = now[r]!.turns;
    }
    beforeCount = count;
  }
  return { rpm, depthMm: depth, hz: heard, leastDepthMm: least, leastHz };
}
