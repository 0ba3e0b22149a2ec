import { bentTool } from '../../limits/bent-tool.ts';
import { NOTCH_FACTOR } from '../../../physics/structure/rupture-strength.ts';
import type { MillingState } from '../milling-state.ts';
import { rootDiameter } from '../../../physics/structure/tool-beam.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Bending at the weakest section of the tool against rupture. */
export const bendingStressLimit: Limit<MillingState> = {
  id: 'bending-stress',
  group: 'strength',
  name: 'bending stress',
  asks: 'forces',
  assess({ stressMPa, sideForceN, op, context }) {
    const { held, allowedMPa, strengthMPa, sizeFactor } = bentTool(
      stressMPa,
      rootDiameter(context.cutter),
      context,
    );
    return {
      ...held,
      why: () =>
        say(
          'Bending stress {1} in the flute root at {0} radial force; {2} allowed (fatigue).',
          measure(sideForceN.value, 'N'),
          measure(stressMPa.value, 'MPa'),
          measure(allowedMPa, 'MPa'),
        ),
      formula: 'σ = K·32·F·(L − ap/2)/(π·d³) ≤ 0.4·TRS',
      inputs: () => [
        input('K', 'notch factor', NOTCH_FACTOR, 'ratio'),
        input('F', 'peak radial force', sideForceN.value, 'N'),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
        input('ap', 'axial depth', op.cut.axialDepthMm, 'mm'),
        input('TRS', 'rupture strength at this size', strengthMPa, 'MPa'),
        input('k', 'size effect', sizeFactor, 'ratio'),
      ],
      source: 'Euler–Bernoulli; size effect after Weibull 1951; judgement rule G-128',
    };
  },
};
