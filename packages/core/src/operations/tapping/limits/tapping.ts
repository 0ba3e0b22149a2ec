import type { TappingState } from '../tapping-state.ts';
import { strengthOf } from '../../holes/hole-state.ts';
import { hardnessOffset } from '../../sources.ts';
import { exact, scale } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held, verdict } from '../../holes/limits/assessments.ts';

/** Share of the torque that twists it off a tap may be asked for: chips and hard spots take the rest. */
const BREAKING_SHARE = 0.5;

/** Torque at the bottom against what twists the tap off. */
export const tapBreakingLimit: Limit<TappingState> = {
  id: 'tap-breaking',
  group: 'strength',
  name: 'margin to breaking',
  assess({ torqueNm, breakNm, torque, op }) {
    const allowed = scale(breakNm, BREAKING_SHARE);
    return held(torqueNm, allowed, 'Nm', 'half of what twists the tap off', {
      why: () =>
        say(
          'Sharp it takes {0}; wear and {3} of chips make {1} at the bottom. It twists off at {2}; {4} is allowed.',
          measure(torque.sharpNm, 'Nm'),
          measure(torqueNm.value, 'Nm'),
          measure(breakNm.value, 'Nm'),
          measure(op.hole.depthMm, 'mm'),
          measure(allowed.value, 'Nm'),
        ),
      formula: 'kc·P²·D/8000 · section · packing · wear ≤ 0.5·τ·π·(0.47·D)³/16',
      inputs: () => [
        input('sharp', 'sharp tap', torque.sharpNm, 'Nm'),
        input('packing', 'chips in the flutes', torque.packing, 'ratio'),
        input('wear', 'worn chamfer', torque.wear, 'ratio'),
        input('M break', 'twists off at', breakNm.value, 'Nm'),
      ],
      source: 'judgement rule G-65; torsion of an equivalent bar',
    });
  },
};

/** Height of the thread: strong enough, and not three times the torque for nothing. */
export const threadHeightLimit: Limit<TappingState> = {
  id: 'thread-height',
  group: 'accuracy',
  name: 'thread height',
  assess({ heightPercent, op, forming }) {
    const low = 50;
    const high = forming ? 90 : 83.4;
    const under = heightPercent < 65;
    return {
      ...held(heightPercent, under ? low : high, 'percent', 'strong enough, not at three times the torque', {
        why: () =>
          say(
            heightPercent > high
              ? 'A hole of {0} leaves {1} of the thread: under the minor diameter of the standard.'
              : heightPercent < low
                ? 'A hole of {0} leaves only {1} of the thread.'
                : 'A hole of {0} leaves {1} of the thread; above some 60 % it does not get stronger.',
            measure(op.hole.startMm, 'mm'),
            measure(heightPercent, 'percent'),
          ),
        formula: forming ? '(D − hole)/(0.68·P)' : '(D − hole)/(1.299·P)',
        inputs: () => [input('hole', 'hole before', op.hole.startMm, 'mm')],
        source: 'ISO 68-1; judgement rule G-65',
      }),
      share: exact(under ? low / heightPercent : heightPercent / high),
      verdict:
        heightPercent < low || heightPercent > high + 0.5 ? 'over' : heightPercent < 55 ? 'tight' : 'clear',
    };
  },
};

