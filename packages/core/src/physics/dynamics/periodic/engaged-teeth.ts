import { type ChatterCut, directionInto, isUniform } from '../chatter-cut.ts';

const TURN = 2 * Math.PI;
/** Most discs a cutter with unequal helices is cut into; within one the spacing is that of its middle. */
const MOST_DISCS = 6;
/** Turn by which the spacing may change within a disc, rad. */
const SPACING = 0.04;

/** One tooth of one disc of the cutter, as it goes through the cut. */
export interface EngagedTooth {
  /** Turn of the tool at which the tooth's lowest point stands at φ = 0, rad. */
  readonly behind: number;
  /** Angle by which the top of the disc follows its bottom, rad. */
  readonly lag: number;
  /** Share of the depth the disc has. */
  readonly share: number;
  /** Turn between this tooth and the one that left the surface it cuts, rad. */
  readonly delay: number;
}

/** How the teeth go through the cut in one period. */
export interface Engagement {
  /** Turn after which everything repeats, rad: from tooth to tooth, or the whole turn. */
  readonly period: number;
  /** Times the period goes into a turn. */
  readonly perTurn: number;
  readonly teeth: readonly EngagedTooth[];
  /** Stretches in which a tooth cuts, none of them with a tooth entering or leaving inside; rising in [0, period]. */
  readonly stretches: readonly (readonly [number, number])[];
}

/** Engagement of the teeth at a depth: with a helix the depth decides how long a tooth takes to enter. */
export function engagementOf(cut: ChatterCut, depthMm: number): Engagement {
  const teeth: EngagedTooth[] = [];
  const uniform = isUniform(cut);
  const count = cut.pitch.length;
  const lagOf = (j: number, height: number): number =>
    (2 * height * Math.tan(cut.helix?.[j] ?? 0)) / cut.diameterMm;
  const tip: number[] = [];
  cut.pitch.reduce((sum, p, j) => {
    tip.push(j === 0 ? 0 : sum + p);
    return j === 0 ? 0 : sum + p;
  }, 0);
  const lags = tip.map((_, j) => lagOf(j, depthMm));
  const discs = Math.min(
    MOST_DISCS,
    Math.max(1, Math.ceil((Math.max(...lags) - Math.min(...lags)) / SPACING)),
  );
  for (let d = 0; d < discs; d++) {
    const low = (depthMm * d) / discs;
    const high = (depthMm * (d + 1)) / discs;
    const place = tip.map((t, j) => t + lagOf(j, low));
    const middle = tip.map((t, j) => t + lagOf(j, (low + high) / 2));
    for (let j = 0; j < (uniform ? 1 : count); j++) {
      // The tooth before is the one least far ahead at this height.
      let delay = TURN;
      for (let i = 0; i < count; i++) {
        if (i === j) continue;
        const gap = middle[j]! - middle[i]!;
        delay = Math.min(delay, gap - TURN * Math.floor(gap / TURN));
      }
      teeth.push({
        behind: place[j]!,
        lag: lagOf(j, high) - lagOf(j, low),
        share: 1 / discs,
        delay: uniform ? cut.pitch[0]! : delay,
      });
    }
  }
  const period = uniform ? cut.pitch[0]! : TURN;
  return { period, perTurn: Math.round(TURN / period), teeth, stretches: stretchesOf(cut, teeth, period) };
}

function stretchesOf(
  cut: ChatterCut,
  teeth: readonly EngagedTooth[],
  period: number,
): (readonly [number, number])[] {
  const wrap = (a: number): number => {
    const w = a - period * Math.floor(a / period);
    return w > period - 1e-12 ? 0 : w;
  };
  const marks = [0, period];
  for (const t of teeth) {
    for (const edge of [cut.entry, cut.exit]) {
      marks.push(wrap(t.behind + edge), wrap(t.behind + edge + t.lag));
    }
  }
  marks.sort((a, b) => a - b);
  const found: (readonly [number, number])[] = [];
  const ss = new Float64Array(3);
  for (let i = 1; i < marks.length; i++) {
    const [a, b] = [marks[i - 1]!, marks[i]!];
    if (b - a < 1e-9) continue;
    let cuts = false;
    for (const t of teeth) cuts ||= factorsAt(cut, t, period, (a + b) / 2, ss);
    if (cuts) found.push([a, b]);
  }
  return found;
}

/**
 * Mean over a disc's height of sin², sin·cos, cos² of the part of a tooth that is in the cut at turn θ, times the disc's
 * share of the depth; in `out`. False where no part of it is. A tooth may pass more than once in a period when the
 * lag is longer than that.
 */
export function factorsAt(
  cut: ChatterCut,
  tooth: EngagedTooth,
  period: number,
  theta: number,
  out: Float64Array,
): boolean {
  const { behind, lag, share } = tooth;
  // φ of the disc's bottom is θ − behind, that of its top lags.
  const lowest = Math.ceil((cut.entry - (theta - behind)) / period - 1e-12);
  const highest = Math.floor((cut.exit + lag - (theta - behind)) / period + 1e-12);
  if (highest < lowest) return false;
  out.fill(0);
  let cuts = false;
  for (let k = lowest; k <= highest; k++) {
    const phi = theta - behind + k * period;
    const to = Math.min(cut.exit, phi);
    const from = Math.max(cut.entry, phi - lag);
    if (lag < 1e-9) {
      if (phi < cut.entry || phi > cut.exit) continue;
      const s = Math.sin(phi);
      const c = Math.cos(phi);
      out[0]! += share * s * s;
      out[1]! += share * s * c;
      out[2]! += share * c * c;
      cuts = true;
    } else if (to > from) {
      // As `directionIntegrals`, without an array for each of millions of teeth.
      const per = share / lag;
      const s0 = Math.sin(from);
      const s1 = Math.sin(to);
      const half = (to - from) / 2;
      const quarter = (Math.sin(2 * to) - Math.sin(2 * from)) / 4;
      out[0]! += per * (half - quarter);
      out[1]! += (per * (s1 * s1 - s0 * s0)) / 2;
      out[2]! += per * (half + quarter);
      cuts = true;
    }
  }
  return cuts;
}

/** A turn just inside the stretch: at its ends a tooth is about to enter or leave. */
export const inside = (from: number, to: number, share: number): number =>
  Math.min(to - 1e-9 * (to - from), Math.max(from + 1e-9 * (to - from), from + share * (to - from)));

const whole = new Float64Array(4);

/**
 * Direction matrix of summed factors for a tangential and a radial coefficient, over the directions that give way; into `out` from
 * `offset` on: N/m from coefficients in N/m, N·s/m from those of the land.
 */
export function pressing(
  tangential: number,
  radial: number,
  factors: Float64Array,
  directions: readonly number[],
  out: Float64Array,
  offset: number,
): void {
  const dims = directions.length;
  if (dims === 2) {
    directionInto(tangential, radial, factors[0]!, factors[1]!, factors[2]!, out, offset);
    return;
  }
  directionInto(tangential, radial, factors[0]!, factors[1]!, factors[2]!, whole, 0);
  for (const d of directions) out[offset] = whole[3 * d]!;
}
