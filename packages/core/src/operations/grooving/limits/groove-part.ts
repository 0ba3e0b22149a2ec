import { type Source, uncertain } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { FEED_MARKS } from '../../lathe/worn-and-rough.ts';
import { dampedChipWidth } from '../../lathe/damped-chip-width.ts';
import { held } from '../../holes/limits/assessments.ts';
import type { GroovingState } from '../grooving-state.ts';

const CHATTER_MODEL: Source = {
  id: 'groove-mode',
  label: 'stiffness and damping of part, bar and turret, not measured',
  kind: 'assumed',
  sigma: 0.35,
  narrowBy: 'tap the part in the chuck, or log whether it squealed',
};
const GIVES = {
  part: 'the part where the groove is',
  machine: 'turret and slide',
  bar: 'the bar',
} as const;

/** The whole width of a plunge stands across what gives way: nothing chatters sooner. */
export const grooveChatterLimit: Limit<GroovingState> = {
  id: 'groove-chatter',
  group: 'vibration',
  name: 'chatter',
  asks: 'forces',
  assess(state) {
    const { modes, acrossMPa, plunges, bladeMm } = state;
    const widths = modes.map((mode) => ({ mode, ...dampedChipWidth(state, mode, acrossMPa) }));
    const { mode, widthMm, hz } = widths.reduce((a, b) => (a.widthMm <= b.widthMm ? a : b));
    const allowed = uncertain(widthMm, CHATTER_MODEL);
    const edge = Math.max(plunges.layerMm, bladeMm);
    return held(edge, allowed, 'mm', GIVES[mode.of], {
      why: () =>
        say(
          `Edge {0} wide; chatters from {1} on, near {2} (${GIVES[mode.of]}).`,
          measure(edge, 'mm'),
          measure(allowed.value, 'mm'),
          measure(hz, 'Hz'),
        ),
      formula: 'b ≤ 2·k·ζ·(1+ζ)/(Kf − Kd·ω/v) of the weakest',
      inputs: () => [
        input('k', 'stiffness', mode.stiffnessNMm / 1000, 'N/um'),
        input('ζ', 'damping ratio', mode.dampingRatio, 'ratio'),
        input('Kf', 'cutting stiffness across the edge', acrossMPa, 'N/mm2'),
      ],
      source: 'Tlusty & Poláček 1963; Wu 1989; damping and land estimated',
    });
  },
};

const BLADE_MODEL: Source = {
  id: 'blade-aside',
  label: 'thickness and seat of the blade, estimated from its width',
  kind: 'model',
  sigma: 0.35,
  narrowBy: 'measure the groove at mouth and bottom',
};
/** Sideways a blade may bend this much, mm: more is neither flat nor lasting. */
const BENDS = 0.1;

/** A blade that is pressed aside leaves walls that lean. */
export const grooveWallLimit: Limit<GroovingState> = {
  id: 'groove-wall',
  group: 'accuracy',
  name: 'walls',
  asks: 'forces',
  assess({ asideMm, plunges, op: { groove } }) {
    if (groove.way === 'part-off') return null;
    const asked = groove.toleranceMm;
    if (asked === null && plunges.layers === 0) return null;
    const most = asked === null ? BENDS : asked / 2;
    return held(
      {
        value: Math.max(1e-6, asideMm.value),
        terms: [...asideMm.terms, { source: BLADE_MODEL, sensitivity: 1 }],
      },
      most,
      'mm-fine',
      asked === null ? 'what a blade stands' : 'half the tolerance of the width',
      {
        why: () =>
          say(
            'Blade bends aside by {0}; {1} allowed.',
            measure(asideMm.value, 'mm-fine'),
            measure(most, 'mm-fine'),
          ),
        formula: 'F aside·L³/(3·E·I)',
        inputs: () => [],
        source: 'Euler–Bernoulli; blade estimated from its width',
      },
    );
  },
};

/** The corner of the blade leaves feed marks on the walls. */
export const grooveRoughnessLimit: Limit<GroovingState> = {
  id: 'groove-roughness',
  group: 'accuracy',
  name: 'wall roughness',
  assess({ raUm, op: { groove, cut } }) {
    const asked = groove.raUm;
    if (asked === null || groove.way === 'part-off') return null;
    return held(uncertain(raUm, FEED_MARKS), asked, 'um-fine', 'drawing', {
      why: () => say('Walls Ra {0}; {1} required.', measure(raUm, 'um-fine'), measure(asked, 'um-fine')),
      formula: 'Ra = f²/(18·√3·RE) times 1.2 to 1.7',
      inputs: () => [input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev')],
      source: 'judgement rule G-82',
    });
  },
};