/** Does this kind of tap belong into this alloy at this hardness? */
export const tapAlloyLimit: Limit<TappingState> = {
  id: 'tap-alloy',
  reads: 'setup',
  group: 'cutter',
  name: 'tap for this alloy',
  assess({ forming, op, context: { alloy } }) {
    const points =
      alloy.hardness.scale === 'HRC'
        ? alloy.hardness.typical
        : Math.max(0, (alloy.hardness.typical - 100) / 9);
    const hardness =
      points + (op.measured.hardness === null ? 0 : hardnessOffset(alloy, op.measured.hardness));
    const strength = strengthOf(alloy);
    const brittle = alloy.family === 'iron' || alloy.family === 'hardened';
    const formed = strength < 1100 && !brittle && alloy.family !== 'titanium' && alloy.family !== 'cobalt';
    const state = forming
      ? formed
        ? 'clear'
        : 'over'
      : hardness >= 45
        ? 'over'
        : hardness > 35
          ? 'tight'
          : 'clear';
    return verdict(state, {
      why: () =>
        forming
          ? say(
              formed
                ? 'At {0} the alloy flows into the form of the tap.'
                : 'At {0}, or in this family, the alloy cracks or galls where a tap presses it.',
              measure(strength, 'MPa'),
            )
          : say(
              state === 'clear'
                ? 'About {0} HRC: taps cut it.'
                : state === 'tight'
                  ? 'About {0} HRC: above 35 taps live short and break without warning.'
                  : 'About {0} HRC: at 45 and above threads are milled.',
              measure(hardness, 'pieces'),
            ),
      formula: 'cut taps to 35 HRC, thread mills from 45; forming below 1100 MPa in ductile alloys',
      source: 'judgement rule G-65',
    });
  },
};

/** Chips go forward through an open hole or back out of a closed one. */
export const tapChipsLimit: Limit<TappingState> = {
  id: 'tap-chips',
  reads: 'setup',
  group: 'cutter',
  name: 'where chips go',
  assess({ op: { hole }, context: { cutter } }) {
    const forward = cutter.type === 'tap_spiral_point';
    const back = cutter.type === 'tap_spiral_flute';
    return verdict(forward && !hole.through ? 'over' : back && hole.through ? 'tight' : 'clear', {
      why: () =>
        say(
          forward
            ? hole.through
              ? 'The spiral point pushes chips out ahead.'
              : 'The spiral point packs its chips into the closed bottom.'
            : back
              ? hole.through
                ? 'Spiral flutes draw chips back; through an open hole a spiral point is stronger.'
                : 'Spiral flutes draw the chips back out.'
              : 'A forming tap makes no chips.',
        ),
      formula: 'spiral point through, spiral flutes blind',
      source: 'judgement rule G-65',
    });
  },
};

/** Feed coupled to the spindle, or a holder that gives. */
export const tapSynchronousLimit: Limit<TappingState> = {
  id: 'tap-synchronous',
  reads: 'setup',
  group: 'machine',
  name: 'feed coupled',
  assess({ op: { cut }, context: { holder } }) {
    const gives = holder.kind === 'tap_holder';
    return verdict(cut.synchronous ? (gives ? 'clear' : 'tight') : gives ? 'tight' : 'over', {
      why: () =>
        say(
          cut.synchronous
            ? gives
              ? 'Synchronous feed, and the holder takes up what reversal is off by.'
              : 'Synchronous feed in a rigid holder: what reversal is off by comes on the flanks.'
            : gives
              ? 'The holder takes up the feed; the depth is less sure.'
              : 'Without synchronous feed a rigid holder tears the thread.',
        ),
      formula: 'synchronous spindle and a tapping holder',
      source: 'judgement rules G-65, G-103',
    });
  },
};

/** Room below the last full thread. */
export const tapRunOutLimit: Limit<TappingState> = {
  id: 'tap-run-out',
  group: 'path',
  name: 'room at the bottom',
  assess({ runOutMm, op: { hole } }) {
    if (hole.through || hole.startDepthMm === null) return null;
    const room = hole.startDepthMm - hole.depthMm;
    return {
      ...held(runOutMm, Math.max(0, room), 'mm', 'drilled depth less full threads', {
        why: () =>
          say(
            room > 0
              ? 'Chamfer and a turn and a half need {0} below the last full thread; {1} is there.'
              : 'Chamfer and a turn and a half need {0} below the last full thread; the drilled hole ends {1} above it.',
            measure(runOutMm, 'mm'),
            measure(Math.abs(room), 'mm'),
          ),
        formula: '(chamfer threads + 1.5)·P ≤ drilled depth − thread depth',
        source: 'judgement rule G-65',
      }),
      verdict: room >= runOutMm - 1e-6 ? 'clear' : 'over',
    };
  },
};
