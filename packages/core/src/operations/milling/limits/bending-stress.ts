import { ruptureSource } from '../../sources.ts';
import { NOTCH_FACTOR } from '../../../physics/structure/rupture-strength.ts';
import type { MillingState } from '../milling-state.ts';
import { rootDiameter } from '../../../physics/structure/tool-beam.ts';
import { sizeFactor } from '../../../physics/structure/rupture-strength.ts';
import { over, scale, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Share of rupture strength a running tool may see again and again; rule G-128 gives 0.35 to 0.5. */
const FATIGUE_SHARE = 0.4;

/** Bending at the weakest section of the tool against rupture. */
export const bendingStressLimit: Limit<MillingState> = {
  id: 'bending-stress',
  group: 'strength',
  name: 'bending stress',
  asks: 'forces',
  assess({ stressMPa, sideForceN, op, context }) {
    const size = sizeFactor(rootDiameter(context.cutter));
    const strength = context.substrate.transverse_rupture_mpa[1] * size;
    const allowed = scale(uncertain(strength, ruptureSource(context)), FATIGUE_SHARE);
    return {
      predicted: { estimate: stressMPa, unit: 'MPa' },
      allowed: {
        value: allowed.value,
        unit: 'MPa',
        from: `${FATIGUE_SHARE} of the rupture strength of ${context.substrate.name}`,
      },
      share: over(stressMPa, allowed),
      why: () =>
        say(
          'Bending stress {1} in the flute root at {0} radial force; {2} allowed (fatigue).',
          measure(sideForceN.value, 'N'),
          measure(stressMPa.value, 'MPa'),
          measure(allowed.value, 'MPa'),
        ),
      formula: 'σ = K·32·F·(L − ap/2)/(π·d³) ≤ 0.4·TRS',
      inputs: () => [
        input('K', 'notch factor', NOTCH_FACTOR, 'ratio'),
        input('F', 'peak radial force', sideForceN.value, 'N'),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
        input('ap', 'axial depth', op.cut.axialDepthMm, 'mm'),
        input('TRS', 'rupture strength at this size', strength, 'MPa'),
        input('k', 'size effect', size, 'ratio'),
      ],
      source: 'Euler–Bernoulli; size effect after Weibull 1951; judgement rule G-128',
    };
  },
};
