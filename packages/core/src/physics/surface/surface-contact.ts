import type { Cutter } from '../../crib/cutter.ts';

const RAD = Math.PI / 180;
/** A contact nearer the axis than this share of the cutter is rubbed, not cut. Rule G-83. */
const DEAD_SHARE = 0.15;
/** A small cutter takes no more a tooth on a surface than this share of its diameter. Judgement. */
export const FEED_OF_DIAMETER = 0.012;
/** Share of a barrel's profile that is touched with, from its middle: its ends are where it begins to dig. Judgement. */
const OF_PROFILE = 0.6;
/** Flattest and steepest lean a round corner touches with, degrees: beyond, the end or the flank does. */
const CORNER_LEANS = [1, 89] as const;

/** A rounded edge of a cutter; lengths in mm. Lean is that of the surface's normal from the cutter's axis: 0 the tip, 90 the flank. */
interface RoundedEdge {
  readonly radiusMm: number;
  /** Leans it touches with, degrees. */
  readonly leans: readonly [number, number];
  readonly diameterAt: (leanDeg: number) => number;
  /** Over the tip. */
  readonly heightAt: (leanDeg: number) => number;
  readonly mostStepMm: number;
  /** Smallest inner radius it leaves. */
  readonly cornerMm: number;
}

/** How a rounded edge touches a sloping surface; lengths in mm. */
export interface SurfaceContact {
  /** Radius across the passes: that of the meridian where it touches. */
  readonly radiusMm: number;
  /** Diameter it touches with: there it has its speed. */
  readonly diameterMm: number;
  /** Height of the contact over the tip. */
  readonly heightMm: number;
  readonly leanDeg: number;
  /** Step that the rounded part is long enough for. */
  readonly mostStepMm: number;
  readonly cornerMm: number;
}

type Shape = Pick<Cutter, 'type' | 'properties'>;

/** Rounded edges of a cutter, the one it is made for first. */
function roundedEdges({ type, properties: p }: Shape): readonly RoundedEdge[] {
  const diameter = p.DC ?? 0;
  if (type === 'end_mill_ball')
    return [
      {
        radiusMm: diameter / 2,
        // A ball on a cone goes only as far round as its flank lets it.
        leans: [0, 90 - Number(p['TA'] ?? 0)],
        diameterAt: (lean) => diameter * Math.sin(lean * RAD),
        heightAt: (lean) => (diameter / 2) * (1 - Math.cos(lean * RAD)),
        mostStepMm: 0.5 * diameter,
        cornerMm: diameter / 2,
      },
    ];
  const re = p.RE ?? 0;
  const corner: RoundedEdge[] =
    re > 0
      ? [
          {
            radiusMm: re,
            leans: CORNER_LEANS,
            diameterAt: (lean) => diameter - 2 * re * (1 - Math.sin(lean * RAD)),
            heightAt: (lean) => re * (1 - Math.cos(lean * RAD)),
            mostStepMm: re,
            cornerMm: re,
          },
        ]
      : [];
  const profile = Number(p['PRFRAD'] ?? 0);
  if (type === 'end_mill_lens' && profile > 0) {
    // Its end touches where the surface leans no more than the arc does at the corner.
    const most = Math.asin(Math.min(1, (diameter / 2 - re) / profile)) / RAD;
    return [
      {
        radiusMm: profile,
        leans: [0, most],
        diameterAt: (lean) => 2 * profile * Math.sin(lean * RAD),
        heightAt: (lean) => profile * (1 - Math.cos(lean * RAD)),
        mostStepMm: 0.5 * diameter,
        cornerMm: re,
      },
      ...corner,
    ];
  }
  if (type === 'end_mill_barrel' && profile > 0) {
    const long = p.LCF ?? p.APMX ?? diameter;
    // The flank of a taper barrel leans already; its profile reaches some degrees to either side.
    const taper = Number(p['TA'] ?? 0);
    const middle = 90 - taper;
    // A taper barrel has its diameter at the top of its edge, and is touched half way up.
    const halfUp = diameter - long * Math.tan(taper * RAD);
    const beside = OF_PROFILE * (Math.asin(Math.min(1, long / 2 / profile)) / RAD);
    return [
      {
        radiusMm: profile,
        leans: [middle - beside, Math.min(90, middle + beside)],
        diameterAt: (lean) =>
          Math.max(0, halfUp + 2 * profile * (Math.sin(lean * RAD) - Math.sin(middle * RAD))),
        heightAt: (lean) => long / 2 + profile * (Math.cos(middle * RAD) - Math.cos(lean * RAD)),
        mostStepMm: 0.5 * long,
        cornerMm: re,
      },
      ...corner,
    ];
  }
  return corner;
}

