import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** How the edge goes into the groove: straight in, along one flank, or along both in turn. */
export const INFEEDS = ['radial', 'flank', 'alternating'] as const;
export type Infeed = (typeof INFEEDS)[number];

/** One pass of a turned thread. */
export interface ThreadPass {
  /** Depth of the groove after it, and what it adds, mm. */
  readonly toMm: number;
  readonly addsMm: number;
  /** Section of its chip, mm². */
  readonly areaMm2: number;
  /** Edge in the cut, mm, and the chip's mean thickness, mm. */
  readonly edgeMm: number;
  readonly chipMm: number;
  /** Width of edge that a movement across the part makes thicker or thinner, mm: the bottom, and of the flanks the square of their lean. */
  readonly acrossMm: number;
}

/** Share of a full first pass that is taken: the point of the edge stands alone in it. Shop practice. */
const FIRST = 0.3;

/**
 * Passes of a groove that opens with an included angle (degrees) down to a depth (mm), each with about the same section: depths go with
 * the root of the pass, the first less. `flatMm` is the width at the bottom. Spring passes add nothing.
 */
export function threadPasses(
  depthMm: number,
  count: number,
  {
    angleDeg,
    flatMm,
    infeed,
  }: { readonly angleDeg: number; readonly flatMm: number; readonly infeed: Infeed },
): ThreadPass[] {
  requirePositive('depth of thread', depthMm);
  requireWithin('passes', count, 1, 99);
  const half = Math.tan((angleDeg * Math.PI) / 360);
  const long = Math.hypot(1, half);
  // The first pass by the rule of the trade, the rest by equal sections.
  const at = (i: number): number =>
    depthMm * Math.sqrt(count === 1 ? 1 : i === 1 ? Math.min(1, FIRST) / (count - 1) : (i - 1) / (count - 1));
  const passes: ThreadPass[] = [];
  let before = 0;
  for (let i = 1; i <= count; i++) {
    const toMm = at(i);
    const areaMm2 = (toMm - before) * (flatMm + half * (toMm + before));
    // Straight in both flanks cut, along one of them only that one and the bottom.
    const edgeMm = flatMm + (infeed === 'radial' ? 2 : 1) * toMm * long;
    const acrossMm = flatMm + (edgeMm - flatMm) * Math.sin((angleDeg * Math.PI) / 360) ** 2;
    passes.push({ toMm, addsMm: toMm - before, areaMm2, edgeMm, chipMm: areaMm2 / edgeMm, acrossMm });
    before = toMm;
  }
  return passes;
}

/** Lead angle at the pitch diameter, degrees: what the seat of the insert has to lean by. */
export const leadAngle = (pitchMm: number, pitchDiameterMm: number): number =>
  (Math.atan(pitchMm / (Math.PI * pitchDiameterMm)) * 180) / Math.PI;

/** Way the slide needs to come up to the feed of a thread, mm: n·P from rest at its acceleration, and two pitches to settle. */
export function runIn(pitchMm: number, speedRpm: number, accelerationMS2: number): number {
  const feedMS = (pitchMm * speedRpm) / 60_000;
  return (1000 * feedMS ** 2) / (2 * accelerationMS2) + 2 * pitchMm;
}
