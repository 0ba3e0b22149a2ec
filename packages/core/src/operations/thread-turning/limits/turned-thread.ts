import type { Alloy } from '../../../crib/alloy.ts';
import { type Source, uncertain } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { leastChip } from '../../lathe/worn-and-rough.ts';
import { dampedChipWidth } from '../../lathe/damped-chip-width.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';
import { towardsJaws } from '../thread-turning-operation.ts';
import type { ThreadTurningState } from '../thread-turning-state.ts';

/** The profile of the insert has to make this pitch, and its bar go in. */
export const threadInsertLimit: Limit<ThreadTurningState> = {
  id: 'thread-insert',
  reads: 'setup',
  group: 'cutter',
  name: 'thread insert',
  assess({ op: { thread, turned, tooling }, diameterInCutMm, context: { cutter } }) {
    const p = cutter.properties;
    const least = Number(p['DMIN'] ?? 0);
    if (turned.internal && diameterInCutMm < least)
      return atLeast(diameterInCutMm, least, 'mm', cutter.name, {
        why: () => say('Bore {0}; the bar needs {1}.', measure(diameterInCutMm, 'mm'), measure(least, 'mm')),
        formula: 'D1 ≥ DMIN',
        source: 'cutter record',
      });
    if (turned.internal && tooling.stickOutMm < turned.fromEndMm + turned.lengthMm + 2)
      return atLeast(tooling.stickOutMm, turned.fromEndMm + turned.lengthMm + 2, 'mm', 'end of the thread', {
        why: () =>
          say(
            'Bar stands out {0}; {1} needed for the thread.',
            measure(tooling.stickOutMm, 'mm'),
            measure(turned.fromEndMm + turned.lengthMm + 2, 'mm'),
          ),
        formula: 'stick-out ≥ end of the thread + 2 mm',
        source: 'geometry',
      });
    const [small, large] = [Number(p['TPN'] ?? 0), Number(p['TPX'] ?? Infinity)];
    const pitch = thread.pitchMm;
    return {
      ...held(pitch, large, 'mm', cutter.name, {
        why: () =>
          say(
            'Pitch {0}; insert cuts {1} to {2}.',
            measure(pitch, 'mm'),
            measure(small, 'mm'),
            measure(large, 'mm'),
          ),
        formula: 'TPN ≤ P ≤ TPX',
        source: 'cutter record',
      }),
      verdict: pitch < small - 1e-6 || pitch > large + 1e-6 ? 'over' : 'clear',
    };
  },
};

/** Most a pass adds over the root of its pitch, both in mm, and its least, mm. Shop practice. */
const MOST_OF_ROOT = 0.24;
const LEAST_MM = 0.03;

/** Most a pass adds at a pitch, mm. */
export const mostOfPass = (pitchMm: number, { iso513_group }: Pick<Alloy, 'iso513_group'>): number =>
  (['S', 'M', 'H'].includes(iso513_group) ? 0.8 : 1) * MOST_OF_ROOT * Math.sqrt(pitchMm);

/** A point of an edge stands only so much in one pass. */
export const threadPassLimit: Limit<ThreadTurningState> = {
  id: 'thread-pass',
  group: 'cutter',
  name: 'deepest pass',
  assess({ mostMm, op: { thread, cut }, context: { alloy } }) {
    const most = mostOfPass(thread.pitchMm, alloy);
    return held(mostMm, most, 'mm', 'pitch and alloy', {
      why: () =>
        say(
          'Deepest pass adds {0}; {1} allowed. {2} passes.',
          measure(mostMm, 'mm'),
          measure(most, 'mm'),
          measure(cut.passes, 'pieces'),
        ),
      formula: 'Δa ≤ 0.24·√P, in tough alloys 0.8 of it',
      inputs: () => [input('P', 'pitch', thread.pitchMm, 'mm')],
      source: 'workshop rule',
    });
  },
};

