import { type Source, scale } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { deflectionUnder } from '../../../physics/turning/part-bending.ts';
import { held } from '../../holes/limits/assessments.ts';
import { barBetween, partModulus } from '../../lathe/held-part.ts';
import type { MillingState } from '../milling-state.ts';

const PART_MODEL: Source = {
  id: 'chucked-part',
  label: 'part in its jaws as a bar, jaws rigid',
  kind: 'model',
  sigma: 0.3,
  narrowBy: 'push the part with an indicator on it',
};
/** A rougher may move the part by this much, mm: more and it digs in. Judgement. */
const ROUGHING_MM = 0.05;

/** A part that stands out of the jaws gives way under the mill. */
export const chuckedPartLimit: Limit<MillingState> = {
  id: 'chucked-part',
  group: 'accuracy',
  name: 'part in the jaws',
  asks: 'forces',
  assess({ op: { inLathe, feature }, context: { alloy }, sideForceN: sideN }) {
    if (!inLathe) return null;
    const bar = barBetween(
      { support: inLathe.support, overhangMm: inLathe.overhangMm, grippedMm: inLathe.diameterMm },
      {
        diameterMm: inLathe.diameterMm,
        boreMm: inLathe.boreMm,
        modulusMPa: partModulus(alloy),
        steadyMm: Math.max(0, inLathe.overhangMm - inLathe.diameterMm),
      },
    );
    // A centre holds the very end; what is milled lies before it.
    const at = inLathe.support === 'tailstock' ? 0.7 * inLathe.overhangMm : inLathe.overhangMm;
    const lean = scale(sideN, deflectionUnder(bar, 1, at));
    const most = feature.allowanceMm > 0 ? ROUGHING_MM : feature.wallToleranceMm / 2;
    return held(
      { value: Math.max(1e-6, lean.value), terms: [...lean.terms, { source: PART_MODEL, sensitivity: 1 }] },
      most,
      'mm-fine',
      feature.allowanceMm > 0 ? 'roughing' : 'half the tolerance',
      {
        why: () =>
          say(
            'Part {0} out of the jaws gives way by {1}; {2} allowed.',
            measure(inLathe.overhangMm, 'mm'),
            measure(lean.value, 'mm-fine'),
            measure(most, 'mm-fine'),
          ),
        formula: 'δ = F·L³/(3·E·I), or between chuck and support',
        inputs: () => [input('F', 'side force', sideN.value, 'N')],
        source: 'Euler–Bernoulli; chuck taken as rigid',
      },
    );
  },
};
