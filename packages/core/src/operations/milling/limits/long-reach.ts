import { type Cutter, isIndexable } from '../../../crib/cutter.ts';
import { toolBeam } from '../../../physics/structure/tool-beam.ts';
import { isHighSpeedSteel } from '../../context.ts';
import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/**
 * Length, mm, of an even bar of the cutting diameter that bends as this tool does: a small cutter on a thick shank is as long as its
 * neck, one with a relieved neck longer than it looks.
 */
function reachOf(cutter: Cutter, stickOutMm: number): number {
  const { DC = 1, DCONMS = DC, DN = DC } = cutter.properties;
  if (isIndexable(cutter)) return stickOutMm;
  // From the tip up, what is fluted, relieved and shank; flutes weaken shank and neck of an even bar alike.
  const beam = toolBeam(cutter, stickOutMm, 1).reverse();
  const widths = [DC, ...beam.slice(1).map((s) => (s.diameterMm === DCONMS ? DCONMS : DN))];
  let [from, sum] = [0, 0];
  beam.forEach((s, i) => {
    const to = from + s.lengthMm;
    sum += (to ** 3 - from ** 3) * (DC / widths[i]!) ** 4;
    from = to;
  });
  return Math.cbrt(sum);
}

/** Stiffness falls with the cube of stick-out: 4 diameters is a matter of care, 6 is for light finishing only. */
export const longReachLimit: Limit<MillingState> = {
  id: 'long-reach',
  group: 'vibration',
  name: 'stick-out ratio',
  assess({ op: { tooling }, context }) {
    const diameter = context.cutter.properties.DC ?? 1;
    const reach = reachOf(context.cutter, tooling.stickOutMm);
    const even = Math.abs(reach - tooling.stickOutMm) < 0.02 * tooling.stickOutMm;
    const ratio = reach / diameter;
    const most = isHighSpeedSteel(context) ? 4.5 : 6;
    return {
      predicted: { estimate: exact(ratio), unit: 'ratio' },
      allowed: { value: most, unit: 'ratio', from: 'long-reach rule for this cutting material' },
      share: exact(ratio / most),
      verdict: ratio > most ? 'over' : ratio > 4 ? 'tight' : 'clear',
      why: () =>
        say(
          `Stick-out {0}${even ? '' : ', bends like {3}'}: {1}×D${ratio > 4 ? '; {2}×D allowed. Above 4×D expect chatter first: tap-test it.' : '.'}`,
          measure(tooling.stickOutMm, 'mm'),
          measure(ratio, 'ratio'),
          measure(most, 'ratio'),
          measure(Math.round(reach), 'mm'),
        ),
      formula: 'L / DC, L of an even bar that bends as much',
      inputs: () => [
        input('l', 'stick-out', tooling.stickOutMm, 'mm'),
        input('L', 'as an even bar', reach, 'mm'),
        input('DC', 'diameter', diameter, 'mm'),
      ],
      source: 'judgement rule G-09',
    };
  },
};
