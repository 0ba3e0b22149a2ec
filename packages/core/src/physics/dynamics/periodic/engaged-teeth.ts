import { type ChatterCut, isUniform } from '../chatter-cut.ts';

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

/** One tooth of one disc on one of its ways through the cut: in a period that is shorter than that there are several. */
export type ToothPass = EngagedTooth;

/** How the teeth go through the cut in one period. */
export interface Engagement {
  /** Turn after which everything repeats, rad: from tooth to tooth, or the whole turn. */
  readonly period: number;
  /** Times the period goes into a turn. */
  readonly perTurn: number;
  readonly teeth: readonly EngagedTooth[];
  readonly passes: readonly ToothPass[];
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
  const passes = teeth.flatMap((tooth) => passesOf(cut, tooth, period));
  const perTurn = Math.round(TURN / period);
  return { period, perTurn, teeth, passes, stretches: stretchesOf(cut, passes, period) };
}

/** Ways of a tooth through the cut that some turn of a period sees: each a whole number of periods later than the next. */
function passesOf(cut: ChatterCut, tooth: EngagedTooth, period: number): ToothPass[] {
  const { behind, lag } = tooth;
  const lowest = Math.ceil((cut.entry + behind) / period - 1 - 1e-12);
  const highest = Math.floor((cut.exit + lag + behind) / period + 1e-12);
  const passes: ToothPass[] = [];
  for (let k = lowest; k <= highest; k++) passes.push({ ...tooth, behind: behind - k * period });
  return passes;
}

/** Lag below which an edge is straight, rad. */
const STRAIGHT = 1e-9;

/** Whether some part of a tooth is in the cut at a turn θ: φ of its lowest point is θ − behind, that of its top lags. */
function isInCut({ entry, exit }: ChatterCut, { behind, lag }: ToothPass, theta: number): boolean {
  const phi = theta - behind;
  if (lag < STRAIGHT) return phi >= entry && phi <= exit;
  return Math.min(exit, phi) > Math.max(entry, phi - lag);
}

function stretchesOf(
  cut: ChatterCut,
  passes: readonly ToothPass[],
  period: number,
): (readonly [number, number])[] {
  const wrap = (a: number): number => {
    const w = a - period * Math.floor(a / period);
    return w > period - 1e-12 ? 0 : w;
  };
  const marks = [0, period];
  for (const t of passes) {
    for (const edge of [cut.entry, cut.exit]) {
      marks.push(wrap(t.behind + edge), wrap(t.behind + edge + t.lag));
    }
  }
  marks.sort((a, b) => a - b);
  const found: (readonly [number, number])[] = [];
  for (let i = 1; i < marks.length; i++) {
    const [a, b] = [marks[i - 1]!, marks[i]!];
    if (b - a < 1e-9) continue;
    if (passes.some((pass) => isInCut(cut, pass, (a + b) / 2))) found.push([a, b]);
  }
  return found;
}
