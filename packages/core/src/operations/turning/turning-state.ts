import type { OperationContext } from '../context.ts';
import { barBetween, type HeldPart, partModulus } from '../lathe/held-part.ts';
import { latheLife, latheLoads } from '../lathe/lathe-loads.ts';
import type { LatheState } from '../lathe/lathe-state.ts';
import { rakeFactor } from '../../physics/cutting/kienzle.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { barStiffness } from '../../physics/turning/boring-bar.ts';
import { bendingHz, deflectionUnder, mostDeflection } from '../../physics/turning/part-bending.ts';
import { noseChip, type NoseChip } from '../../physics/turning/nose-chip.ts';
import { diameterAtCap, spindleAt, type SurfaceSpeed } from '../../physics/turning/surface-speed.ts';
import { type ThinTube, wallDeflection, wallHz } from '../../physics/turning/thin-tube.ts';
import { turningForces } from '../../physics/turning/turning-force.ts';
import { RA_OF_RT, turnedRoughness } from '../../physics/turning/turned-roughness.ts';
import { type Estimate, scale, sensitiveTo, uncertain } from '../../judging/estimate.ts';
import { turningLife } from '../life-state.ts';
import { BEAM_MODEL, cuttingForceSources } from '../sources.ts';
import { carryingOf } from './profile/carrying.ts';
import { minutesOf } from './turned-minutes.ts';
import { leastChip, roughening, WORN_NORMAL } from '../lathe/worn-and-rough.ts';
import {
  largestDiameter,
  outsideDiameter,
  smallestDiameter,
  stockOf,
  type TurningOperation,
} from './turning-operation.ts';

export interface TurningState extends LatheState<TurningOperation> {
  readonly set: SurfaceSpeed;
  /** Depth of the deepest pass, mm, and how many there are. */
  readonly depthMm: number;
  readonly passes: number;
  readonly chip: NoseChip;
  /** Off the surface, N. */
  readonly passiveN: Estimate;
  /** How far part and tool give way under the passive force at the worst place, mm. */
  readonly partMm: Estimate;
  readonly toolMm: Estimate;
  /** What the diameter may err by along the stretch, mm. */
  readonly sizeErrorMm: Estimate;
  /** Force across the edge over the chip's section, N/mm²: what a thicker chip adds. */
  readonly acrossMPa: number;
  /** Stiffness of the part across its axis where it gives way most, N/mm, and its lowest frequency, Hz. */
  readonly partStiffnessNMm: number;
  readonly partHz: number;
  /** Roughness foretold, Ra in µm, with what the alloy adds. */
  readonly raUm: number;
  readonly theoreticalRaUm: number;
  /** Thinnest chip the edge still takes, mm. */
  readonly leastChipMm: number;
}

/** Part of the tool's lean that stock and wear move about; the rest is set out on the first part. */
const VARIES = 0.3;
/** What spindle, heat and wear leave on any diameter, mm. Judgement: a good lathe in a shop, not in a laboratory. */
const ROUNDNESS = 0.002;
/** Share of the edge radius that squeezes the marks where the feed is fine. */
const SQUEEZED = 0.1;
/** Steel of a shank, MPa. */
const SHANK_MPA = 207_000;

/** Stiffness of what carries the edge, N/mm: the boring bar, or the square shank that fills its block. */
function carrierStiffness({ cutter, holder }: OperationContext, overhangMm: number): number {
  const bar = cutter.properties.DCONMS;
  if (bar !== undefined)
    return barStiffness({ diameterMm: bar, overhangMm, modulusGPa: cutter.extended.bar_E_gpa ?? 207 });
  const side = holder.bore_diameter_mm[1];
  return (SHANK_MPA * side ** 4) / (4 * overhangMm ** 3);
}

/** Mean of varied depths over the deepest: between it and seven tenths of it. Rule G-118. */
const VARIED_MEAN = 0.85;

/** Passes a stock is taken off in, and how deep the deepest is. */
export function passesOf({ stretch: s, cut }: TurningOperation): {
  readonly passes: number;
  readonly depthMm: number;
} {
  const stock = stockOf(s);
  const mean = cut.varied && cut.depthMm < stock - 1e-9 ? VARIED_MEAN * cut.depthMm : cut.depthMm;
  return {
    passes: Math.max(1, Math.ceil(stock / mean - 1e-6)),
    depthMm: Math.min(cut.depthMm, stock),
  };
}

/** Diameter that carries the cut, mm: between jaws and tool the part is as thick as before the last pass. */
function carryingDiameter({ stretch: s }: TurningOperation, depthMm: number): number {
  if (s.profile && s.way === 'outside')
    return carryingOf(s.profile, {
      overhangMm: s.overhangMm,
      rootMm: s.startMm,
      skinMm: depthMm,
      boreMm: s.boreMm,
    });
  return s.way === 'outside' ? Math.min(s.startMm, s.endMm + 2 * depthMm) : outsideDiameter(s);
}

/** The wall of a bored part, which springs away from the edge; null where there is none, or a centre in its end holds it round. */
function wallOf({ stretch: s }: TurningOperation, { alloy }: OperationContext): ThinTube | null {
  const boreMm = s.way === 'inside' ? s.endMm : s.boreMm;
  if (s.way === 'face' || boreMm <= 0 || s.support === 'tailstock') return null;
  const outerMm = s.way === 'inside' ? outsideDiameter(s) : smallestDiameter(s);
  if (boreMm >= 0.99 * outerMm) return null;
  return { outerMm, boreMm, lengthMm: s.overhangMm, modulusMPa: partModulus(alloy) };
}

