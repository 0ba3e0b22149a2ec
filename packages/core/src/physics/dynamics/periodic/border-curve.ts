import type { PeriodicLimit } from './limit-depth.ts';

/** The border at one speed. */
export interface CurvePoint extends Pick<PeriodicLimit, 'depthMm' | 'hz'> {
  readonly rpm: number;
}

export interface CurveWish {
  /** Speeds worked out at most. */
  readonly most: number;
  /** Depth where there is no border, mm. */
  readonly mostMm: number;
  /** ln of the depth a straight line between two points may be off. */
  readonly within?: number;
  /** Share of the speed two points are apart at least. */
  readonly apart?: number;
}

interface Gap {
  readonly a: CurvePoint;
  readonly b: CurvePoint;
  /** What a straight line is off in the middle, as ln of the depth: expected. */
  readonly bend: number;
}

/** Frequencies so far apart are heard from two modes or two lobes: the curve has a corner between them. */
const OTHER_LOBE = 0.03;

/**
 * The border over speed from some first speeds on, with more points where it bends: the gap that is expected to be bent most
 * gets a point in its middle, until straight lines do or the work is used up. `done` is told the share and may stop it; null
 * comes back then.
 */
export function borderCurve(
  at: (rpm: number) => Pick<PeriodicLimit, 'depthMm' | 'hz'>,
  speeds: readonly number[],
  { most, mostMm, within = 0.03, apart = 0.004 }: CurveWish,
  done: (share: number) => boolean = () => true,
): readonly CurvePoint[] | null {
  const points: CurvePoint[] = [];
  const point = (rpm: number): CurvePoint | null => {
    const { depthMm, hz } = at(rpm);
    points.push({ rpm, depthMm, hz });
    return done(points.length / most) ? points[points.length - 1]! : null;
  };
  const depth = (p: CurvePoint): number => Math.log(p.depthMm ?? mostMm);
  for (const rpm of [...speeds].sort((a, b) => a - b)) if (!point(rpm)) return null;
  let gaps: Gap[] = points.slice(1).map((b, i) => ({ a: points[i]!, b, bend: Infinity }));
  while (points.length < most) {
    gaps = gaps.filter(({ a, b, bend }) => bend > within && b.rpm - a.rpm > 2 * apart * a.rpm);
    if (gaps.length === 0) break;
    const worst = gaps.reduce((p, q) => (q.bend > p.bend ? q : p));
    const { a, b } = worst;
    const middle = point((a.rpm + b.rpm) / 2);
    if (!middle) return null;
    const off = Math.abs(depth(middle) - (depth(a) + depth(b)) / 2);
    const half = (p: CurvePoint, q: CurvePoint): Gap => {
      const corner = p.hz !== null && q.hz !== null && Math.abs(Math.log(p.hz / q.hz)) > OTHER_LOBE;
      // A smooth curve is off a quarter as much at half the width; across a corner it may be as much as it rises.
      return { a: p, b: q, bend: corner ? Math.max(off, Math.abs(depth(p) - depth(q))) / 2 : off / 4 };
    };
    gaps = [...gaps.filter((g) => g !== worst), half(a, middle), half(middle, b)];
  }
  return points.sort((p, q) => p.rpm - q.rpm);
}

/** Ratio of neighbouring speeds at which the averaged cut is looked through. */
const STEP = 1.007;

/**
 * Speeds where the lobes of an overview turn, with the ends of the range: the most pronounced ones, at most `most` of them.
 * `overview` gives ln of a depth.
 */
export function turningSpeeds(
  overview: (rpm: number) => number,
  fromRpm: number,
  toRpm: number,
  most: number,
): readonly number[] {
  const steps = Math.max(2, Math.ceil(Math.log(toRpm / fromRpm) / Math.log(STEP)));
  const rpm = Array.from({ length: steps + 1 }, (_, i) => fromRpm * (toRpm / fromRpm) ** (i / steps));
  const depth = rpm.map(overview);
  const turns: number[] = [];
  for (let i = 1; i < steps; i++) {
    if ((depth[i]! - depth[i - 1]!) * (depth[i + 1]! - depth[i]!) < 0) turns.push(i);
  }
  const height = (k: number): number =>
    Math.abs(depth[turns[k]!]! - depth[turns[k - 1] ?? 0]!) +
    Math.abs(depth[turns[k]!]! - depth[turns[k + 1] ?? steps]!);
  const chosen = turns
    .map((i, k) => ({ i, height: height(k) }))
    .sort((p, q) => q.height - p.height)
    .slice(0, Math.max(0, most - 2))
    .map(({ i }) => rpm[i]!);
  return [fromRpm, ...chosen, toRpm].sort((a, b) => a - b);
}
