import { type DrillingState, entrySlope } from '../drilling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Deep holes and slopes push the point aside unless a pilot guides it. Rule G-61. */
export const pilotNeededLimit: Limit<DrillingState> = {
  id: 'pilot-needed',
  group: 'accuracy',
  name: 'pilot or spot',
  assess({ op, depthClass, conditions }) {
    const { hole } = op;
    const from = conditions.carbide ? 5 : 4;
    // A curved face counts as a slope until somebody states one.
    const slopeDeg = entrySlope(op);
    const slope = slopeDeg > 3;
    const deep = depthClass > from;
    const needed = slope || deep;
    return {
      predicted: { estimate: exact(depthClass), unit: 'ratio' },
      allowed: { value: from, unit: 'ratio', from: 'diameters of depth without a pilot' },
      share: null,
      verdict: !needed || hole.piloted ? 'clear' : depthClass > 8 || slopeDeg > 8 ? 'over' : 'tight',
      why: () =>
        !needed
          ? say('{0}×D deep from a flat face: no pilot needed.', measure(depthClass, 'ratio'))
          : hole.piloted
            ? say('A pilot hole guides the drill.')
            : slope
              ? say('Entry face at {0}: mill a flat or drill a pilot first.', measure(slopeDeg, 'deg'))
              : say('{0}×D deep without a pilot: the point wanders.', measure(depthClass, 'ratio')),
      formula: 'pilot when depth > 5 D (4 D high-speed steel) or slope > 3°',
      inputs: () => [
        input('depth/D', 'depth in diameters', depthClass, 'ratio'),
        input('slope', 'entry slope', slopeDeg, 'deg'),
      ],
      source: 'judgement rule G-61',
    };
  },
};
