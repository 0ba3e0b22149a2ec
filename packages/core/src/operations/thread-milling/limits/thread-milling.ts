import type { ThreadMillingState } from '../thread-milling-state.ts';
import { ruptureSource } from '../../sources.ts';
import { sizeFactor } from '../../../physics/structure/rupture-strength.ts';
import { scale, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast, held, inWindow } from '../../holes/limits/assessments.ts';

/** The mill goes into the hole before the thread. */
export const threadMillFitsLimit: Limit<ThreadMillingState> = {
  id: 'thread-mill-fits',
  group: 'path',
  name: 'cutter fits hole',
  assess({ smallestHoleMm, op: { hole } }) {
    return {
      ...atLeast(hole.startMm, smallestHoleMm, 'mm', 'cutter and room for its chips', {
        why: () =>
          say('Hole {0}; the cutter needs {1}.', measure(hole.startMm, 'mm'), measure(smallestHoleMm, 'mm')),
        formula: 'hole ≥ DC + 0.2',
        source: 'geometry',
      }),
      verdict: hole.startMm >= smallestHoleMm - 1e-9 ? 'clear' : 'over',
    };
  },
};

/** The mill leans: the thread grows narrower towards its bottom. */
export const threadTaperLimit: Limit<ThreadMillingState> = {
  id: 'thread-taper',
  group: 'accuracy',
  name: 'thread taper',
  assess({ taperMm, pitchToleranceMm, deflectionMm, path, op }) {
    const allowed = pitchToleranceMm / 2;
    return held(taperMm, allowed, 'mm-fine', 'half the tolerance of the pitch diameter, grade 6', {
      why: () =>
        say(
          path.rows > 1
            ? 'Thread taper {0}; {1} allowed (deflection {2} at the tip).'
            : 'One row of teeth deflects {2} at every depth alike; the radius offset removes it.',
          measure(taperMm.value, 'mm-fine'),
          measure(allowed, 'mm-fine'),
          measure(deflectionMm.value, 'mm-deflection'),
        ),
      formula: '2·(δ tip − δ top row) ≤ TD2/2, TD2 = 1.32·90·P^0.4·D^0.1 µm',
      inputs: () => [
        input('passes', 'radial passes', op.cut.passes, 'pieces'),
        input('spring', 'spring passes', op.cut.springPasses, 'pieces'),
        input('rows', 'pitches cut at once', path.rows, 'pieces'),
      ],
      source: 'stepped cantilever; ISO 965-1',
    });
  },
};

const FATIGUE_SHARE = 0.4;

/** Bending of the thread mill at its root. */
export const threadMillBendingLimit: Limit<ThreadMillingState> = {
  id: 'thread-mill-bending',
  group: 'strength',
  name: 'bending stress',
  assess({ stressMPa, sideForceN, context, op }) {
    const size = sizeFactor(context.cutter.properties.DC ?? 5);
    const allowed = scale(
      uncertain(context.substrate.transverse_rupture_mpa[1] * size, ruptureSource(context)),
      FATIGUE_SHARE,
    );
    return held(stressMPa, allowed, 'MPa', `0.4 of the rupture strength of ${context.substrate.name}`, {
      why: () =>
        say(
          'Bending stress {1} at {0} radial force; {2} allowed (fatigue).',
          measure(sideForceN.value, 'N'),
          measure(stressMPa.value, 'MPa'),
          measure(allowed.value, 'MPa'),
        ),
      formula: 'σ = K·32·F·L/(π·d³) ≤ 0.4·TRS',
      inputs: () => [input('L', 'stick-out', op.tooling.stickOutMm, 'mm')],
      source: 'Euler–Bernoulli; judgement rule G-128',
    });
  },
};

/** Feed of the thread mill at the edge. */
export const threadMillFeedLimit: Limit<ThreadMillingState> = {
  id: 'thread-mill-feed',
  group: 'cutter',
  name: 'feed at the edge',
  assess: ({ op: { cut }, context: { cutter } }) =>
    inWindow(
      cut.feedPerToothMm,
      cutter.extended.fz_window_mm,
      'mm/tooth',
      'thread mill at its edge',
      'cutter record',
    ),
};
