import type { OperationContext } from '../context.ts';
import { isSurface } from './engaged-edge.ts';
import type { MillingOperation } from './milling-operation.ts';
import type { EdgeBand } from '../../physics/cutting/edge-profile.ts';
import { rakeFactor } from '../../physics/cutting/kienzle.ts';
import { orthogonalRakeDeg } from '../../physics/cutting/orthogonal-rake.ts';
import type { LoadInput } from './milling-loads.ts';
import { helixOf } from './force-law-of.ts';
import type { ChatterCut } from '../../physics/dynamics/chatter-cut.ts';
import { indentationOf } from '../indentation.ts';
import { dampingOfLand } from '../../physics/dynamics/process-damping.ts';

const RAD = Math.PI / 180;
/** Land a fresh edge presses the wave with: its hone, and the surface that springs back under the relief, mm. */
const FRESH_LAND_MM = 0.12;
/** Share of the flank wear that presses: the worn land's back end stands off the surface. */
const OF_WEAR = 0.5;
/** Land beyond which more wear is not counted on to damp: by then the force has grown too, mm. */
const MOST_LAND_MM = 0.2;
/** Part of the wave a serrated edge cuts again: its teeth cut at different heights. Merdol & Altintas 2004. */
const SERRATED = 0.5;

/** Friction of the land: a worn flank's radial force is three times its tangential one, by the crib's rules. */
const LAND_FRICTION = 1 / 3;

/**
 * Least friction angle between chip and rake face, degrees (a coefficient of 0.45): the chip's radial over tangential force is
 * tan(β − γ) (Merchant 1945), and what is left of a radial force after its edge part is taken off must not fall below it.
 */
const LEAST_FRICTION_DEG = 24;

/** Land that presses the wave flat, mm. */
const landOf = (flankWearMm: number): number => Math.min(MOST_LAND_MM, FRESH_LAND_MM + OF_WEAR * flankWearMm);

/** Mean of sin κ over the height of the cut: how much of a push on the tip lies across the edge. */
function meanSine(bands: readonly EdgeBand[]): number {
  let [sum, height] = [0, 0];
  for (const b of bands) {
    sum += Math.sin(b.kapr) * (b.toMm - b.fromMm);
    height += b.toMm - b.fromMm;
  }
  return height > 0 ? sum / height : 1;
}

/** A surface's depth is its stock, the edge in it stands higher: how much more regenerates, slices of a short arc counting less. */
function heightOverStock({ cut }: MillingOperation, bands: readonly EdgeBand[]): number {
  const widest = bands.reduce((w, { arc }) => Math.max(w, arc.exit - arc.entry), 0);
  const height = bands.reduce((sum, b) => sum + (b.toMm - b.fromMm) * (b.arc.exit - b.arc.entry), 0);
  return widest > 0 ? height / widest / cut.axialDepthMm : 1;
}

/**
 * What regenerates in a milling cut: the part of the force that grows with the chip. The edge's own force does not, so
 * the coefficients are those of the crib's linear pair, and the radial one has the edge's radial force taken off it. Beyond the
 * pair's range a thick chip's force grows with Kienzle's slope, (1 − mc)·kc1.1·h^−mc, which is less.
 */
export function chatterCutOf(
  op: MillingOperation,
  context: OperationContext,
  input: Pick<LoadInput, 'bands' | 'pitch' | 'kc11' | 'diameter' | 'meanChip'>,
): ChatterCut {
  const { alloy, cutter } = context;
  const k = alloy.kienzle;
  const e = k.linear_edge_equivalent;
  const rakeDeg = orthogonalRakeDeg(cutter, k.reference_rake_deg);
  const rake = rakeFactor(rakeDeg, k.reference_rake_deg);
  const lot = input.kc11 / k.kc11_n_mm2.typical;
  const slope = (1 - k.mc.typical) * k.kc11_n_mm2.typical * input.meanChip ** -k.mc.typical;
  const taller = isSurface(op) ? heightOverStock(op, input.bands) : 1;
  const again = taller * (cutter.extended.serrated ? SERRATED : 1);
  const tangential = again * Math.min(e.ktc_n_mm2, slope) * lot * rake;
  const middle = (e.fit_h_mm[0] + e.fit_h_mm[1]) / 2;
  const whole = k.radial_to_tangential.typical * (e.ktc_n_mm2 * middle + e.kte_n_mm);
  const radialShare = Math.max(
    Math.tan(Math.max(LEAST_FRICTION_DEG - rakeDeg, 8) * RAD),
    (whole - e.kre_over_kte * e.kte_n_mm) / (e.ktc_n_mm2 * middle),
  );
  const arc = input.bands.reduce((a, b) => (b.arc.exit - b.arc.entry > a.arc.exit - a.arc.entry ? b : a)).arc;
  const each = cutter.extended.helix_variation_deg;
  const helix = helixOf(context);
  // An inclined edge turns part of what presses on it into the axis, where the tool is stiff.
  const inPlane = meanSine(input.bands);
  return {
    pitch: input.pitch,
    entry: arc.entry,
    exit: Math.max(arc.exit, arc.entry + 1e-3),
    tangential,
    radial: radialShare * tangential * inPlane,
    diameterMm: input.diameter,
    helix: input.pitch.map((_, j) => (each?.[j] === undefined ? helix : each[j] * RAD)),
    dampingNPerM: taller * inPlane * dampingOfLand(indentationOf(alloy), landOf(op.flankWearMm)),
    // Friction stays in the plane whole, however the edge is inclined.
    dampingFriction: LAND_FRICTION / inPlane,
  };
}
