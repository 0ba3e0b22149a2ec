import type { OperationContext } from '../context.ts';
import type { ThreadMillingOperation } from './thread-milling-operation.ts';
import { approachSeconds, rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { heightForPilot } from '../../physics/threads/thread-geometry.ts';
import {
  passArea,
  passShares,
  smallestHole,
  type ThreadMillPath,
  threadMillPath,
} from '../../physics/threads/thread-mill.ts';
import { effectiveStepover } from '../../physics/cutting/arc-feed.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { sizeFactor } from '../../physics/structure/rupture-strength.ts';
import { bendSteppedBeam } from '../../physics/structure/stepped-beam.ts';
import { supportCompliance } from '../../physics/structure/support-compliance.ts';
import { toolBeam } from '../../physics/structure/tool-beam.ts';
import { SHOP_FLOOR, SHOP_FLOOR_MM } from '../shop-floor.ts';
import { type Estimate, exact, over, scale, sensitiveTo, uncertain, plus } from '../../judging/estimate.ts';
import { threadMillingLife } from '../life-state.ts';
import { NOTCH_FACTOR } from '../../physics/structure/rupture-strength.ts';
import { BEAM_MODEL, clampSource, cuttingForceSources, ruptureSource } from '../sources.ts';
import { holeState, type HoleState, SIZE_MODEL } from '../holes/hole-state.ts';

/** No bend of a thread mill is told apart from less than this, mm. */
const LEAST_SEEN_MM = 5e-4;

export interface ThreadMillingState extends HoleState<ThreadMillingOperation> {
  readonly path: ThreadMillPath;
  readonly edgeFeedMmMin: number;
  readonly heightPercent: number;
  readonly smallestHoleMm: number;
  readonly sideForceN: Estimate;
  /** Difference of the thread's diameter between its mouth and its bottom, mm. */
  readonly taperMm: Estimate;
  readonly deflectionMm: Estimate;
  readonly stressMPa: Estimate;
  readonly chipMm: number;
  readonly teeth: number;
  /** Width of the pitch diameter's tolerance in grade 6, mm. ISO 965-1: 1.32 · 90 · P^0.4 · D^0.1 µm. */
  readonly pitchToleranceMm: number;
}

/** Works out a milled thread once. Input must have been checked. */
export function threadMillingState(
  op: ThreadMillingOperation,
  context: OperationContext,
): ThreadMillingState {
  const { alloy, cutter, machine, holder, substrate } = context;
  const { hole, thread, cut, tooling } = op;
  const p = cutter.properties;
  const tool = p.DC ?? 1;
  const teeth = p.ZEFP ?? p.NOF ?? 3;
  const length = Math.min(p.APMX ?? thread.pitchMm, hole.depthMm + thread.pitchMm);
  const edgeFeed = cut.speedRpm * teeth * cut.feedPerToothMm;
  const path = threadMillPath(thread, tool, length, hole.depthMm, edgeFeed);
  const shares = passShares(cut.passes);
  // The pass with the most metal decides.
  let [done, worst, worstShare] = [0, 0, 0];
  for (const share of shares) {
    const area = passArea(thread, hole.startMm, done, done + share);
    if (area > worst) [worst, worstShare] = [area, share];
    done += share;
  }
  const radial = ((thread.majorMm - hole.startMm) / 2) * worstShare;
  const stepover = Math.min(
    0.95 * tool,
    effectiveStepover({
      finishedMm: thread.majorMm,
      beforeMm: thread.majorMm - 2 * radial,
      toolMm: tool,
      internal: true,
    }),
  );
  const arc = Math.acos(1 - (2 * stepover) / tool);
  const chip = cut.feedPerToothMm * (stepover < tool / 2 ? Math.sin(arc) : 1);
  const { kc11, sources } = cuttingForceSources(op, context);
  const mc = alloy.kienzle.mc.typical;
  const width = worst / radial;
  const wear = 1 + 2 * op.flankWearMm;
  const perTooth = kc11 * chip ** (1 - mc) * width * path.rows * wear;
  const engaged = Math.max(1, (teeth * arc) / (2 * Math.PI));
  const kr = alloy.kienzle.radial_to_tangential.typical;
  const sideForceN = uncertain(perTooth * engaged * Math.hypot(1, kr), ...sources);
  const unit = bendSteppedBeam(toolBeam(cutter, tooling.stickOutMm, substrate.E_gpa), 1, length);
  const support = supportCompliance(machine, holder, p.DCONMS ?? tool, tooling.stickOutMm - length / 2, 'y');
  const supports = support.clamp + support.holderBody + support.spindle;
  const lean = (value: number): Estimate =>
    sensitiveTo(sensitiveTo({ value, terms: sideForceN.terms }, BEAM_MODEL, 0.6), clampSource(context), 0.4);
  const stiff = sideForceN.value / Math.max(1e-6, radial);
  const compliance = unit.tipMm + supports;
  const left = (stiff / (stiff + 1 / compliance)) ** cut.springPasses;
  // A cantilever's deflection between the top row and the tip; a single row leans alike at every height.
  const along = path.rows > 1 ? Math.max(0, 1 - length / tooling.stickOutMm) : 1;
  const shape = (3 * along ** 2 - along ** 3) / 2;
  const deflectionMm = lean(Math.max(LEAST_SEEN_MM, compliance * sideForceN.value * left));
  const taperMm = lean(Math.max(LEAST_SEEN_MM, 2 * unit.tipMm * sideForceN.value * left * (1 - shape)));
  const section = shares.reduce((sum, s, i) => {
    const before = shares.slice(0, i).reduce((a, b) => a + b, 0);
    return sum + passArea(thread, hole.startMm, before, before + s);
  }, 0);
  const minutes = ((cut.passes + cut.springPasses) * path.pathMm) / path.centreFeedMmMin;
  const volume = section * path.rows * Math.PI * thread.majorMm * path.turns;
  const removal = volume / 1000 / Math.max(1e-9, minutes);
  const power = (kc11 * (0.6 * chip) ** -mc * removal * wear) / 60;
  const torqueNm = uncertain((power * 60) / (2 * Math.PI * cut.speedRpm), ...sources);
  const vc = cuttingSpeed(cut.speedRpm, tool);
  const stressMPa = scale(
    sensitiveTo(sideForceN, BEAM_MODEL, 0.75),
    Math.max(...unit.stressAtStartMPa) * NOTCH_FACTOR,
  );
  const sizeErrorMm = plus(
    sensitiveTo({ value: 2 * deflectionMm.value, terms: deflectionMm.terms }, SIZE_MODEL, 0.5),
    uncertain(2 * SHOP_FLOOR_MM, SHOP_FLOOR),
  );
  const pitchTolerance = (1.32 * 90 * thread.pitchMm ** 0.4 * thread.majorMm ** 0.1) / 1000;
  return {
    ...holeState(op, context, {
      diameterMm: tool,
      feedRateMmMin: path.centreFeedMmMin,
      removalCm3Min: removal,
      torqueNm,
      seconds: {
        cut: minutes * 60,
        air: approachSeconds(hole.betweenMm, machine) + 2 * rapidSeconds(hole.depthMm, machine.axes.z),
      },
      life: threadMillingLife(op, context, vc, chip, stepover / tool),
      noLife: 'no life model for this alloy and cutting material',
      pullOutN: exact(0),
      breaking: over(
        stressMPa,
        uncertain(substrate.transverse_rupture_mpa[1] * sizeFactor(tool), ruptureSource(context)),
      ),
      sizeErrorMm,
      // The offset takes the mean lean out; the taper stays.
      sizeAllowedMm: null,
    }),
    path,
    edgeFeedMmMin: edgeFeed,
    heightPercent: heightForPilot(thread, hole.startMm),
    smallestHoleMm: smallestHole(tool),
    sideForceN,
    taperMm,
    deflectionMm,
    stressMPa,
    chipMm: chip,
    teeth,
    pitchToleranceMm: pitchTolerance,
  };
}
