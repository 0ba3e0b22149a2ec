import { isHighSpeedSteel } from '../../context.ts';
import type { ReamingState } from '../reaming-state.ts';
import { drillFeedWindow } from '../../drilling/limits/drill-feed.ts';
import { reamAllowance } from '../../../physics/holes/reaming.ts';
import { type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast, held, inWindow, verdict } from '../../holes/limits/assessments.ts';

const STOCK: Source = {
  id: 'hole-before',
  label: 'size of the hole before the reamer',
  kind: 'assumed',
  sigma: 0.08,
  narrowBy: 'measure the drilled holes before reaming',
};

const windowOf = ({ context, diameterInCutMm }: ReamingState): readonly [number, number, number] =>
  reamAllowance(
    diameterInCutMm,
    context.cutter.extended.stock_on_diameter_mm,
    context.alloy.work_hardening.tendency,
  );

/** Too little allowance is under the smallest chip: margins burnish what they should cut. */
export const reamAllowanceLowLimit: Limit<ReamingState> = {
  id: 'ream-allowance-low',
  group: 'cutter',
  name: 'minimum reaming allowance',
  assess(state) {
    const [least] = windowOf(state);
    return atLeast(uncertain(state.allowanceMm, STOCK), least, 'mm', 'diameter, alloy and reamer', {
      why: () =>
        say(
          'Reaming allowance {0} on diameter; at least {1} needed (below, it rubs in the work-hardened layer).',
          measure(state.allowanceMm, 'mm'),
          measure(least, 'mm'),
        ),
      formula: 'D − hole before ≥ least allowance',
      inputs: () => [input('D₀', 'pre-hole diameter', state.op.hole.startMm, 'mm')],
      source: 'reamer record; judgement rule G-66',
    });
  },
};

/** Too much packs the flutes. */
export const reamAllowanceHighLimit: Limit<ReamingState> = {
  id: 'ream-allowance-high',
  group: 'cutter',
  name: 'maximum reaming allowance',
  assess(state) {
    const most = Math.max(0.4 * Math.cbrt(state.diameterInCutMm / 10), windowOf(state)[2] * 1.3);
    return held(uncertain(state.allowanceMm, STOCK), most, 'mm', 'chip room of the reamer', {
      why: () =>
        say(
          'Reaming allowance {0} on diameter; {1} allowed (flute space).',
          measure(state.allowanceMm, 'mm'),
          measure(most, 'mm'),
        ),
      formula: 'D − hole before ≤ most allowance',
      inputs: () => [input('D₀', 'pre-hole diameter', state.op.hole.startMm, 'mm')],
      source: 'judgement rule G-66',
    });
  },
};

/** Feed of a reamer between rubbing and tearing. */
export const reamFeedLimit: Limit<ReamingState> = {
  id: 'ream-feed',
  group: 'cutter',
  name: 'reamer feed',
  assess: ({ op: { cut }, context }) =>
    inWindow(
      cut.feedPerRevMm,
      drillFeedWindow(context),
      'mm/rev',
      'reamer in this alloy',
      'cutter record; judgement rule G-66',
    ),
};

/** Flutes that push chips ahead need an open hole in front. */
export const reamChipsLimit: Limit<ReamingState> = {
  id: 'ream-chips',
  reads: 'setup',
  group: 'cutter',
  name: 'chip direction',
  assess({ op: { hole }, context: { cutter } }) {
    const forward = (cutter.properties.FHA ?? 0) < -1;
    return verdict(forward && !hole.through ? 'over' : 'clear', {
      why: () =>
        say(
          forward
            ? hole.through
              ? 'Left-hand flutes push chips ahead.'
              : 'Left-hand flutes pack chips into the closed bottom: use straight flutes.'
            : 'Straight flutes hold the few chips until retract.',
        ),
      formula: 'left-hand flutes only through',
      source: 'judgement rule G-66',
    });
  },
};

/** The way out: turning on, at feed or faster, never backwards. */
export const reamOutLimit: Limit<ReamingState> = {
  id: 'ream-out',
  group: 'accuracy',
  name: 'retract feed',
  assess({ op: { cut }, context }) {
    const most = isHighSpeedSteel(context) ? 3 : 2;
    return {
      ...held(cut.outFeed, most, 'ratio', 'feed in', {
        why: () =>
          say(
            'Retract feed {0}× feed in, spindle turning; {1}× allowed (margins score the wall).',
            measure(cut.outFeed, 'ratio'),
            measure(most, 'ratio'),
          ),
        formula: 'feed out ≤ 2 · feed in (3 for high-speed steel)',
        inputs: () => [input('out', 'feed out over in', cut.outFeed, 'ratio')],
        source: 'judgement rule G-66',
      }),
      verdict: cut.outFeed <= most ? 'clear' : cut.outFeed <= 2 * most ? 'tight' : 'over',
    };
  },
};
