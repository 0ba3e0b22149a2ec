import { type Estimate, scale, sensitiveTo, uncertain } from '../../judging/estimate.ts';
import { rakeFactor } from '../../physics/cutting/kienzle.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { basicDiameters } from '../../physics/threads/thread-geometry.ts';
import { leadAngle, runIn, type ThreadPass, threadPasses } from '../../physics/threads/turned-passes.ts';
import { barStiffness } from '../../physics/turning/boring-bar.ts';
import { bendingHz, deflectionUnder, mostDeflection } from '../../physics/turning/part-bending.ts';
import type { TurningMode } from '../../physics/turning/least-chip-width.ts';
import type { OperationContext } from '../context.ts';
import { PART_DAMPING } from '../lathe/damped-chip-width.ts';
import { barBetween, type HeldPart, partModulus } from '../lathe/held-part.ts';
import { latheLife, latheLoads } from '../lathe/lathe-loads.ts';
import type { LatheState } from '../lathe/lathe-state.ts';
import { WORN_NORMAL } from '../lathe/worn-and-rough.ts';
import { turningLife } from '../life-state.ts';
import { BEAM_MODEL, cuttingForceSources } from '../sources.ts';
import { threadDepth, threadStart, type ThreadTurningOperation } from './thread-turning-operation.ts';

export interface ThreadTurningState extends LatheState<ThreadTurningOperation> {
  readonly depthMm: number;
  readonly passes: readonly ThreadPass[];
  /** Deepest added by a pass, and what the last adds, mm. */
  readonly mostMm: number;
  readonly lastMm: number;
  /** Edge in the cut in the widest pass, mm, and of it what stands across the part. */
  readonly edgeMm: number;
  readonly acrossMm: number;
  readonly passiveN: Estimate;
  /** What the pitch diameter may err by along the thread, mm. */
  readonly sizeErrorMm: Estimate;
  readonly leadDeg: number;
  /** Way the slide needs before the thread, mm. */
  readonly runInMm: number;
  readonly mode: TurningMode;
  readonly acrossMPa: number;
}

/** Width at the bottom of the groove over the pitch. */
const FLAT = 1 / 8;
/** Threads run at this share of a diameter's speed: the edge is a point. Shop practice. */
export const THREADED_SPEED = 0.65;
/** Share of the bending that the last light passes and a spring pass leave. */
const LEFT = 0.5;
const SPRUNG = 0.25;
const BETWEEN_S = 1.2;
/** Two gauges of one thread differ by this much anyway, mm. */
const LEAST_ERROR_MM = 0.002;

/** Outside of a part whose bore is threaded: nobody states it. */
const WALL = 1.4;