/** The last pass still has to cut: a thinner one rubs, and hardens what hardens. */
export const threadLastPassLimit: Limit<ThreadTurningState> = {
  id: 'thread-last-pass',
  group: 'cutter',
  name: 'last pass',
  assess({ lastMm, op: { cut }, context: { cutter } }) {
    const least = Math.max(LEAST_MM, 2 * leastChip(cutter));
    return atLeast(lastMm, least, 'mm-fine', 'edge and what hardens', {
      why: () =>
        say(
          'Last of {2} passes adds {0}; at least {1} needed to cut.',
          measure(lastMm, 'mm-fine'),
          measure(least, 'mm-fine'),
          measure(cut.passes, 'pieces'),
        ),
      formula: 'Δa ≥ 0.03 mm and 0.6·rβ',
      source: 'workshop rule; judgement rule G-02',
    });
  },
};

/** Way there is before a thread where nothing is stated, mm. */
const USUAL_ROOM = 25;
/** The slide has to run at the pitch before the edge meets the part. */
export const threadRunInLimit: Limit<ThreadTurningState> = {
  id: 'thread-run-in',
  group: 'machine',
  name: 'run-in',
  assess({ runInMm, feedRateMmMin, context: { machine } }) {
    const most = machine.axes.z?.max_feed_mm_min ?? 10_000;
    if (feedRateMmMin > most)
      return held(feedRateMmMin, most, 'mm/min', `${machine.name}, Z`, {
        why: () =>
          say(
            'Thread is fed at {0}; axis goes {1}.',
            measure(feedRateMmMin, 'mm/min'),
            measure(most, 'mm/min'),
          ),
        formula: 'n·P ≤ vf max',
        source: 'machine record',
      });
    return held(runInMm, USUAL_ROOM, 'mm', 'usual room before a thread', {
      why: () =>
        say('Start {0} before the thread: the slide has to run at the pitch.', measure(runInMm, 'mm')),
      formula: '(n·P)²/(2·a) + 2·P',
      inputs: () => [input('vf', 'feed', feedRateMmMin, 'mm/min')],
      source: 'machine record',
    });
  },
};

/** Pitches of room the edge needs to leave. */
const ROOM = 1;
/** Behind the thread there has to be room for the edge to leave. */
export const threadRunOutLimit: Limit<ThreadTurningState> = {
  id: 'thread-run-out',
  reads: 'setup',
  group: 'process',
  name: 'run-out',
  assess({ op, runInMm }) {
    const { turned, thread } = op;
    if (!towardsJaws(op)) {
      const begins = turned.runOutMm >= runInMm;
      const room = atLeast(turned.runOutMm, runInMm, 'mm', 'run-in of the slide', {
        why: () =>
          say(
            begins
              ? 'Cut from the jaws outwards: {0} behind the thread, {1} needed to come up to the pitch.'
              : 'Cut from the jaws outwards: {0} behind the thread; the slide needs {1} to come up to the pitch. A wider undercut, or fewer turns.',
            measure(turned.runOutMm, 'mm'),
            measure(runInMm, 'mm'),
          ),
        formula: 'room behind ≥ (n·P)²/(2·a) + 2·P',
        source: 'machine record; geometry',
      });
      return { ...room, verdict: begins ? 'clear' : 'over' };
    }
    const enough = turned.runOutMm >= ROOM * thread.pitchMm;
    return verdict(enough ? 'clear' : 'tight', {
      why: () =>
        enough
          ? say('{0} behind the thread; the edge leaves there.', measure(turned.runOutMm, 'mm'))
          : say(
              '{0} behind the thread, less than a pitch of {1}: the edge is pulled out in the metal, or an undercut is cut first.',
              measure(turned.runOutMm, 'mm'),
              measure(thread.pitchMm, 'mm'),
            ),
      formula: 'room ≥ P',
      source: 'workshop rule',
    });
  },
};

