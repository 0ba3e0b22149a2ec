import { isPolymer } from '../../crib/alloy.ts';
import type { MillingState } from './milling-state.ts';
import { isIndexable } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';

/** Thinnest and max chip thickness the edge is to see, mm, and what sets the thin end. */
export interface ChipWindow {
  readonly thinnest: number;
  readonly target: number;
  readonly thickest: number;
  readonly edgeRadius: number;
  readonly setBy: 'alloy window' | 'edge radius';
}

/** Chip of HDPE, the softest of the crib, at 12 mm: tools for polymers state their feed for such, mm. */
const SOFTEST_CHIP = 0.15;

/**
 * Thickest chip of a tool in a polymer, mm: force is a tenth of aluminium’s, so no edge breaks by it, and the tool’s own window counts
 * where it is wider than the alloy’s; less in the harder ones, as their chips are.
 */
const inPolymer = ({ alloy, cutter }: OperationContext): number =>
  (cutter.extended.fz_window_mm?.[1] ?? 0) * Math.min(1, alloy.hm_window.c_mm / SOFTEST_CHIP);

/** Chip window of this cutter in this alloy. Crib rule hm; judgement rules G-01 and G-02. */
export function chipWindow(context: OperationContext): ChipWindow {
  const { alloy, cutter } = context;
  const w = alloy.hm_window;
  const diameter = Math.min(w.d_range_mm[1], Math.max(w.d_range_mm[0], cutter.properties.DC ?? 12));
  const target = isIndexable(cutter)
    ? (w.indexable_hmax_mm[0] + w.indexable_hmax_mm[1]) / 2
    : w.c_mm * (diameter / 12) ** w.p;
  const low = isIndexable(cutter) ? w.indexable_hmax_mm[0] : target * w.low_multiplier;
  const high = isIndexable(cutter) ? w.indexable_hmax_mm[1] : target * w.high_multiplier;
  const edgeRadius = (cutter.extended.edge_radius_um?.[1] ?? 9) / 1000;
  return {
    thinnest: Math.max(low, edgeRadius),
    target,
    thickest: isPolymer(alloy) ? Math.max(high, inPolymer(context)) : high,
    edgeRadius,
    setBy: edgeRadius > low ? 'edge radius' : 'alloy window',
  };
}

/** Runout over chip: how far the chip of one tooth moves with a per cent of runout. */
export const runoutSensitivity = (s: MillingState, sign: 1 | -1): number =>
  (sign * s.runoutStep.value) / Math.max(1e-9, s.chipMm + sign * s.runoutStep.value);
