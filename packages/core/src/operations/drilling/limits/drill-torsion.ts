import { type DrillingState, TORSION_DIAMETER } from '../drilling-state.ts';
import { ruptureSource } from '../../sources.ts';
import { over, scale, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Shear strength a drill may be twisted to, over its rupture strength: shear about a half, fatigue about a half of that. */
const SHEAR_SHARE = 0.25;

/** Twisting off: cutting torque and packed chips at the bottom of the longest stretch. */
export const drillTorsionLimit: Limit<DrillingState> = {
  id: 'drill-torsion',
  group: 'strength',
  name: 'torsion',
  assess({ torsionMPa, bottomTorqueNm, packingFactor, context }) {
    const allowed = scale(
      uncertain(context.substrate.transverse_rupture_mpa[1], ruptureSource(context)),
      SHEAR_SHARE,
    );
    return {
      predicted: { estimate: torsionMPa, unit: 'MPa' },
      allowed: {
        value: allowed.value,
        unit: 'MPa',
        from: `a quarter of the rupture strength of ${context.substrate.name}`,
      },
      share: over(torsionMPa, allowed),
      why: () =>
        say(
          'Chip packing raises torque {0}× to {1}: shear stress {2}; {3} allowed.',
          measure(packingFactor, 'ratio'),
          measure(bottomTorqueNm.value, 'Nm'),
          measure(torsionMPa.value, 'MPa'),
          measure(allowed.value, 'MPa'),
        ),
      formula: 'τ = 16·M·k/(π·d³), d = 0.62·DC',
      inputs: () => [
        input('M·k', 'torque at full depth', bottomTorqueNm.value, 'Nm'),
        input('k', 'chip packing', packingFactor, 'ratio'),
        input('d/DC', 'twisting diameter', TORSION_DIAMETER, 'ratio'),
      ],
      source: 'Saint-Venant torsion of an equivalent bar; Kienzle on two lips',
    };
  },
};