/** Lean of the seat inserts usually have, degrees, and how far off the flanks still clear. */
const SEAT_DEG = 1.5;
const OFF_DEG = 1;
/** The insert has to lean with the helix, or a flank rubs. */
export const threadSeatLimit: Limit<ThreadTurningState> = {
  id: 'thread-seat',
  reads: 'setup',
  group: 'cutter',
  name: 'lead angle',
  assess({ leadDeg }) {
    const off = Math.abs(leadDeg - SEAT_DEG);
    return verdict(off > OFF_DEG ? 'tight' : 'clear', {
      why: () =>
        off > OFF_DEG
          ? say(
              'Lead angle {0}; the usual seat leans {1}. Change the shim, or a flank rubs.',
              measure(leadDeg, 'deg'),
              measure(SEAT_DEG, 'deg'),
            )
          : say(
              'Lead angle {0}; the usual seat leans {1}.',
              measure(leadDeg, 'deg'),
              measure(SEAT_DEG, 'deg'),
            ),
      formula: 'λ = atan(P/(π·d2)), seat within 1°',
      source: 'geometry',
    });
  },
};

/** Tolerance of a pitch diameter over the root of its pitch, mm: grade 6, rounded. */
const GRADE_6 = 0.11;
const SIZE_MODEL: Source = {
  id: 'thread-size',
  label: 'bending of part and bar',
  kind: 'model',
  sigma: 0.25,
  narrowBy: 'gauge the thread at both ends of the first part',
};

/** Part and bar give way along the thread: one gauge goes on at the end and not at the chuck. */
export const threadSizeLimit: Limit<ThreadTurningState> = {
  id: 'thread-size',
  group: 'accuracy',
  name: 'pitch diameter along the thread',
  asks: 'forces',
  assess({ sizeErrorMm, op: { thread }, passiveN }) {
    const most = (GRADE_6 * Math.sqrt(thread.pitchMm)) / 2;
    return held(
      { value: sizeErrorMm.value, terms: [...sizeErrorMm.terms, { source: SIZE_MODEL, sensitivity: 1 }] },
      most,
      'mm-fine',
      'half of grade 6',
      {
        why: () =>
          say(
            'Pitch diameter differs by {0} along the thread; {1} allowed.',
            measure(sizeErrorMm.value, 'mm-fine'),
            measure(most, 'mm-fine'),
          ),
        formula:
          '2·(δ most − δ least) of the last pass, half of it with none but light passes, a quarter with a spring pass',
        inputs: () => [input('Fp', 'passive force', passiveN.value, 'N')],
        source: 'Euler–Bernoulli; ISO 965-1, rounded',
      },
    );
  },
};

const CHATTER_MODEL: Source = {
  id: 'thread-mode',
  label: 'stiffness and damping of part and bar, not measured',
  kind: 'assumed',
  sigma: 0.35,
  narrowBy: 'log whether it squealed',
};

/** Both flanks in the cut at once are a wide edge. */
export const threadChatterLimit: Limit<ThreadTurningState> = {
  id: 'thread-chatter',
  group: 'vibration',
  name: 'chatter',
  asks: 'forces',
  assess(state) {
    const {
      mode,
      acrossMPa,
      acrossMm,
      op: { cut },
    } = state;
    const { widthMm, hz } = dampedChipWidth(state, mode, acrossMPa);
    const allowed = uncertain(widthMm, CHATTER_MODEL);
    return held(acrossMm, allowed, 'mm', 'part and bar', {
      why: () =>
        say(
          `Edge across the part {0} (${cut.infeed === 'radial' ? 'both flanks' : 'one flank'}); chatters from {1} on, near {2}.`,
          measure(acrossMm, 'mm'),
          measure(allowed.value, 'mm'),
          measure(hz, 'Hz'),
        ),
      formula: '∫cos²κ db ≤ 2·k·ζ·(1+ζ)/(Kf − Kd·ω/v)',
      inputs: () => [input('k', 'stiffness', mode.stiffnessNMm / 1000, 'N/um')],
      source: 'Tlusty & Poláček 1963; Wu 1989; damping and land estimated',
    });
  },
};
