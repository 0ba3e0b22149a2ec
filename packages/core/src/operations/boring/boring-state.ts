import type { OperationContext } from '../context.ts';
import type { BoringOperation } from './boring-operation.ts';
import { boreForces, leftAfterSpring } from '../../physics/holes/bore-pass.ts';
import { approachSeconds, CLEARANCE, rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { supportCompliance } from '../../physics/structure/support-compliance.ts';
import { type Estimate, sensitiveTo, uncertain } from '../../judging/estimate.ts';
import { boringLife } from '../life-state.ts';
import { BEAM_MODEL, clampSource, cuttingForceSources } from '../sources.ts';
import { holeState, type HoleState, SIZE_MODEL, VARIES } from '../holes/hole-state.ts';

export interface BoringState extends HoleState<BoringOperation> {
  /** Allowance of one pass on the radius, mm. */
  readonly depthMm: number;
  readonly chipMm: number;
  readonly radialN: Estimate;
  /** Lean of the bar in the last pass, mm. */
  readonly deflectionMm: Estimate;
  /** What is left of it after the spring passes. */
  readonly leftShare: number;
  readonly lengthOverDiameter: number;
  /** Roughness of the feed marks, Ra in µm. */
  readonly raUm: number;
}

/** What the setting of the bar is worth, mm on the diameter. */
const SETTING = 0.003;

/** Works out a bored hole once. Input must have been checked. */
export function boringState(op: BoringOperation, context: OperationContext): BoringState {
  const { alloy, cutter, holder, machine } = context;
  const { hole, cut, tooling } = op;
  const p = cutter.properties;
  const nose = p.RE ?? 0.4;
  const depth = (hole.diameterMm - hole.startMm) / 2 / cut.passes;
  const { kc11, sources } = cuttingForceSources(op, context);
  const f = boreForces({
    kc11,
    mc: alloy.kienzle.mc.typical,
    radialRatio: alloy.kienzle.radial_to_tangential.typical,
    leadDeg: p.KAPR ?? 93,
    noseMm: nose,
    depthMm: depth,
    feedMm: cut.feedPerRevMm,
  });
  const wear = 1 + 2 * op.flankWearMm;
  const bar = p.DCONMS ?? 16;
  const inertia = (Math.PI * bar ** 4) / 64;
  const own = tooling.stickOutMm ** 3 / (3 * (cutter.extended.bar_E_gpa ?? 207) * 1000 * inertia);
  const support = supportCompliance(machine, holder, bar, tooling.stickOutMm, 'y');
  const compliance = own + support.clamp + support.holderBody + support.spindle;
  const radialN = uncertain(Math.max(1e-6, f.radialN * wear), ...sources);
  const deflectionMm = sensitiveTo(
    sensitiveTo({ value: radialN.value * compliance, terms: radialN.terms }, BEAM_MODEL, 1),
    clampSource(context),
    0.3,
  );
  const left = leftAfterSpring(radialN.value / depth, 1 / compliance) ** cut.springPasses;
  const vf = cut.speedRpm * cut.feedPerRevMm;
  const length = hole.depthMm + CLEARANCE + (hole.through ? 1 : 0);
  const runs = cut.passes + cut.springPasses;
  const vc = cuttingSpeed(cut.speedRpm, hole.diameterMm);
  return {
    ...holeState(op, context, {
      diameterMm: hole.diameterMm,
      feedRateMmMin: vf,
      removalCm3Min: (Math.PI * hole.diameterMm * depth * vf) / 1000,
      torqueNm: uncertain((f.tangentialN * wear * hole.diameterMm) / 2000, ...sources),
      seconds: {
        cut: ((length * runs) / vf) * 60,
        air: approachSeconds(hole.betweenMm, machine) + runs * rapidSeconds(length, machine.axes.z),
      },
      life: boringLife(op, context, vc),
      noLife: 'no turning window for this alloy, from which a boring bar’s is taken',
      breaking: null,
      sizeErrorMm: sensitiveTo(
        { value: SETTING + 2 * VARIES * deflectionMm.value * left, terms: deflectionMm.terms },
        SIZE_MODEL,
        0.5,
      ),
    }),
    depthMm: depth,
    chipMm: f.chipMm,
    radialN,
    deflectionMm,
    leftShare: left,
    lengthOverDiameter: tooling.stickOutMm / bar,
    raUm: (1000 * cut.feedPerRevMm ** 2) / (18 * Math.sqrt(3) * nose),
  };
}