/** Works out a turned thread once. Input must have been checked. */
export function threadTurningState(
  op: ThreadTurningOperation,
  context: OperationContext,
): ThreadTurningState {
  const { alloy, cutter, machine } = context;
  const { thread, turned: t, cut } = op;
  const diameter = threadStart(op);
  const speedRpm = cut.speedRpm;
  const vc = cuttingSpeed(speedRpm, diameter);
  const depthMm = threadDepth(op);
  const passes = threadPasses(depthMm, cut.passes, {
    angleDeg: thread.flankDeg,
    flatMm: FLAT * thread.pitchMm,
    infeed: cut.infeed,
  });
  const { kc11, sources } = cuttingForceSources(op, context);
  const k = alloy.kienzle;
  const specificAt = (chip: number): number =>
    kc11 * rakeFactor(cutter.properties.GAMF ?? 0, k.reference_rake_deg) * chip ** -k.mc.typical;
  const forces = passes.map(
    (p) =>
      specificAt(p.chipMm) * p.areaMm2 + k.wear_force.add_n_per_mm_edge_per_mm_vb * p.edgeMm * op.flankWearMm,
  );
  const heaviest = forces.indexOf(Math.max(...forces));
  const ratio = k.radial_to_tangential.typical * (1 + WORN_NORMAL * op.flankWearMm);
  const cuttingN = uncertain(forces[heaviest]!, ...sources);
  // Straight in the flanks balance along the axis; along one flank half of it pushes along.
  const feedN = scale(cuttingN, ratio * (cut.infeed === 'radial' ? 0.1 : 0.5));
  const passiveN = scale(cuttingN, ratio);
  const torqueNm = scale(cuttingN, diameter / 2000);
  const gripped = t.internal ? WALL * thread.majorMm : diameter;
  const part: HeldPart = { support: t.support, overhangMm: t.overhangMm, grippedMm: gripped };
  const [from, to] = [Math.max(1, t.overhangMm - t.fromEndMm - t.lengthMm), t.overhangMm - t.fromEndMm];
  const bar = barBetween(part, {
    diameterMm: gripped,
    boreMm: t.internal ? thread.majorMm : t.boreMm,
    modulusMPa: partModulus(alloy),
    steadyMm: Math.max(0, from - gripped),
  });
  const last = scale(passiveN, forces.at(-1)! / forces[heaviest]!);
  const worst = mostDeflection(bar, last.value, from, to).deflectionMm;
  const least = Math.min(deflectionUnder(bar, last.value, from), deflectionUnder(bar, last.value, to));
  const stiffness =
    passiveN.value / Math.max(1e-12, mostDeflection(bar, passiveN.value, from, to).deflectionMm);
  const ownBar = cutter.properties.DCONMS;
  const tool =
    ownBar === undefined
      ? null
      : barStiffness({
          diameterMm: ownBar,
          overhangMm: op.tooling.stickOutMm,
          modulusGPa: cutter.extended.bar_E_gpa ?? 207,
        });
  const springs = cut.springPasses > 0 ? SPRUNG : LEFT;
  const size = 2 * springs * (worst - least + (tool === null ? 0 : last.value / tool));
  const count = cut.passes + cut.springPasses;
  const entry = runIn(thread.pitchMm, speedRpm, machine.axes.z?.max_accel_m_s2 ?? 3);
  const way = t.lengthMm + entry + Math.min(t.runOutMm, thread.pitchMm);
  const cutting = (count * way) / (thread.pitchMm * speedRpm);
  const air = (count * (rapidSeconds(way, machine.axes.z) + BETWEEN_S)) / 60;
  const deepest = passes[heaviest]!;
  const life = turningLife(op, context, vc / THREADED_SPEED, {
    feedMm: Math.max(0.05, deepest.chipMm),
    depthMm: deepest.edgeMm,
    interrupted: false,
  });
  return {
    op,
    context,
    part,
    speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: diameter,
    feedRateMmMin: speedRpm * thread.pitchMm,
    removalCm3Min: deepest.areaMm2 * vc,
    ...latheLoads(context, torqueNm, speedRpm, { cutting, air }, op.featuresPerPart),
    ...latheLife(life, THREADED_SPEED),
    cuttingN,
    feedN,
    passiveN,
    fastestRpm: speedRpm,
    smallestMm: diameter,
    capAtMm: null,
    slenderness: t.overhangMm / gripped,
    depthMm,
    passes,
    mostMm: Math.max(...passes.map((p) => p.addsMm)),
    lastMm: passes.at(-1)!.addsMm,
    edgeMm: Math.max(...passes.map((p) => p.edgeMm)),
    acrossMm: Math.max(...passes.map((p) => p.acrossMm)),
    sizeErrorMm: sensitiveTo({ value: Math.max(LEAST_ERROR_MM, size), terms: passiveN.terms }, BEAM_MODEL, 1),
    leadDeg: leadAngle(thread.pitchMm, basicDiameters(thread).pitchMm),
    runInMm: entry,
    mode: {
      stiffnessNMm: tool === null ? stiffness : Math.min(stiffness, tool),
      dampingRatio: PART_DAMPING,
      naturalHz: bendingHz(bar, Math.max(1, t.overhangMm), alloy.density_kg_m3),
    },
    acrossMPa: ratio * specificAt(deepest.chipMm),
  };
}