const heldPart = (op: TurningOperation): HeldPart => ({
  support: op.stretch.support,
  overhangMm: op.stretch.overhangMm,
  grippedMm: outsideDiameter(op.stretch),
});

/** Works out a turned stretch once. Input must have been checked. */
export function turningState(op: TurningOperation, context: OperationContext): TurningState {
  const { alloy, cutter } = context;
  const { stretch: s, cut } = op;
  const p = cutter.properties;
  const nose = p.RE ?? 0.8;
  const [largest, smallest] = [largestDiameter(s), smallestDiameter(s)];
  const speedRpm = Math.min(cut.speedRpm, cut.capRpm);
  const vc = cuttingSpeed(speedRpm, largest);
  const set = { speedMMin: vc, capRpm: cut.capRpm };
  const { passes, depthMm } = passesOf(op);
  const chip = noseChip({ noseMm: nose, leadDeg: Math.min(135, p.KAPR ?? 95) }, cut.feedPerRevMm, depthMm);
  const { kc11, sources } = cuttingForceSources(op, context);
  const k = alloy.kienzle;
  const f = turningForces(
    {
      kc11: kc11 * rakeFactor(p.GAMF ?? 0, k.reference_rake_deg),
      mc: k.mc.typical,
      normalRatio: k.radial_to_tangential.typical * (1 + WORN_NORMAL * op.flankWearMm),
    },
    chip,
  );
  const worn = k.wear_force.add_n_per_mm_edge_per_mm_vb * chip.edgeMm * op.flankWearMm;
  const cuttingN = uncertain(f.cuttingN + worn, ...sources);
  const feedN = uncertain(Math.max(1e-6, f.feedN), ...sources);
  const passiveN = uncertain(Math.max(1e-6, f.passiveN), ...sources);
  const torqueNm = scale(cuttingN, largest / 2000);
  const part = heldPart(op);
  const bar = barBetween(part, {
    diameterMm: carryingDiameter(op, depthMm),
    boreMm: s.way === 'inside' ? s.endMm : s.boreMm,
    modulusMPa: partModulus(alloy),
    steadyMm: Math.max(0, s.overhangMm - s.lengthMm / 2),
  });
  const from = s.way === 'face' ? s.overhangMm : s.overhangMm - s.lengthMm;
  const worst = mostDeflection(bar, passiveN.value, from, s.overhangMm);
  const least = Math.min(
    deflectionUnder(bar, passiveN.value, from),
    deflectionUnder(bar, passiveN.value, s.overhangMm),
  );
  const wall = wallOf(op, context);
  const wallMm = wall ? wallDeflection(wall, passiveN.value) : 0;
  const partMm = sensitiveTo(
    { value: Math.max(1e-9, worst.deflectionMm + wallMm), terms: passiveN.terms },
    BEAM_MODEL,
    1,
  );
  const toolMm = scale(passiveN, 1 / carrierStiffness(context, op.tooling.stickOutMm));
  const edge = (cutter.extended.edge_radius_um?.[1] ?? 15) / 1000;
  const leastChipMm = leastChip(cutter);
  const wiped = (p.BS ?? 0) >= cut.feedPerRevMm;
  // A wiper halves what the feed leaves at the least. Rule G-85.
  const feed = wiped ? cut.feedPerRevMm / 2 : cut.feedPerRevMm;
  const theoreticalRaUm = 1000 * turnedRoughness(feed, nose, 0) * RA_OF_RT;
  const squeezedRaUm = 1000 * turnedRoughness(feed, nose, SQUEEZED * edge) * RA_OF_RT;
  const minutes = minutesOf(op, context, set, passes, depthMm);
  const life = turningLife(op, context, vc, {
    feedMm: cut.feedPerRevMm,
    depthMm,
    interrupted: s.interrupted,
  });
  const feedRate = speedRpm * cut.feedPerRevMm;
  const capAt = diameterAtCap(set);
  const mean = Math.max(
    0.5,
    s.way === 'inside' ? bar.diameterMm : s.way === 'face' ? s.startMm : (s.startMm + s.endMm) / 2,
  );
  return {
    op,
    context,
    set,
    speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: largest,
    feedRateMmMin: feedRate,
    removalCm3Min: chip.areaMm2 * vc,
    ...latheLoads(context, torqueNm, speedRpm, minutes, op.featuresPerPart),
    ...latheLife(life),
    part,
    smallestMm: smallest,
    depthMm,
    passes,
    chip,
    cuttingN,
    feedN,
    passiveN,
    fastestRpm: spindleAt(set, smallest),
    capAtMm: capAt > smallest && capAt < largest ? capAt : null,
    partMm,
    toolMm,
    sizeErrorMm: {
      value: Math.hypot(ROUNDNESS, 2 * (worst.deflectionMm + wallMm - least) + 2 * VARIES * toolMm.value),
      terms: partMm.terms,
    },
    acrossMPa: Math.hypot(f.feedN, f.passiveN) / chip.areaMm2,
    partStiffnessNMm: passiveN.value / Math.max(1e-12, worst.deflectionMm + wallMm),
    partHz: Math.min(
      bendingHz(bar, Math.max(1, s.overhangMm), alloy.density_kg_m3),
      wall ? wallHz(wall, alloy.density_kg_m3) : Infinity,
    ),
    slenderness: s.overhangMm / mean,
    // What the alloy adds holds where feed marks rule; below them the squeezed edge does.
    raUm: Math.max(theoreticalRaUm * roughening(alloy), squeezedRaUm),
    theoreticalRaUm,
    leastChipMm,
  };
}
