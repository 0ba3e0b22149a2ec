import type { BoringState } from '../boring-state.ts';
import { type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast, held, inWindow } from '../../holes/limits/assessments.ts';

/** Length over diameter a bar of this kind stands. */
export const barRatioLimit: Limit<BoringState> = {
  id: 'bar-ratio',
  group: 'vibration',
  name: 'bar overhang',
  assess({ lengthOverDiameter, context: { cutter }, op }) {
    const most = cutter.extended.max_ld_recommended ?? 4;
    return held(lengthOverDiameter, most, 'ratio', cutter.name, {
      why: () =>
        say(
          'Overhang {0}×D; {1}×D allowed (bar type).',
          measure(lengthOverDiameter, 'ratio'),
          measure(most, 'ratio'),
        ),
      formula: 'L/D ≤ 4 steel, 6 carbide, 8 to 10 damped',
      inputs: () => [input('L', 'stick-out', op.tooling.stickOutMm, 'mm')],
      source: 'cutter record; judgement rule G-116',
    });
  },
};

/** Less than the nose and the whole force pushes the bar away from the wall. */
export const boreDepthLimit: Limit<BoringState> = {
  id: 'bore-depth',
  group: 'cutter',
  name: 'depth vs nose radius',
  assess({ depthMm, context: { cutter } }) {
    const nose = cutter.properties.RE ?? 0.4;
    const edge = (cutter.extended.edge_radius_um?.[1] ?? 9) / 1000;
    const least = Math.max(nose / 4, 3 * edge);
    return {
      ...atLeast(depthMm, least, 'mm', 'nose and edge radius', {
        why: () =>
          depthMm >= nose
            ? say('Depth {0}, more than the nose radius.', measure(depthMm, 'mm'))
            : say(
                'Depth {0} cuts on the {1} nose radius only and deflects the bar; at least {2} needed.',
                measure(depthMm, 'mm'),
                measure(nose, 'mm'),
                measure(least, 'mm'),
              ),
        formula: 'ap ≥ RE/4 and three edge radii; better RE and more',
        inputs: () => [input('RE', 'nose radius', nose, 'mm')],
        source: 'judgement rules G-115, G-116',
      }),
      verdict: depthMm < least ? 'over' : depthMm < (2 / 3) * nose ? 'tight' : 'clear',
    };
  },
};

const MARKS: Source = {
  id: 'feed-marks',
  label: 'measured over theoretical roughness',
  kind: 'model',
  sigma: 0.3,
  narrowBy: 'measure Ra on the first bore',
};

/** Feed marks of the nose. */
export const boreRoughnessLimit: Limit<BoringState> = {
  id: 'bore-roughness',
  group: 'accuracy',
  name: 'surface roughness',
  assess({ raUm, op: { hole, cut }, context: { alloy } }) {
    if (hole.raUm === null) return null;
    // Ploughing and adhesion roughen tough alloys more. Rule G-82.
    const factor = alloy.iso513_group === 'S' || alloy.iso513_group === 'M' ? 1.7 : 1.3;
    return held(uncertain(raUm * factor, MARKS), hole.raUm, 'um-fine', 'drawing', {
      why: () =>
        say(
          'Feed marks Ra {0}, in this alloy Ra {1}; {2} required.',
          measure(raUm, 'um-fine'),
          measure(raUm * factor, 'um-fine'),
          measure(hole.raUm ?? 0, 'um-fine'),
        ),
      formula: 'Ra = f²/(18·√3·RE), times 1.7 in tough alloys',
      inputs: () => [input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev')],
      source: 'parabola of the nose; judgement rule G-82',
    });
  },
};

/** Window of the insert's feed. */
export const boreFeedLimit: Limit<BoringState> = {
  id: 'bore-feed',
  group: 'cutter',
  name: 'insert feed',
  assess: ({ op: { cut }, context: { cutter } }) =>
    inWindow(cut.feedPerRevMm, cutter.extended.f_window_mm_per_rev, 'mm/rev', 'insert', 'cutter record'),
};
