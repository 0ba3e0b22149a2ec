import type { HoleMillingState } from '../hole-milling-state.ts';
import { pastFloorNeeded } from '../../../physics/holes/helical-bore.ts';
import { entrySteepness } from '../../../physics/path/entry-plan.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';

/** The mill fits in with room for chips, and cuts the whole bottom. */
export const boreHelixFitsLimit: Limit<HoleMillingState> = {
  id: 'bore-helix-fits',
  group: 'path',
  name: 'cutter fits hole',
  assess({ bore, op: { hole } }) {
    const first = bore.helices[0]!;
    const room = hole.diameterMm >= 1.15 * (bore.widestFirstMm / 2);
    const fits = first.toMm >= bore.smallestMm;
    return {
      ...atLeast(first.toMm, bore.smallestMm, 'mm', 'cutter and its dead centre', {
        why: () =>
          !fits
            ? say(
                'Helix diameter {0}; at least {1} needed (the end face has a dead centre).',
                measure(first.toMm, 'mm'),
                measure(bore.smallestMm, 'mm'),
              )
            : room
              ? say('Helix diameter {0} leaves room for chips.', measure(first.toMm, 'mm'))
              : say(
                  'The cutter nearly fills the {0} hole: chips cannot evacuate.',
                  measure(hole.diameterMm, 'mm'),
                ),
        formula: 'Dc + dead centre ≤ first helix; hole ≥ 1.15·Dc',
        source: 'circle geometry; judgement rule G-40',
      }),
      verdict: !fits ? 'over' : room ? 'clear' : 'tight',
    };
  },
};

/** Slope of the helix against what the end face and the alloy allow. */
export const boreRampLimit: Limit<HoleMillingState> = {
  id: 'bore-ramp',
  group: 'path',
  name: 'ramp angle',
  assess({ bore, context: { cutter, alloy }, op: { cut } }) {
    const steepest = Math.min(cutter.properties.RMPX ?? 90, 2 * entrySteepness(alloy).helixDeg);
    // Only the helix that opens the hole cuts with its end face.
    const first = bore.helices[0]!;
    return held(first.rampDeg, steepest, 'deg', 'end face and alloy', {
      why: () =>
        say(
          '{0} per revolution, ramp angle {1}; {2} allowed (end face in this alloy).',
          measure(cut.pitchMm, 'mm'),
          measure(first.rampDeg, 'deg'),
          measure(steepest, 'deg'),
        ),
      formula: 'atan(p/(π·(Dm − Dc))) ≤ smaller of RMPX and twice the alloy’s usual',
      inputs: () => [input('p', 'pitch per revolution', cut.pitchMm, 'mm')],
      source: 'helix on the centre’s path; judgement rule G-40',
    });
  },
};

/** A post in the middle: dropped through, broken off under the tool, or none. */
export const borePostLimit: Limit<HoleMillingState> = {
  id: 'bore-post',
  group: 'path',
  name: 'core left',
  assess({ bore, op: { hole, cut } }) {
    const { coreMm, coreBreaksFree } = bore;
    return verdict(coreMm === 0 ? 'clear' : coreBreaksFree ? 'over' : 'tight', {
      why: () =>
        coreMm === 0
          ? say(
              cut.stepovers > 1 ? '{0} helical passes leave no core.' : 'One helical pass leaves no core.',
              measure(bore.helices.length, 'pieces'),
            )
          : coreBreaksFree
            ? say(
                hole.through
                  ? 'A core of {0} is left and drops out under the turning tool.'
                  : 'A core of {0} is left, so thin and tall that it breaks off under the tool.',
                measure(coreMm, 'mm'),
              )
            : say('A core of {0} is left and has to be milled away.', measure(coreMm, 'mm')),
      formula: 'post = first helix − 2·Dc',
      source: 'circle geometry; judgement rule G-40',
    });
  },
};

/** The corner wears first: past an open floor it is out of the cut; into a closed one it must not go. */
export const pastFloorLimit: Limit<HoleMillingState> = {
  id: 'past-floor',
  group: 'path',
  name: 'overrun at bottom',
  assess({ op: { hole, cut, flankWearMm }, context: { cutter } }) {
    const corner = cutter.properties.RE ?? 0;
    const needed = pastFloorNeeded(corner, flankWearMm);
    if (!hole.through) {
      return verdict(cut.pastFloorMm > 0 ? 'over' : 'clear', {
        why: () =>
          cut.pastFloorMm > 0
            ? say('Closed bottom; an overrun of {0} would cut into it.', measure(cut.pastFloorMm, 'mm'))
            : say('Closed bottom; the corner radius of {0} remains.', measure(corner, 'mm')),
        formula: 'no overrun into a closed floor',
        source: 'geometry',
      });
    }
    return {
      ...atLeast(Math.max(1e-6, cut.pastFloorMm), needed, 'mm', 'corner radius, its wear and 0.1 mm', {
        why: () =>
          say(
            'Overrun {0}; {1} needed to bring the straight edge through.',
            measure(cut.pastFloorMm, 'mm'),
            measure(needed, 'mm'),
          ),
        formula: 'overrun ≥ RE + VB + 0.1',
        inputs: () => [input('RE', 'corner radius', corner, 'mm')],
        source: 'geometry of the worn corner',
      }),
      share: exact(needed / Math.max(0.001, cut.pastFloorMm)),
      verdict: cut.pastFloorMm >= needed - 1e-9 ? 'clear' : 'over',
    };
  },
};
