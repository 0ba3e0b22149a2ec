import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast, held } from '../../holes/limits/assessments.ts';
import type { TurningState } from '../turning-state.ts';

/** Length over diameter a bar of this kind stands; a shank counts three of its heights. */
export const turningOverhangLimit: Limit<TurningState> = {
  id: 'tool-overhang',
  group: 'vibration',
  name: 'tool overhang',
  assess({ op: { tooling }, context: { cutter, holder } }) {
    const bar = cutter.properties.DCONMS;
    const size = bar ?? holder.bore_diameter_mm[1];
    const most = bar === undefined ? SHANK : (cutter.extended.max_ld_recommended ?? 4);
    return held(tooling.stickOutMm / size, most, 'ratio', bar === undefined ? 'square shank' : cutter.name, {
      why: () =>
        say(
          'Overhang {0}×D; {1}×D allowed.',
          measure(tooling.stickOutMm / size, 'ratio'),
          measure(most, 'ratio'),
        ),
      formula: 'L/D ≤ 4 steel, 6 carbide, 8 to 10 damped; shank 3',
      inputs: () => [input('L', 'stick-out', tooling.stickOutMm, 'mm')],
      source: 'cutter record; judgement rule G-116',
    });
  },
};
const SHANK = 3;

/** The bar has to go in, and reach the end. */
export const boreReachLimit: Limit<TurningState> = {
  id: 'bore-reach',
  group: 'cutter',
  name: 'bore reach',
  assess({ op: { stretch, tooling }, context: { cutter } }) {
    if (stretch.way !== 'inside') return null;
    const least = Number(cutter.properties['DMIN'] ?? 0);
    if (stretch.startMm < least)
      return atLeast(stretch.startMm, least, 'mm', cutter.name, {
        why: () =>
          say(
            'Bore {0} before the cut; the bar needs {1}.',
            measure(stretch.startMm, 'mm'),
            measure(least, 'mm'),
          ),
        formula: 'D ≥ DMIN',
        source: 'cutter record',
      });
    return atLeast(tooling.stickOutMm, stretch.lengthMm + CLEAR, 'mm', 'depth of the bore', {
      why: () =>
        say(
          'Bar stands out {0}; {1} needed for the bore.',
          measure(tooling.stickOutMm, 'mm'),
          measure(stretch.lengthMm + CLEAR, 'mm'),
        ),
      formula: 'stick-out ≥ bore + 2 mm',
      source: 'geometry',
    });
  },
};
const CLEAR = 2;
