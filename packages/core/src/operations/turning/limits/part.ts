import { type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { FEED_MARKS } from '../../lathe/worn-and-rough.ts';
import { dampedChipWidth, PART_DAMPING } from '../../lathe/damped-chip-width.ts';
import { held } from '../../holes/limits/assessments.ts';
import type { TurningState } from '../turning-state.ts';

const SIZE_MODEL: Source = {
  id: 'turned-size',
  label: 'bending of part and tool',
  kind: 'model',
  sigma: 0.25,
  narrowBy: 'measure the diameter at both ends of the first part',
};

/** Part and tool give way more in one place than in another: the diameter runs. */
export const turnedSizeLimit: Limit<TurningState> = {
  id: 'turned-size',
  group: 'accuracy',
  name: 'diameter along the cut',
  asks: 'forces',
  assess({ sizeErrorMm, op: { stretch }, passiveN }) {
    if (stretch.toleranceMm === null || stretch.way === 'face') return null;
    const most = stretch.toleranceMm / 2;
    return held(
      { value: sizeErrorMm.value, terms: [...sizeErrorMm.terms, { source: SIZE_MODEL, sensitivity: 1 }] },
      most,
      'mm-fine',
      'half the tolerance',
      {
        why: () =>
          say(
            'Diameter differs by {0} along the cut; {1} allowed (half the tolerance).',
            measure(sizeErrorMm.value, 'mm-fine'),
            measure(most, 'mm-fine'),
          ),
        formula: 'ΔD = 2·(δ most − δ least) + what of the tool varies',
        inputs: () => [input('Fp', 'passive force', passiveN.value, 'N')],
        source: 'Euler–Bernoulli; chuck taken as rigid',
      },
    );
  },
};

/** Feed marks of the nose. */
export const turnedRoughnessLimit: Limit<TurningState> = {
  id: 'turned-roughness',
  group: 'accuracy',
  name: 'surface roughness',
  assess({ raUm, theoreticalRaUm, op: { stretch, cut } }) {
    const asked = stretch.raUm;
    if (asked === null) return null;
    return held(uncertain(raUm, FEED_MARKS), asked, 'um-fine', 'drawing', {
      why: () =>
        say(
          'Feed marks Ra {0}, in this alloy Ra {1}; {2} required.',
          measure(theoreticalRaUm, 'um-fine'),
          measure(raUm, 'um-fine'),
          measure(asked, 'um-fine'),
        ),
      formula: 'Ra = f²/(18·√3·RE) times 1.2 to 1.7, or what the rounded edge squeezes',
      inputs: () => [input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev')],
      source: 'Brammertz 1961; judgement rule G-82',
    });
  },
};

const CHATTER_MODEL: Source = {
  id: 'part-mode',
  label: 'stiffness and damping of the part in its chuck, not measured',
  kind: 'assumed',
  sigma: 0.35,
  narrowBy: 'tap the part in the chuck, or log whether it squealed',
};

/** A slender part chatters from some width of chip on, at any speed. */
export const partChatterLimit: Limit<TurningState> = {
  id: 'part-chatter',
  group: 'vibration',
  name: 'chatter of the part',
  asks: 'forces',
  assess(state) {
    const { op, chip, acrossMPa, partStiffnessNMm, partHz } = state;
    if (op.stretch.way !== 'outside') return null;
    const { widthMm, hz } = dampedChipWidth(
      state,
      { stiffnessNMm: partStiffnessNMm, dampingRatio: PART_DAMPING, naturalHz: partHz },
      acrossMPa,
    );
    const allowed = uncertain(widthMm, CHATTER_MODEL);
    return held(chip.acrossMm, allowed, 'mm', 'part between its supports', {
      why: () =>
        say(
          'Edge across the part {0}, most of it the nose; this part chatters from {1} on, near {2}.',
          measure(chip.acrossMm, 'mm'),
          measure(allowed.value, 'mm'),
          measure(hz, 'Hz'),
        ),
      formula: '∫cos²κ db ≤ 2·k·ζ·(1+ζ)/(Kf − Kd·ω/v)',
      inputs: () => [
        input('k', 'stiffness of the part', partStiffnessNMm / 1000, 'N/um'),
        input('Kf', 'cutting stiffness across the edge', acrossMPa, 'N/mm2'),
      ],
      source: 'Tlusty & Poláček 1963; Wu 1989; damping and land estimated',
    });
  },
};
