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
  name: 'tap breakage margin',
  assess({ torqueNm, breakNm, torque, op }) {
    const allowed = scale(breakNm, BREAKING_SHARE);
    return held(torqueNm, allowed, 'Nm', 'half the breaking torque', {
      why: () =>
        say(
          'Tapping torque {1} at {3} depth (sharp tap {0}); {4} allowed (half the breaking torque {2}).',
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
        input('M break', 'breaking torque', breakNm.value, 'Nm'),
      ],
      source: 'judgement rule G-65; torsion of an equivalent bar',
    });
  },
};

/** Height of the thread: strong enough, and not three times the torque for nothing. */
export const threadHeightLimit: Limit<TappingState> = {
  id: 'thread-height',
  group: 'accuracy',
  name: 'percent thread',
  assess({ heightPercent, op, forming }) {
    const low = 50;
    const high = forming ? 90 : 83.4;
    const under = heightPercent < 65;
    return {
      ...held(heightPercent, under ? low : high, 'percent', 'strong enough, not at three times the torque', {
        why: () =>
          say(
            heightPercent > high
              ? '{0} hole, {1} thread: below the standard’s minor diameter.'
              : heightPercent < low
                ? '{0} hole, only {1} thread.'
                : '{0} hole, {1} thread; above about 60% it gains no strength.',
            measure(op.hole.startMm, 'mm'),
            measure(heightPercent, 'percent'),
          ),
        formula: forming ? '(D − hole)/(0.68·P)' : '(D − hole)/(1.299·P)',
        inputs: () => [input('hole', 'pre-hole diameter', op.hole.startMm, 'mm')],
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
  name: 'tap for this material',
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
                ? 'At {0} the alloy can be form-tapped.'
                : 'At {0}, or in this family, the alloy cracks or galls when form-tapped.',
              measure(strength, 'MPa'),
            )
          : say(
              state === 'clear'
                ? 'About {0} HRC: suitable for cutting taps.'
                : state === 'tight'
                  ? 'About {0} HRC: above 35 taps wear fast and break without warning.'
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
  name: 'chip direction',
  assess({ op: { hole }, context: { cutter } }) {
    const forward = cutter.type === 'tap_spiral_point';
    const back = cutter.type === 'tap_spiral_flute';
    return verdict(forward && !hole.through ? 'over' : back && hole.through ? 'tight' : 'clear', {
      why: () =>
        say(
          forward
            ? hole.through
              ? 'Spiral point pushes chips ahead.'
              : 'Spiral point packs chips into the closed bottom.'
            : back
              ? hole.through
                ? 'Spiral flutes draw chips back; in a through hole a spiral point is stronger.'
                : 'Spiral flutes draw chips back out.'
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
  name: 'rigid tapping',
  assess({ op: { cut }, context: { holder } }) {
    const gives = holder.kind === 'tap_holder';
    return verdict(cut.synchronous ? (gives ? 'clear' : 'tight') : gives ? 'tight' : 'over', {
      why: () =>
        say(
          cut.synchronous
            ? gives
              ? 'Rigid tapping, with a compensating holder for reversal error.'
              : 'Rigid tapping in a rigid holder: reversal error loads the flanks.'
            : gives
              ? 'The floating holder compensates feed error; depth is less certain.'
              : 'A rigid holder without rigid tapping tears the thread.',
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
  name: 'bottom clearance',
  assess({ runOutMm, op: { hole } }) {
    if (hole.through || hole.startDepthMm === null) return null;
    const room = hole.startDepthMm - hole.depthMm;
    return {
      ...held(runOutMm, Math.max(0, room), 'mm', 'drilled depth less full threads', {
        why: () =>
          say(
            room > 0
              ? 'Bottom clearance {1}; {0} needed (tap chamfer and 1.5 pitches).'
              : 'The hole ends {1} above the last full thread; {0} needed below it (tap chamfer and 1.5 pitches).',
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
