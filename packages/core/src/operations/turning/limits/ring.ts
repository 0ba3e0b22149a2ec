import { type Source, uncertain } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { outOfRound } from '../../../physics/turning/clamped-ring.ts';
import { partModulus } from '../../lathe/held-part.ts';
import { USUAL_CHUCK } from '../../lathe/usual-chuck.ts';
import { held } from '../../holes/limits/assessments.ts';
import type { TurningState } from '../turning-state.ts';

/** Wall over mean radius from which a part is no ring that bends. */
const THICK = 0.5;
/** Only what is cut near the jaws is out of round by them: overhang over diameter. */
const NEAR = 0.75;
/** A bore that is not thin enough to bend closes all the same; the thin ring says too little there. */
const RING_MODEL: Source = {
  id: 'ring-bending',
  label: 'ring as thin, jaws as points',
  kind: 'model',
  sigma: 0.4,
  narrowBy: 'measure the roundness in the jaws and out of them',
};

/** A thin ring is turned round while the jaws press it, and springs into lobes when they open. */
export const ringDistortionLimit: Limit<TurningState> = {
  id: 'ring-distortion',
  reads: 'setup',
  group: 'accuracy',
  name: 'ring in the jaws',
  assess({ op: { stretch: s }, part, context }) {
    const bore = s.way === 'inside' ? s.endMm : s.boreMm;
    const known = s.way === 'inside' ? s.outerMm !== undefined && s.outerMm !== null : bore > 0;
    if (s.toleranceMm === null || !known || s.way === 'face') return null;
    const outer = part.grippedMm;
    const thin = (outer - bore) / 2 < (THICK * (outer + bore)) / 4;
    if (!thin || s.overhangMm > NEAR * outer) return null;
    const { held: given } = context;
    if (given && given.kind !== 'chuck' && given.kind !== 'soft-jaws') return null;
    const jawN = (given ? given.liftN / USUAL_CHUCK.friction : USUAL_CHUCK.forceN) / USUAL_CHUCK.jaws;
    const lobes = outOfRound(
      {
        outerMm: outer,
        boreMm: bore,
        lengthMm: Math.max(s.overhangMm, s.lengthMm),
        modulusMPa: partModulus(context.alloy),
      },
      USUAL_CHUCK.jaws,
      jawN,
    );
    const most = s.toleranceMm / 2;
    const assessed = held(uncertain(lobes, RING_MODEL), most, 'mm-fine', 'half the tolerance', {
      why: () =>
        say(
          `Ring springs {0} out of round when the jaws open; {1} allowed. Grip it lightly, with soft or pie jaws${given ? '' : '; state the chuck with the setup'}.`,
          measure(lobes, 'mm-fine'),
          measure(most, 'mm-fine'),
        ),
      formula: 'W·R³/(2·E·I)·f(θ), three jaws',
      inputs: () => [input('W', 'force of a jaw', jawN, 'N')],
      source: 'Timoshenko; ring as thin',
    });
    // A chuck nobody stated proves nothing.
    return given ? assessed : { ...assessed, share: null, verdict: lobes > most ? 'tight' : 'clear' };
  },
};
