import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from '../../holes/limits/assessments.ts';
import { HOLDS_PART } from '../held-part.ts';
import type { LatheState } from '../lathe-state.ts';

/** Overhang over diameter a part is turned at, by what holds its free end. Rules of the trade. */
const SLENDER = { chuck: 5, tailstock: 12, steady: 25 } as const;

/** A part that stands out too far whips, bends and climbs over the tool. */
export const slendernessLimit: Limit<LatheState> = {
  id: 'part-overhang',
  reads: 'setup',
  group: 'vibration',
  name: 'part overhang',
  assess({ slenderness, part }) {
    const most = SLENDER[part.support];
    return held(slenderness, most, 'ratio', `part held by ${HOLDS_PART[part.support]}`, {
      why: () =>
        say('Part stands out {0}×D; {1}×D allowed.', measure(slenderness, 'ratio'), measure(most, 'ratio')),
      formula: 'L/D ≤ 5 in the chuck, 12 with tailstock, 25 with steady rest',
      inputs: () => [input('L', 'part overhang', part.overhangMm, 'mm')],
      source: 'workshop rule; the machine’s manual decides',
    });
  },
};
