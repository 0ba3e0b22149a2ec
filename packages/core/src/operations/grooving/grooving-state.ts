import { type Estimate, scale, uncertain } from '../../judging/estimate.ts';
import { rakeFactor } from '../../physics/cutting/kienzle.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { barStiffness } from '../../physics/turning/boring-bar.ts';
import { type Blade, bladeBucklingN, bladeSideStiffness } from '../../physics/turning/blade.ts';
import type { TurningMode } from '../../physics/turning/least-chip-width.ts';
import { bendingHz, deflectionUnder } from '../../physics/turning/part-bending.ts';
import { diameterAtCap, spindleAt, type SurfaceSpeed } from '../../physics/turning/surface-speed.ts';
import { RA_OF_RT, turnedRoughness } from '../../physics/turning/turned-roughness.ts';
import { PART_DAMPING } from '../lathe/damped-chip-width.ts';
import { barBetween, type HeldPart, partModulus } from '../lathe/held-part.ts';
import { latheLife, latheLoads } from '../lathe/lathe-loads.ts';
import type { LatheState } from '../lathe/lathe-state.ts';
import { roughening, WORN_NORMAL } from '../lathe/worn-and-rough.ts';
import type { OperationContext } from '../context.ts';
import { turningLife } from '../life-state.ts';
import { cuttingForceSources } from '../sources.ts';
import {
  cuttingWidth,
  grippedDiameter,
  grooveDepth,
  grooveWidth,
  type GroovingOperation,
} from './grooving-operation.ts';
import { grooveMinutes, plungesOf, type Plunges } from './plunges.ts';

export interface GroovingState extends LatheState<GroovingOperation> {
  readonly set: SurfaceSpeed;
  readonly bladeMm: number;
  readonly depthMm: number;
  readonly widthMm: number;
  readonly plunges: Plunges;
  /** How far the blade stands out of what carries it, mm. */
  readonly bladeOutMm: number;
  /** Force along the blade at which it gives way sideways, N. */
  readonly bucklingN: number;
  /** How far the blade bends aside in the heaviest sideways cut, mm. */
  readonly asideMm: Estimate;
  /** What gives way across the edge: part where the groove is, machine with tool, or bar. */
  readonly modes: readonly (TurningMode & { readonly of: 'part' | 'machine' | 'bar' })[];
  /** Force along the feed over the chip's section, N/mm²: what a thicker chip adds. */
  readonly acrossMPa: number;
  /** Speed of the rim when the part comes off, m/min; null where nothing is parted. */
  readonly rimMMin: number | null;
  readonly raUm: number;
}

/** A blade is thinner than its edge is wide, for the walls' sake, and so high. Estimates of the class, mm. */
const THICKNESS = 0.8;
const HEIGHT = { grooving_insert: 16, parting_insert: 26 } as const;
const BLADE_MPA = 207_000;
const STEEL_KG_M3 = 7850;
/** What of the feed force stands aside: plunging square the corners balance, beside a wall they do not. */
const ASIDE = { plunge: 0.05, beside: 0.12, side: 1 } as const;
/** A groove is run slower than a diameter: its chip stands between two walls and the coolant does not come. Shop practice. */
export const GROOVED_SPEED = 0.75;
/** Share of a slide's movement that lies along the chip: its mode stands askew, and the force does. Estimate. */
const ALONG_CHIP = 0.75;
/** A turret nobody measured. Estimate of the class. */
const UNKNOWN_TURRET = { freq_hz: 420, stiffness_n_um: 80, damping_ratio: 0.045 } as const;

/** The blade or what carries it, mm and MPa. */
function bladeOf({ cutter }: OperationContext, bladeMm: number, stickOutMm: number): Blade {
  const deep = Number(cutter.properties['CDX'] ?? stickOutMm);
  const parting = cutter.type === 'parting_insert';
  return {
    thicknessMm: THICKNESS * bladeMm,
    heightMm: parting ? HEIGHT.parting_insert : HEIGHT.grooving_insert,
    // A blade stands out as far as it is set; an insert's shank is thick behind its own depth.
    overhangMm: parting ? stickOutMm : Math.min(deep, stickOutMm),
    modulusMPa: BLADE_MPA,
  };
}

/** What gives way across the edge. */
function modesOf(
  op: GroovingOperation,
  { machine, cutter }: OperationContext,
  part: { readonly stiffnessNMm: number; readonly hz: number },
): GroovingState['modes'] {
  const bar = cutter.properties.DCONMS;
  const own = (machine.frf_at_bare_holder?.modes_x ?? [UNKNOWN_TURRET]).map((m) => ({
    of: 'machine' as const,
    stiffnessNMm: (1000 * m.stiffness_n_um) / ALONG_CHIP,
    dampingRatio: m.damping_ratio,
    naturalHz: m.freq_hz,
  }));
  const weakest = own.reduce((a, b) =>
    a.stiffnessNMm * a.dampingRatio <= b.stiffnessNMm * b.dampingRatio ? a : b,
  );
  const modes: (TurningMode & { of: 'part' | 'machine' | 'bar' })[] = [weakest];
  // Along its axis a part does not bend.
  if (op.groove.way !== 'face')
    modes.push({
      of: 'part',
      stiffnessNMm: part.stiffnessNMm,
      dampingRatio: PART_DAMPING,
      naturalHz: part.hz,
    });
  if (bar !== undefined) {
    const overhangMm = op.tooling.stickOutMm;
    const modulusGPa = cutter.extended.bar_E_gpa ?? 207;
    modes.push({
      of: 'bar',
      stiffnessNMm: barStiffness({ diameterMm: bar, overhangMm, modulusGPa }),
      dampingRatio: Number(cutter.extended['bar_damping_ratio'] ?? PART_DAMPING),
      naturalHz: bendingHz(
        { diameterMm: bar, modulusMPa: 1000 * modulusGPa, pinsMm: [] },
        overhangMm,
        STEEL_KG_M3,
      ),
    });
  }
  return modes;
}

