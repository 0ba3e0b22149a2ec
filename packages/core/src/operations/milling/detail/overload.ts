import type { MillingState } from '../milling-state.ts';
import { NOTCH_FACTOR } from '../../../physics/structure/rupture-strength.ts';
import { torqueAt } from '../../../physics/cutting/spindle-curve.ts';
import { sizeFactor } from '../../../physics/structure/rupture-strength.ts';
import { bendSteppedBeam } from '../../../physics/structure/stepped-beam.ts';
import { rootDiameter, toolBeam } from '../../../physics/structure/tool-beam.ts';

export type Yielding = 'spindle' | 'holder' | 'tool';

/** How many times the present load each link of the chain stands; the weakest gives first. */
export interface Overload {
  readonly margins: readonly { readonly who: Yielding; readonly times: number; readonly what: string }[];
  readonly first: Yielding;
  /** What that means at the machine. */
  readonly meaning: string;
}

const MEANING: Readonly<Record<Yielding, string>> = {
  spindle: 'An overload stalls the spindle before the tool breaks: noticed, and the part is saved.',
  holder:
    'An overload turns the tool in its holder, or pulls it out, before anything stops: the part is at risk.',
  tool: 'An overload breaks the tool: this spindle will not stall first.',
};

/**
 * Which link gives way first when the whole load grows: the spindle's short-time torque at this speed against the mean
 * torque, the holder's grip against torque and pull, the root's rupture strength (size effect, notch) against its stress.
 */
export function overloadOf(state: MillingState): Overload {
  const { context, op } = state;
  const spindle = torqueAt(context.machine.power_torque.s6_40, op.cut.speedRpm) / state.torqueNm.value;
  const shank = context.cutter.properties.DCONMS ?? 12;
  const grip = context.holder.grip_torque_nm_at_12mm;
  const asked = Math.hypot(state.peakTorqueNm.value, (state.pullOutN.value * shank) / 2000);
  const holder = grip ? (grip[1] * (shank / 12) ** 2) / asked : Infinity;
  const stickOut = op.tooling.stickOutMm;
  const unit = bendSteppedBeam(
    toolBeam(context.cutter, stickOut, context.substrate.E_gpa),
    1,
    Math.min(op.cut.axialDepthMm, stickOut),
  );
  const stress = state.sideForceN.value * Math.max(...unit.stressAtStartMPa) * NOTCH_FACTOR;
  const strength = context.substrate.transverse_rupture_mpa[1] * sizeFactor(rootDiameter(context.cutter));
  const margins = [
    { who: 'spindle' as const, times: spindle, what: 'the spindle stalls' },
    { who: 'holder' as const, times: holder, what: 'the holder slips' },
    { who: 'tool' as const, times: strength / stress, what: 'the tool breaks' },
  ].sort((a, b) => a.times - b.times);
  const first = margins[0]!.who;
  return { margins, first, meaning: MEANING[first] };
}
