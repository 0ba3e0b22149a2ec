import { helixDown } from './bore.ts';
import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

export interface RoundPocketPlan {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly toolMm: number;
  readonly axialMm: number;
  readonly radialMm: number;
  /** Of the straight cut, mm/min: at the wall it is kept. */
  readonly feedMmMin: number;
  readonly rampDeg: number;
  readonly rampFeedShare: number;
  /** Widest helix to get down on, mm across the hole it makes. */
  readonly helixMm: number;
}

/** Depth gained in a turn at an angle on a path radius, mm. */
export const pitchOf = (rampDeg: number, radius: number): number =>
  2 * Math.PI * radius * Math.tan((rampDeg * Math.PI) / 180);

/** A round pocket: down on a helix, then ring by ring outwards with the feed of each ring's wall, level by level. */
export function writeRoundPocket(
  w: Writer,
  plan: RoundPocketPlan,
  { x, y }: Place,
  top: number,
  start: number,
  clear: number,
): void {
  const { toolMm, radialMm } = plan;
  const last = (plan.diameterMm - toolMm) / 2;
  const helix = Math.min(last, (plan.helixMm - toolMm) / 2);
  const levels = Math.max(1, Math.ceil(plan.depthMm / plan.axialMm - 1e-9));
  const rings = Math.max(0, Math.ceil((last - helix) / radialMm - 1e-9));
  w.rapid({ x: x + helix, y });
  w.rapid({ z: top + start });
  w.line({ z: top }, plan.feedMmMin);
  let from = top;
  for (let level = 1; level <= levels; level++) {
    const to = top - (plan.depthMm * level) / levels;
    const down = plan.feedMmMin * plan.rampFeedShare * (helix / (helix + toolMm / 2));
    helixDown(w, { x, y }, helix, from, to, pitchOf(plan.rampDeg, helix), down);
    for (let ring = 1; ring <= rings; ring++) {
      const radius = helix + ((last - helix) * ring) / rings;
      const before = helix + ((last - helix) * (ring - 1)) / rings;
      const feed = (plan.feedMmMin * radius) / (radius + toolMm / 2);
      // Out on half a turn that touches both rings: the contact grows with the way and does not jump.
      w.arc(false, { x: x - radius, y }, [x + (before - radius) / 2, y], feed);
      w.arc(false, { x: x - radius, y }, [x, y], feed);
      if (ring < rings) w.arc(false, { x: x + radius, y }, [x, y], feed);
    }
    if (rings > 0) w.line({ x: x - last + Math.min(1, last / 2), y }, plan.feedMmMin);
    if (level < levels) {
      w.rapid({ z: top + start });
      w.rapid({ x: x + helix, y });
      w.rapid({ z: to + start });
      w.line({ z: to }, plan.feedMmMin);
    }
    from = to;
  }
  w.rapid({ z: top + clear });
}

/** A straight slope down to a depth, to and fro within a length. */
export function writeRamp(
  w: Writer,
  plan: {
    readonly lengthMm: number;
    readonly depthMm: number;
    readonly rampDeg: number;
    readonly feedMmMin: number;
  },
  { x, y }: Place,
  top: number,
  start: number,
  clear: number,
): void {
  const gain = plan.lengthMm * Math.tan((plan.rampDeg * Math.PI) / 180);
  w.rapid({ x, y });
  w.rapid({ z: top + start });
  w.line({ z: top }, plan.feedMmMin);
  let z = top;
  let out = true;
  while (z > top - plan.depthMm + 1e-9) {
    z = Math.max(top - plan.depthMm, z - gain);
    w.line({ x: out ? x + plan.lengthMm : x, z }, plan.feedMmMin);
    out = !out;
  }
  // What the last slope left is taken level.
  w.line({ x: out ? x + plan.lengthMm : x }, plan.feedMmMin);
  w.rapid({ z: top + clear });
}

/** A helix down to a depth and a level turn, as a way in by itself. */
export function writeHelix(
  w: Writer,
  plan: {
    readonly holeMm: number;
    readonly toolMm: number;
    readonly depthMm: number;
    readonly rampDeg: number;
    readonly feedMmMin: number;
  },
  centre: Place,
  top: number,
  start: number,
  clear: number,
): void {
  const radius = (plan.holeMm - plan.toolMm) / 2;
  w.rapid({ x: centre.x + radius, y: centre.y });
  w.rapid({ z: top + start });
  w.line({ z: top }, plan.feedMmMin);
  helixDown(w, centre, radius, top, top - plan.depthMm, pitchOf(plan.rampDeg, radius), plan.feedMmMin);
  w.rapid({ z: top + clear });
}

export interface TrochoidPlan {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly toolMm: number;
  readonly axialMm: number;
  readonly radialMm: number;
  readonly feedMmMin: number;
}

/**
 * Step of the loops that keeps the contact of a straight cut of width `radial`, mm: on a loop of radius r the wall the loop before
 * left lies so that cos α = ((r + R)² − R² − (r + s)²)/(2R(r + s)) at the front, α being the contact.
 */
export function loopStep(loopRadius: number, toolMm: number, radialMm: number): number {
  const R = toolMm / 2;
  const c = 1 - radialMm / R;
  return Math.sqrt(R * R * c * c + (loopRadius + R) ** 2 - R * R) - R * c - loopRadius;
}

/** A slot by loops: each comes a stepover on, cuts along its front and returns through what is clear. Open at its beginning. */
export function writeTrochoid(
  w: Writer,
  plan: TrochoidPlan,
  { x, y }: Place,
  top: number,
  start: number,
  clear: number,
): void {
  const radius = (plan.widthMm - plan.toolMm) / 2;
  const levels = Math.max(1, Math.ceil(plan.depthMm / plan.axialMm - 1e-9));
  const feed = (plan.feedMmMin * radius) / (radius + plan.toolMm / 2);
  const step = loopStep(radius, plan.toolMm, plan.radialMm);
  const loops = Math.ceil((plan.lengthMm + plan.toolMm / 2) / step);
  for (let level = 1; level <= levels; level++) {
    const from = x - plan.toolMm / 2 - radius - start;
    w.rapid({ x: from, y: y - radius });
    w.rapid({ z: top - (plan.depthMm * level) / levels });
    for (let loop = 0; loop <= loops; loop++) {
      const at = from + loop * step;
      w.line({ x: at, y: y - radius }, plan.feedMmMin);
      // Anticlockwise on the front half with the material on the right of the way: climb.
      w.arc(false, { x: at, y: y + radius }, [at, y], feed);
      w.line({ x: at, y: y - radius }, 2 * plan.feedMmMin);
    }
    w.rapid({ z: top + clear });
  }
}