const touching = (edge: RoundedEdge, leanDeg: number): SurfaceContact => ({
  radiusMm: edge.radiusMm,
  diameterMm: edge.diameterAt(leanDeg),
  heightMm: edge.heightAt(leanDeg),
  leanDeg,
  mostStepMm: edge.mostStepMm,
  cornerMm: edge.cornerMm,
});

/** How a cutter touches a surface that leans so from its axis, degrees; null where nothing rounded of it does. */
export function surfaceContact(cutter: Shape, leanDeg: number): SurfaceContact | null {
  const edge = roundedEdges(cutter).find(
    ({ leans: [low, high] }) => leanDeg >= low - 1e-9 && leanDeg <= high + 1e-9,
  );
  return edge ? touching(edge, leanDeg) : null;
}

/** Diameter from which an edge cuts, mm: nearer the axis it stands nearly still. */
export const aliveFromMm = ({ properties }: Shape): number => DEAD_SHARE * (properties.DC ?? 0);

/** The contact's diameter lies in the middle of the cutter, which stands still. */
export const touchesDead = ({ diameterMm }: SurfaceContact, cutter: Shape): boolean =>
  diameterMm < aliveFromMm(cutter) - 1e-9;

/** Diameter the speed is stated at, mm: the contact's, and never that of the middle. */
export const turnedDiameter = ({ diameterMm }: SurfaceContact, cutter: Shape): number =>
  Math.max(diameterMm, aliveFromMm(cutter));

/** Radius of what the contact sweeps along the passes, mm: its circle seen along the normal. Meusnier. */
export function radiusAlong({ radiusMm, diameterMm, leanDeg }: SurfaceContact): number {
  const sine = Math.sin(leanDeg * RAD);
  // At the very tip a rounded end is as round along as across.
  return sine < 1e-6 ? radiusMm : diameterMm / 2 / sine;
}

/** Least lean at which an edge touches with a diameter, degrees; Infinity where it never does. */
function leastLean({ leans: [low, high], diameterAt }: RoundedEdge, needed: number): number {
  let [a, b] = [low, high];
  if (diameterAt(a) >= needed) return a;
  if (diameterAt(b) < needed) return Infinity;
  for (let i = 0; i < 40; i++) {
    const middle = (a + b) / 2;
    if (diameterAt(middle) < needed) a = middle;
    else b = middle;
  }
  return b;
}

/** Degrees a lean is kept inside what an edge can, so that it is not at the very end. */
const INSIDE = 2;

/** How far a cutter is tilted so that a rounded edge touches a surface well: towards its flank, less than 0 away from it. */
export interface WantedTilt {
  readonly tiltDeg: number;
  readonly contact: SurfaceContact;
}

/** Tilt with which a cutter touches the surface by each of its rounded edges, degrees; the edge it is made for first. */
export function wantedTilts(cutter: Shape, slopeDeg: number): readonly WantedTilt[] {
  return roundedEdges(cutter).flatMap((edge): WantedTilt[] => {
    const [, high] = edge.leans;
    const low = leastLean(edge, aliveFromMm(cutter));
    if (low > high) return [];
    const inside = Math.min(INSIDE, (high - low) / 2);
    const reaches = slopeDeg >= low - 1e-9 && slopeDeg <= high + 1e-9;
    const lean = reaches ? slopeDeg : slopeDeg < low ? low + inside : high - inside;
    const tiltDeg = lean - slopeDeg;
    return [{ tiltDeg: Math.abs(tiltDeg) < 1e-9 ? 0 : tiltDeg, contact: touching(edge, lean) }];
  });
}
