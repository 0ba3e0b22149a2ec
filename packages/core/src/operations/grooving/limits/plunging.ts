import type { LimitState } from '../../../judging/result.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';
import { leastChip } from '../../lathe/worn-and-rough.ts';
import type { GroovingState } from '../grooving-state.ts';

/** Feed over the width of a blade that its edge stands at most, where its record says nothing. Shop practice. */
const FEED_OVER_WIDTH = 0.06;

/** Feed within the window of the blade. */
export const grooveFeedLimit: Limit<GroovingState> = {
  id: 'groove-feed',
  group: 'cutter',
  name: 'blade feed',
  assess({ op: { cut }, bladeMm, context: { cutter } }) {
    const [thin, most] = cutter.extended.f_window_mm_per_rev ?? [0.01 * bladeMm, FEED_OVER_WIDTH * bladeMm];
    const feed = cut.feedPerRevMm;
    const state: LimitState = feed > most ? 'over' : feed < thin || feed > 0.95 * most ? 'tight' : 'clear';
    return {
      ...held(feed, most, 'mm/rev', 'window of the blade', {
        why: () =>
          feed < thin
            ? say(
                'Feed {0}; below {1} the edge rubs and chips stay long.',
                measure(feed, 'mm/rev'),
                measure(thin, 'mm/rev'),
              )
            : say('Feed {0}; {1} allowed (blade).', measure(feed, 'mm/rev'), measure(most, 'mm/rev')),
        formula: 'fn within the window',
        inputs: () => [input('CW', 'cutting width', bladeMm, 'mm')],
        source: 'cutter record; judgement rule G-115',
      }),
      verdict: state,
    };
  },
};

/** A chip thinner than the edge is round is rubbed off, not cut. */
export const grooveChipLimit: Limit<GroovingState> = {
  id: 'groove-chip',
  group: 'cutter',
  name: 'minimum chip',
  assess({ op: { cut, groove }, context: { cutter } }) {
    const least = leastChip(cutter);
    const thinnest = cut.feedPerRevMm * (groove.way === 'part-off' ? cut.slowShare : 1);
    return atLeast(thinnest, least, 'mm-fine', 'radius of the edge', {
      why: () =>
        say(
          'Chip {0}; at least {1} needed to cut (edge radius).',
          measure(thinnest, 'mm-fine'),
          measure(least, 'mm-fine'),
        ),
      formula: 'fn ≥ 0.3·rβ',
      source: 'judgement rule G-02',
    });
  },
};

/** Plunges beside each other overlap, or a rib is left that breaks off and takes a corner with it. */
const OVERLAP = 0.85;
/** Sideways a blade takes no more than this share of its width in depth. Shop practice. */
const LAYER = 0.75;

/** How the groove is widened. */
export const wideningLimit: Limit<GroovingState> = {
  id: 'widening',
  group: 'cutter',
  name: 'widening',
  assess({ plunges, bladeMm, op: { cut } }) {
    if (plunges.layers > 0)
      return held(plunges.layerMm, LAYER * bladeMm, 'mm', 'width of the blade', {
        why: () =>
          say(
            'Layer of {0} sideways; {1} allowed. Lift 0.1 mm before it turns sideways.',
            measure(plunges.layerMm, 'mm'),
            measure(LAYER * bladeMm, 'mm'),
          ),
        formula: 'ap ≤ 0.75·CW',
        source: 'workshop rule; judgement rule G-117',
      });
    if (plunges.count < 2) return null;
    return held(cut.stepMm, OVERLAP * bladeMm, 'mm', 'width of the blade', {
      why: () =>
        say(
          'Plunges {0} apart; {1} allowed, so that no rib is left.',
          measure(cut.stepMm, 'mm'),
          measure(OVERLAP * bladeMm, 'mm'),
        ),
      formula: 'step ≤ 0.85·CW',
      source: 'workshop rule',
    });
  },
};

/** Chips of a deep groove jam between its walls unless they are broken or rinsed out. */
const DEEP = 1.5;
export const grooveChipsLimit: Limit<GroovingState> = {
  id: 'groove-chips',
  group: 'process',
  name: 'chips in the groove',
  assess({ depthMm, bladeMm, plunges, op, context: { alloy, cutter } }) {
    if (op.groove.way === 'part-off' || plunges.layers > 0) return null;
    const long = ['M', 'S', 'N', 'P'].includes(alloy.iso513_group);
    const rinsed = op.coolant === 'through-tool' && cutter.extended.through_coolant === true;
    const jams = depthMm > DEEP * bladeMm && long && plunges.lifts === 0 && !rinsed;
    return verdict(jams ? 'tight' : 'clear', {
      why: () =>
        jams
          ? say(
              'Groove {0} deep in one plunge: long chips jam between the walls. Lift every {1}.',
              measure(depthMm, 'mm'),
              measure(DEEP * bladeMm, 'mm'),
            )
          : say(
              'Chips leave the groove: depth {0}, {1} lifts.',
              measure(depthMm, 'mm'),
              measure(plunges.lifts, 'pieces'),
            ),
      formula: 'depth ≤ 1.5·CW, or lifts, or coolant through the blade',
      source: 'workshop rule; judgement rule G-117',
    });
  },
};
