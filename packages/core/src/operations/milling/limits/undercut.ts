import type { Cutter } from '../../../crib/cutter.ts';
import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { sidesAtOnce, type Undercut } from '../../../physics/path/undercut.ts';
import { measure, say } from '../../../units/sentence.ts';
import { held, verdict } from '../../holes/limits/assessments.ts';
import type { MillingState } from '../milling-state.ts';

/** Between neck and wall, and between head and opening on a side, mm. */
const CLEAR = 0.1;
const HEAD_CLEAR = 0.2;
/** How far two angles on a drawing may be apart, degrees. */
const SAME_ANGLE = 0.5;

/** The groove of a feature that has one under its mouth; null of all others, a ring in a face among them. */
const under = ({ op }: Pick<MillingState, 'op'>): Undercut | null =>
  op.feature.undercut && op.feature.undercut.form !== 'face-ring' ? op.feature.undercut : null;

const neckOf = ({ properties: p }: Cutter): number => p.DN ?? p.DC ?? 0;

/** The neck stands beside the wall, or in the slot above, while the head is at the bottom of the groove. */
export const undercutNeckLimit: Limit<MillingState> = {
  id: 'undercut-neck',
  group: 'path',
  name: 'neck beside the groove',
  assess(state) {
    const undercut = under(state);
    if (!undercut) return null;
    const { op, context } = state;
    const { cutter } = context;
    const [head, neck, deep] = [cutter.properties.DC ?? 0, neckOf(cutter), op.feature.widthMm];
    const { throatMm: throat } = undercut;
    if (throat === null || undercut.form === 'wall')
      return held(deep + CLEAR, Math.max(0.01, (head - neck) / 2), 'mm', 'head beyond its neck', {
        why: () =>
          say(
            'Groove {0} deep; the head reaches {1} beyond its {2} neck.',
            measure(deep, 'mm'),
            measure((head - neck) / 2, 'mm'),
            measure(neck, 'mm'),
          ),
        formula: 'depth + 0.1 mm ≤ (DC − DN)/2',
        inputs: () => [input('DC', 'head', head, 'mm'), input('DN', 'neck', neck, 'mm')],
        source: 'geometry; cutter record',
      });
    const full = throat + 2 * deep;
    // One side at a time the head stands off the middle, and its neck with it.
    const off = Math.max(0, (full - head) / 2);
    return held(neck + 2 * off + 2 * CLEAR, throat, 'mm', 'slot above', {
      why: () =>
        say(
          'Neck {0}, {1} off the middle; slot above {2}.',
          measure(neck, 'mm'),
          measure(off, 'mm'),
          measure(throat, 'mm'),
        ),
      formula: 'DN + 2·off + 0.2 mm ≤ slot',
      inputs: () => [input('W', 'width at the bottom', full, 'mm'), input('DC', 'head', head, 'mm')],
      source: 'geometry; cutter record',
    });
  },
};

/** The head comes in through something at least as wide as itself, and is no wider or higher than the groove. */
export const undercutHeadLimit: Limit<MillingState> = {
  id: 'undercut-head',
  group: 'path',
  name: 'head in the groove',
  assess(state) {
    const undercut = under(state);
    if (!undercut) return null;
    const { op, context } = state;
    const p = context.cutter.properties;
    const head = p.DC ?? 0;
    const { throatMm: throat, openingMm: opening } = undercut;
    const rest = { formula: 'head ≤ opening, width and height of the groove', source: 'geometry' };
    const full = throat === null ? Infinity : throat + 2 * op.feature.widthMm;
    if (head > full + 0.02)
      return verdict('over', {
        ...rest,
        why: () =>
          say('Head {0}; the groove is {1} wide at the bottom.', measure(head, 'mm'), measure(full, 'mm')),
      });
    const high = p.APMX ?? 0;
    if (context.cutter.type === 'disc_slot_cutter' && high > op.feature.depthMm + 0.02)
      return verdict('over', {
        ...rest,
        why: () =>
          say('Edge {0} high; the groove {1}.', measure(high, 'mm'), measure(op.feature.depthMm, 'mm')),
      });
    if (opening === null)
      return verdict('clear', {
        ...rest,
        why: () => say('Comes in from the side or an open end, spindle turning, and leaves the same way.'),
      });
    return held(head + 2 * HEAD_CLEAR, opening, 'mm', 'place the head goes through', {
      why: () =>
        say(
          'Head {0} and {1} a side; it goes in through {2}.',
          measure(head, 'mm'),
          measure(HEAD_CLEAR, 'mm'),
          measure(opening, 'mm'),
        ),
      ...rest,
    });
  },
};

