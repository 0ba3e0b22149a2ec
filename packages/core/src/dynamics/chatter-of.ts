import type { OperationContext } from '../domain/context.ts';
import type { MillingOperation } from '../domain/operation.ts';
import { rakeFactor } from '../forces/kienzle.ts';
import type { LoadInput } from '../evaluation/milling-loads.ts';
import { helixOf } from '../evaluation/force-law-of.ts';
import type { ChatterCut } from './chatter-cut.ts';
import { dampingOfLand } from './process-damping.ts';

const RAD = Math.PI / 180;
/** Land an edge presses the surface with when it is still fresh: its hone, and what springs back. */
const FRESH_LAND_MM = 0.06;
/** Land beyond which more wear is not counted on to damp: by then the force has grown too. */
const MOST_LAND_MM = 0.15;
/** Indentation coefficient where an alloy states none, N/m³: the low end of the crib's. */
const USUAL_INDENTATION = 1.5e13;

/**
 * What regenerates in a milling cut: the part of the force that grows with the chip. The edge's own force does not, so
 * the coefficients are those of the crib's linear pair, and the radial one has the edge's radial force taken off it.
 */
export function chatterCutOf(
  op: MillingOperation,
  context: OperationContext,
  input: Pick<LoadInput, 'bands' | 'pitch' | 'kc11' | 'diameter'>,
): ChatterCut {
  const { alloy, cutter } = context;
  const k = alloy.kienzle;
  const e = k.linear_edge_equivalent;
  const rake = rakeFactor(cutter.properties.GAMF ?? k.reference_rake_deg, k.reference_rake_deg);
  const tangential = e.ktc_n_mm2 * (input.kc11 / k.kc11_n_mm2.typical) * rake;
  const middle = (e.fit_h_mm[0] + e.fit_h_mm[1]) / 2;
  const whole = k.radial_to_tangential.typical * (e.ktc_n_mm2 * middle + e.kte_n_mm);
  const radialShare = Math.max(0.15, (whole - e.kre_over_kte * e.kte_n_mm) / (e.ktc_n_mm2 * middle));
  const arc = input.bands.reduce((a, b) => (b.arc.exit - b.arc.entry > a.arc.exit - a.arc.entry ? b : a)).arc;
  const each = cutter.extended.helix_variation_deg;
  const helix = helixOf(context);
  const land = Math.min(MOST_LAND_MM, Math.max(FRESH_LAND_MM, op.flankWearMm));
  return {
    pitch: input.pitch,
    entry: arc.entry,
    exit: Math.max(arc.exit, arc.entry + 1e-3),
    tangential,
    radial: radialShare * tangential,
    diameterMm: input.diameter,
    helix: input.pitch.map((_, j) => (each?.[j] === undefined ? helix : each[j] * RAD)),
    dampingNPerM: dampingOfLand(
      alloy.process_damping?.indentation_coefficient_n_m3.typical ?? USUAL_INDENTATION,
      land,
    ),
  };
}
