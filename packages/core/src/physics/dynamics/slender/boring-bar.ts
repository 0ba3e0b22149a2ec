import type { Alloy } from '../../../crib/alloy.ts';
import type { Cutter } from '../../../crib/cutter.ts';
import { InputError, requirePositive } from '../../../units/input-error.ts';
import { assemblyModes } from '../coupling/assembly-modes.ts';
import { dampingOfLand, turningLimit, unconditionalSpeed } from '../process-damping.ts';
import type { TipMode } from '../tip-structure.ts';

/** A boring bar in its block, and the cut it takes. */
export interface BoringCut {
  readonly bar: Cutter;
  readonly overhangMm: number;
  readonly alloy: Alloy;
  readonly boreDiameterMm: number;
  readonly cuttingSpeedMMin: number;
  readonly feedMmRev: number;
}

/** How a boring bar stands in that cut. */
export interface BoringVerdict {
  readonly mode: TipMode;
  readonly ratio: number;
  /** Overhang in diameters the bar is made for. */
  readonly mostRatio: number;
  readonly rpm: number;
  /** Stability limit of cut on the radius, mm; Infinity where no depth chatters. */
  readonly limitMm: number;
  readonly hz: number;
  /** Speed under which no depth chatters, m/min. */
  readonly unconditionalMMin: number;
  /** Lead angle the chip is thinned by on average, degrees: the nose radius bends the force towards the bar's side. */
  readonly meanLeadDeg: number;
}

const RAD = Math.PI / 180;
const STEEL_DENSITY = 7850;
const CARBIDE_DENSITY = 14_500;
const DAMPED_ABOVE = 0.05;
/** A clamped block: stiff against the bar, but not a wall. */
const BLOCK = { translation: 2.5e8, rotation: 6e5, damping: 0.03 } as const;
/** A cut on the nose alone, where the bar's motion counts most, mm. */
const SHALLOW_MM = 0.05;
/** Deepest cut looked at, mm. */
const DEEPEST_MM = 12;
/** Land of a fresh insert edge, mm. */
const LAND_MM = 0.06;

/** Mean lead angle over an edge of depth `depth` round a nose of radius `nose`, rad; at the nose's end it is zero. */
function meanLead(depth: number, nose: number, lead: number): number {
  if (nose <= 0) return lead;
  const full = nose * (1 - Math.cos(lead));
  if (depth <= full) return Math.acos(Math.max(-1, 1 - depth / nose)) / 2;
  const along = nose * lead;
  const straight = (depth - full) / Math.sin(lead);
  return (along * (lead / 2) + straight * lead) / (along + straight);
}

/**
 * Stability of boring: the bar bends across the bore, and only the part of that motion along the chip's thickness
 * regenerates, cos² of the mean lead angle of nose and edge. A shallow cut on the nose therefore chatters at less depth
 * in proportion than a deep one on a square edge. One mode with process damping; Altintas 2012, 4.3; Budak & Ozlu 2007.
 * Throws InputError where the cutter is no bar or the overhang longer than it.
 */
export function boringVerdict({
  bar,
  overhangMm,
  alloy,
  boreDiameterMm,
  cuttingSpeedMMin,
  feedMmRev,
}: BoringCut): BoringVerdict {
  const p = bar.properties;
  const e = bar.extended as {
    readonly bar_E_gpa?: number;
    readonly bar_damping_ratio?: number;
    readonly max_ld_recommended?: number;
  };
  if (bar.type !== 'boring_bar' || !e.bar_E_gpa || !p.DCONMS) {
    throw new InputError([{ field: 'bar', value: bar.id, allowed: 'a boring bar of the crib' }]);
  }
  requirePositive('cutting speed', cuttingSpeedMMin);
  requirePositive('feed', feedMmRev);
  if (!(overhangMm > 0 && overhangMm <= (p.OAL ?? Infinity))) {
    throw new InputError([{ field: 'overhang', value: overhangMm, allowed: `above 0, up to ${p.OAL} mm` }]);
  }
  if (!(boreDiameterMm >= Number(p['DMIN'] ?? p.DCONMS))) {
    throw new InputError([{ field: 'bore', value: boreDiameterMm, allowed: `from ${p['DMIN']} mm` }]);
  }
  const damping = e.bar_damping_ratio ?? 0.012;
  const { modes } = assemblyModes({
    spindle: [],
    nose: BLOCK,
    body: [],
    clamp: { translation: 1e12, rotation: 1e10, damping: 0.01 },
    tool: [
      {
        lengthMm: overhangMm,
        diameterMm: p.DCONMS * (bar.extended.effective_bending_diameter_ratio ?? 0.93),
        modulusGPa: e.bar_E_gpa,
        densityKgM3: e.bar_E_gpa > 400 ? CARBIDE_DENSITY : STEEL_DENSITY,
      },
    ],
    toolDamping: damping,
  });
  const first = modes[0]!;
  // A tuned mass damps the bar's own mode, block and all.
  const mode = damping > DAMPED_ABOVE ? { ...first, damping: Math.max(first.damping, damping) } : first;
  const rpm = (1000 * cuttingSpeedMMin) / (Math.PI * boreDiameterMm);
  const k = alloy.kienzle;
  const radial = k.linear_edge_equivalent.ktc_n_mm2 * k.radial_to_tangential.typical;
  const lead = Math.min(90, p.KAPR ?? 93) * RAD;
  const land = dampingOfLand(alloy.process_damping?.indentation_coefficient_n_m3.typical ?? 1.5e13, LAND_MM);
  const at = (depth: number): { limitMm: number; hz: number; kf: number; mean: number } => {
    const mean = meanLead(depth, p.RE ?? 0, lead);
    const kf = Math.max(1, radial * Math.cos(mean) ** 2);
    const { widthMm, hz } = turningLimit(
      mode,
      { kfNMm2: kf, diameterMm: boreDiameterMm, dampingNPerM: land },
      rpm,
    );
    return { limitMm: widthMm, hz, kf, mean };
  };
  // The lead angle depends on the depth it limits: the first depth that is over its own limit.
  let [low, high] = [0, Infinity];
  for (let depth = 0.02; depth < DEEPEST_MM; depth *= 1.15) {
    if (at(depth).limitMm < depth) {
      high = depth;
      break;
    }
    low = depth;
  }
  for (let i = 0; i < 30 && high < Infinity; i++) {
    const middle = (low + high) / 2;
    if (at(middle).limitMm < middle) high = middle;
    else low = middle;
  }
  const best = at(Math.min(high, DEEPEST_MM));
  return {
    mode,
    ratio: overhangMm / p.DCONMS,
    mostRatio: e.max_ld_recommended ?? 4,
    rpm,
    limitMm: high,
    hz: best.hz,
    unconditionalMMin: unconditionalSpeed(mode, at(SHALLOW_MM).kf, land),
    meanLeadDeg: best.mean / RAD,
  };
}