/** A dovetail's walls are those of its cutter. */
export const undercutAngleLimit: Limit<MillingState> = {
  id: 'undercut-angle',
  group: 'path',
  name: 'angle of the groove',
  assess(state) {
    const undercut = under(state);
    if (undercut?.form !== 'dovetail' && state.context.cutter.type !== 'dovetail_mill') return null;
    const angle = state.context.cutter.properties.KAPR ?? 90;
    const wanted = undercut?.form === 'dovetail' ? state.op.feature.slopeDeg : 90;
    return verdict(Math.abs(angle - wanted) > SAME_ANGLE ? 'over' : 'clear', {
      why: () =>
        say('Cutter {0} between floor and wall; groove {1}.', measure(angle, 'deg'), measure(wanted, 'deg')),
      formula: 'angle of the cutter is that of the groove',
      source: 'geometry; cutter record',
    });
  },
};

/** Chips of an undercut have one way out, up past the neck; what stays in is cut again. */
export const undercutChipsLimit: Limit<MillingState> = {
  id: 'undercut-chips',
  group: 'cutter',
  name: 'chips out of the groove',
  assess(state) {
    const undercut = under(state);
    if (!undercut || undercut.form === 'wall') return null;
    const { op, context } = state;
    const blown = op.coolant === 'air' || op.coolant === 'through-tool';
    const washed = blown || op.coolant === 'flood';
    const closed = undercut.openingMm !== null;
    const rest = { formula: 'a jet into the slot; an end the chips leave by', source: 'judgement' };
    if (!washed)
      return verdict('over', {
        ...rest,
        why: () =>
          say('Chips fill the groove behind the head and are cut again: flood, or air into the slot.'),
      });
    const both = sidesAtOnce(undercut, op.feature.widthMm, context.cutter.properties.DC ?? 0) === 2;
    return verdict(closed && both ? 'tight' : 'clear', {
      ...rest,
      why: () =>
        closed && both
          ? say(
              'Both sides at once in a closed groove: chips leave by the slot alone. Stop and blow out, or take a smaller head, a side at a time.',
            )
          : say(
              closed
                ? 'Closed at its ends: keep the jet on the head.'
                : 'Chips leave by the open end; keep the jet on the head.',
            ),
    });
  },
};

/** What share of the groove's width the cutter leaves to a second pass: rings in a face and grooves higher than their disc. */
export const ringWidthLimit: Limit<MillingState> = {
  id: 'ring-width',
  group: 'accuracy',
  name: 'groove width',
  assess({ op, context, deflectionMm }) {
    const { undercut } = op.feature;
    if (undercut?.form !== 'face-ring') return null;
    const head = context.cutter.properties.DC ?? 0;
    const left = op.feature.widthMm - head;
    const tolerance = op.feature.wallToleranceMm;
    if (left < -0.001) return null;
    // A cutter of the groove's own width leaves its runout and twice its bend in the width, two passes only the bend.
    const off = left < 0.02 ? 0.01 + 2 * deflectionMm.value : deflectionMm.value;
    return held(
      { value: off, terms: deflectionMm.terms },
      tolerance,
      'mm',
      'tolerance of the groove’s width',
      {
        why: () =>
          left < 0.02
            ? say(
                'One pass as wide as the groove: about {0} too wide by runout and bend; {1} allowed. A smaller cutter makes both walls apart.',
                measure(off, 'mm-fine'),
                measure(tolerance, 'mm-fine'),
              )
            : say(
                'Both walls cut apart with {0} between: {1} of bend left; {2} allowed.',
                measure(left, 'mm'),
                measure(off, 'mm-fine'),
                measure(tolerance, 'mm-fine'),
              ),
        formula: 'runout + 2·δ in one pass; δ a wall in two',
        source: 'geometry; judgement',
      },
    );
  },
};

/** A ring so small that its inner wall moves much slower than its outer one. */
export const ringFeedLimit: Limit<MillingState> = {
  id: 'ring-feed',
  group: 'path',
  name: 'feed on the ring',
  assess({ op, context }) {
    const { undercut } = op.feature;
    if (!undercut?.ringMm) return null;
    const head = context.cutter.properties.DC ?? 0;
    const rest = { formula: 'vf axis = vf edge·(Dring ∓ D)/Dring', source: 'arc geometry' };
    if (undercut.form !== 'face-ring' && undercut.inside && head >= undercut.ringMm)
      return verdict('over', {
        ...rest,
        why: () =>
          say(
            'Head {0} does not turn round in a {1} bore.',
            measure(head, 'mm'),
            measure(undercut.ringMm!, 'mm'),
          ),
      });
    const share =
      undercut.form === 'face-ring'
        ? (undercut.ringMm + op.feature.widthMm) / undercut.ringMm
        : undercut.inside
          ? undercut.ringMm / (undercut.ringMm - head)
          : undercut.ringMm / (undercut.ringMm + head);
    return {
      ...verdict('clear', {
        ...rest,
        why: () =>
          undercut.form === 'face-ring'
            ? say(
                'At the outer wall the edge goes {0} of the programmed feed.',
                measure(100 * share, 'percent'),
              )
            : say(
                'The edge at the wall goes {0} of the axis’ feed: compensated, or program the axis slower by it.',
                measure(100 * share, 'percent'),
              ),
      }),
      share: exact(0),
    };
  },
};
