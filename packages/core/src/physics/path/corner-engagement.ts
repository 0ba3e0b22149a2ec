import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** An inside corner of 90° as the pass before left it, and how the cutter's centre goes round it. */
export interface CornerCut {
  readonly toolDiameterMm: number;
  /** Stepover of the straight passes, mm. */
  readonly radialMm: number;
  /** Radius of the centre's path in the corner, mm; 0 turns on the spot. */
  readonly pathRadiusMm: number;
}

/** Where the cutter stands on its way through the corner, and which way it moves. */
interface Stand {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** This pass runs along y = 0 to the right and turns up at x = 0; `along` is 0 to 1 in the corner. */
function standOn(pathRadius: number, along: number): Stand {
  const a = -Math.PI / 2 + (along * Math.PI) / 2;
  return {
    x: pathRadius * (Math.cos(a) - 1),
    y: pathRadius * (Math.sin(a) + 1),
    dx: -Math.sin(a),
    dy: Math.cos(a),
  };
}

/**
 * How far a point lies to the outside of the path of the pass before, mm; that path lies a stepover to the inside and has
 * its own radius. What lies to its inside was cleared by still earlier passes and counts as negative.
 */
function outsidePassBefore(x: number, y: number, radius: number, inset: number): number {
  const cx = -inset - radius;
  const cy = inset + radius;
  const under = inset - y;
  const beside = x + inset;
  if (x <= cx) return y >= cy ? Math.max(under, beside) : under;
  return y >= cy ? beside : Math.hypot(x - cx, y - cy) - radius;
}

/** On the spot there is no direction of travel; a hair of radius stands for it, mm. */
const SHARPEST = 1e-6;

/**
 * Arc of contact at a place in the corner, rad: the part of the cutter's front that the pass before has not cleared.
 * `along` runs from 0 (the corner begins) to 1 (it ends).
 */
export function arcInCorner(corner: CornerCut, along: number, samples = 180): number {
  const r = corner.toolDiameterMm / 2;
  const rho = Math.max(SHARPEST, corner.pathRadiusMm);
  const before = Math.max(0, rho - corner.radialMm);
  const { x, y, dx, dy } = standOn(rho, along);
  const open = (turn: number): number => {
    // `turn` counts from the wall's side (to the right of the travel) towards the travel and on to the left.
    const nx = dy * Math.cos(turn) + dx * Math.sin(turn);
    const ny = -dx * Math.cos(turn) + dy * Math.sin(turn);
    return outsidePassBefore(x + r * nx, y + r * ny, before, corner.radialMm) - r;
  };
  let engaged = 0;
  const step = Math.PI / samples;
  let last = open(0);
  for (let i = 1; i <= samples; i++) {
    const next = open(i * step);
    if (last > 0 && next > 0) engaged += step;
    else if (last > 0 !== next > 0) engaged += (step * Math.max(last, next)) / Math.abs(last - next);
    last = next;
  }
  return engaged;
}

/** Places looked at on the way through the corner. */
const PLACES = 12;

/** Widest engagement angle anywhere in the corner by sweeping it place by place, rad. */
export function sweptCornerArc(corner: CornerCut, samples = 180): number {
  let widest = straightArc(corner);
  for (let i = 0; i <= PLACES; i++) widest = Math.max(widest, arcInCorner(corner, i / PLACES, samples));
  return widest;
}

/** Nodes of the sharp corners' table: stepover over diameter, and path radius over stepover. */
const WIDTHS = 40;
const RADII = 20;
const swept = new Float64Array((WIDTHS + 1) * (RADII + 1)).fill(NaN);

/** A node of the table, swept when first asked for: the arc depends on the two ratios only. */
function sharpNode(i: number, j: number): number {
  const at = i * (RADII + 1) + j;
  if (Number.isNaN(swept[at]!)) {
    const radialMm = Math.max(i, 0.05) / WIDTHS;
    swept[at] = sweptCornerArc({ toolDiameterMm: 1, radialMm, pathRadiusMm: (radialMm * j) / RADII });
  }
  return swept[at]!;
}

/** Arc in a corner sharper than a stepover, rad, linear between swept nodes: within two degrees of sweeping. */
function sharpCornerArc({ toolDiameterMm, radialMm, pathRadiusMm }: CornerCut): number {
  const x = Math.min(1, radialMm / toolDiameterMm) * WIDTHS;
  const y = Math.min(1, pathRadiusMm / Math.max(radialMm, 1e-9)) * RADII;
  const i = Math.min(WIDTHS - 1, Math.floor(x));
  const j = Math.min(RADII - 1, Math.floor(y));
  const [u, v] = [x - i, y - j];
  return (
    (1 - u) * ((1 - v) * sharpNode(i, j) + v * sharpNode(i, j + 1)) +
    u * ((1 - v) * sharpNode(i + 1, j) + v * sharpNode(i + 1, j + 1))
  );
}

/**
 * Widest engagement angle anywhere in the corner, rad: the closed form where the path is at least a stepover wide, read from
 * swept corners where the pass before turned on the spot. Throws when the stepover is wider than the tool.
 */
export function cornerArc(corner: CornerCut): number {
  requirePositive('tool diameter', corner.toolDiameterMm);
  requireWithin('stepover', corner.radialMm, 0, corner.toolDiameterMm);
  requireWithin('path radius', corner.pathRadiusMm, 0, Infinity);
  if (corner.pathRadiusMm >= corner.radialMm) return longArc(corner);
  return Math.max(straightArc(corner), sharpCornerArc(corner));
}

/**
 * Arc of contact on a long arc, rad, in closed form: both walls are arcs about one centre and the engagement is that of a
 * straight cut `(Dm² − Dw²)/4(Dm − Dc)` wide (circle intersection). A short corner never exceeds it.
 */
export function longArc({ toolDiameterMm, radialMm, pathRadiusMm }: CornerCut): number {
  requireWithin('path radius', pathRadiusMm, radialMm, Infinity);
  const finished = 2 * pathRadiusMm + toolDiameterMm;
  const before = finished - 2 * radialMm;
  const width = (finished ** 2 - before ** 2) / (4 * (finished - toolDiameterMm));
  return Math.acos(Math.max(-1, 1 - (2 * width) / toolDiameterMm));
}

/**
 * Stepover that keeps the arc in the corner at that of the straight cut, mm: what a constant-engagement path falls back to
 * there. 0 where even the lightest pass is wider, because the path turns too sharply.
 */
export function steadyStepover(corner: CornerCut): number {
  const wanted = straightArc(corner) * 1.001;
  if (cornerArc(corner) <= wanted) return corner.radialMm;
  // The closed form holds up to a stepover of the path radius: the sweep is asked only where the answer lies beyond it.
  const long = Math.min(corner.radialMm, corner.pathRadiusMm);
  const beyond = long > 0 && longArc({ ...corner, radialMm: long }) <= wanted;
  let [low, high] = beyond ? [long, corner.radialMm] : [0, long];
  for (let i = 0; i < 16; i++) {
    const middle = (low + high) / 2;
    if (cornerArc({ ...corner, radialMm: middle }) <= wanted) low = middle;
    else high = middle;
  }
  return low < 1e-3 * corner.radialMm ? 0 : low;
}

/** Arc of contact of the straight cut before the corner, rad. */
export const straightArc = ({
  toolDiameterMm,
  radialMm,
}: Pick<CornerCut, 'toolDiameterMm' | 'radialMm'>): number => Math.acos(1 - (2 * radialMm) / toolDiameterMm);

/** Thickest chip in the corner over that of the straight cut, at an unchanged feed of the centre. */
export function chipPeakInCorner(corner: CornerCut): number {
  const sine = (arc: number): number => (arc >= Math.PI / 2 ? 1 : Math.sin(arc));
  const straight = sine(straightArc(corner));
  return straight > 0 ? sine(cornerArc(corner)) / straight : 1;
}

/** Width of a straight cut with this engagement angle, mm. */
export const widthOfArc = (arc: number, toolDiameterMm: number): number =>
  (toolDiameterMm / 2) * (1 - Math.cos(Math.min(Math.PI, arc)));

/** Smallest path radius, mm, that keeps the corner's arc within `ratio` of the straight cut's; Infinity when none does. */
export function pathRadiusWithoutSpike(toolDiameterMm: number, radialMm: number, ratio: number): number {
  const wanted = ratio * straightArc({ toolDiameterMm, radialMm });
  const at = (rho: number): number => cornerArc({ toolDiameterMm, radialMm, pathRadiusMm: rho });
  // Wider than the stepover the closed form holds; only a loose ratio is met by a sharper path.
  const sharp = at(radialMm) <= wanted;
  let high = sharp ? radialMm : Math.max(radialMm, toolDiameterMm);
  for (let i = 0; i < 20 && at(high) > wanted; i++) high *= 2;
  if (at(high) > wanted) return Infinity;
  let low = sharp ? 0 : radialMm;
  for (let i = 0; i < (sharp ? 12 : 24); i++) {
    const middle = (low + high) / 2;
    if (at(middle) > wanted) low = middle;
    else high = middle;
  }
  return high;
}

/** Largest cutter, mm, that follows a corner of `cornerRadiusMm` at a share `x` of its diameter within `ratio`; 0 when none. */
export function largestCutterWithoutSpike(cornerRadiusMm: number, x: number, ratio: number): number {
  requirePositive('corner radius', cornerRadiusMm);
  let [low, high] = [0, 2 * cornerRadiusMm];
  for (let i = 0; i < 20; i++) {
    const d = (low + high) / 2;
    const needed = d > 0 ? pathRadiusWithoutSpike(d, x * d, ratio) : 0;
    if (needed <= cornerRadiusMm - d / 2) low = d;
    else high = d;
  }
  return low;
}