/** Works out a groove once. Input must have been checked. */
export function groovingState(op: GroovingOperation, context: OperationContext): GroovingState {
  const { alloy, cutter } = context;
  const { groove: g, cut } = op;
  const p = cutter.properties;
  const bladeMm = cuttingWidth(cutter);
  const [largest, smallest] = [
    Math.max(g.startMm, g.endMm),
    g.way === 'part-off' ? Math.max(g.endMm, g.boreMm) : Math.min(g.startMm, g.endMm),
  ];
  const speedRpm = Math.min(cut.speedRpm, cut.capRpm);
  const vc = cuttingSpeed(speedRpm, largest);
  const set = { speedMMin: vc, capRpm: cut.capRpm };
  const plunges = plungesOf(op, bladeMm);
  const feed = cut.feedPerRevMm;

  const { kc11, sources } = cuttingForceSources(op, context);
  const k = alloy.kienzle;
  const specific = kc11 * rakeFactor(p.GAMF ?? 0, k.reference_rake_deg) * feed ** -k.mc.typical;
  const worn = k.wear_force.add_n_per_mm_edge_per_mm_vb * bladeMm * op.flankWearMm;
  const cutting = specific * bladeMm * feed + worn;
  const ratio = k.radial_to_tangential.typical * (1 + WORN_NORMAL * op.flankWearMm);
  const cuttingN = uncertain(cutting, ...sources);
  const feedN = uncertain(ratio * cutting, ...sources);
  const torqueNm = scale(cuttingN, largest / 2000);

  const part: HeldPart = { support: g.support, overhangMm: g.overhangMm, grippedMm: grippedDiameter(g) };
  const at = Math.max(
    1,
    g.way === 'face' ? g.overhangMm : g.overhangMm - g.fromEndMm - grooveWidth(g, bladeMm) / 2,
  );
  const bar = barBetween(part, {
    diameterMm: g.way === 'inside' || g.way === 'face' ? part.grippedMm : g.startMm,
    boreMm: g.way === 'inside' ? g.endMm : g.boreMm,
    modulusMPa: partModulus(alloy),
    steadyMm: Math.max(0, at - STEADY_BEHIND * g.startMm),
  });
  const stiffness = 1 / Math.max(1e-12, deflectionUnder(bar, 1, at));

  const blade = bladeOf(context, bladeMm, op.tooling.stickOutMm);
  const sideways = plunges.layers > 0;
  const asideN = sideways
    ? scale(feedN, (ASIDE.side * plunges.layerMm) / bladeMm)
    : scale(feedN, plunges.count > 1 ? ASIDE.beside : ASIDE.plunge);

  const minutes = grooveMinutes(op, bladeMm, set, plunges);
  const life = turningLife(op, context, vc / GROOVED_SPEED, {
    feedMm: feed,
    depthMm: bladeMm,
    interrupted: false,
  });
  const capAt = diameterAtCap(set);
  const nose = Math.max(0.05, p.RE ?? 0.2);
  const fastestRpm = spindleAt(set, smallest);
  return {
    op,
    context,
    part,
    set,
    speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: largest,
    feedRateMmMin: speedRpm * feed,
    removalCm3Min: bladeMm * feed * vc,
    ...latheLoads(context, torqueNm, speedRpm, minutes, op.featuresPerPart),
    ...latheLife(life, GROOVED_SPEED),
    cuttingN,
    feedN,
    fastestRpm,
    smallestMm: smallest,
    capAtMm: capAt > smallest && capAt < largest ? capAt : null,
    slenderness: g.overhangMm / Math.max(0.5, part.grippedMm),
    bladeMm,
    depthMm: grooveDepth(g),
    widthMm: grooveWidth(g, bladeMm),
    plunges,
    bladeOutMm: blade.overhangMm,
    bucklingN: bladeBucklingN(blade),
    asideMm: scale(asideN, 1 / bladeSideStiffness(blade)),
    modes: modesOf(op, context, {
      stiffnessNMm: stiffness,
      hz: bendingHz(bar, Math.max(1, g.overhangMm), alloy.density_kg_m3),
    }),
    acrossMPa: ratio * specific,
    rimMMin: g.way === 'part-off' ? cuttingSpeed(fastestRpm, g.startMm) : null,
    raUm: 1000 * turnedRoughness(feed, nose, 0) * RA_OF_RT * roughening(alloy),
  };
}
/** A steady stands this many diameters behind the groove, towards the jaws. */
const STEADY_BEHIND = 0.7;
