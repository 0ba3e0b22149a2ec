import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held } from '../../holes/limits/assessments.ts';
import type { GroovingState } from '../grooving-state.ts';

/** Safety of a thin blade that is pressed a little aside of its middle. */
const BUCKLING_SAFETY = 4;
/** Overhang over the width a blade stands, and the most. Shop practice. */
const OUT = { grooving_insert: 8, parting_insert: 16 } as const;

/** Along its length a thin blade gives way sideways at once. */
export const bladeBucklingLimit: Limit<GroovingState> = {
  id: 'blade-buckling',
  group: 'strength',
  name: 'blade buckling',
  asks: 'forces',
  assess({ feedN, bucklingN, bladeOutMm }) {
    return held(feedN, bucklingN / BUCKLING_SAFETY, 'N', 'blade as a thin column', {
      why: () =>
        say(
          'Feed force {0}; {1} allowed on a blade {2} out.',
          measure(feedN.value, 'N'),
          measure(bucklingN / BUCKLING_SAFETY, 'N'),
          measure(bladeOutMm, 'mm'),
        ),
      formula: 'Ff ≤ π²·E·I/(4·L²)/4',
      inputs: () => [input('L', 'blade overhang', bladeOutMm, 'mm')],
      source: 'Euler 1744; blade estimated from its width',
    });
  },
};

/** A blade stands out no farther than its width carries. */
export const bladeOverhangLimit: Limit<GroovingState> = {
  id: 'blade-overhang',
  group: 'vibration',
  name: 'blade overhang',
  assess({ bladeOutMm, bladeMm, depthMm, op: { tooling }, context: { cutter } }) {
    const bar = cutter.properties.DCONMS;
    if (bar !== undefined) {
      const most = cutter.extended.max_ld_recommended ?? 4;
      return held(tooling.stickOutMm / bar, most, 'ratio', cutter.name, {
        why: () =>
          say(
            'Bar stands out {0}×D; {1}×D allowed.',
            measure(tooling.stickOutMm / bar, 'ratio'),
            measure(most, 'ratio'),
          ),
        formula: 'L/D ≤ 4 steel, 6 carbide',
        source: 'cutter record; judgement rule G-116',
      });
    }
    if (cutter.type === 'parting_insert' && bladeOutMm < depthMm + 1)
      return atLeast(bladeOutMm, depthMm + 1, 'mm', 'depth of the cut', {
        why: () =>
          say('Blade stands out {0}; {1} needed.', measure(bladeOutMm, 'mm'), measure(depthMm + 1, 'mm')),
        formula: 'stick-out ≥ depth + 1 mm',
        source: 'geometry',
      });
    const most = cutter.type === 'parting_insert' ? OUT.parting_insert : OUT.grooving_insert;
    return held(bladeOutMm / bladeMm, most, 'ratio', 'width of the blade', {
      why: () =>
        say(
          'Blade stands out {0} of its widths; {1} allowed.',
          measure(bladeOutMm / bladeMm, 'ratio'),
          measure(most, 'ratio'),
        ),
      formula: 'L/CW ≤ 8, of a parting blade 16',
      source: 'workshop rule',
    });
  },
};
